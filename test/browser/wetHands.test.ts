import { expect } from 'chai';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { wholeEvent } from '../../src/core/bench/wholeEvent';
import type { BenchPicture } from '../../src/contract/bench';
import { violationsOn } from '../support/accessibility';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser, resize } from '../support/browser';
import { importFerry } from '../support/ferry';
import { PageUser, PATIENCE_MS } from '../support/page';
import { paint, part, step, unit } from '../support/units';

/** The bench with paint on both hands: read from afar, told by a pedal, and never started too early by the rhythm. */
describe('the bench with wet hands', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp({ shiftsClock: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    const coat = part('Coat', step('basecoat', { id: 'ferry-coat', paint: 'deep' }), step('wash', { id: 'ferry-wash', paint: 'dusk' }));
    await importFerry(
      app.url,
      [paint('deep', 'opaque', 40), paint('dusk')],
      [unit('Rowers', [coat], [], { id: 'rowers', promised: 3, counted: 3 })],
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
  const main = '[data-testid="main"]';
  const open = async () => {
    await user.open('/bench');
    await user.find('[data-testid="instruction"]');
  };
  const meaning = async () => (await user.find(main)).getAttribute('data-meaning');
  const events = async (): Promise<BenchEvent[]> =>
    ((await (await fetch(`${app.url}/api/bench`)).json()) as BenchPicture).events.map(wholeEvent);
  const allSent = () => user.find('[data-unsent="0"]');
  const button = (words: string) => driver.findElement(By.xpath(`//main//button[normalize-space(.)="${words}"]`));

  it('is told by the key of a pedal, and undone by holding it', async () => {
    await user.open('/house-rules');
    await user.press('Set a pedal');
    await user.see('[data-testid="pedal"]', /Press the pedal now/);
    await user.keys('b');
    await user.see('[data-testid="pedal"]', /Foot pedal: key b/);
    await user.isStored();
    await open();
    await user.see(main, /^Start: base coat/);
    await user.keys('b');
    await user.see(main, /^Model 1 is done/);
    await user.keys('b');
    await user.see(main, /^Model 2 is done/);
    await driver.actions().keyDown('b').perform();
    await user.see(main, /^Model 1 is done/);
    await driver.actions().keyUp('b').perform();
    await allSent();
    expect((await events()).slice(-3).map(({ kind }) => kind)).to.deep.equal(['started', 'done', 'undone']);
    expect(await meaning(), 'letting go of it means nothing more').to.equal('done');
  });

  it('is told by another window that is nothing but the button', async () => {
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    await user.open('/pedal');
    const pedal = await user.find('[data-testid="pedal-button"]');
    await user.see('[data-testid="pedal-button"]', /Model 1 is done/);
    await pedal.click();
    await user.see('[data-testid="pedal-button"]', /Model 2 is done/);
    await driver.actions().move({ origin: pedal }).press().perform();
    await user.see('[data-testid="pedal-button"]', /Model 1 is done/);
    await driver.actions().release().perform();
    await pedal.click();
    await user.see('[data-testid="pedal-button"]', /Model 2 is done/);
    await driver.close();
    await driver.switchTo().window(first);
    await user.see(main, /^Model 2 is done/);
  });

  it('says when what is wet is dry, does nothing meanwhile, and is started early only when asked twice', async () => {
    for (const model of [2, 3]) {
      await user.see(main, new RegExp(`^Model ${model} is done`));
      await user.keys(' ');
    }
    await user.see(main, /^Dry at \d\d:\d\d\nNothing else is dry until then/);
    await allSent();
    const before = (await events()).length;
    await user.keys(' ', ' ', 'b');
    await (await user.find(main)).click();
    expect((await events()).length, 'nothing was begun').to.equal(before);
    expect(await driver.getTitle()).to.match(/^Dry at \d\d:\d\d · Bench/);
    await button('Start early').click();
    await user.see('main [role="group"]', /Model \d+ is wet until \d\d:\d\d/);
    expect(await driver.executeScript('return document.activeElement.textContent'), 'the safe answer').to.equal('Cancel');
    await user.keys(Key.ENTER);
    await user.find('[data-testid="wet"]');
    expect((await events()).length, 'cancelled').to.equal(before);
    await button('Start early').click();
    await button('Paint it now').click();
    await user.see(main, /^Model 1 is done/);
    await user.keys(Key.BACK_SPACE);
    await user.see(main, /^Dry at/);
  });

  it('tells once that it is dry, in the title and to who listens', async () => {
    await allSent();
    app.passMinutes(60);
    await user.see('[data-testid="heard"]', /Model \d+ is dry/);
    await driver.wait(async () => /^Model \d+ is dry · Bench/.test(await driver.getTitle()), PATIENCE_MS, 'not in the title');
    expect(
      await driver.executeScript('return document.querySelector("[aria-live] [data-testid=clock]")'),
      'what ticks is not heard',
    ).to.equal(null);
    expect(await violationsOn(driver), 'as long as it is said').to.deep.equal([]);
  });

  for (const [width, height] of [
    [1280, 800],
    [1024, 768],
    [800, 1280],
    [390, 844],
    // What is left of a window that is enlarged twice and four times.
    [640, 400],
    [320, 200],
  ] as const)
    it(`keeps the job and the button in sight at ${width} by ${height}, and moves the button by no panel`, async () => {
      await resize(driver, width, height);
      await open();
      const seen = () =>
        driver.executeScript<{ top: number; bottom: number; job: number; sideways: number }>(`
          const { top, bottom } = document.querySelector('${main}').getBoundingClientRect();
          const job = document.querySelector('[data-testid="instruction"]').getBoundingClientRect();
          const least = Math.min(job.bottom, top, innerHeight) - Math.max(job.top, 0);
          return { top, bottom, job: least / job.height, sideways: document.documentElement.scrollWidth - innerWidth };`);
      const at = await seen();
      expect(at.sideways).to.be.at.most(0);
      expect(at.bottom, 'the button ends with the window').to.be.closeTo(height, 1);
      if (height > 480) expect(at.top, 'the lower third, or nearly').to.be.at.most(height * 0.75);
      expect(at.job, 'the paint is read whole').to.be.above(0.99);
      await user.keys('m');
      await user.find('[role="group"]');
      expect((await seen()).bottom).to.be.closeTo(height, 1);
      await user.keys(Key.ESCAPE);
    });

  it('goes on by touch on a tablet of 1024 by 768 while the program is away, and loses no tap', async () => {
    await resize(driver, 1024, 768);
    await open();
    await allSent();
    const before = await events();
    const touch = async (css: string) => {
      const { x, y } = await driver.executeScript<{ x: number; y: number }>(
        'const box = document.querySelector(arguments[0]).getBoundingClientRect(); return { x: box.left + box.width / 2, y: box.top + box.height / 2 }',
        css,
      );
      const point = [{ x, y }];
      await (driver as chrome.Driver).sendDevToolsCommand('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: point });
      await (driver as chrome.Driver).sendDevToolsCommand('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    };
    const kinds = (of: BenchEvent[]) => of.map(({ kind }) => kind);
    await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: true });
    try {
      await app.kill();
      await touch('button[aria-pressed="false"]:not([data-model])');
      await user.see('main', /1 tap kept here, not sent yet/);
      await user.press('Missed a spot');
      await user.find('[role="group"]');
      await user.press('Cancel');
      await touch('button[aria-pressed="true"]:not([data-model])');
      await user.see('main', /2 taps kept here, not sent yet/);
      // Reloaded or not, they are sent when it is back.
      await app.restart('port');
      await allSent();
    } finally {
      await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: false });
      await resize(driver, 1280, 800);
    }
    const after = await events();
    expect(after.length - before.length).to.be.at.least(1);
    expect(new Set(after.map(({ id }) => id)).size).to.equal(after.length);
    expect(kinds(after).slice(before.length)).to.include('paused');
  });
});
