import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import { inBothThemes, violationsOn } from '../support/accessibility';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser, resize } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

const VIEWS = [
  '/',
  '/new',
  '/c/ID/intake',
  '/c/ID/scheme',
  '/c/ID/money',
  '/c/ID/finish',
  '/touch-up?commission=ID',
  '/line',
  '/colours',
  '/trays',
  '/bench',
  '/pedal',
  '/ledger',
  '/shelf',
  '/library',
  '/house-rules',
  '/backups',
  '/nowhere',
];

/** Kilobytes of script that a view reads, workers apart, before they are compressed. */
const SCRIPT_BYTES = `return Math.round(performance.getEntriesByType('resource')
  .filter((each) => each.name.endsWith('.js') && !each.name.includes('worker')).reduce((sum, each) => sum + each.decodedBodySize, 0) / 1000)`;
/** What views read today and a tenth: more is a decision. */
const MOST_SCRIPT_KB: Record<string, number> & { others: number } = {
  '/': 325,
  '/c/ID/intake': 415,
  '/c/ID/scheme': 545,
  '/c/ID/money': 300,
  '/c/ID/finish': 430,
  '/touch-up?commission=ID': 370,
  '/line': 435,
  '/colours': 325,
  '/trays': 780,
  '/bench': 475,
  '/pedal': 345,
  '/shelf': 310,
  '/ledger': 745,
  '/house-rules': 345,
  others: 285,
};

/** A line of text that comes later moves the rest by less. */
const MOST_SHIFT = 0.01;

/** Elements of the page that cover each other's text, though neither holds the other. */
const OVERLAPS = `
  const inScroller = (element) => { for (let up = element.parentElement; up; up = up.parentElement) if (/auto|scroll/.test(getComputedStyle(up).overflowY) && up !== document.scrollingElement) return up; return null; };
  const boxes = [...document.querySelectorAll('button, a, input, select, h1, h2, p, td, th, dd, dt, label')]
    .filter((element) => element.checkVisibility({ opacityProperty: true }) && !element.closest('dialog, svg, .skip'))
    .map((element) => ({ element, box: element.getBoundingClientRect(), hidden: getComputedStyle(element).clipPath.startsWith('inset') }))
    .filter(({ box, hidden }) => !hidden && box.width > 1 && box.height > 1 && box.bottom > 0 && box.top < innerHeight);
  const found = [];
  for (const a of boxes) for (const b of boxes) {
    const width = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
    const height = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
    if (!(width > 3 && height > 3) || a === b || a.element.contains(b.element) || b.element.contains(a.element)) continue;
    if (inScroller(a.element) === inScroller(b.element)) found.push(a.element.outerHTML.slice(0, 80) + ' over ' + b.element.outerHTML.slice(0, 80));
  }
  return found.slice(0, 3);`;

