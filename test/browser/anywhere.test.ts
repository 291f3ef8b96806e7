import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import { violationsOn } from '../support/accessibility';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PATIENCE_MS, PageUser } from '../support/page';

/** What works alike in every view: the search, sorted tables, where the focus goes. */
describe('anywhere', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const focused = () =>
    driver.executeScript<string>(
      'const at = document.activeElement; return at === document.body ? "" : at.closest("label")?.innerText ?? at.getAttribute("aria-label") ?? at.innerText',
    );
  const column = (css: string, place: number) =>
    driver.executeScript<string[]>(
      `return [...document.querySelectorAll(arguments[0] + ' tbody tr')].map((row) => row.children[${place}].innerText.split('\\n')[0].trim())`,
      css,
    );

  describe('the search', () => {
    const search = async (words: string) => {
      // The key is heard once all of the page is there, and outside of fields: a view may have put the focus into one.
      await driver.wait(() => driver.executeScript<boolean>('return document.readyState === "complete"'), PATIENCE_MS, 'never read');
      await driver.executeScript('document.activeElement.blur()');
      await user.keys('/');
      await user.find('dialog#search[open]');
      // What was looked for last is selected, and typed over.
      await user.keys(words);
    };

    it('finds a unit from any view, and goes there by keys alone', async () => {
      await user.open('/shelf');
      await search('ferry crew');
      await user.see('#search-found li[aria-selected="true"]', /^unit\s+Ferry crew/);
      expect(await violationsOn(driver, null)).to.deep.equal([]);
      await user.keys(Key.ENTER);
      await user.path(/\/scheme/);
      await user.see('[role="tab"][aria-selected="true"]', /Ferry crew/);
    });

    it('opens the step that was found, the paint, the rows of the log and the setting', async () => {
      await search('wash everything pony');
      await user.see('#search-found li', /^step/);
      await user.keys(Key.ENTER);
      await user.see('#step-editor', /Wash/);
      await search('bog wash');
      await user.see('#search-found li', /^paint\s+Bog wash/);
      await user.keys(Key.ENTER);
      await user.see('[data-paint="Bog wash"] [aria-pressed="true"]', /Bog wash/);
      // The form comes later than the page: it leaves the keys to who is looking.
      await user.field('Name, as on the label');
      expect(await focused()).to.equal('');
      await search('boots');
      await user.see('#search-found li:last-child', /rows of the log with “boots”/);
      await user.keys(Key.ARROW_UP, Key.ENTER);
      await user.path(/\/ledger\?words=boots$/);
      await user.see('[aria-label="Rows of the log"]', /boots/);
      await search('rinse');
      await user.see('#search-found li', /^setting\s+What a set-up costs/);
      await user.keys(Key.ENTER);
      await user.path(/\/house-rules#setups$/);
      await user.find('#setups');
    });

    it('says what it did not find, leaves by Esc, and is no key while something is typed', async () => {
      await search('xqzzv');
      await user.see('#search [role="status"]', /Nothing is called “xqzzv”/);
      // The first empties the field, as in every search field.
      await user.keys(Key.ESCAPE, Key.ESCAPE);
      await driver.wait(async () => (await driver.findElements({ css: 'dialog[open]' })).length === 0, PATIENCE_MS, 'never closed');
      const field = await user.field('Your name');
      await field.sendKeys('a/b');
      expect(await field.getAttribute('value')).to.equal('a/b');
      expect(await driver.findElements({ css: 'dialog[open]' })).to.have.length(0);
      await field.clear();
    });

    it('names every part of House rules by an address that is there', async () => {
      const parts = await driver.executeScript<string[]>(
        'return [...document.querySelectorAll("main section[id]")].map((each) => each.id)',
      );
      const { SETTINGS } = await import('../../src/contract/settings');
      expect(parts).to.include.members(Object.keys(SETTINGS));
    });
  });

  describe('a table', () => {
    it('is sorted by the head of a column, the other way, and then as it was', async () => {
      await user.open('/shelf');
      await user.find('[data-paint]');
      const asItWas = await column('[aria-label="Pots"]', 4);
      const head = () => driver.findElement({ css: '[aria-label="Pots"] th:last-child button' });
      await (await head()).click();
      const known = (cells: string[]) => cells.filter((cell) => cell !== '');
      const sorted = known(asItWas).toSorted(new Intl.Collator('en-GB', { numeric: true, sensitivity: 'base' }).compare);
      expect(known(await column('[aria-label="Pots"]', 4))).to.deep.equal(sorted);
      expect(await (await driver.findElement({ css: '[aria-label="Pots"] th:last-child' })).getAttribute('aria-sort')).to.equal(
        'ascending',
      );
      await (await head()).click();
      expect(known(await column('[aria-label="Pots"]', 4))).to.deep.equal(sorted.toReversed());
      await (await head()).click();
      expect(await column('[aria-label="Pots"]', 4)).to.deep.equal(asItWas);
    });

    it('of the log is sorted over all its pages', async () => {
      await user.open('/ledger');
      const log = '[aria-label="Rows of the log"]';
      await driver.executeScript(`document.querySelector('${log} th:nth-child(3) button').click()`);
      await user.find(`${log} th:nth-child(3)[aria-sort="ascending"]`);
      await driver.executeScript(`document.querySelector('${log} th:nth-child(3) button').click()`);
      await user.find(`${log} th:nth-child(3)[aria-sort="descending"]`);
      const counts = async () => (await column(log, 2)).map(Number);
      await driver.wait(
        async () => (await counts()).every((count, at, all) => at === 0 || count <= all[at - 1]!),
        PATIENCE_MS,
        'never sorted',
      );
      const first = await counts();
      await user.press('Older');
      await user.see('main', /Page 2 of/);
      await driver.wait(async () => (await counts())[0]! <= first.at(-1)!, PATIENCE_MS, 'the second page never went on');
    });
  });

  describe('the focus', () => {
    it('stays on the unit that was ticked, though the line is drawn anew', async () => {
      await user.open('/line');
      await user.find('[data-searching="false"]');
      await driver.executeScript('document.querySelector("[data-testid=chooser] summary").click()');
      await user.see('[data-testid="chooser"]', /Reed cutters/);
      await driver.executeScript(
        '[...document.querySelectorAll("[data-testid=chooser] label")].find((each) => each.innerText.startsWith("Reed cutters")).querySelector("input").focus()',
      );
      // Read in one look: what is drawn anew in between is another element.
      const shown = () => driver.executeScript<string | null>('return document.querySelector("[data-searching]")?.innerText ?? null');
      const total = await shown();
      await user.keys(' ');
      await driver.wait(async () => ![null, total].includes(await shown()), PATIENCE_MS, 'the line never changed');
      await driver.wait(async () => /^Reed cutters/.test(await focused()), PATIENCE_MS, 'the focus never came back to the unit');
      await user.keys(' ');
      await driver.wait(async () => /^Reed cutters/.test(await focused()), PATIENCE_MS, 'the focus never came back to the unit');
    });
  });

  describe('the focus of what is gone', () => {
    it('goes on at what stands in its place, or nearest', async () => {
      await user.open('/house-rules');
      await user.find('[aria-label="Remove session 2"]');
      await driver.executeScript('document.querySelector("[aria-label=\\"Remove session 2\\"]").focus()');
      const sessions = () => driver.executeScript<number>('return document.querySelectorAll("[aria-label^=\\"Remove session\\"]").length');
      const before = await sessions();
      await user.keys(Key.ENTER);
      await driver.wait(async () => (await sessions()) === before - 1, PATIENCE_MS, 'never removed');
      await driver.wait(async () => /^Remove session/.test(await focused()), PATIENCE_MS, 'the focus fell to the page');
      await user.isStored();
      // Undo, until there is nothing left to undo.
      await driver.executeScript('[...document.querySelectorAll("main button")].find((each) => each.innerText.trim() === "Undo").focus()');
      await user.keys(Key.ENTER);
      await driver.wait(async () => (await sessions()) === before, PATIENCE_MS, 'never undone');
      await driver.wait(async () => (await focused()) !== '' && (await focused()) !== 'Undo', PATIENCE_MS, 'the focus fell to the page');
      await user.isStored();
    });
  });

  it('leaves no complaint of the browser behind', async () => {
    expect(await user.complaints()).to.deep.equal([]);
  });
});

