import { expect } from 'chai';
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import type { WebDriver, WebElement } from 'selenium-webdriver';
import type { LogRow } from '../../src/core/log/definitions';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

const HEADER = 'started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note';
const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;

/** When the latest stretch of two hours began in which, and two hours before and after, nothing was painted; all in epoch milliseconds. */
function freeEvening(painted: readonly number[]): number {
  let begin = Date.now() - 3 * HOUR_MS;
  while (painted.some((at) => at > begin - 2 * HOUR_MS && at < begin + 4 * HOUR_MS)) begin -= HOUR_MS;
  return begin;
}

describe('estimates in the browser', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const get = async <T>(url: string) => (await (await fetch(app.url + url)).json()) as T;
  const figures = async () => (await get<{ figures: { likely: number; handsOn: number } }>('/api/bench/figures')).figures;
  const likely = async () => (await figures()).likely;
  const importRows = async (rows: readonly string[]) => {
    await user.open('/ledger');
    const file = path.join(app.folder, 'evening.csv');
    writeFileSync(file, [HEADER, ...rows].join('\n'));
    await (await user.find('input[type=file][aria-label="Time log file"]')).sendKeys(file);
    await user.press(`Import ${rows.length} rows`);
    await driver.wait(
      async () => (await get<{ rows: { note: string }[] }>('/api/time-log/rows?words=slow-evening')).rows.length > 0,
      PATIENCE_MS,
    );
  };

  it('open to the norm, the factors and the rows they come from', async () => {
    await user.open('/bench');
    await driver.executeScript('arguments[0].open = true', await user.find('[data-testid="why-figure"]'));
    const why = await user.see('[data-testid="why-figure"]', /A model, expected/);
    expect(why).to.match(/The norm for /);
    expect(why).to.match(/Your pace now \(\d+ rows logged\)\s*× \d\.\d\d/);
    expect(why).to.match(/Repetition: models? \d+/);
    expect(why).to.match(/20 more rows like it would narrow that to/);
  });

  it('change hours and dates with a reason when an evening goes 30 % slower', async () => {
    const before = await figures();
    const { commissions } = await get<{ commissions: { id: string }[] }>('/api/other-work');
    const doneAt = async () =>
      (await get<{ outlook: { likelyAt: number } }>(`/api/commissions/${commissions[0]!.id}/figures`)).outlook.likelyAt;
    const doneBefore = await doneAt();
    const paceBefore = Number(/Your pace now[^×]*× (\d\.\d\d)/.exec(await user.text('[data-testid="why-figure"]'))![1]);
    const { rows } = await get<{ rows: LogRow[] }>('/api/time-log/rows?commission=Tide%20coast%20watch');
    // An evening of its own: rows between those of another would look like set-up and fatigue of that one.
    const begun = freeEvening(rows.map(({ startedAt }) => Date.parse(startedAt)));
    const slow = rows.slice(0, 14).map((row, index) => {
      const at = new Date(begun + index * MINUTE_MS).toISOString();
      const { commission, unit, part, technique, size, coverage, models, minutes } = row;
      return [at, commission, unit, part, technique, size, coverage, models, (minutes * 1.3).toFixed(1), '', 'slow-evening'].join(',');
    });
    await importRows(slow);
    const after = await figures();
    expect(after.handsOn / before.handsOn).to.be.within(1.01, 1.3);
    // All hours grow less, or hardly: an evening may end before a wait. The date goes with them.
    const grownMs = (after.likely - before.likely) * MINUTE_MS;
    expect((await doneAt()) - doneBefore, 'the date').to.be.greaterThan(grownMs / 2 - 5 * MINUTE_MS);
    await user.open('/bench');
    await driver.executeScript('arguments[0].open = true', await user.find('[data-testid="why-figure"]'));
    const why = await user.see('[data-testid="why-figure"]', /A model, expected/);
    expect(Number(/Your pace now[^×]*× (\d\.\d\d)/.exec(why)![1])).to.be.greaterThan(paceBefore);
    await user.open('/');
    await user.see('main', /Tide coast watch/);
  });

  it('come back to what they were when an odd row is judged and the word is taken back', async () => {
    const before = await likely();
    const [odd] = (await get<{ rows: { id: string }[] }>('/api/time-log/rows?filter=to%20judge')).rows;
    const judge = async (verdict: string) =>
      fetch(`${app.url}/api/time-log/${odd!.id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', origin: app.url },
        body: JSON.stringify({ verdict, correctedMinutes: null }),
      });
    await judge('counts');
    expect(Math.abs(Math.log((await likely()) / before))).to.be.greaterThan(1e-5);
    await judge('unsure');
    expect(await likely()).to.be.closeTo(before, 1e-6);
  });

  it('show in the Ledger whether they were right, and let rows be found', async () => {
    await driver.wait(
      async () => !(await get<{ pending: boolean }>('/api/time-log/insights')).pending,
      PATIENCE_MS,
      'nothing was foretold',
    );
    await user.open('/ledger');
    await user.see('[data-testid="hit-rate"]', /of \d+ rows, \d+ took no longer than the cautious estimate/);
    await user.see('[data-testid="stages"]', /\d+% from primer to shade/);
    await user.see('[data-testid="saved"]', /each doubling saves \d+%/);
    await user.fill('Find in the log', 'net menders');
    await driver.wait(async () => !/Lamp keepers/.test(await user.text('table')), PATIENCE_MS, 'the words were not looked for');
    expect(await user.text('table')).to.match(/Net menders/);
    await user.fill('Find in the log', 'no such step');
    await user.see('table', /No rows\./);
  });

  it('leave other work out: it has a clock of its own, which pauses painting', async () => {
    await user.open('/bench');
    await user.press('Start timer');
    await user.see('[data-testid="other-work"]', /photographs, Tide coast watch; painting is paused/);
    await driver.navigate().refresh();
    await user.ready();
    await user.see('[data-testid="other-clock"]', /\d:\d\d/);
    await user.press('Stop');
    await user.see('[data-testid="other-work"]', /Start timer/);
    const { commissions } = await get<{ commissions: { id: string }[] }>('/api/other-work');
    await user.open(`/c/${commissions[0]!.id}/intake`);
    await user.press('Correct');
    await user.fill('Minutes it took', '25');
    await user.press('Save minutes');
    await user.see('[data-testid="other-total"]', /^25 min of other work/);
    const remove = `return [...document.querySelectorAll('[data-testid="other-work"] button')].find((each) => each.textContent === 'Remove')`;
    await (await driver.executeScript<WebElement>(remove)).click();
    await user.see('[data-testid="other-total"]', /Nothing yet/);
  });
});
