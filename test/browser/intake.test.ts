import { expect } from 'chai';
import { readdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

/** Steps of one journey: a commission whose client has to say yes first, and who then wants more. */
describe('from a test model to the batch, and a change of scope in the middle', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let id: string;
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
    const links = await driver.executeScript<string[]>(
      'return [...document.querySelectorAll("main a[href*=intake]")].map((link) => [link.textContent, link.getAttribute("href")].join("|"))',
    );
    id = links
      .find((link) => link.includes('Market square'))!
      .split('|')[1]!
      .split('/')[2]!;
    await user.open(`/c/${id}/intake`);
    await user.find('[data-testid="reconciled"]');
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const jobsOf = async () => {
    await user.plan(id);
    await user.find('[data-searching="false"]');
    return ((await (await fetch(`${app.url}/api/line`)).json()) as { jobs: { unitName: string; models: number[] }[] }).jobs;
  };

  it('says which models nobody can paint, and how long the first one took', async () => {
    await user.see('[data-reconciled="Market townsfolk"]', /23 models on no tray: the test model is not approved/);
    await user.see('[data-test-model="Market townsfolk"]', /20 of 20 steps painted, \d+ min hands-on/);
    expect((await jobsOf()).some((job) => job.unitName === 'Market townsfolk')).to.equal(false);
  });

  it('takes a picture in, refuses what is none, and puts a letter with it in the outbox', async () => {
    await user.open(`/c/${id}/intake`);
    const input = 'input[aria-label="File of a picture of the test model: the test model of Market townsfolk"]';
    await user.find(input);
    const choose = async (name: string, bytes: Uint8Array) => {
      const file = path.join(app.folder, name);
      writeFileSync(file, bytes);
      await (await driver.findElement({ css: input })).sendKeys(file);
    };
    await choose('not-one.png', Buffer.from('no picture at all'));
    await user.see('[data-pictures="the test model of Market townsfolk"]', /not-one\.png: .*choose a JPEG, PNG or WebP/);
    await choose(
      'townsman.png',
      await sharp({ create: { width: 60, height: 90, channels: 3, background: '#6b4a7a' } })
        .png()
        .toBuffer(),
    );
    await user.find('[data-pictures="the test model of Market townsfolk"] figure img');
    await user.fill('To', 'curator@museum.example');
    await user.fill('A word to the client', 'Is the waistcoat green enough?');
    await user.press('Prepare the e-mail');
    await user.see('h2', /Test model of Market townsfolk: waiting for curator@museum\.example/);
    expect(readdirSync(path.join(app.folder, 'outbox')).filter((name) => name.endsWith('.eml'))).to.have.lengthOf(1);
    await driver.navigate().refresh();
    await user.see('[data-test-model="Market townsfolk"]', /letter to curator@museum\.example/);
  });

  it('says when a caption could not be saved, keeps it, and saves it when asked again', async () => {
    const shown = '[data-pictures="the test model of Market townsfolk"]';
    const caption = await user.find(`${shown} input[placeholder="What it shows"]`);
    await app.kill();
    await caption.sendKeys('In daylight', Key.TAB);
    await user.see(shown, /Not saved yet: /);
    expect(await caption.getAttribute('value')).to.equal('In daylight');
    await app.restart();
    await (await user.find(shown)).findElement(By.xpath('.//button[.="Try again"]')).click();
    await driver.wait(async () => !(await user.text(shown)).includes('Not saved yet'), PATIENCE_MS, 'it was never saved');
    await driver.navigate().refresh();
    const again = await user.find(`${shown} input[placeholder="What it shows"]`);
    expect(await again.getAttribute('value')).to.equal('In daylight');
    // What the browser says of a program that was killed is no complaint of ours.
    await user.complaints();
  });

  it('opens the batch when the client says yes', async () => {
    await user.fill('What the client said, or why you go on', 'Very good');
    await user.press('Mark as approved');
    await user.see('h2', /Test model of Market townsfolk: approved/);
    await user.see('[data-test-model="Market townsfolk"]', /approved: Very good/);
    await user.see('[data-reconciled="Market townsfolk"]', /24\s+–\s+24\s+24/);
    expect((await jobsOf()).filter((job) => job.unitName === 'Market townsfolk').some((job) => job.models.includes(24))).to.equal(true);
  });

  it('says what is otherwise since then, who carries the old one, and goes back', async () => {
    await user.open(`/c/${id}/scheme`);
    await user.find('[data-part="Waistcoat"]');
    await driver.executeScript(`document.querySelector('[data-part="Waistcoat"] button[aria-pressed]').click()`);
    await user.choose('Paint', 'Sea heather');
    await user.press('Keep those, change only the rest');
    await user.see('[data-testid="since-approval"]', /Waistcoat, base coat: Bottle green becomes Sea heather/);
    await user.see('[data-testid="since-approval"]', /1 model \(1\) carries the old one\. Bringing them along: [\d.]+ min/);
    await user.press('Go back to what was approved');
    await user.isStored();
    await user.see('[data-part="Waistcoat"]', /Bottle green/);
    expect(await driver.findElements({ css: '[data-testid="since-approval"]' })).to.deep.equal([]);
  });

  it('writes six models more down with their date, hours and price, while work is half done', async () => {
    await user.open(`/c/${id}/intake`);
    await user.find('[data-testid="scope"]');
    const log = async () => ((await (await fetch(`${app.url}/api/commissions/${id}/painted`)).json()) as { models: number[] }[]).length;
    const before = await log();
    await user.fill('Promised of Market townsfolk', '30');
    await user.fill('Counted of Market townsfolk', '30');
    await user.isStored();
    await user.see('[data-testid="scope-changes"]', /Market townsfolk, models: 24 → 30\s+\+[\dh min]+\s+\+€\d+/s);
    await user.fill('Why: Market townsfolk, models', 'Six more for the fish stall');
    await user.keys(Key.TAB);
    await user.see('[data-reconciled="Market townsfolk"]', /1 of 30/);
    await driver.navigate().refresh();
    await user.find('[data-testid="scope-changes"]');
    expect(await (await user.field('Why: Market townsfolk, models')).getAttribute('value')).to.equal('Six more for the fish stall');
    expect(await log()).to.equal(before);
  });

  it('says at once that a date cannot be kept, and what would have to give', async () => {
    await driver.executeScript(
      `const field = document.querySelector('input[type=date]'); const day = new Date(Date.now() + 3 * 86400000).toISOString().slice(0, 10); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, day); field.dispatchEvent(new Event('input', { bubbles: true }));`,
    );
    await user.isStored();
    await user.see('h2', /cannot be kept as things stand: .* are missing/);
    await user.see('[data-testid="back-plan"]', /What would have to give: \d+ more sessions? before the date/);
  });

  it('counts what a fiddly bit costs over the unit, says how it is cleaned, and keeps both', async () => {
    await user.press('More about Geese and hens');
    await user.fill('Seconds for one, Geese and hens', '30');
    await user.see('[data-testid="bit-cost"]', /7 min, €3 over 14 models/);
    await user.fill('A bit of Geese and hens', 'Ribbon');
    await user.keys(Key.ENTER);
    await user.choose('Mould lines of Geese and hens are cleaned', 'all round');
    await user.isStored();
    await driver.navigate().refresh();
    await user.press('More about Geese and hens');
    await user.see('fieldset', /Ribbon: 7 min/);
    await user.open(`/c/${id}/scheme`);
    await user.press('Geese and hens');
    await user.see('[data-part="Over everything"]', /Clean/);
    expect((await user.complaints()).filter((each) => !each.includes('400'))).to.deep.equal([]);
  });
});
