import { mkdirSync, writeFileSync } from 'node:fs';
import { startApp } from '../test/support/app';
import { openBrowser } from '../test/support/browser';
import { PageUser } from '../test/support/page';

const FOLDER = 'docs/screenshots';
/** Long enough for the search of the Line view to come to rest. */
const SETTLE_MS = 2200;

/** What is done on a view before its picture is taken, so that it shows its work. */
const VIEWS: { name: string; path: string; planned?: string; act?: (user: PageUser) => Promise<void> }[] = [
  { name: 'today', path: '/' },
  { name: 'intake', path: '/c/SECOND/intake' },
  { name: 'scheme', path: '/c/FIRST/scheme', act: (user) => user.press('Mussel blue') },
  {
    name: 'colours',
    path: '/colours',
    act: async (user) => {
      await user.driver.wait(async () => (await user.text('[data-testid="sharing"]')).includes('Sharing saves'), 20_000);
    },
  },
  { name: 'money', path: '/c/FIRST/money', act: async (user) => void (await user.find('[data-testid="price-sum"]')) },
  { name: 'line', path: '/line', planned: 'FIRST' },
  { name: 'trays', path: '/trays', planned: 'SECOND', act: async (user) => void (await user.find('[data-done="true"]')) },
  { name: 'finish', path: '/c/LAST/finish', act: async (user) => void (await user.find('[data-testid="models"]')) },
  { name: 'ledger', path: '/ledger' },
  { name: 'shelf', path: '/shelf' },
  { name: 'library', path: '/library' },
  { name: 'house-rules', path: '/house-rules' },
  { name: 'backups', path: '/backups' },
  {
    name: 'bench',
    path: '/bench',
    act: async (user) => {
      await user.find('[data-testid="instruction"]');
      for (let tap = 0; tap < 4; tap++) {
        await user.keys(' ');
        await user.driver.sleep(400);
      }
    },
  },
];

/** One current picture of every main view, made from the demo. The application must have been built. */
mkdirSync(FOLDER, { recursive: true });
// A process of its own: one that waits for the next program would keep this one from ending.
const app = await startApp({ demo: true, cold: true });
const driver = await openBrowser();
try {
  const user = new PageUser(driver, app.url);
  await user.open('/');
  const ids = await driver.executeScript<string[]>(
    'return [...new Set([...document.querySelectorAll("main a[href*=intake]")].map((link) => link.getAttribute("href").split("/")[2]))]',
  );
  const named = (text: string) => text.replace('FIRST', ids[0]!).replace('SECOND', ids[1]!).replace('LAST', ids.at(-1)!);
  for (const { name, path, planned, act } of VIEWS) {
    await (planned === undefined ? user.open(named(path)) : user.plan(named(planned), path));
    // The browser draws no scrollbars, and would keep their room empty.
    await driver.executeScript('document.documentElement.style.scrollbarGutter = "auto"');
    await driver.sleep(SETTLE_MS);
    await act?.(user);
    await driver.sleep(800);
    writeFileSync(`${FOLDER}/${name}.png`, Buffer.from(await driver.takeScreenshot(), 'base64'));
  }
} finally {
  await driver.quit();
  await app.stop();
}
