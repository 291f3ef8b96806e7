/** How long the page is busy at a stretch while a job is carried over a long line, and when it is put down. */
import { cpus } from 'node:os';
import type { CommissionFile } from '../src/core/formats/commission/commission';
import { startApp } from '../test/support/app';
import { openBrowser } from '../test/support/browser';
import { carryToAndFro, goToPlace, importLongLine } from '../test/support/longLine';
import { PageUser } from '../test/support/page';
import { recordTasks } from './recordTasks';

const DRAGS = 5;
const JOBS = 600;
const PLACE = 300;

const app = await startApp({ demo: true, cold: true });
const driver = await openBrowser();
const user = new PageUser(driver, app.url);

/** The demo's first commission. */
async function firstCommission(): Promise<string> {
  await user.open('/');
  const link = await driver.executeScript<string>('return document.querySelector("main a[href*=intake]").getAttribute("href")');
  return link.split('/')[2]!;
}

try {
  const id = await importLongLine(app.url, await firstCommission(), JOBS);
  const { units } = (await (await fetch(`${app.url}/api/commissions/${id}/file`)).json()) as CommissionFile;
  await user.plan(id);
  await user.find('[data-searching="false"]');
  await user.see('#job-in-hand', /^1 of/);
  const jobs = /of (\d+):/.exec(await user.text('#job-in-hand'))![1];
  console.log(`${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}: ${units.length} units, ${jobs} jobs\n`);
  console.log('| drag | longest task while carried | when put down |\n| ---: | ---: | ---: |');
  for (let drag = 1; drag <= DRAGS; drag++) {
    // Put down, a job stands elsewhere, and another is at its place, perhaps out of sight.
    await goToPlace(user, driver, PLACE);
    const carried = await recordTasks(driver, () => carryToAndFro(user, driver, PLACE));
    const putDown = await recordTasks(driver, async () => {
      await driver.actions().release().perform();
      await user.see('[data-testid="hand-note"]', /^Put there and pinned/);
    });
    console.log(`| ${drag} | ${Math.max(...carried).toFixed(0)} ms | ${Math.max(...putDown).toFixed(0)} ms |`);
  }
} finally {
  await driver.quit();
  await app.stop();
}
