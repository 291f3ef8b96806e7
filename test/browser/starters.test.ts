import { expect } from 'chai';
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser } from '../support/page';

/** Nobody has read anything: a unit of twenty from a starter to a line, its actions counted. */
describe('from an empty database to a line with variants', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let actions = 0;
  const act = async (what: Promise<unknown>) => {
    actions++;
    await what;
  };
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  it('fills the empty shelf with common colours by plain names', async () => {
    await user.open('/shelf');
    await user.press('Put thirty common colours on it, by plain names');
    await user.see('h2', /^30 paints/);
  });

  it('takes few actions', async () => {
    await user.open('/new');
    await act(user.fill('Name', 'Pier watch'));
    await act(user.fill('Client', 'Harbour guild'));
    await driver.executeScript(
      `const field = document.querySelector('input[type=date]'); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '2027-03-01'); field.dispatchEvent(new Event('input', { bubbles: true }));`,
    );
    await act(user.press('Enter its units'));
    await user.path(/\/intake$/);
    await act(user.fill('Name of a new unit', 'Watch'));
    await act(user.keys(Key.TAB, Key.TAB, '20', Key.ENTER));
    await user.find('[data-unit="Watch"]');
    await user.isStored();
    await act(user.press('Next: how is one painted?'));
    await user.path(/\/scheme/);
    await act(user.press('Foot figure, table standard'));
    await user.see('[data-part="Boots"]', /Dark brown/);
    await user.isStored();
    await act(driver.executeScript(`document.querySelector('[data-part="Coat"] button[aria-pressed]').click()`));
    await act(user.choose('Paint', 'Skin'));
    await user.see('[data-part="Coat"]', /Skin/);
    await act(driver.executeScript(`document.querySelector('[data-testid="roster"] summary').click()`));
    await act(user.choose('Add', 'a variant'));
    await act(user.fill('What differs', 'Boots'));
    await act(user.fill('Options, with commas', 'dark, tan'));
    await act(user.keys(Key.ENTER));
    await user.see('[data-testid="roster"] summary', /Boots 10 dark \/ 10 tan/);
    await act(driver.executeScript(`document.querySelector('[data-part="Boots"] button[aria-pressed]').click()`));
    await act(user.press('Another paint for Boots: tan'));
    await user.isStored();
    await act(user.press('Next: what does it cost?'));
    await act(user.press('Next: in which order?'));
    await user.find('[data-searching="false"]');
    await user.see('#job-in-hand', /^1 of \d+/);
    const { jobs } = (await (await fetch(`${app.url}/api/line`)).json()) as {
      jobs: { partName: string; technique: string; models: number[] }[];
    };
    const boots = jobs.filter((job) => job.partName === 'Boots' && job.technique === 'basecoat');
    expect(boots.map((job) => job.models.length)).to.deep.equal([5, 5, 5, 5]);
    // oxlint-disable-next-line no-console -- The count is what is wanted to be known.
    console.log(`      ${actions} actions`);
    expect(actions).to.be.at.most(25);
  });

  it('takes a roster from a spreadsheet, says which rows it cannot, and lets the columns be chosen', async () => {
    await user.open('/');
    const link = await driver.executeScript<string>('return document.querySelector("main a[href*=intake]").getAttribute("href")');
    await user.open(link);
    await user.find('[data-unit="Watch"]');
    const file = path.join(app.folder, 'roster.csv');
    writeFileSync(file, 'count,who\n12,Oarsmen\nmany,Gulls\n20,Watch\n6,Boats\n');
    await (await driver.findElement({ css: 'input[aria-label="Roster file"]' })).sendKeys(file);
    await user.choose('The name is in', 'who');
    await user.see('[data-testid="good-rows"]', /Oarsmen: 12 models, foot.*Boats: 6 models, foot/s);
    await user.see(
      '[data-testid="bad-rows"]',
      /Line 3, count is "many": give a whole number.*Line 4, who is "Watch", which is there already/s,
    );
    await user.press('Add 2 units');
    await user.find('[data-unit="Oarsmen"]');
    await user.isStored();
    await driver.navigate().refresh();
    await user.find('[data-unit="Boats"]');
    expect(await user.complaints()).to.deep.equal([]);
  });
});
