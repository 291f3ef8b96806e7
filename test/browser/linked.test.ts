import { expect } from 'chai';
import { Key, type WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { importFerry } from '../support/ferry';
import { PageUser, PATIENCE_MS } from '../support/page';
import { paint, part, step, unit } from '../support/units';

const NAMES = ['Lamp keepers', 'Reed cutters', 'Ferry crew', 'Pony couriers', 'Net menders', 'Bell ringers', 'Pilots'];
const OTHERS = NAMES.slice(1);

/** A commission of seven units: one scheme, one test model that speaks for all, and one change after the client's word. */
describe('one scheme for seven units', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  before(async () => {
    app = await startApp();
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    const parts = [
      part('Skin', step('basecoat', { id: 'skin', paint: 'sand' })),
      part('Coat', step('basecoat', { id: 'coat', paint: 'deep' }), step('layer', { id: 'coat-light', paint: 'foam' })),
    ];
    const [first, ...rest] = NAMES;
    await importFerry(
      app.url,
      [paint('sand', 'opaque', 0), paint('deep', 'opaque', 0), paint('foam', 'opaque', 0)],
      [
        unit(first!, parts, [], { id: 'u0', promised: 3, counted: 3, testModel: 'waiting' }),
        ...rest.map((name, index) => unit(name, [], [], { id: `u${index + 1}`, promised: 3, counted: 3, testedBy: 'u0' })),
      ],
    );
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });
  const post = async (path: string, body: object) => {
    const answer = await fetch(`${app.url}${path}`, { method: 'POST', headers: { origin: app.url }, body: JSON.stringify(body) });
    expect(answer.status, await answer.text()).to.be.oneOf([200, 204]);
  };
  const tabs = () => driver.executeScript<string[]>(`return [...document.querySelectorAll('[role="tab"]')].map((tab) => tab.innerText)`);
  const show = async (name: string) => {
    await driver.executeScript(
      `[...document.querySelectorAll('[role="tab"]')].find((tab) => tab.innerText.includes(arguments[0])).click()`,
      name,
    );
    await user.find(`#scheme[aria-label="Scheme of ${name}"]`);
  };
  const choose = (partName: string, place = 1) =>
    driver.executeScript(`document.querySelectorAll('[data-part="${partName}"] button[aria-pressed]')[${place - 1}].click()`);

  it('is given to the others by keyboard, and costs each of them the same', async () => {
    await user.open('/c/ferry/scheme');
    const summary = await user.find('[data-testid="linked"] summary');
    await driver.executeScript('arguments[0].focus()', summary);
    await user.keys(Key.ENTER);
    for (const [index, name] of OTHERS.entries()) {
      await driver.executeScript('arguments[0].focus()', await user.box(name));
      await user.keys(Key.SPACE);
      await user.see('[data-testid="linked"] summary', new RegExp(OTHERS.slice(0, index + 1).join(', ')));
    }
    const told = await tabs();
    const details = told.map((tab) => tab.split('\n').at(-1));
    expect(details).to.deep.equal(NAMES.map(() => details[0]));
    expect(details[0]).to.match(/^linked, 3 models, \d/);
  });

  it('is changed once, and is so in every unit, also in the one that is opened at once', async () => {
    await choose('Coat');
    await user.fill('Coats', '2');
    await show('Pilots');
    await user.see('[data-part="Coat"]', /2 coats|× ?2|x2/i);
    const details = (await tabs()).map((tab) => tab.split('\n').at(-1));
    expect(new Set(details).size).to.equal(1);
    await driver.navigate().refresh();
    await user.ready();
    await user.see('#scheme[aria-label="Scheme of Pilots"] [data-part="Coat"]', /2 coats|× ?2|x2/i);
  });

  it('is changed after the client has said yes, and asks for what is painted of any of them', async () => {
    await post('/api/units/u0/answer', { roundId: null, answer: 'approved', note: '' });
    await user.open('/c/ferry/scheme?unit=u2');
    const crew = await (await fetch(`${app.url}/api/commissions/ferry/scheme`)).json();
    const unitOf = (name: string) => crew.units.find((each: { name: string }) => each.name === name);
    const coat = unitOf('Ferry crew').scheme.parts[1].steps[0].id as string;
    const events = [{ id: 'm1', kind: 'kept', step: coat, coat: 1, models: [1, 2], target: null }];
    await post('/api/units/u2/marks', { events });
    await user.open('/c/ferry/scheme?unit=u0');
    await choose('Coat');
    await user.fill('Coats', '3');
    await user.see('[data-testid="half-done"]', /2 models \(Ferry crew 1 to 2\) painted already/);
    await user.press('Keep those, change only the rest');
    await user.isStored();
    await user.see('[data-testid="since-approval"]', /Coat/);
    const painted = await (await fetch(`${app.url}/api/commissions/ferry/painted`)).json();
    expect(painted).to.deep.equal([
      { passKey: `${coat}#1`, models: [1, 2] },
      { passKey: `${coat}#3`, models: [1, 2] },
    ]);
    await user.press('Undo');
    await user.isStored();
    await driver.wait(async () => (await (await fetch(`${app.url}/api/commissions/ferry/painted`)).json()).length === 1, PATIENCE_MS);
    await show('Bell ringers');
    await user.see('[data-part="Coat"]', /2 coats|× ?2|x2/i);
  });

  it('is left by one press, and what is changed then stays with it', async () => {
    await show('Pilots');
    const summary = await user.find('[data-testid="linked"] summary');
    await summary.click();
    await user.press('Give Pilots a scheme of its own');
    await user.see('[data-testid="linked"] summary', /no other unit/);
    await choose('Skin');
    await user.fill('Coats', '4');
    await user.isStored();
    const details = (await tabs()).map((tab) => tab.split('\n').at(-1)!);
    expect(new Set(details.slice(0, -1)).size).to.equal(1);
    expect(details.at(-1))
      .to.match(/^3 models, /)
      .and.not.equal(details[0]!.replace('linked, ', ''));
    await show('Net menders');
    expect(await user.text('[data-testid="linked"] summary')).not.to.include('Pilots');
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('has a model too many here and gives it to another unit, with what is on it', async () => {
    await user.open('/c/ferry/intake');
    await user.fill('Counted of Ferry crew', '4');
    await user.isStored();
    await user.press('Move models to another unit');
    expect(await (await user.field('From')).getAttribute('value')).to.equal('u2');
    await user.find('button[aria-label="model 4"][aria-pressed="true"]');
    await (await user.find('button[aria-label="model 1"]')).click();
    await (await user.find('button[aria-label="model 4"]')).click();
    await user.choose('To', 'Bell ringers');
    await user.press('Move 1 model to Bell ringers');
    await driver.wait(
      async () => (await (await user.field('Counted of Bell ringers')).getAttribute('value').catch(() => '')) === '4',
      20_000,
    );
    expect(await (await user.field('Counted of Ferry crew')).getAttribute('value')).to.equal('3');
    const painted = (await (await fetch(`${app.url}/api/commissions/ferry/painted`)).json()) as { models: number[] }[];
    expect(painted.map(({ models }) => models)).to.have.deep.members([[2], [4]]);
    expect(await user.complaints()).to.deep.equal([]);
  });
});
