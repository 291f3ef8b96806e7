import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import { readTimeLog } from '../../src/core/formats/timeLog/readTimeLog';
import type { BenchPicture } from '../../src/contract/bench';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

/** What passes in the page is ahead by so many milliseconds, as in the program, so that an evening fits into a test. */
const SHIFTED_CLOCK = `
  const real = performance.now.bind(performance);
  performance.now = () => real() + Number(localStorage.getItem('test clock') ?? 0);`;
const MINUTES_A_MODEL = 3;

describe('the middle of real work', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let commission: string;
  let bench: string;
  let unit: string;
  /** Models ticked and minutes painted on the job in hand. */
  const truth = { models: 0, minutes: 0 };

  const shiftClock = async () => {
    await (driver as chrome.Driver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: SHIFTED_CLOCK });
  };
  const wait = async (minutes: number) => {
    // A window that has not heard the time yet would go back to it.
    if ((await driver.findElements({ css: '[data-heard]' })).length > 0) await user.find('[data-heard="true"]');
    app.passMinutes(minutes);
    await driver.executeScript(
      'localStorage.setItem("test clock", String(Number(localStorage.getItem("test clock") ?? 0) + arguments[0] * 60000))',
      minutes,
    );
  };
  const done = async () =>
    (
      await driver.executeScript<string[]>('return [...document.querySelectorAll("[data-look]")].map((model) => model.dataset.look)')
    ).filter((look) => look === 'done' || look === 'missed').length;
  const seeDone = (count: number) => driver.wait(async () => (await done()) === count, PATIENCE_MS, `never ${count} models done`);
  const saved = () => user.find('[data-unsent="0"]');
  async function paint(): Promise<void> {
    const before = await done();
    await wait(MINUTES_A_MODEL);
    await user.keys(' ');
    await seeDone(before + 1);
    truth.models += 1;
    truth.minutes += MINUTES_A_MODEL;
  }
  /** Steps of models that are painted, over the whole commission. */
  const painted = async () =>
    ((await (await fetch(`${app.url}/api/commissions/${commission}/painted`)).json()) as { models: number[] }[]).reduce(
      (sum, { models }) => sum + models.length,
      0,
    );
  /** What was logged since the test began; the demo's own history ended before. */
  let began: number;
  const rows = async () =>
    readTimeLog(await (await fetch(`${app.url}/api/time-log`)).text()).rows.filter((row) => Date.parse(row.startedAt) > began);

  before(async () => {
    app = await startApp({ demo: true, shiftsClock: true });
    began = Date.now();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
    await shiftClock();
    const link = await driver.executeScript<string>('return document.querySelector("main a[href*=intake]").getAttribute("href")');
    commission = link.split('/')[2]!;
    await user.open('/bench');
    await user.find('[data-testid="instruction"]');
    bench = await driver.getWindowHandle();
    unit = /, ([A-Z][\w ]+?)(?:, tray \d+)?, model/.exec(await user.text('[aria-label="What to do now"]'))![1]!;
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  it('paints on while everything is renamed in another window', async () => {
    await user.keys(' ');
    await user.see('[data-testid="main"]', /is done/);
    await paint();
    await paint();
    await saved();
    await driver.switchTo().newWindow('tab');
    await shiftClock();
    await user.open(`/c/${commission}/intake`);
    await user.fill(`Name of ${unit}`, `${unit} of the north`);
    await user.isStored();
    await driver.close();
    await driver.switchTo().window(bench);
    await user.see('[aria-label="What to do now"]', /of the north/);
    await seeDone(2);
    await paint();
  });

  it('counts a model painted from another window once, and hears of it', async () => {
    await saved();
    await driver.switchTo().newWindow('tab');
    await shiftClock();
    await user.open('/bench');
    await user.find('[data-testid="instruction"]');
    await seeDone(3);
    await paint();
    await saved();
    await driver.close();
    await driver.switchTo().window(bench);
    await seeDone(4);
  });

  it('goes on while the server is killed', async () => {
    await app.kill();
    await paint();
    await user.see('[role="alert"]', /does not answer/);
    await app.restart();
    await saved();
    await seeDone(5);
  });

  it('marks a spot on several models at once, and touches one of them up', async () => {
    await user.keys('m');
    await user.press('Other models');
    await user.press('All');
    await user.fill('Where?', 'under the strap');
    await user.press('as missed');
    await user.see('[data-testid="misses"]', /under the strap/);
    await user.keys('z');
    await user.see('[aria-label="Which spot was touched up?"]', /1/);
    await user.keys(Key.ESCAPE);
    await saved();
  });

  it('keeps all that over two new lines and another count', async () => {
    for (let round = 0; round < 2; round++) {
      await user.plan(commission);
      await user.find('[data-searching="false"]');
      await user.press('Replace the line on the bench');
      await user.path(/\/bench$/);
      await user.find('[data-testid="instruction"]');
    }
    await seeDone(5);
    // It has another name by now. One who comes when others are painted travels apart: the unit has one more, the tray in hand perhaps not.
    const models = async () => {
      const { line } = (await (await fetch(`${app.url}/api/bench`)).json()) as BenchPicture;
      return line.units.find(({ name }) => name.startsWith(unit))!.trays.reduce((sum, tray) => sum + tray.models.length, 0);
    };
    const before = await models();
    await user.open(`/c/${commission}/intake`);
    await user.fill(`Counted of ${unit}`, String(before + 1));
    await user.fill(`Tray size of ${unit}`, '40');
    await user.isStored();
    await user.open('/bench');
    await user.find('[data-testid="instruction"]');
    expect(await models()).to.equal(before + 1);
    await seeDone(5);
  });

  it('stops for the night and goes on the next day, with no night in the log', async () => {
    await saved();
    await user.keys('e');
    await user.see('main', /Stopped at .*It goes on here/);
    await wait(22 * 60);
    await driver.navigate().refresh();
    await user.ready();
    await user.see('[data-testid="main"]', /^Start/);
    await user.keys(' ');
    await user.see('[data-testid="main"]', /is done/);
    // Whatever job comes first that day: it may be one of which a single model was left.
    const before = await painted();
    await wait(MINUTES_A_MODEL);
    await user.keys(' ');
    await driver.wait(async () => (await painted()) === before + 1, PATIENCE_MS, 'never one model more');
    truth.models += 1;
    truth.minutes += MINUTES_A_MODEL;
    await saved();
  });

  it('has the minutes worked in the log, and no others', async () => {
    const worked = (await rows()).filter((row) => row.technique !== 'touchup');
    expect(worked.reduce((sum, row) => sum + row.models, 0)).to.equal(truth.models);
    // The seconds that the test itself takes are worked too.
    expect(worked.reduce((sum, row) => sum + row.minutes, 0)).to.be.within(truth.minutes, truth.minutes + 2);
    expect(await user.complaints().then((all) => all.filter((text) => !/ERR_CONNECTION|net::ERR|Failed to load/.test(text)))).to.deep.equal(
      [],
    );
  });
});
