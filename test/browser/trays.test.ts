import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import type { TraysPicture } from '../../src/contract/trays';
import { minutesText } from '../../src/ui/format';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser } from '../support/page';

describe('choosing trays', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let commission: string;
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
    const link = await driver.executeScript<string>('return document.querySelector("main a[href*=intake]").getAttribute("href")');
    commission = link.split('/')[2]!;
    await user.plan(commission, '/trays');
    await tried();
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const tried = () => user.find('[data-done="true"]');
  const row = (limit: number) => user.text(`[data-split="${limit}"]`);
  const tab = (name: string) => user.text(`[role="tab"][aria-selected="true"]`).then((text) => expect(text).to.include(name));

  it('shows what every split comes to, the sweet spot and why', async () => {
    await tab('Lamp keepers');
    expect(await driver.findElements({ css: '[data-split]' })).to.have.length(8);
    await user.see('h2', /How many Lamp keepers at a time/);
    await user.see('[data-testid="why"]', /in all, .* lost, at most .* without a break/);
    await user.see('[data-testid="needs"]', /drying − .* set-up\) \/ .* min a model \+ 1 = \d+ models/);
    expect(await driver.findElements({ css: '.recharts-bar-rectangle' })).to.have.length.at.least(16);
  });

  it('takes the unit alone by key, where splits differ by what is waited for', async () => {
    await user.keys('a');
    await tried();
    await user.see('[role="status"][data-done]', /by themselves/);
    const waits = await Promise.all([20, 10].map(row));
    expect(waits[0]).to.match(/min/).and.not.to.equal(waits[1]);
  });

  it('takes a split by mouse, shows it at once, and the line has it', async () => {
    const planned = await user.text('[data-testid="planned"]');
    await user.press('Take 4 trays of 5');
    expect(await row(5)).to.include('as it is');
    await user.see('[role="tab"][aria-selected="true"]', /4 trays of 5/);
    await user.isStored();
    // The total is that of the new trays, as every other view has it.
    const { plannedMinutes } = (await (await fetch(`${app.url}/api/trays`)).json()) as TraysPicture;
    await user.see('[data-testid="planned"]', new RegExp(`^${minutesText(plannedMinutes)}$`));
    expect(await user.text('[data-testid="planned"]')).to.not.equal(planned);
    await user.open('/line');
    await user.see('[aria-label="Relay chart"]', /Lamp keepers\s16 to 20/);
  });

  it('undoes and takes the sweet spot by keyboard, each kept over a reload', async () => {
    await user.plan(commission, '/trays');
    await tried();
    await user.press('Pony couriers');
    await tried();
    await user.keys('a');
    await tried();
    const before = await user.text('[role="tab"][aria-selected="true"]');
    const spot = (await user.text('[data-testid="why"] p')).split(':')[0]!;
    await user.keys('s');
    await user.see('[role="tab"][aria-selected="true"]', new RegExp(spot, 'i'));
    await user.isStored();
    await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await user.isStored();
    expect(await user.text('[role="tab"][aria-selected="true"]')).to.equal(before);
    await driver.actions().keyDown(Key.CONTROL).sendKeys('y').keyUp(Key.CONTROL).perform();
    await user.isStored();
    await driver.navigate().refresh();
    await user.ready();
    await tab('Pony couriers');
    await user.see('[role="tab"][aria-selected="true"]', new RegExp(spot, 'i'));
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('takes no key that is typed into the search, or while the shortcuts lie over it', async () => {
    await user.plan(commission, '/trays');
    await tried();
    await user.press('Pony couriers');
    await tried();
    await user.press('This unit alone');
    await tried();
    const before = await user.text('[role="tab"][aria-selected="true"]');
    await user.keys('/');
    await user.find('dialog#search[open]');
    await user.keys('s', 'a');
    await user.see('dialog#search', /found|Nothing/);
    // The first empties the field.
    await user.keys(Key.ESCAPE, Key.ESCAPE);
    await user.find('dialog#search:not([open])');
    await user.keys('?');
    await user.find('dialog#keys[open]');
    await user.keys('a', 's', Key.ESCAPE);
    await user.find('dialog#keys:not([open])');
    await user.press('Within the whole line');
    expect(await user.text('[role="tab"][aria-selected="true"]')).to.equal(before);
  });

  it('has a tray finished before the next, with its price on Line, taken back and done again by keyboard', async () => {
    const isTicked = async () => (await user.box('each tray of Lamp keepers')).isSelected();
    const undoOrRedo = async (key: string) => {
      await driver.actions().keyDown(Key.CONTROL).sendKeys(key).keyUp(Key.CONTROL).perform();
      await user.isStored();
    };
    await user.plan(commission, '/trays');
    await user.tick('each tray of Lamp keepers');
    await user.isStored();
    await undoOrRedo('z');
    expect(await isTicked()).to.equal(false);
    await undoOrRedo('y');
    expect(await isTicked()).to.equal(true);
    await user.open('/line');
    await user.look('[data-testid="turns"]');
    await user.see('[data-testid="turns"]', /Lamp keepers: tray by tray, 4 trays\s*costs (nothing|.*\d (h|min))/);
  });

  it('says what is missing before there is a scheme', async () => {
    const answer = await fetch(`${app.url}/api/commissions`, {
      method: 'POST',
      body: JSON.stringify({
        name: 'Bare',
        client: 'Nobody yet',
        dueOn: '2027-03-01',
        standard: 'table',
        hourlyRateMinor: 2400,
        currency: 'EUR',
        note: '',
      }),
      headers: { 'content-type': 'application/json', origin: app.url },
    });
    const { id } = (await answer.json()) as { id: string };
    await user.plan(id, '/trays');
    await user.see('main', /No unit here has a scheme yet/);
    await user.press('Enter the units first');
    await user.path(/\/intake$/);
  });
});
