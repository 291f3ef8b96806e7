import { expect } from 'chai';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import type { BenchPicture } from '../../src/contract/bench';
import type { LogPicture } from '../../src/contract/log';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { importFerry } from '../support/ferry';
import { PageUser, PATIENCE_MS } from '../support/page';
import { paint, part, step, unit } from '../support/units';

/** A painter's own technique and levels, and decisions at the bench that are not for good. */
describe('said as the painter says it', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  const named = (id: string, name: string, hex: string) => ({ ...paint(id, 'opaque', 0), name, hex });
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    const parts = [
      part('Coat', step('basecoat', { id: 'coat', paint: 'deep' }), step('layer', { id: 'light', paint: 'foam', standard: 'quick' })),
      part('Boots', step('basecoat', { id: 'boots', paint: 'straw' })),
    ];
    await importFerry(
      app.url,
      [
        named('deep', 'Deep water', '#203a60'),
        named('foam', 'Foam', '#e8e0c8'),
        named('straw', 'Straw', '#c2a75b'),
        named('dusk', 'Dusk', '#a03c5e'),
      ],
      [unit('Rowers', parts, [], { id: 'rowers', promised: 30, counted: 30 })],
    );
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });
  const saved = () => user.find('[data-unsent="0"]');
  const space = async () => {
    await user.keys(Key.SPACE);
    await saved();
    await driver.sleep(350);
  };
  const bench = async () => (await (await fetch(`${app.url}/api/bench`)).json()) as BenchPicture;
  const chip = async (words: string) => (await driver.findElement(By.xpath(`//button[@aria-pressed][contains(., "${words}")]`))).click();

  it('has seven levels by minutes, a technique and a brush of the painter’s own', async () => {
    await user.open('/house-rules');
    for (const minutes of [15, 30, 45, 60, 90, 120, 180]) {
      await user.fill('New level', `${minutes} a model`);
      await user.fill('Minutes a model', String(minutes));
      await user.press('Add level');
      await user.field(`${minutes} a model, a model`);
    }
    await user.fill('New technique', 'Dust smear');
    await user.choose('Like which', 'Powders');
    await user.press('Add technique');
    await user.find('[data-technique="Dust smear"]');
    await user.fill('In the hand', 'Worn flat');
    await user.fill('Caution', 'Open the window.');
    await user.fill('Brushes to choose in steps', 'Round 2\nRound 1');
    await user.isStored();
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('says what the squad comes to at each level: 45 hours at 90 minutes', async () => {
    await user.open('/c/ferry/scheme');
    await (await user.find('[data-testid="levels"] summary')).click();
    const rows = await driver.findElements(By.css('[data-level]'));
    expect(rows).to.have.length(7);
    await user.see('[data-level="90 a model"]', /1 h 30 min.*45 h.*€1,080/s);
    await user.see('[data-level="180 a model"]', /3 h.*90 h.*€2,160.*display/s);
    await (await user.find('[data-level="90 a model"] button')).click();
    await user.see('[data-testid="levels"] summary', /90 a model, 1 h 30 min a model/);
    await user.isStored();
  });

  it('paints a step by that technique, only where it is needed, and another with a brush of the list', async () => {
    await chip('Straw');
    await user.choose('Technique', 'Dust smear');
    await user.tick('Only where a model needs it');
    await user.isStored();
    await user.see('[data-part="Boots"]', /Dust smear/);
    await user.see('#step-editor', /Open the window/);
    await chip('Foam');
    await user.choose('Brush', 'Round 1');
    await user.isStored();
    await user.plan('ferry');
    await user.find('[data-searching="false"]');
    await user.press('Put this line on the bench');
    await user.path(/\/bench$/);
    await user.see('[data-testid="level"]', /90 a model: 1 h 30 min a model: 0 min spent, 1 h 30 min left/);
    const { passes } = (await bench()).line;
    expect(passes.map(({ stepId, own, brush, ifNeeded }) => [stepId, own?.name, brush, ifNeeded])).to.deep.equal([
      ['coat', undefined, '', false],
      ['light', undefined, 'Round 1', false],
      ['boots', 'Dust smear', 'Worn flat', true],
    ]);
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('tries another pot on two models and takes it, puts a step off for the evening, and passes over who needs nothing', async () => {
    await user.see('[data-testid="instruction"]', /Deep water/);
    await user.keys('c');
    await user.choose('Paint for those not done yet', 'Dusk');
    await user.press('Try it');
    await user.see('[data-testid="instruction"]', /Deep water|Dusk/);
    await driver.wait(async () => (await bench()).line.passes[0]!.trial !== null, PATIENCE_MS);
    await user.open('/bench');
    // Keys mean something once the work stands there.
    await user.find('[data-testid="instruction"]');
    await user.keys('c');
    // Those of the tray in hand: which one that is, the order found says.
    const [from, to] = (await bench()).line.passes[0]!.trial!;
    await user.see('[data-testid="trial"]', new RegExp(`Dusk on trial on models ${from} to ${to}`));
    await user.press('Take Dusk for all that are left');
    await driver.wait(async () => (await bench()).line.passes[0]!.trial === null, PATIENCE_MS);
    await user.see('[data-testid="instruction"]', /Dusk/);
    await user.see('[data-testid="recipe"]', new RegExp(`Dusk tried on ${from}, ${to}: taken instead of Deep water`));

    await user.keys('c');
    await user.press('Not this session');
    await saved();
    // What waits for it waits too: the boots are next.
    const said = await user.see('[data-testid="if-needed"]', /Look at model \d+ first: only where it is needed/);
    const first = Number(/\d+/.exec(said)![0]);
    await user.keys('x');
    await saved();
    await user.see('[data-testid="if-needed"]', new RegExp(`Look at model ${first + 1} first`));
    await user.keys(Key.BACK_SPACE);
    await saved();
    await user.see('[data-testid="if-needed"]', new RegExp(`Look at model ${first} first`));
    await user.keys(Key.BACK_SPACE);
    await saved();
    await user.see('[data-testid="instruction"]', /Dusk/);
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('takes the hours of a stage in one entry', async () => {
    await user.press('From the leg sheet');
    await user.choose('What was painted?', 'all of the stage: base coats');
    await user.fill('All together took', '300');
    await user.press('jobs done');
    await saved();
    const { totals } = (await (await fetch(`${app.url}/api/ledger`)).json()) as LogPicture;
    expect(totals.minutes).to.be.closeTo(300, 0.1);
    await space();
    expect(await user.complaints()).to.deep.equal([]);
  });
});
