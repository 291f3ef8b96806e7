import { expect } from 'chai';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { wholeEvent } from '../../src/core/bench/wholeEvent';
import type { BenchPicture } from '../../src/contract/bench';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

describe('the bench', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;

  const looks = () =>
    driver.executeScript<string[]>('return [...document.querySelectorAll("[data-look]")].map((model) => model.dataset.look)');
  const done = async () => (await looks()).filter((look) => look === 'done').length;
  const seeDone = (count: number) => driver.wait(async () => (await done()) === count, PATIENCE_MS, `never ${count} models done`);
  const stored = async (): Promise<BenchEvent[]> =>
    ((await (await fetch(`${app.url}/api/bench`)).json()) as BenchPicture).events.map(wholeEvent);
  const allSent = () => user.find('[data-unsent="0"]');

  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
    await user.press('To the bench');
    await user.path(/\/bench$/);
    await user.find('[data-testid="instruction"]');
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });

  it('is one press away from Today, and starts with Space', async () => {
    await user.keys(' ');
    await user.see('[data-testid="main"]', /Model \d+ is done/);
    await user.keys(' ', ' ');
    await seeDone(2);
    await allSent();
    expect((await stored()).slice(-3).map((event) => event.kind)).to.deep.equal(['started', 'done', 'done']);
  });

  it('takes a tap back with Backspace, and pauses with P', async () => {
    await user.keys(Key.BACK_SPACE);
    await seeDone(1);
    await user.keys('p');
    await user.see('[data-testid="main"]', /Go on/);
    await user.keys('p');
    await user.see('[data-testid="main"]', /is done/);
  });

  it('marks a missed spot with M and Space, and closes it with Z and Space', async () => {
    await user.keys('m');
    await user.see('[role="group"]', /What was missed on model \d+\?/);
    await user.keys(' ');
    await user.see('[data-testid="misses"]', /model \d+/);
    // The models before it may have the same: L and the digit of each, by keys alone.
    await user.see('[data-testid="look-at-others"]', /Look at .+ for the same spot \(.+\)\?/);
    await user.keys('l');
    await user.see('[role="group"]', /On which models\?/);
    expect(await driver.executeScript<string>('return document.activeElement.getAttribute("role")'), 'focus').to.equal('group');
    await user.keys('1', Key.ENTER);
    await allSent();
    const [first, second] = (await stored()).filter(({ kind }) => kind === 'missed').slice(-2);
    expect([second!.models, second!.step]).to.deep.equal([[1], first!.step]);
    for (let spots = 2; spots > 0; spots--) {
      await user.keys('z');
      await user.see('[role="group"]', /Which spot was touched up\?/);
      await user.keys(' ');
      await allSent();
    }
    await driver.wait(async () => (await driver.findElements(By.css('[data-testid="misses"]'))).length === 0, PATIENCE_MS);
  });

  it('keeps a note', async () => {
    await user.keys('n');
    await user.fill('Note', 'thin it more');
    await user.keys(Key.ENTER);
    await allSent();
    expect((await stored()).some((event) => event.note === 'thin it more')).to.equal(true);
  });

  it('counts a key held down once, and Space on the big button once', async () => {
    const before = await done();
    await driver.executeScript('document.querySelector("[data-testid=main]").focus()');
    await user.keys(' ');
    await seeDone(before + 1);
    await driver.executeScript(
      'for (let i = 0; i < 5; i++) window.dispatchEvent(new KeyboardEvent("keydown", { key: " ", repeat: true, bubbles: true }))',
    );
    await driver.sleep(300);
    expect(await done()).to.equal(before + 1);
  });

  it('loses nothing over a reload', async () => {
    const before = await done();
    await allSent();
    await driver.navigate().refresh();
    await user.ready();
    await seeDone(before);
  });

  it('is heard in a second tab', async () => {
    const before = await done();
    const first = await driver.getWindowHandle();
    const address = await driver.getCurrentUrl();
    await driver.switchTo().newWindow('tab');
    await driver.get(address);
    await user.ready();
    await seeDone(before);
    await user.keys(' ');
    await seeDone(before + 1);
    await allSent();
    await driver.close();
    await driver.switchTo().window(first);
    await seeDone(before + 1);
  });

  it('hears another device, and its undo', async () => {
    const before = await done();
    await allSent();
    const last = (await stored()).findLast((event) => event.kind === 'done')!;
    const { line } = (await (await fetch(`${app.url}/api/bench`)).json()) as BenchPicture;
    const job = line.jobs.find((each) => each.passKey === `${last.step}#${last.coat}` && each.models.includes(last.models[0]!))!;
    const marked = new Set((await stored()).filter((event) => event.step === last.step).flatMap((event) => event.models));
    const model = job.models.findLast((each) => !marked.has(each))!;
    const post = (event: Partial<BenchEvent>) =>
      fetch(`${app.url}/api/bench/events`, {
        method: 'POST',
        body: JSON.stringify({ events: [{ at: new Date().toISOString(), ...event }] }),
        headers: { 'content-type': 'application/json', origin: app.url },
      });
    const { unit, step, coat } = last;
    await post({ id: 'elsewhere-1', kind: 'done', unit, step, coat, models: [model] });
    await driver.wait(async () => (await done()) === before + 1, PATIENCE_MS, 'the other device was not heard in time');
    await post({ id: 'elsewhere-2', kind: 'undone', target: 'elsewhere-1' });
    await driver.wait(async () => (await done()) === before, PATIENCE_MS, 'its undo was not heard in time');
  });

  it('goes on while the server is killed, and sends every tap once and in order when it is back', async () => {
    const before = await done();
    const known = (await stored()).map((event) => event.id);
    await app.kill();
    await user.keys(' ', ' ', Key.BACK_SPACE, ' ');
    await seeDone(before + 2);
    await user.see('[role="alert"]', /does not answer/);
    expect(Number(await (await user.find('[data-unsent]')).getAttribute('data-unsent'))).to.equal(4);
    await app.restart();
    await allSent();
    const after = (await stored()).filter((event) => !known.includes(event.id));
    expect(after.map((event) => event.kind)).to.deep.equal(['done', 'done', 'undone', 'done']);
    expect(after.map((event) => event.at)).to.deep.equal(after.map((event) => event.at).sort());
    await driver.navigate().refresh();
    await user.ready();
    await seeDone(before + 2);
  });

  it('has every tap on the disk that it showed as stored when it is killed', async () => {
    const before = await done();
    await user.keys(' ');
    await seeDone(before + 1);
    await allSent();
    await app.kill();
    await app.restart();
    await driver.navigate().refresh();
    await user.ready();
    await seeDone(before + 1);
  });
});
