import { expect } from 'chai';
import type { WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import { readTimeLog } from '../../src/core/formats/timeLog/readTimeLog';
import type { CommissionEstimate } from '../../src/core/commission/estimate';
import type { MoneyPicture } from '../../src/contract/money';
import { startApp, toMorning, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { importFerry } from '../support/ferry';
import { PageUser, PATIENCE_MS } from '../support/page';
import { paint, part, step, unit } from '../support/units';

/** What passes in the page is ahead by so many milliseconds, as in the program. */
const SHIFTED_CLOCK = `
  const real = performance.now.bind(performance);
  performance.now = () => real() + Number(localStorage.getItem('test clock') ?? 0);`;

describe('what is shown is what is done', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  const answer = async <T>(path: string) => (await (await fetch(app.url + path)).json()) as T;
  const rows = async () => readTimeLog(await (await fetch(`${app.url}/api/time-log`)).text()).rows;

  describe('a line laid in the middle of the work', () => {
    let id: string;
    before(async () => {
      app = await startApp({ demo: true, shiftsClock: true });
      toMorning(app);
      driver = await openBrowser();
      user = new PageUser(driver, app.url);
      await user.open('/');
      id = await driver.executeScript<string>('return document.querySelector("main a[href*=intake]").getAttribute("href").split("/")[2]');
    });
    after(async () => {
      await closeBrowser(driver);
      await app?.stop();
    });

    const figures = async () => {
      const { likely } = await answer<CommissionEstimate>(`/api/commissions/${id}/estimate`);
      const { units } = await answer<MoneyPicture>(`/api/commissions/${id}/money`);
      return { likely, price: units.reduce((sum, each) => sum + each.likely, 0) };
    };
    /** What comes next, whatever the time is by now. */
    const order = async () => {
      // In the morning all is dry; until the window has heard the time it takes some for wet.
      await driver.wait(async () => !(await user.text('[aria-label="Next"]')).includes('early'), PATIENCE_MS, 'it never dried');
      return (await user.text('[aria-label="Next"]'))
        .replaceAll(/ Ready in [^\n]*/g, '')
        .split('\n')
        .slice(1, 4);
    };
    const lay = async () => {
      await user.open('/line');
      await user.find('[data-searching="false"]');
      await user.press('Replace the line on the bench');
      await user.path(/\/bench$/);
      await user.find('[data-testid="instruction"]');
    };

    it('moves nothing when nothing was changed', async () => {
      const before = await figures();
      await user.open('/bench');
      const next = await order();
      await lay();
      expect(await order()).to.deep.equal(next);
      expect(await figures()).to.deep.equal(before);
      expect(await driver.findElements({ css: '[data-testid="replaced"]' })).to.deep.equal([]);
    });

    it('is the one that was shown, with its minutes, and undo brings back the one before', async () => {
      const before = await figures();
      await user.open('/bench');
      const next = await order();
      const instruction = await user.text('[data-testid="instruction"]');
      await user.open('/line');
      await user.find('[data-searching="false"]');
      await user.press('Back to the suggestion');
      await user.see('main', /This is the suggested order/);
      const total = (await user.text('[data-searching]')).split(',')[0]!;
      await user.isStored();
      await user.press('Replace the line on the bench');
      await user.path(/\/bench$/);
      await user.see('[data-testid="replaced"]', /in place of another line/);
      const laid = await figures();
      expect(laid.price, 'no price moves').to.equal(before.price);
      expect(laid.likely).to.not.equal(before.likely);
      expect(total, 'what Line showed').to.include(await user.text('[data-testid="likely"]'));
      await user.press('Bring back the line before');
      await driver.wait(async () => (await driver.findElements({ css: '[data-testid="replaced"]' })).length === 0, PATIENCE_MS);
      await user.see('[data-testid="instruction"]', new RegExp(instruction.split('\n')[0]!.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')));
      expect(await order()).to.deep.equal(next);
      expect(await figures()).to.deep.equal(before);
    });
  });

  describe('an order painted, corrected, ordered again and delivered', () => {
    const MODELS = 3;
    before(async () => {
      app = await startApp({ shiftsClock: true });
      driver = await openBrowser();
      await (driver as chrome.Driver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: SHIFTED_CLOCK });
      user = new PageUser(driver, app.url);
      const coat = part('Coat', step('basecoat', { id: 'ferry-coat', paint: 'deep' }), step('wash', { id: 'ferry-wash', paint: 'dusk' }));
      await importFerry(
        app.url,
        [paint('deep', 'opaque', 40), paint('dusk')],
        [unit('Rowers', [coat], [], { id: 'rowers', promised: MODELS, counted: MODELS })],
      );
      await user.open('/line');
      await user.find('[data-searching="false"]');
      await user.press('Put this line on the bench');
      await user.path(/\/bench$/);
      await user.find('[data-testid="instruction"]');
    });
    after(async () => {
      await closeBrowser(driver);
      await app?.stop();
    });

    const wait = async (minutes: number) => {
      // A window that has not heard the time yet would go back to it.
      if ((await driver.findElements({ css: '[data-heard]' })).length > 0) await user.find('[data-heard="true"]');
      app.passMinutes(minutes);
      await driver.executeScript(
        'localStorage.setItem("test clock", String(Number(localStorage.getItem("test clock") ?? 0) + arguments[0] * 60000))',
        minutes,
      );
    };
    const done = () => driver.executeScript<number>('return document.querySelectorAll("[data-look=done]").length');
    const paintOne = async (minutes: number) => {
      const before = await rows();
      await wait(minutes);
      await user.keys(' ');
      await user.find('[data-unsent="0"]');
      const models = (log: typeof before) => log.reduce((sum, row) => sum + row.models, 0);
      await driver
        .wait(async () => models(await rows()) === models(before) + 1, PATIENCE_MS)
        .catch(async () => {
          const told = [JSON.stringify(await rows()), await user.text('main')].join(' ');
          throw new Error(`the model never came into the log after ${JSON.stringify(before)}, but: ${told}`);
        });
    };

    it('takes neither waiting for paint to dry nor a break for set-up', async () => {
      await wait(3);
      await user.keys(' ');
      await user.see('[data-testid="main"]', /Model 1 is done/);
      for (let model = 0; model < MODELS; model++) await paintOne(3);
      await user.see('[data-testid="main"]', /Dry at \d\d:\d\d/);
      await wait(41);
      await user.see('[data-testid="main"]', /^Start: wash/);
      expect(await driver.findElements({ css: '[role="alert"]' }), 'waiting is no break').to.deep.equal([]);
      await wait(5);
      await user.see('[role="alert"]', /The last tap was 4\d min ago/);
      await user.press('That was a break');
      await wait(1);
      await user.keys(' ');
      await user.see('[data-testid="main"]', /Model 1 is done/);
      await paintOne(4);
      const [coat, wash] = await rows();
      expect(coat).to.include({ models: MODELS });
      expect(coat!.minutes).to.be.within(9, 10);
      expect(coat!.setupMinutes, 'the first set-up of the sitting').to.be.within(3, 4);
      expect(wash!.setupMinutes, 'wet for thirty-four minutes, dry for twelve, and those a break').to.be.within(0.9, 1.5);
      expect(wash!.minutes).to.be.within(4, 5);
    });

    it('lets a row in hand that was corrected grow by what comes after', async () => {
      await user.open('/ledger');
      await user.press('Edit');
      await user.press('Correct');
      await user.fill('Minutes it took', '8');
      await user.press('Save minutes');
      await user.see('table', /8\.0\s+measured 4/);
      await user.open('/bench');
      await user.see('[data-testid="main"]', /Model 2 is done/);
      await paintOne(4);
      const wash = (await rows()).at(-1)!;
      expect(wash).to.include({ models: 2 });
      expect(wash.correctedMinutes! - 8).to.be.within(4, 5);
      expect(await done()).to.equal(2);
    });

    it('estimates a like order by what the first one took', async () => {
      const first = await answer<CommissionEstimate>('/api/commissions/ferry/estimate');
      await user.open('/c/ferry/intake');
      await user.press('Duplicate');
      await user.fill('Name of the copy', 'Ferry crew, second boat');
      await user.press('Make a like order');
      const copy = (await user.path(/\/c\/(?!ferry\/)[^/]+\/intake$/)).split('/').at(-2)!;
      const again = await answer<CommissionEstimate>(`/api/commissions/${copy}/estimate`);
      const coatOf = ({ passes }: CommissionEstimate) => passes.find(({ modelsTotal }) => modelsTotal === MODELS)!;
      expect(coatOf(again).wholeP50 / coatOf(first).wholeP50, 'the base coat again').to.be.within(0.8, 1.05);
    });

    it('says what is not done before it is delivered, and after it', async () => {
      await user.open('/bench');
      await user.find('[data-testid="instruction"]');
      await user.keys('m');
      await user.see('[role="group"]', /What was missed on model \d+\?/);
      await user.keys(' ');
      await user.see('[data-testid="misses"]', /model \d+/);
      await user.find('[data-unsent="0"]');
      await user.open('/');
      await user.see('main', /1 thing to settle before delivery/);
      await user.open('/c/ferry/intake');
      await user.press('Mark as delivered');
      await user.see('[aria-label="Deliver Ferry crew"]', /1 model-step not painted.*1 missed spot to touch up/s);
      await user.press('Deliver Ferry crew anyway');
      await user.path(/\/$/);
      await user.open('/c/ferry/money');
      await user.see('[data-testid="undone"]', /Delivered with 2 things not done.*1 missed spot to touch up/s);
    });
  });
});
