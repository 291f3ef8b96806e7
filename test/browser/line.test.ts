import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import type { LinePicture } from '../../src/contract/line';
import { violationsOn } from '../support/accessibility';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { carryToAndFro, goToPlace, importLongLine, placeOf } from '../support/longLine';
import { PageUser, PATIENCE_MS } from '../support/page';
import { readPdf } from '../support/pdf';

describe('arranging a line by hand', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await putAnotherOnTheBench();
    await openLine();
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  /** What lies on the bench is looked at as the painter's own order: here the suggestion is wanted. */
  async function putAnotherOnTheBench(): Promise<void> {
    await user.open('/');
    await driver.executeScript('[...document.querySelectorAll("main button")].find((each) => each.textContent === "Line").click()');
    await user.path(/\/line$/);
    await user.press('Replace the line on the bench');
    await user.path(/\/bench$/);
  }

  async function openLine(): Promise<void> {
    await user.open('/');
    const link = await driver.executeScript<string>('return document.querySelector("main a[href*=intake]").getAttribute("href")');
    await user.plan(link.split('/')[2]!);
    await user.find('[data-searching="false"]');
  }

  const withControl = (key: string) => driver.actions().keyDown(Key.CONTROL).sendKeys(key).keyUp(Key.CONTROL).perform();
  const total = () => user.text('[data-searching] strong');

  it('carries a job with the mouse, saying what each place would change, and pins it where it is put', async () => {
    const from = await placeOf(driver, 20);
    const to = await placeOf(driver, 40);
    await driver
      .actions()
      .move(from)
      .press()
      .move({ x: from.x + 15, y: from.y, duration: 60 })
      .move({ ...to, duration: 300 })
      .perform();
    await user.find('[data-carry-change]');
    await user.see('[data-testid="carry"]', /^Behind .*(min|no change|later|earlier|for the dates)\./);
    await driver.actions().release().perform();
    // A search that was short on a busy machine leaves something to the hand.
    await user.see(
      '[data-testid="hand-note"]',
      /^Put there and pinned: ([+−].* min.*|done .* (later|earlier)|no change) against where it stood/,
    );
    await user.see('[aria-label="Fixed jobs and wishes"]', /pinned behind .*\n.*costs/);
    await user.find('[data-pinned]');
    await user.isStored();
    const { own, suggested } = (await (await fetch(`${app.url}/api/line`)).json()) as LinePicture;
    expect(own!.order).to.have.members(suggested);
    expect(own!.order).to.not.deep.equal(suggested);
    expect(own!.wishes.map(({ kind }) => kind)).to.deep.equal(['pin']);
  });

  it('undoes and does it again by keyboard', async () => {
    await withControl('z');
    await user.see('[data-testid="hand-note"]', /^This is the suggested order/);
    await driver.wait(
      async () => (await driver.findElements({ css: '[data-pinned]' })).length === 0,
      PATIENCE_MS,
      'the pin was not undone',
    );
    await withControl('y');
    await user.find('[data-pinned]');
    await user.see('[data-testid="hand-note"]', /^Put there and pinned/);
    await user.isStored();
  });

  it('keeps the order and its pins over a reload', async () => {
    const kept = await total();
    await user.isStored();
    await driver.navigate().refresh();
    await user.ready();
    await user.find('[data-pinned]');
    await user.see('[data-testid="hand-note"]', /your own order/);
    await user.see('[data-strategy="own"]', /On the bench/);
    expect(await total()).to.equal(kept);
  });

  it('carries a job by keyboard, puts it back on Escape, and puts it down on Enter', async () => {
    await driver.executeScript('document.querySelector("[aria-roledescription]").focus()');
    await user.keys(Key.HOME, Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ENTER);
    await user.see('#job-in-hand', /^Carrying .*place/);
    await user.keys(Key.ARROW_RIGHT);
    await user.see('[data-testid="carry"]', /^Behind/);
    await user.keys(Key.ESCAPE);
    await user.see('#job-in-hand', /^3 of \d+/);
    // One step always leads to a place: the first on the right, or the nearest on the left where there is none.
    await user.keys(Key.ENTER, Key.ARROW_RIGHT, Key.ENTER);
    await user.see('[data-testid="hand-note"]', /^Put there and pinned/);
    await driver.wait(
      async () => (await driver.findElements({ css: '[data-pinned]' })).length === 2,
      PATIENCE_MS,
      'there are not two pins',
    );
  });

  it('looks for better around the pins, and shows what it found before it is taken', async () => {
    await user.keys('i');
    await user.see(
      '[data-testid="found"][data-searching="false"]',
      /^(Found one that suits better: .*(min|earlier|later|for the dates)\.|Nothing better yet: this is)/,
    );
    const found = await user.text('[data-testid="found"]');
    const pins = (await driver.findElements({ css: '[data-pinned]' })).length;
    await user.press(found.startsWith('Found') ? 'Take it' : 'Cancel');
    await driver.wait(
      async () => (await driver.findElements({ css: '[data-testid="found"]' })).length === 0,
      PATIENCE_MS,
      'what was found stays',
    );
    expect((await driver.findElements({ css: '[data-pinned]' })).length).to.equal(pins);
  });

  it('takes wishes for the leg in hand with their prices, and lets them go', async () => {
    await user.press(' first');
    await user.see('[aria-label="Fixed jobs and wishes"]', / first\n.*costs/);
    await user.press('Improve the rest');
    await user.see(
      '[data-testid="found"][data-searching="false"]',
      /^(Found one that suits better: ([+−]|done|no change)|Nothing better yet)/,
    );
    await user.press((await user.text('[data-testid="found"]')).startsWith('Found') ? 'Take it' : 'Cancel');
    await user.press('A leader every 10 models');
    await user.see('[aria-label="Fixed jobs and wishes"]', /A leader after every 10 models/);
    await user.press('Remove: A leader after');
    await driver.wait(
      async () => !/A leader after/.test(await user.text('[aria-label="Fixed jobs and wishes"]')),
      PATIENCE_MS,
      'the wish was not let go',
    );
    await user.press('Back to the suggestion');
    await user.see('[data-testid="hand-note"]', /suggested order/);
    await user.isStored();
  });

  it('carries a job with a finger', async () => {
    const from = await placeOf(driver, 20);
    const to = await placeOf(driver, 40);
    const touch = (type: string, at: { x: number; y: number }[]) =>
      (driver as chrome.Driver).sendDevToolsCommand('Input.dispatchTouchEvent', { type, touchPoints: at });
    await touch('touchStart', [from]);
    for (let step = 1; step <= 10; step++) await touch('touchMove', [{ x: from.x + ((to.x - from.x) * step) / 10, y: from.y }]);
    await user.find('[data-carry-change]');
    await touch('touchEnd', []);
    await user.see('[data-testid="hand-note"]', /^Put there and pinned/);
    await user.press('Back to the suggestion');
    await user.isStored();
  });

  it('plans in the sessions of House rules, or in one session, and remembers which', async () => {
    const bands = async () => (await driver.findElements({ css: '[data-session]' })).length;
    const worked = await bands();
    expect(worked).to.be.greaterThan(2);
    await user.see('[data-searching]', new RegExp(`at the bench in ${worked} sessions, done \\w+ \\d+ \\w+, \\d\\d:\\d\\d`));
    await user.see('[data-strategy="suggested"]', /(Mon|Tue|Thu|Sat) \d/);
    await user.press('Improve the rest');
    await user.find('[data-testid="found"]');
    await user.press('In one session');
    // What was found in the sessions says nothing of one sitting.
    expect(await driver.findElements({ css: '[data-testid="found"]' })).to.deep.equal([]);
    await driver.navigate().refresh();
    await user.ready();
    await user.see('[data-searching]', /h \d+ min at the bench, /);
    expect(await bands()).to.equal(0);
    await user.press('In my sessions');
    await driver.wait(async () => (await bands()) === worked, PATIENCE_MS, 'never back in the sessions');
    await user.find('[data-searching="false"]');
  });

  it('makes a leg sheet of the order on screen', async () => {
    const first = (await user.text('[aria-label="Legs in their order"] button')).split('\n')[1]!;
    const bytes = await driver.executeAsyncScript<number[]>(`
      const done = arguments[0];
      const make = URL.createObjectURL;
      URL.createObjectURL = (blob) => {
        blob.arrayBuffer().then((buffer) => done([...new Uint8Array(buffer)]));
        URL.createObjectURL = make;
        return make.call(URL, blob);
      };
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'p', bubbles: true }));`);
    const { pages } = await readPdf(Uint8Array.from(bytes));
    expect(pages[0]).to.include('Leg sheet').and.to.include('Tide coast watch').and.to.include(` 1 ${first}`);
  });

  it('has no accessibility violation while a job is carried', async () => {
    await driver.executeScript('document.querySelector("[aria-roledescription]").focus()');
    await user.keys(Key.HOME, Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ENTER, Key.ARROW_RIGHT);
    await user.find('[data-carry-change]');
    expect(await violationsOn(driver)).to.deep.equal([]);
    await user.keys(Key.ESCAPE);
  });

  it('shows rows by setup', async () => {
    await user.keys('r');
    await user.see('[aria-label="Relay chart"]', /Rows by tray/);
    expect(await user.complaints()).to.deep.equal([]);
    await user.keys('r');
  });

  it('carries a job over more than 600, of which it draws only what is in sight', async () => {
    const { selection } = (await (await fetch(`${app.url}/api/line`)).json()) as LinePicture;
    const commission = selection[0]!.commissionId;
    await user.plan(await importLongLine(app.url, commission, 600));
    await user.find('[data-searching="false"]');
    await user.see('#job-in-hand', /^1 of/);
    const jobs = Number(/of (\d+):/.exec(await user.text('#job-in-hand'))![1]);
    expect(jobs).to.be.at.least(600);
    // Drawn is what is in sight, and two steps around it.
    const [drawn, far] = await driver.executeScript<[number, number]>(`
      const chart = document.querySelector('[aria-roledescription="relay chart"]').parentElement.getBoundingClientRect();
      const drawn = [...document.querySelectorAll('[data-place]')].map((job) => job.getBoundingClientRect());
      return [drawn.length, drawn.filter(({ top, bottom }) => bottom < chart.top - 240 || top > chart.bottom + 240).length];`);
    expect(drawn).to.be.within(20, jobs - 1);
    expect(far).to.equal(0);
    await goToPlace(user, driver, 300);
    await carryToAndFro(user, driver, 300);
    await driver.actions().release().perform();
    await user.see('[data-testid="hand-note"]', /^Put there and pinned/);
  });
});
