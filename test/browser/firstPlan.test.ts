import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { CountedHands } from '../support/hands';
import { PageUser } from '../support/page';

/** Nobody has entered anything: ten and six models with two schemes, up to the first plan. Every click and every key counts. */
describe('the first plan', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    driver = await openBrowser();
  });
  after(() => closeBrowser(driver));
  beforeEach(async () => {
    app = await startApp();
    user = new PageUser(driver, app.url);
    await user.open('/');
  });
  afterEach(() => app.stop());

  const jobs = async () => {
    const { jobs: found } = (await (await fetch(`${app.url}/api/line`)).json()) as {
      jobs: { partName: string | null; technique: string; models: number[] }[];
    };
    return found.map(({ partName, technique, models }) => `${partName ?? 'Everything'} ${technique} ${models.length}`);
  };
  const PLAN = [
    'Coat basecoat 10',
    'Coat edge 10',
    'Everything prime 10',
    'Everything wash 10',
    'Hull basecoat 6',
    'Hull drybrush 6',
    'Sail basecoat 6',
  ];

  it('takes fewer than 200 keys and no mouse', async () => {
    const hands = new CountedHands(user, driver);
    await hands.type('/');
    await user.find('dialog#search[open]');
    await hands.type('new c');
    await user.see('#search-found [aria-selected="true"]', /New commission/);
    await hands.type(Key.ENTER);
    await user.path(/\/new$/);
    await user.find('form:not([method="dialog"])');
    await hands.goTo(/^Name/);
    await hands.type('Pier watch', Key.TAB, 'Harbour guild', Key.TAB, '01032027', Key.TAB);
    await hands.goTo(/^Agreed price/);
    await hands.type('450', Key.ENTER);
    await user.path(/\/intake$/);
    await user.find('input[placeholder="The first unit"]');
    expect(await hands.focused(), 'focus at Intake').to.match(/Name of a new unit/);
    await hands.type('Keepers', Key.TAB, Key.TAB, '10', Key.ENTER);
    await user.find('[data-unit="Keepers"]');
    await hands.type('Boats', Key.TAB, Key.TAB, '6', Key.ENTER);
    await user.find('[data-unit="Boats"]');
    await user.isStored();
    await hands.chord(Key.ALT, '3');
    await user.path(/\/scheme/);
    await user.find('[data-testid="typed"] textarea');
    expect(await hands.focused(), 'focus at Scheme').to.match(/One part per line/);
    // Tab takes what is offered first.
    await hands.type('Coat: ba', Key.TAB, ' Bl', Key.TAB, ', ed', Key.TAB, ' Sk', Key.TAB, Key.ENTER);
    await hands.type('Ov', Key.TAB, ': pr', Key.TAB, ' Pa', Key.TAB, ', wa', Key.TAB, ' Br');
    await hands.chord(Key.CONTROL, Key.ENTER);
    await user.see('[data-part="Coat"]', /Blue/);
    await user.isStored();
    await hands.goTo(/Next unit: Boats/);
    await hands.type(Key.ENTER);
    await user.find('[aria-label="Scheme of Boats"] textarea');
    expect(await hands.focused(), 'focus at the next unit').to.match(/One part per line/);
    await hands.type('Hull: ba', Key.TAB, ' Tan, dr', Key.TAB, ' Sa', Key.TAB, Key.ENTER, 'Sail: ba', Key.TAB, ' Cr');
    await hands.chord(Key.CONTROL, Key.ENTER);
    await user.see('[data-part="Sail"]', /Cream/);
    await user.isStored();
    await hands.goTo(/Next: in which order/);
    await hands.type(Key.ENTER);
    await user.path(/\/line/);
    await user.find('[data-searching="false"]');
    expect((await jobs()).sort()).to.deep.equal(PLAN);
    // oxlint-disable-next-line no-console -- The count is what is wanted to be known.
    console.log(`      ${hands.keys} keys`);
    expect(hands.keys).to.be.below(200);
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('takes fewer than 60 clicks and 120 keys by mouse, with parts and shelf as they were copied from a spreadsheet', async () => {
    const hands = new CountedHands(user, driver);
    await hands.press('Enter a commission');
    await user.path(/\/new$/);
    await user.find('form');
    await hands.type('Pier watch');
    await clickField('Client');
    hands.clicks++;
    await hands.type('Harbour guild');
    await clickField('Due on');
    hands.clicks++;
    await hands.type('01032027');
    await hands.press('Enter its units');
    await user.path(/\/intake$/);
    await user.find('input[placeholder="The first unit"]');
    // Ctrl + V of what was copied.
    hands.keys += 2;
    await paste('[placeholder="The first unit"]', 'Keepers\t10\nBoats\t6\tvehicle');
    await user.see('[data-testid="good-rows"]', /Keepers: 10 models, foot.*Boats: 6 models, vehicle/s);
    await hands.press('Add 2 units');
    await user.find('[data-unit="Boats"]');
    await user.isStored();
    await hands.press('Next: how is one painted?');
    await user.path(/\/scheme/);
    await user.find('[data-testid="typed"] textarea');
    hands.keys += 2;
    await paste(
      '[data-testid="typed"] textarea',
      'Part\tTechnique\tPaint\nCoat\tbase\tBlue\n\tedge\tSkin\nAll over\tprime\tPale primer\n\twash\tBrown wash',
    );
    await user.see('[data-testid="typed-preview"]', /Coat\s+Base coat, Blue \(new on the shelf\)\s+Edge line, Skin/);
    await hands.press('Add these lines');
    await user.see('[data-part="Coat"]', /Blue/);
    await user.isStored();
    await hands.press('Next unit: Boats');
    await user.find('[aria-label="Scheme of Boats"] textarea');
    hands.keys += 2;
    await paste('[data-testid="typed"] textarea', 'Hull\tbase\tTan\nHull\tdry brush\tSand\nSail\tbase\tCream');
    await hands.press('Add these lines');
    await user.see('[data-part="Sail"]', /Cream/);
    await user.isStored();
    await hands.press('Next: what does it cost?');
    await user.path(/\/money$/);
    await hands.press('Next: in which order?');
    await user.path(/\/line/);
    await user.find('[data-searching="false"]');
    expect((await jobs()).sort()).to.deep.equal(PLAN);
    // oxlint-disable-next-line no-console -- The count is what is wanted to be known.
    console.log(`      ${hands.clicks} clicks, ${hands.keys} keys`);
    expect(hands.clicks).to.be.below(60);
    expect(hands.keys).to.be.below(120);
    expect(await user.complaints()).to.deep.equal([]);
  });

  const clickField = async (label: string) => (await user.field(label)).click();
  const paste = (css: string, text: string) =>
    driver.executeScript(
      `const field = document.querySelector(arguments[0]); field.focus();
       const data = new DataTransfer(); data.setData('text/plain', arguments[1]);
       field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
      css,
      text,
    );
});
