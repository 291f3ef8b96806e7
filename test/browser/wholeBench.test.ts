import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

describe('the whole bench', () => {
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
    await app.stop();
  });

  const untilText = (css: string, test: (text: string) => boolean, what: string) =>
    driver.wait(async () => test(await user.text(css)), PATIENCE_MS, what);
  const dates = () =>
    driver.executeScript<string[]>('return [...document.querySelectorAll("[data-testid=date]")].map((row) => row.textContent)');
  const chooser = '[data-testid="chooser"]';
  /** The row of a unit or commission among what can be on the line. */
  const row = (name: string) =>
    driver.executeScript<string>(
      'return [...document.querySelectorAll("[data-testid=chooser] label")].find((label) => label.textContent.startsWith(arguments[0]))?.textContent ?? ""',
      name,
    );
  const toggle = (name: string) =>
    driver.executeScript(
      '[...document.querySelectorAll("[data-testid=chooser] label")].find((label) => label.textContent.startsWith(arguments[0])).querySelector("input").click()',
      name,
    );

  it('says before a commission is put on the line what is saved, and what happens to each date', async () => {
    await user.open('/line');
    await driver.wait(async () => (await dates()).length === 1, PATIENCE_MS);
    await (await user.find(`${chooser} summary`)).click();
    await driver.wait(async () => (await row('Chess-club champions')).includes(': '), PATIENCE_MS, 'the prices');
    // Which dates move depends on the hour of the day.
    expect(await row('Chess-club champions')).to.match(
      /With it: (nothing saved|.* (saved|longer)); (no date moves|.*, (safe|still safe|late|late as before|(still )?in time in \d+ of 100))\.$/,
    );
    expect(await row('Lamp keepers')).to.include('Without it:');
  });

  it('puts it on, shows both dates with their chances, and undoes that like anything else', async () => {
    await toggle('Chess-club champions');
    await driver.wait(async () => (await dates()).length === 2, PATIENCE_MS, 'two dates');
    await driver.wait(async () => (await dates()).every((text) => /at the latest|in time in/.test(text)), PATIENCE_MS, 'their chances');
    const [tide, chess] = await dates();
    expect(tide).to.match(/Tide coast watch.*due .*done /);
    expect(chess).to.match(/Chess-club champions.*due .*done /);
    expect(await user.text('[aria-label="Relay chart"]'))
      .to.include('Tide coast watch')
      .and.to.include('Chess-club champions');
    await user.keys(Key.ESCAPE);
    await user.press('Undo');
    await driver.wait(async () => (await dates()).length === 1, PATIENCE_MS, 'one date again');
    await user.press('Redo');
    await driver.wait(async () => (await dates()).length === 2, PATIENCE_MS, 'both again');
    await user.find('[data-save="saved"]');
    await user.open('/line');
    await driver.wait(async () => (await dates()).length === 2, PATIENCE_MS, 'kept over a reload');
  });

  it('shows the ways to batch on the same numbers, and what becomes ready evening by evening', async () => {
    await user.look('[data-strategy="suggested"]');
    await driver.wait(
      async () => (await driver.findElements({ css: '[data-strategy="unit-by-unit"]' })).length === 1,
      PATIENCE_MS,
      'one unit at a time',
    );
    await user.press('Sessions');
    expect(await user.text('[data-testid="runs"]')).to.match(/Longest with the same models: .* of work\. Longest job: /);
    expect(await user.text('[aria-label="Ready, session by session"]')).to.include('complete');
  });

  it('says at once when a date cannot be kept, and what would have to give', async () => {
    const [first] = await driver.executeAsyncScript<{ id: string; revision: number }[]>(
      'fetch("/api/line").then((answer) => answer.json()).then((picture) => arguments[0]([picture.commissions[0]]))',
    );
    await user.open(`/c/${first!.id}/intake`);
    await user.find('input[type=date]');
    const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
    await driver.executeScript(
      `const field = [...document.querySelectorAll('input[type=date]')][0];
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, arguments[0]);
       field.dispatchEvent(new Event('input', { bubbles: true }));`,
      tomorrow,
    );
    await user.find('[data-save="saved"]');
    await untilText('[data-testid="beside"]', (text) => text.includes('As the bench stands'), 'the outlook');
    await user.open('/line');
    await driver.wait(async () => (await dates()).some((text) => text.includes('late by')), PATIENCE_MS, 'late');
    await user.press('What would keep it?');
    await driver.wait(async () => (await driver.findElements({ css: '[data-testid="kept"]' })).length > 0, PATIENCE_MS, 'an answer');
    expect(await user.text('[data-testid="kept"]')).to.match(
      /No order found keeps it: .*more at the bench before that day, or as much less to paint|In time: /,
    );
  });

  it('shows near twins side by side with what one for both saves, takes one and takes it back', async () => {
    await user.open('/colours');
    await untilText('[data-testid="sharing"]', (text) => text.includes('Sharing saves'), 'the two plans');
    await untilText('[data-testid="twins"]', (text) => /saved/.test(text), 'the price of a pair');
    const rows = () => driver.executeScript<number>('return document.querySelectorAll("table tbody tr").length');
    const before = await rows();
    await user.press('for both');
    await untilText('[data-testid="twin-taken"]', (text) => text.includes('took the place of'), 'taken');
    await driver.wait(async () => (await rows()) === before - 1, PATIENCE_MS, 'one paint less');
    // What is planned anew above it moves the button until it stands.
    await user.quiet();
    await user.press('Take it back');
    await driver.wait(async () => (await rows()) === before, PATIENCE_MS, 'both paints again');
  });

  it('follows a paint by keyboard from row to row, and says what an open pot could serve', async () => {
    await driver.executeScript('document.querySelector("table [aria-pressed=true]").focus()');
    const name = () => driver.executeScript<string>('return document.querySelector("table [aria-pressed=true]").textContent');
    const first = await name();
    await user.keys(Key.ARROW_DOWN);
    await driver.wait(async () => (await name()) !== first, PATIENCE_MS);
    expect(await user.text('[data-testid="pot-summary"]')).to.match(/unit/);
  });
});
