import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { importFerry } from '../support/ferry';
import { PageUser } from '../support/page';
import { paint, part, step, unit } from '../support/units';

/** A black shade on everything but the skin: one strip, one step, one tap a model, by keyboard where there is one. */
describe('a step over several parts', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    const parts = [
      part('Skin', step('basecoat', { id: 'skin', paint: 'deep' })),
      part('Coat', step('basecoat', { id: 'coat', paint: 'deep' })),
    ];
    await importFerry(
      app.url,
      [paint('deep', 'opaque', 0), paint('tar', 'wash', 0)],
      [
        unit('Rowers', parts, [step('wash', { id: 'shade', paint: 'tar', coverage: 1 })], {
          id: 'rowers',
          promised: 2,
          counted: 2,
        }),
      ],
    );
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  it('is said in the scheme with the parts ticked, kept over a reload, and undone', async () => {
    await user.open('/c/ferry/scheme');
    await driver.executeScript(`document.querySelector('[data-part="Over everything"] button[aria-pressed]').click()`);
    await user.choose('Laid on', 'but');
    await user.see('[data-part="Over everything"]', /Wash \(everything but skin\)/);
    await user.isStored();
    await driver.navigate().refresh();
    await user.ready();
    await user.see('[data-part="Over everything"]', /Wash \(everything but skin\)/);
    await driver.executeScript(`document.querySelector('[data-part="Over everything"] button[aria-pressed]').click()`);
    await user.choose('Laid on', 'only');
    await user.see('[data-part="Over everything"]', /Wash \(coat\)/);
    await user.press('Undo');
    await user.see('[data-part="Over everything"]', /Wash \(everything but skin\)/);
    await user.isStored();
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('is one job on the line and one tap a model at the bench, and the log says on what', async () => {
    await user.open('/line');
    await user.find('[data-searching="false"]');
    await user.press('Put this line on the bench');
    await user.path(/\/bench$/);
    let taps = 0;
    // Base coats first.
    while (!/Start: wash/.test(await user.text('[data-testid="main"]'))) {
      expect(++taps, 'taps until the shade').to.be.below(12);
      await user.keys(Key.SPACE);
      await user.find('[data-unsent="0"]');
      await driver.sleep(350);
    }
    await user.see('main', /Wash on everything but skin/);
    for (let tap = 0; tap < 3; tap++) {
      await user.keys(Key.SPACE);
      await user.find('[data-unsent="0"]');
      await driver.sleep(350);
    }
    await user.open('/ledger');
    await user.see('table', /everything but skin/i);
    expect(await user.complaints()).to.deep.equal([]);
  });
});
