import { expect } from 'chai';
import type { WebDriver } from 'selenium-webdriver';
import type { BenchPicture } from '../../src/contract/bench';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

/** The bench on a tablet that is taken up while the program is away. */
describe('the installed bench', () => {
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
  const done = () => driver.executeScript<number>('return document.querySelectorAll("[data-look=done]").length');
  const kept = () =>
    driver.executeAsyncScript<string[]>(
      'const done = arguments[0]; caches.keys().then(async (names) => done(names.length === 0 ? [] : (await (await caches.open(names[0])).keys()).map(({ url }) => new URL(url).pathname)))',
    );
  const paint = async () => {
    const before = await done();
    await user.keys(' ');
    await driver.wait(async () => (await done()) === before + 1, PATIENCE_MS, 'the model is not done');
  };

  it('can be put on the start screen, and keeps what the bench is drawn from', async () => {
    const manifest = (await (await fetch(`${app.url}/manifest.webmanifest`)).json()) as { start_url: string; icons: { src: string }[] };
    expect(manifest.start_url).to.equal('/bench');
    for (const { src } of manifest.icons) expect((await fetch(app.url + src)).status, src).to.equal(200);
    await user.open('/bench');
    await user.find('[data-testid="instruction"]');
    await driver.wait(async () => (await kept()).includes('/api/bench'), PATIENCE_MS, 'nothing is kept');
    const all = await kept();
    expect(all).to.include('/bench');
    expect(all.filter((path) => path.startsWith('/_astro/')).length).to.be.above(3);
    expect(
      all.filter((path) => !/^\/(bench|api\/bench|_astro\/.*|icon.*|layers\.css|manifest.*)$/.test(path)),
      'and nothing else',
    ).to.deep.equal([]);
  });

  it('opens with the program away as it stood at the last tap, and takes taps', async () => {
    await user.keys(' ');
    await user.see('[data-testid="main"]', /Model \d+ is done/);
    await paint();
    await paint();
    await user.find('[data-unsent="0"]');
    const before = await done();
    // What is kept follows the taps.
    await driver.wait(
      async () =>
        (await driver.executeAsyncScript<number>(
          'const done = arguments[0]; caches.match("/api/bench").then((kept) => kept.json()).then((picture) => done(picture.seq))',
        )) === ((await (await fetch(`${app.url}/api/bench`)).json()) as BenchPicture).seq,
      PATIENCE_MS,
      'what is kept is older than the last tap',
    );
    await app.kill();
    await driver.navigate().refresh();
    await user.find('[data-testid="instruction"]');
    await driver.wait(async () => (await done()) === before, PATIENCE_MS, 'it stands otherwise');
    await paint();
    await user.find('[data-unsent="1"]');
    await driver.navigate().refresh();
    await user.find('[data-unsent="1"]');
    await driver.wait(async () => (await done()) === before + 1, PATIENCE_MS, 'the tap is lost');
  });

  it('sends what was tapped when the program is back, each tap once', async () => {
    const taps = async () => ((await (await fetch(`${app.url}/api/bench`)).json()) as BenchPicture).seq;
    const shown = await done();
    await app.restart();
    await user.find('[data-unsent="0"]');
    const stored = await taps();
    await user.open('/bench');
    await driver.wait(async () => (await done()) === shown, PATIENCE_MS, 'it stands otherwise');
    expect(await taps()).to.equal(stored);
  });
});
