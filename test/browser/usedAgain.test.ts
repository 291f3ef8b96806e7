import { expect } from 'chai';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

/** Steps of one journey: two units alike in other colours, written quickly. */
describe('a scheme typed, carried about, kept and used again in other colours', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let scheme: string;
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/shelf');
    await user.press('Put thirty common colours on it, by plain names');
    await user.see('h2', /^30 paints/);
    await user.open('/new');
    await user.fill('Name', 'Pier watch');
    await user.fill('Client', 'Harbour guild');
    await driver.executeScript(
      `const field = document.querySelector('input[type=date]'); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '2027-03-01'); field.dispatchEvent(new Event('input', { bubbles: true }));`,
    );
    await user.press('Enter its units');
    await user.path(/\/intake$/);
    for (const name of ['Oarsmen', 'Lookouts']) {
      await user.fill('Name of a new unit', name);
      await user.keys(Key.TAB, Key.TAB, '6', Key.ENTER);
      await user.find(`[data-unit="${name}"]`);
    }
    await user.isStored();
    await user.press('Next: how is one painted?');
    scheme = await user.path(/\/scheme/);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const chips = (part: string) =>
    driver.executeScript<string[]>(
      `return [...document.querySelectorAll('[data-part="${part}"] button[aria-pressed]')].map((chip) => chip.innerText.split('\\n')[0].trim())`,
    );
  const settled = async (part: string, expected: string[]) => {
    await driver.wait(async () => (await chips(part)).join() === expected.join(), PATIENCE_MS, `never ${expected.join()}`);
  };

  it('takes a scheme typed as lines, after showing what it becomes', async () => {
    const lines = await driver.findElement({ css: '[data-testid="typed"] textarea' });
    await lines.sendKeys(
      'Coat: base Dark blue x2, layer Light blue\nBoots: base Dark brown\nOver everything: prime Grey\nHat: sparkle Red',
    );
    await user.see('[data-testid="typed"]', /Line 4: "sparkle Red" has no technique/);
    await user.see('[data-testid="typed-preview"]', /Coat\s+Base coat ×2, Dark blue\s+Layer, Light blue/);
    await user.press('Add these lines');
    await user.isStored();
    await settled('Coat', ['Base coat ×2', 'Layer']);
    await settled('Boots', ['Base coat']);
    // What is not understood is not lost.
    expect(await lines.getAttribute('value')).to.equal('Hat: sparkle Red');
    await lines.clear();
  });

  it('carries a step to another part by mouse, and back by keyboard', async () => {
    const layer = await driver.findElement({ css: '[data-part="Coat"] li:nth-child(2) button' });
    const end = await driver.findElement({ css: '[data-part="Boots"] ol li:last-child' });
    await driver
      .actions()
      .move({ origin: layer })
      .press()
      .move({ origin: layer, x: 12, y: 4 })
      .move({ origin: end })
      .pause(200)
      .release()
      .perform();
    await settled('Boots', ['Base coat', 'Layer']);
    await settled('Coat', ['Base coat ×2']);
    await driver.executeScript(`document.querySelector('[data-part="Boots"] li:nth-child(2) button').focus()`);
    await user.keys('m');
    await driver.sleep(300);
    await user.keys(Key.ARROW_UP);
    await driver.sleep(300);
    await user.keys('m');
    await settled('Boots', ['Base coat']);
    expect((await chips('Coat')).length).to.equal(2);
    await user.isStored();
  });

  it('carries a part by its grip, and copies a step to another part', async () => {
    const grip = await driver.findElement({ css: '[aria-label="Move Boots"]' });
    const coat = await driver.findElement({ css: '[aria-label="Move Coat"]' });
    await driver
      .actions()
      .move({ origin: grip })
      .press()
      .move({ origin: grip, y: -10 })
      .move({ origin: coat })
      .pause(200)
      .release()
      .perform();
    await driver.wait(
      async () => (await driver.executeScript<string>(`return document.querySelector('[data-part]').dataset.part`)) === 'Boots',
      PATIENCE_MS,
    );
    // The click that ends a drag is none; the next one is.
    await driver.sleep(200);
    await driver.executeScript(
      `[...document.querySelectorAll('[data-part="Coat"] button[aria-pressed]')].find((chip) => chip.innerText.includes('Layer')).click()`,
    );
    await user.see('aside', /Copy this step/);
    await driver.executeScript(
      `[...document.querySelectorAll('aside summary')].find((each) => each.textContent.includes('Copy this step')).click()`,
    );
    await driver.findElement(By.xpath(`//fieldset[legend='Copy to']//label[contains(., 'Boots')]`)).click();
    await user.press('Copy to 1 part');
    await settled('Boots', ['Base coat', 'Layer']);
    await user.isStored();
  });

  it('finds a paint by typing some of its name', async () => {
    await driver.executeScript(`document.querySelectorAll('[data-part="Boots"] button[aria-pressed]')[1].click()`);
    await driver.findElement({ css: 'aside [aria-label="Find: Paint"]' }).click();
    await user.keys('ta', Key.ENTER);
    await user.see('[data-part="Boots"]', /Tan/);
    await user.isStored();
  });

  it('is kept in the library, and used for the second unit in other colours', async () => {
    await user.press('Keep in the library');
    await user.see('[role="status"]', /The scheme of Oarsmen is in the library/);
    await user.press('Lookouts');
    await user.press('From the library');
    await user.press('Choose Oarsmen');
    await user.choose('Instead of Dark blue', 'Dark green');
    await user.press('Use it for Lookouts');
    await user.see('[data-part="Coat"]', /Dark green/);
    await user.isStored();
    await user.press('Oarsmen');
    await user.see('[data-part="Coat"]', /Dark blue/);
    await user.open('/library');
    await user.see('[data-library="Oarsmen"]', /Oarsmen, Pier watch.*Lookouts, Pier watch/s);
    await user.fill('Find in the library', 'lookouts light blue');
    await user.find('[data-library="Oarsmen"]');
    await user.fill('Find in the library', 'heron');
    await user.see('main', /Nothing has all of these words/);
  });

  it('deals its boots out by squad, and the bench lists only the models that take the colour', async () => {
    await user.open(new URL(scheme).pathname);
    await user.find('[data-part="Boots"]');
    await driver.executeScript(`document.querySelector('[data-testid="roster"]').open = true`);
    for (const [name, models] of [
      ['Port', [1, 2, 3]],
      ['Starboard', [4, 5, 6]],
    ] as const) {
      await user.choose('Add', 'a group: squad');
      await user.fill('Name of the group', name);
      await user.keys(Key.ENTER);
      for (const model of models) await user.press(`Model ${model} is ${name}`);
    }
    await user.choose('Add', 'a variant');
    await user.fill('What differs', 'Boots');
    await user.fill('Options, with commas', 'brown, tan');
    await user.keys(Key.ENTER);
    await user.press('One for each squad');
    await driver.executeScript(`document.querySelector('[data-part="Boots"] button[aria-pressed]').click()`);
    await user.press('Another paint for Boots: tan');
    await user.isStored();
    const id = /c\/([^/]+)/.exec(scheme)![1]!;
    await user.plan(id);
    await user.find('[data-searching="false"]');
    await user.press('Put this line on the bench');
    await user.path(/\/bench$/);
    await user.find('[data-testid="instruction"]');
    const { line } = (await (await fetch(`${app.url}/api/bench`)).json()) as {
      line: {
        units: { id: string; name: string }[];
        passes: { key: string; part: string; technique: string; unitId: string }[];
        jobs: { passKey: string; models: number[] }[];
      };
    };
    const oarsmen = line.units.find((unit) => unit.name === 'Oarsmen')!.id;
    const boots = line.passes.find((pass) => pass.unitId === oarsmen && pass.part === 'Boots' && pass.technique === 'basecoat')!;
    const dealt = line.jobs.filter((job) => job.passKey === boots.key).map((job) => job.models);
    expect(dealt).to.have.deep.members([
      [1, 2, 3],
      [4, 5, 6],
    ]);
    expect(await user.complaints()).to.deep.equal([]);
  });
});
