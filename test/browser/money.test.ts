import { expect } from 'chai';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver } from 'selenium-webdriver';
import type { Quote } from '../../src/core/money/definitions';
import type { MoneyPicture } from '../../src/contract/money';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

const HEADER = 'started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note';
const SLOWER = 1.3;

describe('a price in the browser', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let id: string;
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
    id = await driver.executeScript<string>(
      'return [...document.querySelectorAll("main a[href*=intake]")].find((link) => link.textContent.includes("Market square")).getAttribute("href").split("/")[2]',
    );
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const money = async () => (await (await fetch(`${app.url}/api/commissions/${id}/money`)).json()) as MoneyPicture;
  const total = async () =>
    Number((await user.see('[data-testid="price-sum"]', /Total\s+€/)).match(/Total\s+€([\d,.]+)/)![1]!.replace(',', ''));
  const quotes = async () => (await money()).quotes;
  const answered = (quote: Quote) => [quote.number, quote.answer, quote.answerNote];

  it('follows every term as it is typed, and is there again after a reload', async () => {
    await user.open(`/c/${id}/money`);
    const before = await total();
    await user.press('Add a material');
    await user.fill('Price of material 1', '12.5');
    await user.fill('What material 1 is', 'two pots of slate');
    await user.choose('Safety margin: enough', '90 of 100');
    const dearer = await total();
    expect(dearer).to.be.greaterThan(before + 12.5);
    await user.fill('Repeat discount on the work', '10');
    expect(await total()).to.be.lessThan(dearer);
    await user.isStored();
    const shown = await total();
    await driver.navigate().refresh();
    await user.ready();
    expect(await total()).to.equal(shown);
  });

  it('has a figure for one notch less, and for twenty models more', async () => {
    const rows = await user.see('[data-testid="alternatives"]', /one level lower/);
    expect(rows)
      .to.match(/quick, one level lower.*−€\d/)
      .and.to.match(/full, one level higher/);
    await user.press('Work it out');
    await user.see('[data-testid="alternatives"]', /models instead of \d+.*\+€\d/s);
  });

  it('sends nothing while what was typed cannot be saved, and moves nothing to say so', async () => {
    const places = () =>
      driver.executeScript<string[]>(
        `return [...document.querySelectorAll('main button')].filter(({ textContent }) => textContent !== 'Try again')
          .map((button) => button.textContent + ' at ' + button.getBoundingClientRect().top)`,
      );
    await driver.executeScript(
      'window.realFetch = window.fetch; window.fetch = (url, ask) => (ask?.method === "PUT" ? Promise.reject(new Error("away")) : window.realFetch(url, ask))',
    );
    try {
      await user.fill('Minimum charge', '40');
      const before = await places();
      await user.find('[data-save="failed"]');
      expect(await places()).to.deep.equal(before);
      await user.press('Save without sending');
      await user.see('[role="alert"]', /The terms are not saved, so nothing was sent/);
      expect(await quotes()).to.deep.equal([]);
    } finally {
      await driver.executeScript('window.fetch = window.realFetch');
    }
    await user.fill('Minimum charge', '0');
    await driver.wait(async () => (await user.text('[data-save]')) === 'Saved', PATIENCE_MS, 'it was not saved in the end');
  });

  it('writes no price that was moved in another window before it was looked at', async () => {
    const before = await total();
    const { rows } = (await (await fetch(`${app.url}/api/time-log/rows`)).json()) as { rows: { id: string }[] };
    const judge = (judgement: object) =>
      fetch(`${app.url}/api/time-log/${rows[0]!.id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', origin: app.url },
        body: JSON.stringify(judgement),
      });
    await judge({ verdict: 'counts', correctedMinutes: 400 });
    await user.press('Save without sending');
    await user.see('[role="alert"]', /The price is [\d.]+ EUR now, not [\d.]+ EUR, so nothing was written/);
    await driver.wait(async () => (await total()) > before, PATIENCE_MS, 'the new price was not shown');
    expect(await quotes()).to.deep.equal([]);
    await judge({ verdict: 'unsure', correctedMinutes: null });
    await user.open(`/c/${id}/money`);
    expect(await total()).to.equal(before);
  });

  it('goes into the outbox as a letter, by keyboard alone', async () => {
    await (await user.field('To')).sendKeys('museum@saltmere.example', Key.TAB, 'As we said on the quay.', Key.TAB, Key.ENTER);
    await user.see('[data-testid="quotes"]', /Quote 1: €[\d,.]+.* to museum@saltmere\.example/s);
    const [letter] = readdirSync(path.join(app.folder, 'outbox'));
    expect(readFileSync(path.join(app.folder, 'outbox', letter!), 'utf8'))
      .to.match(/To: museum@saltmere\.example/)
      .and.to.match(/application\/pdf/);
    expect((await quotes())[0]!.offer.price.totalMinor / 100).to.equal(await total());
    const pdf = await fetch(`${app.url}/api/quotes/${(await quotes())[0]!.id}/pdf`);
    expect(
      Buffer.from(await pdf.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).to.equal('%PDF-');
  });

  it('is accepted with a word, and shows what an hour pays', async () => {
    await user.fill('What the client said', 'by telephone');
    await user.press('Accepted');
    await user.see('[data-testid="quotes"]', /accepted .*by telephone/);
    expect((await quotes()).map(answered)).to.deep.equal([[1, 'accepted', 'by telephone']]);
    // Nobody has to type once more what was accepted.
    const agreed = (await (await user.field('Agreed price')).getAttribute('placeholder'))!;
    expect(Math.round(Number(agreed.match(/^quote 1: €(\d+\.\d\d)$/)![1]) * 100)).to.equal((await quotes())[0]!.offer.price.totalMinor);
    await user.see('[data-testid="pay"]', /In the end, expected.*€\d+\.\d\d/s);
    await user.press('Undo the answer');
    await user.see('[data-testid="quotes"]', /Changes wanted/);
    await user.press('Accepted');
    await user.see('[data-testid="quotes"]', /accepted/);
  });

  it('moves with an evening that goes 30 % slower, and says why', async () => {
    const before = await money();
    const demo = await (await fetch(`${app.url}/api/time-log/rows?commission=Tide%20coast%20watch`)).json();
    const rows = (demo.rows as Record<string, string | number>[]).slice(0, 14).map((row, index) => {
      const at = new Date(Date.now() + (index - 13) * 1000).toISOString();
      const of = ['commission', 'unit', 'part', 'technique', 'size', 'coverage', 'models'].map((column) => row[column]);
      return [at, ...of, (Number(row['minutes']) * SLOWER).toFixed(1), '', 'slow-evening'].join(',');
    });
    await user.open('/ledger');
    const file = path.join(app.folder, 'evening.csv');
    writeFileSync(file, [HEADER, ...rows].join('\n'));
    await (await user.find('input[type=file][aria-label="Time log file"]')).sendKeys(file);
    await user.press(`Import ${rows.length} rows`);
    await driver.wait(async () => (await money()).since!.stretches > 0, PATIENCE_MS, 'nothing was foretold');
    const after = await money();
    const likely = ({ units }: MoneyPicture) => units.reduce((sum, unit) => sum + unit.likely, 0);
    expect(likely(after) / likely(before)).to.be.within(1.01, 1.3);
    await user.open(`/c/${id}/money`);
    const moved = await user.see('[data-testid="moved"]', /since quote 1/);
    expect(moved).to.match(/^\+€[\d.]+ since quote 1 of .*: \+€[\d.]+ by the hours/);
    expect(moved).to.match(/\d+ rows? logged since then took \d+% longer than estimated/);
  });

  it('takes what was added later, priced or given away', async () => {
    await user.press('Add an extra');
    await user.fill('What was added', 'Name plates on all bases');
    await user.fill('Minutes it takes', '90');
    await user.fill('Agreed price, 0 where it is free', '0');
    await user.press('Write it down');
    await user.see('[data-testid="scope-changes"]', /Name plates on all bases/);
    await user.see('[data-testid="pay"]', /Given away free: 1 h 30 min, €36\.00 at that rate/);
    await user.fill('Agreed price: Name plates', '25');
    await user.keys(Key.TAB);
    await user.see('[data-testid="pay"]', /\+€25\.00 for changes since/);
    await user.see('[data-testid="statement"]', /Name plates on all bases\s+€25\.00/);
  });

  it('is compared at the end, when the commission is handed over, and stated', async () => {
    await user.fill('Paid before', '100');
    await user.isStored();
    await user.open(`/c/${id}/intake`);
    await user.press('Mark as delivered');
    await user.see('[data-testid="undone"]', /model-steps not painted/);
    await user.press('Deliver Market square anyway');
    await user.path(/\/$/);
    await user.open('/ledger');
    await user.press('What Market square paid');
    await user.path(/\/money$/);
    await user.see('[data-testid="undone"]', /Delivered with \d+ things? not done.*model-steps not painted/s);
    const pay = await user.see('[data-testid="pay"]', /In all/);
    expect(pay).to.not.match(/In the end/);
    await user.see('[data-testid="comparison"]', /All of it.*primer to shade/s);
    await user.see('[data-testid="next-quote"]', /The same again would be quoted at €[\d,.]+/);
    const csv = await (await fetch(`${app.url}/api/commissions/${id}/statement?as=csv`)).text();
    expect(csv)
      .to.match(/Name plates on all bases,,25\.00,EUR/)
      .and.to.match(/,Paid before,,-100\.00,EUR/);
    const due = Number(/,Due,,([\d.]+),EUR/.exec(csv)![1]);
    expect(await user.text('main')).to.include(`Statement at hand-over: €${due.toLocaleString('en-GB', { minimumFractionDigits: 2 })} due`);
  });
});
