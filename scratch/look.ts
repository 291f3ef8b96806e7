import { writeFileSync } from 'node:fs';
import { startApp } from '../test/support/app';
import { openBrowser } from '../test/support/browser';
import { PageUser } from '../test/support/page';
import steps from './steps';
const app = await startApp({ demo: process.env['EMPTY'] === undefined, shiftsClock: true });
const driver = await openBrowser();
try {
  const user = new PageUser(driver, app.url);
  await user.open('/');
  const ids = await driver.executeScript<string[]>(
    'return [...new Set([...document.querySelectorAll("main a[href*=intake]")].map((link) => link.getAttribute("href").split("/")[2]))]',
  );
  const shot = async (name: string) => writeFileSync(`/tmp/shot-${name}.png`, Buffer.from(await driver.takeScreenshot(), 'base64'));
  await steps({ user, driver, shot, ids, app });
} catch (error) {
  console.error(error);
  writeFileSync('/tmp/shot-error.png', Buffer.from(await driver.takeScreenshot(), 'base64'));
} finally {
  await driver.quit();
  await app.stop();
}
process.exit(0);