describe('with an empty database', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  it('says why the stations of a commission cannot be opened, and where one is chosen', async () => {
    for (const name of ['Intake', 'Scheme', 'Money', 'Finish']) {
      await driver.executeScript(
        `[...document.querySelectorAll('.thread button')].find((each) => each.innerText.trim() === arguments[0]).click()`,
        name,
      );
      await user.see('#why-off', /belong to one commission, and none is chosen/);
      await user.keys(Key.ESCAPE);
    }
    expect(await violationsOn(driver, null)).to.deep.equal([]);
  });

  it('asks once whether the usual sessions are right', async () => {
    const post = async (url: string, body: object, method = 'POST') =>
      (
        await fetch(app.url + url, { method, headers: { 'content-type': 'application/json', origin: app.url }, body: JSON.stringify(body) })
      ).json();
    await post('/api/commissions', {
      name: 'Pier watch',
      client: 'Harbour guild',
      dueOn: '2027-03-01',
      standard: 'table',
      hourlyRateMinor: 2400,
      currency: 'EUR',
      note: '',
    });
    await user.open('/');
    await user.see('main', /Dates go by these sessions: Mon, Tue, Thu 19:00 to 21:30; Sat 14:00 to 18:00\. Are they yours\?/);
    await user.press('Yes, keep them');
    await driver.wait(async () => !/Are they yours/.test(await user.text('main')), PATIENCE_MS, 'still asked');
    await user.open('/');
    expect(await user.text('main')).not.to.match(/Are they yours/);
    expect(await user.complaints()).to.deep.equal([]);
  });
});
