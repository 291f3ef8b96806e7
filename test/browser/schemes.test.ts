import { expect } from 'chai';
import type { WebDriver } from 'selenium-webdriver';
import type { CommissionFile } from '../../src/core/formats/commission/commission';
import { violationsOn } from '../support/accessibility';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

/** Steps of one journey: each goes on where the one before it left off. */
describe('every way of painting a unit', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let id: string;
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
    const links = await driver.executeScript<string[]>(
      'return [...document.querySelectorAll("main a[href*=intake]")].map((link) => link.getAttribute("href"))',
    );
    id = links[1]!.split('/')[2]!;
    await user.open(`/c/${id}/scheme`);
    await user.find('[data-part]');
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  const unfold = (testId: string) =>
    driver.executeScript(
      `document.querySelector('[data-testid="${testId}"]').open = true; document.querySelector('[data-testid="${testId}"]').scrollIntoView()`,
    );
  const file = async () => (await (await fetch(`${app.url}/api/commissions/${id}/file`)).json()) as CommissionFile;
  const firstUnit = async () => (await file()).units[0]!;
  const chip = (part: string, place: number) =>
    driver.executeScript(`document.querySelectorAll('[data-part="${part}"] button[aria-pressed]')[${place}].click()`);
  let outer: string;

  it('deals a variant out, and shows and changes the lot of each model', async () => {
    await unfold('roster');
    await user.choose('Add', 'a variant');
    await user.fill('What differs', 'Laces');
    await user.fill('Options, with commas', 'tan, tar');
    await driver.executeScript(
      `[...document.querySelectorAll('[data-testid=roster] button')].find((each) => each.textContent === 'Add').click()`,
    );
    await user.see('[data-testid="roster"] summary', /Laces \d+ tan \/ \d+ tar/);
    await user.isStored();
    const [, tar] = (await firstUnit()).scheme.variants[0]!.options;
    expect(tar!.models.slice(0, 3)).to.deep.equal([2, 4, 6]);
    await driver.executeScript(`document.querySelector('[aria-label^="Laces of model 2:"]').click()`);
    await user.isStored();
    const options = (await firstUnit()).scheme.variants[0]!.options;
    expect(options.map((option) => option.models.includes(2))).to.deep.equal([true, false]);
    await user.fill('Deal out by ratio', '2:1');
    await user.press('Deal out in turn');
    await user.isStored();
    expect((await firstUnit()).scheme.variants[0]!.options[1]!.models.slice(0, 2)).to.deep.equal([3, 6]);
  });

  it('paints some of them with another paint under the same step', async () => {
    const { scheme } = await firstUnit();
    outer = scheme.parts.find((part) => part.steps[0]!.technique === 'basecoat' && part.steps[0]!.coats === 1)!.name;
    await chip(outer, 0);
    await user.press('Another paint for Laces: tar');
    await user.find('[aria-label="The same paint for Laces: tar"]');
    await user.isStored();
    const step = (await firstUnit()).scheme.parts.find((part) => part.name === outer)!.steps[0]!;
    expect(step.paintFor).to.have.length(1);
    expect('paint' in step.paintFor[0]! && step.paintFor[0].paint).to.not.equal(step.paint);
  });

  it('makes a job of each pot, with the models that take it, on the line and at the bench', async () => {
    await user.plan(id);
    await user.find('[data-searching="false"]');
    const { jobs } = (await (await fetch(`${app.url}/api/line`)).json()) as {
      jobs: { id: string; passKey: string; paintId: string; models: number[] }[];
    };
    const step = (await firstUnit()).scheme.parts.find((part) => part.name === outer)!.steps[0]!;
    const own = jobs.filter((job) => job.passKey === `${step.id}#1`);
    expect(new Set(own.map((job) => job.paintId)).size).to.equal(2);
    const other = own.filter((job) => job.paintId !== step.paint).flatMap((job) => job.models);
    expect(
      other.every((model) => model % 3 === 0),
      String(other),
    ).to.equal(true);
    await user.press('Replace the line on the bench');
    await user.path(/\/bench$/);
    await user.find('[data-testid="instruction"]');
    const bench = (await (await fetch(`${app.url}/api/bench`)).json()) as {
      line: { jobs: { passKey: string; paintId: string; models: number[] }[] };
    };
    expect(bench.line.jobs.filter((job) => job.passKey === `${step.id}#1`).length).to.be.at.least(2);
  });

  it('marks both pots on the one step, and knows which models carry which paint', async () => {
    const step = (await firstUnit()).scheme.parts.find((part) => part.name === outer)!.steps[0]!;
    const other = step.paintFor[0] as { paint: string };
    const unit = (await firstUnit()).id;
    const taps = [1, 3].map((model) => ({
      id: `tap-${model}`,
      kind: 'done',
      at: new Date().toISOString(),
      unit,
      step: step.id,
      coat: 1,
      models: [model],
      minutes: 2,
    }));
    const answer = await fetch(`${app.url}/api/bench/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: app.url },
      body: JSON.stringify({ events: taps }),
    });
    expect(answer.status).to.equal(200);
    const carriers = async (paint: string) =>
      ((await (await fetch(`${app.url}/api/paints/${paint}/models`)).json()) as { passKey: string; models: number[] }[]).find(
        (trace) => trace.passKey === `${step.id}#1`,
      )?.models;
    expect(await carriers(other.paint)).to.deep.equal([3]);
    expect(await carriers(step.paint!)).to.deep.equal([1]);
    const painted = (await (await fetch(`${app.url}/api/commissions/${id}/painted`)).json()) as { passKey: string; models: number[] }[];
    expect(painted.find((pass) => pass.passKey === `${step.id}#1`)!.models).to.include.members([1, 3]);
  });

  it('lists the rules in force, takes one of the painter’s own, and shows a circle as its chain', async () => {
    await user.open(`/c/${id}/scheme`);
    await user.find('[data-part]');
    await unfold('rules');
    await user.see('[data-testid="rules"]', /Primer first: paint holds on nothing else\. Always; physics/);
    const { scheme } = await firstUnit();
    const part = scheme.parts.find((each) => each.steps.length > 1)!;
    await user.choose('A rule of your own: first', `${part.name}:`);
    await driver.executeScript(`window.scrollBy(0, 1)`);
    const select = (label: string, value: string) =>
      driver.executeScript(
        `const field = [...document.querySelectorAll('label')].find((each) => each.textContent.trim().startsWith(${JSON.stringify(label)})); const box = field.control ?? document.getElementById(field.htmlFor); Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(box, ${JSON.stringify(value)}); box.dispatchEvent(new Event('change', { bubbles: true }));`,
      );
    await select('A rule of your own', part.steps[1]!.id);
    await select('then', part.steps[0]!.id);
    await user.fill('Because', 'by mistake');
    await user.press('Add the rule');
    await user.see('[data-testid="circle"]', /by mistake \(your own: it can go\)/);
    await user.see('[data-testid="circle"]', /layer-over-layer/);
    await driver.executeScript(`document.querySelector('[aria-label="Remove the rule by mistake"]').click()`);
    await user.isStored();
    expect((await firstUnit()).scheme.rules).to.deep.equal([]);
  });

  it('says what is spoiled, and brings it back', async () => {
    const spoiled = await driver.executeScript<string>(
      `const chip = [...document.querySelectorAll('[data-part] button[aria-pressed]')].find((each) => each.textContent.includes('spoiled')); chip?.click(); return chip?.textContent ?? ''`,
    );
    expect(spoiled).to.match(/spoiled by a later step/);
    await user.see('[data-testid="spoiled"]', /nothing brings it back/);
    const before = JSON.stringify((await firstUnit()).scheme).length;
    await driver.executeScript(`[...document.querySelectorAll('[data-testid="spoiled"] button')][0].click()`);
    await user.isStored();
    expect(JSON.stringify((await firstUnit()).scheme).length).to.be.greaterThan(before);
  });

  it('mixes paints, and thins them', async () => {
    await unfold('mixes');
    await user.fill('A new mix', 'Lifted');
    await user.press('Add the mix');
    await user.press('Add paint');
    await user.choose('Thinned with', 'water');
    await user.isStored();
    const [mix] = (await firstUnit()).scheme.mixes;
    expect(mix).to.deep.include({ name: 'Lifted', thin: { with: 'water', parts: 1 } });
    expect(mix!.of).to.have.length(2);
    await chip(outer, 0);
    // Models are painted under it: it is asked first what holds for those.
    await user.choose('Paint for Laces: tar', 'Lifted (mix)');
    await user.press('Keep those, change only the rest');
    const stepNow = async () => (await firstUnit()).scheme.parts.find((part) => part.name === outer)!.steps[0]!;
    const taken = async () => {
      const [other] = (await stepNow()).paintFor;
      return other !== undefined && 'mix' in other && other.mix === mix!.id;
    };
    await driver.wait(taken, PATIENCE_MS, 'the mix was not stored as what those models take');
  });

  it('has no accessibility violation with everything unfolded', async () => {
    await driver.executeScript(`document.querySelectorAll('details').forEach((each) => (each.open = true))`);
    expect(await violationsOn(driver)).to.deep.equal([]);
    // The circle was refused: that is on record.
    expect((await user.complaints()).filter((complaint) => !/\/scheme - .*400/.test(complaint))).to.deep.equal([]);
  });
});
