import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser } from '../support/page';

/** The same way as by mouse, with no pointer at all. */
describe('from an empty database to a line with variants, by keyboard alone', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let actions = 0;
  let keys = 0;
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const press = async (...pressed: string[]) => {
    keys += pressed.reduce((sum, each) => sum + [...each].length, 0);
    await user.keys(...pressed);
  };
  const focused = () =>
    driver.executeScript<string>(
      `const at = document.activeElement; if (at === document.body) return ''; const label = at.id && document.querySelector('label[for="' + at.id + '"]');
       return [label && label.textContent, at.getAttribute('aria-label'), at.textContent].filter(Boolean).join(' | ')`,
    );
  /** Tab until what is in focus is called so; one action, however many keys. */
  const goTo = async (name: RegExp, most = 120, back = false) => {
    actions++;
    for (let tab = 0; tab < most; tab++) {
      if (name.test(await focused())) return;
      await (back ? press(Key.chord(Key.SHIFT, Key.TAB)) : press(Key.TAB));
    }
    throw new Error(`Tab never came to ${name}, but to ${await focused()}`);
  };
  const type = async (...text: string[]) => {
    actions++;
    await press(...text);
  };

  it('fills the shelf, enters a commission, and takes a starter with variants to the line', async () => {
    await user.open('/shelf');
    await goTo(/Put thirty common colours/);
    await type(Key.ENTER);
    await user.see('h2', /^30 paints/);
    await user.open('/new');
    await goTo(/^Name/);
    await type('Pier watch');
    await goTo(/^Client/);
    await type('Harbour guild');
    await goTo(/due|When/i);
    await type('03012027');
    await goTo(/Enter its units/);
    await type(Key.ENTER);
    await user.path(/\/intake$/);
    await goTo(/Name of a new unit/);
    await type('Watch', Key.TAB, Key.TAB, '20', Key.ENTER);
    await user.find('[data-unit="Watch"]');
    await user.isStored();
    await goTo(/Next: how is one painted/);
    await type(Key.ENTER);
    await user.path(/\/scheme/);
    await goTo(/^Foot figure, table standard/);
    await type(Key.ENTER);
    await user.see('[data-part="Boots"]', /Dark brown/);
    await user.isStored();
    await driver.executeScript('document.activeElement.blur()');
    await goTo(/^Leaders and groups/);
    await type(Key.ENTER);
    await goTo(/^Add \|/);
    await type('a variant');
    await goTo(/What differs/);
    await type('Boots');
    await goTo(/Options, with commas/);
    await type('dark, tan', Key.ENTER);
    await user.see('[data-testid="roster"] summary', /Boots 10 dark \/ 10 tan/);
    await goTo(/^Base coat.*Dark brown/s);
    await type(Key.ENTER);
    await user.see('aside', /Another paint for/);
    await type(Key.ENTER);
    await goTo(/Another paint for Boots: tan/);
    await type(Key.ENTER);
    await user.find('[aria-label="The same paint for Boots: tan"]');
    await user.isStored();
    await driver.executeScript('document.activeElement.blur()');
    await goTo(/Next: what does it cost/, 220);
    await type(Key.ENTER);
    await user.path(/\/money$/);
    await goTo(/Next: in which order/);
    await type(Key.ENTER);
    await user.path(/\/line/);
    await user.find('[data-searching="false"]');
    const { jobs } = (await (await fetch(`${app.url}/api/line`)).json()) as {
      jobs: { partName: string; technique: string; models: number[] }[];
    };
    expect(jobs.filter((job) => job.partName === 'Boots' && job.technique === 'basecoat').map((job) => job.models.length)).to.deep.equal([
      5, 5, 5, 5,
    ]);
    // oxlint-disable-next-line no-console -- The count is what is wanted to be known.
    console.log(`      ${actions} actions, ${keys} keys`);
    expect(actions).to.be.at.most(50);
    expect(await user.complaints()).to.deep.equal([]);
  });
});
