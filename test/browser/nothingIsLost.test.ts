import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import type { IntakePicture } from '../../src/contract/commission';
import type { MoneyPicture } from '../../src/contract/money';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { importFerry } from '../support/ferry';
import { PageUser, PATIENCE_MS } from '../support/page';
import { leaderGroup, paint, part, step, unit } from '../support/units';

/** Workers that break off as soon as they are asked. */
const BROKEN_WORKERS = `
  window.Worker = class extends EventTarget {
    postMessage() { setTimeout(() => this.dispatchEvent(new Event('error'))); }
    terminate() {}
  };`;

describe('nothing is lost', function () {
  let app: App;
  let other: App;
  let driver: WebDriver;
  let user: PageUser;
  const at = (here: App) => ({
    answer: async <T>(path: string) => (await (await fetch(here.url + path)).json()) as T,
    post: (path: string, body: BodyInit) => fetch(here.url + path, { method: 'POST', headers: { origin: here.url }, body }),
  });

  before(async () => {
    [app, other] = [await startApp(), await startApp()];
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    const coat = (name: string) => part('Coat', step('basecoat', { id: `${name}-coat`, paint: 'deep' }));
    const mate = unit('Mates', [{ ...coat('mates'), id: 'mates-part' }], [], { id: 'mates', promised: 3, counted: 3 });
    const rowers = unit('Rowers', [{ ...coat('rowers'), id: 'rowers-part' }], [], { id: 'rowers', promised: 10, counted: 10 });
    const groups = [{ ...leaderGroup(1), models: [10] }];
    await importFerry(app.url, [paint('deep', 'opaque', 40)], [{ ...rowers, scheme: { ...rowers.scheme, groups } }, mate]);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
    await other?.stop();
  });

  const leaders = async () =>
    (await at(app).answer<IntakePicture>('/api/commissions/ferry')).units.find(({ id }) => id === 'rowers')!.scheme.groups[0]!.models;
  const typeCount = async (text: string) => {
    const field = await user.field('Counted of Rowers');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
  };

  it('takes a count when it is finished, asks who is gone, and undo brings back who is who', async () => {
    await user.open('/c/ferry/intake');
    await typeCount('1');
    await driver.sleep(600);
    expect(await leaders(), 'a number on the way is no count').to.deep.equal([10]);
    await user.keys('8', Key.ENTER);
    await user.isStored();
    expect(await leaders()).to.deep.equal([10]);
    await user.press('Undo');
    await user.isStored();
    await typeCount('8');
    await user.keys(Key.ENTER);
    await driver.wait(async () => (await leaders()).length === 0, PATIENCE_MS, 'the count never came in');
    await user.see('[data-testid="gone"]', /Rowers: 2 models not there. Which ones\?/);
    await driver.executeScript(
      'const chips = [...document.querySelectorAll("[data-testid=gone] button")]; chips[1].click(); setTimeout(() => [...document.querySelectorAll("[data-testid=gone] button")][2].click(), 200);',
    );
    await driver.wait(async () => (await leaders()).length === 1, PATIENCE_MS, 'the leader never came back');
    await user.open('/c/ferry/intake');
    await user.see('[data-testid="gone"] [aria-pressed="true"]', /2[\s\S]*3/);
    await typeCount('9');
    await user.keys(Key.TAB);
    await user.isStored();
    await user.press('Undo');
    await user.press('Redo');
    await user.press('Undo');
    await user.isStored();
    expect(await leaders()).to.deep.equal([10]);
    await typeCount('10');
    await user.keys(Key.ENTER);
    await user.isStored();
    const { units } = await at(app).answer<IntakePicture>('/api/commissions/ferry');
    expect(units[0]).to.deep.include({ counted: 10, gone: [] });
  });

  it('carries a painted unit that was removed to another folder, where it is put back with its minutes', async () => {
    await user.plan('ferry');
    await user.find('[data-searching="false"]');
    await user.press('Put this line on the bench');
    await user.path(/\/bench$/);
    await user.find('[data-testid="instruction"]');
    for (let tap = 0; tap < 4; tap++) {
      await user.keys(' ');
      await user.find('[data-unsent="0"]');
    }
    const painted = (await user.text('[data-testid="instruction"] + p')).includes('Mates') ? 'Mates' : 'Rowers';
    await user.open('/c/ferry/intake');
    await user.press(`Remove ${painted}`);
    await user.press('Remove anyway');
    await user.isStored();
    const file = await (await fetch(`${app.url}/api/commissions/ferry/file`)).text();
    expect((await at(other).post('/api/commissions/import', file)).status).to.equal(200);
    const hours = async (here: App) => (await at(here).answer<MoneyPicture>('/api/commissions/ferry/money')).hours.painted;
    expect(await hours(other)).to.equal(await hours(app));
    const elsewhere = new PageUser(driver, other.url);
    await elsewhere.open('/c/ferry/intake');
    await driver.executeScript('document.querySelector("[data-testid=removed] summary").click()');
    await elsewhere.press('Put back');
    await elsewhere.isStored();
    await elsewhere.see(`[data-reconciled="${painted}"]`, /\d+ of \d+/);
    expect(await hours(other)).to.equal(await hours(app));
    expect(await (await fetch(`${other.url}/api/time-log`)).text()).to.equal(await (await fetch(`${app.url}/api/time-log`)).text());
  });

  it('restores two copies at once without mixing them, while a body comes that never ends', async () => {
    const copy = async () => (await fetch(`${app.url}/api/backups/file`)).arrayBuffer();
    const first = await copy();
    const named = (name: string) =>
      fetch(`${app.url}/api/commissions`, {
        method: 'POST',
        headers: { origin: app.url },
        body: JSON.stringify({
          name,
          client: 'Club',
          dueOn: '2099-01-01',
          standard: 'quick',
          hourlyRateMinor: 2400,
          currency: 'EUR',
          note: '',
        }),
      });
    expect((await named('Only in the second')).status).to.equal(200);
    const second = await copy();
    const slow = new AbortController();
    const body = new ReadableStream<Uint8Array>({ start: (controller) => controller.enqueue(new TextEncoder().encode('{"na')) });
    const endless = fetch(`${app.url}/api/commissions`, {
      method: 'POST',
      headers: { origin: app.url },
      body,
      duplex: 'half',
      signal: slow.signal,
    } as RequestInit).catch(() => null);
    const answers = await Promise.all([first, second].map((each) => at(app).post('/api/backups/restore', each)));
    expect(answers.map(({ status }) => status)).to.deep.equal([200, 200]);
    const asides = await Promise.all(answers.map(async (each) => ((await each.json()) as { aside: string }).aside));
    expect(new Set(asides).size).to.equal(2);
    await user.open('/');
    await user.see('main', /Ferry crew/);
    slow.abort();
    await endless;
  });

  it('says so when what is worked out beside a view breaks off', async () => {
    await (driver as chrome.Driver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: BROKEN_WORKERS });
    for (const path of ['/trays', '/line', '/colours']) {
      await user.open(path);
      await user.see('[role="alert"]', /The browser broke off what was being worked out here: try again/);
    }
  });
});
