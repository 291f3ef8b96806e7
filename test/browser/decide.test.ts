import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import type { BenchPicture } from '../../src/contract/bench';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { importFerry } from '../support/ferry';
import { PageUser, PATIENCE_MS } from '../support/page';
import { paint, part, step, unit } from '../support/units';

/** An evening with three decisions at the bench, by keyboard, taken back the next day. */
describe('decisions at the bench', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    const coat = step('basecoat', { id: 'coat', paint: 'deep', strength: '2:1 with water', note: 'thin' });
    const parts = [part('Coat', coat, step('layer', { id: 'light', paint: 'foam' }))];
    await importFerry(
      app.url,
      [paint('deep', 'opaque', 0), paint('foam', 'opaque', 0)],
      [unit('Rowers', parts, [], { id: 'rowers', promised: 4, counted: 4 })],
    );
    await user.plan('ferry');
    await user.find('[data-searching="false"]');
    await user.press('Put this line on the bench');
    await user.path(/\/bench$/);
    await user.find('[data-testid="instruction"]');
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });
  const saved = () => user.find('[data-unsent="0"]');
  const space = async () => {
    await user.keys(Key.SPACE);
    await saved();
    await driver.sleep(350);
  };
  const coats = async () =>
    ((await (await fetch(`${app.url}/api/bench`)).json()) as BenchPicture).line.passes.map(({ stepId, coat }) => `${stepId} ${coat}`);
  const likely = async () => {
    const { likely: minutes } = (await (await fetch(`${app.url}/api/commissions/ferry/estimate`)).json()) as { likely: number };
    return minutes;
  };

  it('show the recipe, and each choice with its price', async () => {
    await user.see('[data-testid="recipe"]', /broad brush · 2:1 with water · thin/);
    await user.keys('c');
    const said = await user.see('[aria-label="Decide on this step"]', /Another coat on all 4/);
    expect(said)
      .to.match(/Leave it out on model 1: −\d/)
      .and.to.match(/Leave it out on the 4 left: −\d/);
    expect(said)
      .to.match(/Another coat on all 4: \+\d/)
      .and.not.to.include('Cover model');
    await user.keys(Key.ESCAPE);
  });

  it('leave a model out, give the others another coat, and start one over', async () => {
    await space();
    await space();
    await user.see('[data-testid="main"]', /Model 2 is done/);
    const before = await likely();
    await user.keys('c', '1');
    await saved();
    await user.see('[data-testid="main"]', /Model 3 is done/);
    await driver.wait(async () => (await likely()) < before, PATIENCE_MS, 'what is left out takes no time');
    await user.keys('c');
    await user.press('Another coat on the 2 not done');
    await driver.wait(async () => (await coats()).join() === 'coat 1,coat 2,light 1', PATIENCE_MS);
    await user.see('[data-testid="main"]', /Model 3 is done/);
    // Model 1 keeps its one coat, and model 2 does without.
    expect(await (await fetch(`${app.url}/api/commissions/ferry/painted`)).json()).to.deep.equal([
      { passKey: 'coat#1', models: [1, 2] },
      { passKey: 'coat#2', models: [1, 2] },
    ]);
    await space();
    await user.keys('c');
    await user.see('[aria-label="Decide on this step"]', /Paint after all: Rowers, coat, base coat.* on model 2/);
    await user.keys(Key.ESCAPE);
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('are taken back the next day, after the program was killed', async () => {
    await user.keys('e');
    await saved();
    await app.kill();
    await app.restart();
    await user.open('/bench');
    // A program that was killed is complained of.
    await user.complaints();
    await user.find('[data-testid="instruction"]');
    await user.keys('c');
    const [first] = await driver.findElements({ xpath: '//button[starts-with(normalize-space(.), "Paint after all")]' });
    await first!.click();
    await saved();
    await driver.wait(
      async () => !/Paint after all: Rowers, coat, base coat, coat 1 of 2/.test(await user.text('main')),
      PATIENCE_MS,
      'it is painted after all',
    );
    await user.open('/c/ferry/scheme');
    await user.see('[data-part="Coat"]', /Base coat ×2/);
    expect(await user.complaints()).to.deep.equal([]);
  });
});
