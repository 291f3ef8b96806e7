import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

describe('from an empty database to a changed estimate', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  it('says what to do first and offers it', async () => {
    await user.open('/');
    await user.see('main', /count what came in it/);
    await user.press('Enter a commission');
    await user.path(/\/new$/);
  });

  it('takes a commission in', async () => {
    await user.fill('Name', 'Reed fair');
    await user.fill('Client', 'Saltmere guild');
    await driver.executeScript(
      `const field = document.querySelector('input[type=date]'); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '2027-03-01'); field.dispatchEvent(new Event('input', { bubbles: true }));`,
    );
    await user.press('Enter its units');
    await user.path(/\/intake$/);
  });

  it('adds two units of ten by keyboard alone and keeps them over a reload', async () => {
    for (const name of ['Thatchers', 'Net menders']) {
      await user.fill('Name of a new unit', name);
      await user.keys(Key.TAB, Key.TAB, '10', Key.ENTER);
      await user.find(`[data-unit="${name}"]`);
    }
    await user.isStored();
    await driver.navigate().refresh();
    await user.ready();
    await user.see('h2', /20 models in 2 units/);
  });

  it('keeps a count that is off in sight until it is settled', async () => {
    await user.fill('Counted of Thatchers', '9');
    await user.see('table', /Thatchers: 1 model short. Not settled./);
    await user.fill('How is the count of Thatchers settled?', 'one follows by post');
    await user.see('table', /Settled\./);
    await user.fill('Counted of Thatchers', '10');
    // As many as promised is one key.
    await (await user.field('Counted of Net menders')).sendKeys('=');
    await driver.wait(
      async () => (await (await user.field('Counted of Net menders')).getAttribute('value')) === '10',
      PATIENCE_MS,
      'not counted',
    );
    await user.isStored();
  });

  it('writes a scheme with two paints and copies it to the other unit', async () => {
    await user.press('Next: how is one painted?');
    await user.path(/\/scheme/);
    for (const [part, name] of [
      ['Shirt', 'Sail brown'],
      ['Hood', 'Kelp green'],
    ] as const) {
      await user.fill(part === 'Shirt' ? 'First part' : 'Next part', part);
      await user.choose('Base coat', 'a new paint');
      await user.fill('Name of the new paint', name);
      await user.press('Add paint');
      await user.press('Add the part');
      await user.see(`[data-part="${part}"]`, new RegExp(name));
    }
    await user.isStored();
    await user.see('[data-part="Hood"]', /min/);
    await user.press('Net menders');
    await user.press('Copy from Thatchers');
    await user.press('Use it for Net menders');
    await user.see('[data-part="Hood"]', /Kelp green/);
    await user.isStored();
  });

  it('tries how many travel together, takes one split and takes it back', async () => {
    await user.press('Trays');
    await user.path(/\/trays$/);
    await user.find('[data-done="true"]');
    await user.see('h2', /How many Thatchers at a time/);
    await user.press('Take 2 trays of 5');
    await user.see('[role="tab"][aria-selected="true"]', /2 trays of 5/);
    await user.press('Undo');
    await user.see('[role="tab"][aria-selected="true"]', /one tray of 10/);
    await user.isStored();
  });

  it('shows on the line what the shared legs save', async () => {
    await user.press('Next: in which order?');
    await user.path(/\/line$/);
    await user.find('[data-searching="false"]');
    await user.press('Shared');
    await user.see('[data-testid="shared-saving"]', /2 legs join units/);
    await user.see('table', /One model at a time/);
    await user.press('Put this line on the bench');
    await user.path(/\/bench$/);
  });

  it('runs the bench by Space and moves the estimate', async () => {
    await user.see('[data-testid="instruction"]', /Sail brown|Kelp green/);
    const before = await user.text('[data-testid="likely"]');
    await user.keys(' ');
    await user.see('[data-testid="main"]', /Model 1 is done/);
    await driver.sleep(1200);
    for (let model = 1; model <= 10; model++) {
      await user.keys(' ');
      await driver.sleep(150);
    }
    await user.see('[data-testid="tray"]', /^(?!.*done)/s);
    await user.find('[data-unsent="0"]');
    await user.see('[data-testid="moved"]', /−.* since you opened this page/);
    expect(await user.text('[data-testid="likely"]')).not.to.equal(before);
  });

  it('takes ticks within seconds as marks without time, and the minutes when they are told', async () => {
    await user.see('[data-testid="late"]', /1 job without a time/);
    await (await user.find('[data-testid="late"] summary')).click();
    await user.fill('Minutes for', '40');
    await user.press('It took that long');
    await driver.wait(
      async () => (await driver.findElements({ css: '[data-testid="late"]' })).length === 0,
      PATIENCE_MS,
      'the question stayed',
    );
    await user.open('/ledger');
    await user.see('main', /1 row, 10 model-steps, 40 min hands-on/);
    await user.see('table', /corrected/);
  });

  it('leaves no complaint of the browser behind', async () => {
    expect(await user.complaints()).to.deep.equal([]);
  });
});
