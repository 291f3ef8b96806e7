import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver } from 'selenium-webdriver';
import { expectAccessible } from '../support/accessibility';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser } from '../support/page';

/** Every dialog, question and error: by day and by night, at the usual size and at 400 %. */
describe('dialogs, questions and errors', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let commission: string;
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
    commission = await driver.executeScript<string>(
      'return document.querySelector("main a[href*=intake]").getAttribute("href").split("/")[2]',
    );
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const clean = (what: string) => expectAccessible(driver, what);
  const click = (css: string) => driver.executeScript('document.querySelector(arguments[0]).click()', css);
  const pressed = (words: string) =>
    driver.executeScript(
      '[...document.querySelectorAll("main button, main summary")].find((each) => each.innerText.trim().startsWith(arguments[0])).click()',
      words,
    );

  it('of every view: shortcuts and the search', async () => {
    await user.open('/');
    await click('#keys-button');
    await clean('shortcuts');
    await user.keys(Key.ESCAPE);
    await user.keys('/');
    await user.find('dialog#search[open]');
    await user.keys('wash');
    await user.see('#search-found li', /Bog wash/);
    await clean('search');
    await user.keys(Key.ESCAPE, Key.ESCAPE);
  });

  it('of Intake: a list of units with errors in it, units moved, a removal that is asked for, a date that is none', async () => {
    await user.open(`/c/${commission}/intake`);
    await user.find('#units');
    await pressed('Paste a list');
    await user.fill('Rows from a spreadsheet: name, models, size', 'name,models\nGulls,many\nTerns,8');
    await user.see('dialog[open]', /Terns/);
    await clean('pasted units');
    await user.keys(Key.ESCAPE);
    for (const words of ['Units from an earlier', 'Move models']) {
      await pressed(words);
      await user.find('dialog[open]');
      await clean(words);
      await user.keys(Key.ESCAPE);
    }
    await click('[aria-label^="Remove Lamp keepers"]');
    await user.see('main', /Models are painted\./);
    await clean('asked once more');
    await click('#units [role="group"] button');
    const field = await user.field('Tray size of Lamp keepers');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'ten');
    await user.see('#units', /"ten" is not a number/);
    await clean('a number that is none');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '10', Key.TAB);
  });

  it('of Scheme: typed lines with suggestions, problems and what is unknown; a match by colour, a ramp, the library', async () => {
    await user.open(`/c/${commission}/scheme`);
    await user.find('[data-testid="typed"]');
    await click('[data-testid="typed"] summary');
    const lines = await driver.findElement({ css: '[data-testid="typed"] textarea' });
    await lines.sendKeys('Lamp: base Kelp green, sparkle Foam, layer Foam for nobody\nHat: base Ha');
    await user.find('[role="listbox"]');
    await clean('typed lines');
    await lines.sendKeys(Key.ESCAPE);
    await user.see('[data-testid="typed-unknown"]', /“Kelp green” is not on the shelf.*“nobody” is no group/s);
    await lines.clear();
    await click('[data-part] button[aria-pressed]');
    await user.see('#step-editor', /Technique/);
    await clean('a step in hand');
    for (const words of ['Make a ramp', 'From the library', 'Match a colour']) {
      // Some stand in a part that is folded up.
      await driver.executeScript('document.querySelectorAll("main details").forEach((each) => (each.open = true))');
      await pressed(words);
      await user.find('dialog[open]');
      await clean(words);
      await user.keys(Key.ESCAPE);
    }
  });

  it('of the bench: each panel that asks', async () => {
    await user.open('/bench');
    await user.find('[data-testid="instruction"]');
    for (const key of ['m', 'z', 'n', 'c']) {
      await user.keys(key);
      await user.find('main [role="group"], main input');
      await clean(`the panel of ${key.toUpperCase()}`);
      await user.keys(Key.ESCAPE);
    }
  });

  it('of Finish and Backups: a delivery with things not done, a copy to go back to, what cannot be stored', async () => {
    await user.open(`/c/${commission}/finish#hand-over`);
    await user.press('Mark as delivered');
    await user.see('main [role="group"]', /There are .*not packed\./);
    await clean('a delivery with things not done');
    await user.open('/backups');
    const file = path.join(app.folder, 'copy.sqlite');
    writeFileSync(file, 'no database');
    await (await user.find('input[type=file]')).sendKeys(file);
    await user.see('main', /Go back to copy\.sqlite\?/);
    await clean('a copy to go back to');
    await user.press('Restore it');
    await user.see('main [role="alert"]', /\S/);
    await clean('a copy that is none');
    await user.open('/house-rules');
    await driver.executeScript('window.fetch = () => Promise.reject(new Error("away"))');
    await user.fill('Airbrushes owned', '2');
    await user.find('[data-save="failed"]');
    await clean('what cannot be stored');
  });

  it('of the log and the shelf: files that cannot be read, a list that is pasted', async () => {
    await user.open('/shelf');
    await user.press('Import or export');
    await user.press('Paste a list');
    await user.fill('Rows from a spreadsheet, with a header', 'name,colour\nGull,no colour\nTern,#336699');
    await user.see('dialog[open]', /Tern/);
    await clean('pasted paints');
    await user.keys(Key.ESCAPE);
    await user.open('/ledger');
    await user.find('[aria-label="Rows of the log"]');
    const file = path.join(app.folder, 'short.csv');
    writeFileSync(file, 'started_at,unit\n');
    await (await driver.findElement({ css: 'input[aria-label="Time log file"]' })).sendKeys(file);
    await user.see('dialog[open] [role="alert"]', /\S/);
    await clean('a log that cannot be read');
    await user.keys(Key.ESCAPE);
    await user.open('/nowhere');
    await clean('nothing at this address');
  });
});