describe('every view', () => {
  let driver: WebDriver;
  before(async () => {
    driver = await openBrowser();
  });
  after(() => closeBrowser(driver));

  for (const demo of [true, false]) {
    describe(demo ? 'with the demo' : 'with an empty database', () => {
      let app: App;
      let user: PageUser;
      let commission: string | undefined;
      before(async () => {
        app = await startApp({ demo });
        user = new PageUser(driver, app.url);
        await user.open('/');
        commission = await driver.executeScript<string | undefined>(
          'return document.querySelector("a[href*=intake]")?.getAttribute("href").split("/")[2]',
        );
      });
      after(() => app?.stop());

      for (const view of VIEWS.filter((path) => demo || !path.includes('ID'))) {
        it(`${view} has no accessibility violation, no sideways scrolling, no overlap and no complaint, and keeps its place`, async () => {
          await user.open(view.replace('ID', commission ?? ''));
          await user.quiet();
          // What comes later pushes nothing away from under a finger.
          expect(await user.shifted(), 'shifted').to.be.below(MOST_SHIFT);
          expect(await driver.executeScript<number>('return document.documentElement.scrollWidth - innerWidth'), 'sideways').to.be.at.most(
            0,
          );
          expect(await driver.executeScript<string[]>(OVERLAPS), 'overlaps').to.deep.equal([]);
          const kilobytes = await driver.executeScript<number>(SCRIPT_BYTES);

          // A view without any has not been measured.
          if (view !== '/nowhere') expect(kilobytes, 'script').to.be.above(100);
          expect(kilobytes, 'script').to.be.below(MOST_SCRIPT_KB[view] ?? MOST_SCRIPT_KB.others);
          const complaints = (await user.complaints()).filter((text) => !(view === '/nowhere' && text.includes('404')));
          expect(complaints, 'complaints').to.deep.equal([]);
          await inBothThemes(driver, async (theme, only) => expect(await violationsOn(driver, only), theme).to.deep.equal([]));
          // As at 400 %: one column, and nothing beside it.
          await resize(driver, 320, 640);
          try {
            expect(
              await driver.executeScript<number>('return document.documentElement.scrollWidth - innerWidth'),
              'at 320 px',
            ).to.be.at.most(0);
            expect(await violationsOn(driver), 'at 320 px').to.deep.equal([]);
          } finally {
            await resize(driver, 1280, 800);
          }
        });
      }
    });
  }

  describe('by keyboard', () => {
    let app: App;
    let user: PageUser;
    before(async () => {
      app = await startApp({ demo: true });
      user = new PageUser(driver, app.url);
      await user.open('/');
    });
    after(() => app?.stop());

    it('shows its keys on ?, and goes to a station with Alt and its number', async () => {
      await user.keys('?');
      await user.see('dialog[open]', /Shortcuts/);
      await user.keys(Key.ESCAPE);
      await driver.actions().keyDown(Key.ALT).sendKeys('0').keyUp(Key.ALT).perform();
      await user.path(/\/ledger$/);
    });

    it('reaches the bench from Today with Tab and Enter', async () => {
      await user.open('/');
      for (let press = 0; press < 30; press++) {
        await user.keys(Key.TAB);
        const href = await driver.executeScript<string | null>('return document.activeElement.getAttribute("href")');
        if (href?.endsWith('/bench') && (await driver.executeScript<boolean>('return document.activeElement.closest("main") !== null')))
          break;
      }
      await user.keys(Key.ENTER);
      await user.path(/\/bench$/);
    });

    it('walks the relay chart with the arrow keys', async () => {
      const bench = await driver.getCurrentUrl();
      await driver.get(bench.replace('/bench', '/line'));
      await user.ready();
      await user.find('[data-searching="false"]');
      await driver.executeScript('document.querySelector("[aria-roledescription]").focus()');
      await user.keys(Key.ARROW_RIGHT, Key.ARROW_RIGHT, '+');
      await user.see('#job-in-hand', /^3 of \d+/);
    });

    it('goes by the theme of the system until one is chosen, and keeps that', async () => {
      const ground = () => driver.executeScript<string>('return getComputedStyle(document.documentElement).backgroundColor');
      const prefers = (value: string) =>
        (driver as chrome.Driver).sendDevToolsCommand('Emulation.setEmulatedMedia', {
          features: [{ name: 'prefers-color-scheme', value }],
        });
      const choose = async (theme: string) => (await user.find(`#theme option[value="${theme}"]`)).click();
      await user.open('/');
      const [light, dark] = ['rgb(243, 243, 243)', 'rgb(23, 23, 23)'];
      expect(await ground()).to.equal(light);
      await prefers('dark');
      expect(await ground(), 'as the system').to.equal(dark);
      await choose('light');
      await user.open('/');
      expect(await ground(), 'chosen').to.equal(light);
      await prefers('light');
      await choose('dark');
      await user.open('/');
      expect(await ground(), 'chosen').to.equal(dark);
      await choose('');
      await user.open('/');
      expect(await ground()).to.equal(light);
    });

    it('keeps the unit that is shown over a reload', async () => {
      await user.open('/');
      const link = await driver.executeScript<string>('return document.querySelector("main a[href*=intake]").getAttribute("href")');
      await user.open(link.replace('/intake', '/scheme'));
      await user.press('Ferry crew');
      await user.find('[data-part="Oar"]');
      await driver.navigate().refresh();
      await user.ready();
      await user.find('[data-part="Oar"]');
      expect(await user.complaints()).to.deep.equal([]);
    });

    it('stores a scheme that is left at once, and shows it when it is opened again at once', async () => {
      await user.fill('Next part', 'Whistle');
      await user.press('Add the part');
      for (const unit of ['Lamp keepers', 'Ferry crew', 'Lamp keepers', 'Ferry crew']) await user.press(unit);
      await user.find('[data-part="Whistle"]');
      await user.fill('Next part', 'Bell');
      await user.press('Add the part');
      await user.find('[data-part="Bell"]');
      await user.isStored();
      await driver.navigate().refresh();
      await user.ready();
      await user.find('[data-part="Whistle"]');
      await user.find('[data-part="Bell"]');
    });

    it('undoes a change and stores that too', async () => {
      await user.open('/house-rules');
      await user.fill('Dry brushes owned', '5');
      await user.press('Undo');
      await driver.wait(
        async () => (await (await user.field('Dry brushes owned')).getAttribute('value')) === '2',
        PATIENCE_MS,
        'the change was not undone',
      );
      await user.isStored();
    });

    it('keeps what was typed when it cannot be stored', async () => {
      await user.open('/house-rules');
      await user.fill('Dry brushes owned', 'many');
      await user.see('[role="alert"]', /"many" is not a number/);
      await user.fill('Dry brushes owned', '3');
      await app.kill();
      await user.fill('Airbrushes owned', '2');
      await user.see('[data-save="failed"]', /does not answer/);
      await app.restart();
      await user.press('Try again');
      await user.isStored();
    });
  });
});
