import { expect } from 'chai';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import sharp from 'sharp';
import type { ShelfPicture } from '../../src/contract/shelf';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { importFerry } from '../support/ferry';
import { PageUser, PATIENCE_MS } from '../support/page';
import { paint, part, step, unit } from '../support/units';

/** A colour out of a picture becomes a mix, is mixed at the bench, a pot runs dry, another takes its place, and the models know it. */
describe('paint, from a picture to the last drop', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  const named = (id: string, name: string, hex: string) => ({ ...paint(id, 'opaque', 0), name, hex });
  before(async () => {
    app = await startApp({ shiftsClock: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    const parts = [
      part('Coat', step('basecoat', { id: 'coat', paint: 'deep' }), step('layer', { id: 'light', paint: 'foam', standard: 'quick' })),
    ];
    const paints = [
      named('deep', 'Deep water', '#203a60'),
      named('foam', 'Foam', '#e8e0c8'),
      named('straw', 'Straw', '#c2a75b'),
      named('slate', 'Slate', '#4d5861'),
      named('dusk', 'Dusk', '#243c5e'),
    ];
    await importFerry(app.url, paints, [unit('Rowers', parts, [], { id: 'rowers', promised: 4, counted: 4 })]);
    // On the left something grey, in yellowish light; on the right the colour that is wanted, in the same.
    const half = (background: string) => ({ create: { width: 100, height: 120, channels: 3 as const, background } });
    const right = await sharp(half('#a89a62')).png().toBuffer();
    const picture = await sharp({ create: { width: 200, height: 120, channels: 3, background: '#8c8470' } })
      .composite([{ input: right, left: 100, top: 0 }])
      .jpeg({ quality: 100, chromaSubsampling: '4:4:4' })
      .toBuffer();
    const taken = await fetch(`${app.url}/api/pictures?commission=ferry&kind=reference&unit=rowers`, {
      method: 'POST',
      headers: { origin: app.url, 'content-type': 'application/octet-stream' },
      body: new Uint8Array(picture),
    });
    expect(taken.status, await taken.clone().text()).to.equal(200);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });
  const shelf = async () => (await (await fetch(`${app.url}/api/shelf`)).json()) as ShelfPicture;
  const saved = () => user.find('[data-unsent="0"]');
  const point = async (share: number) => {
    const canvas = await user.find('[data-testid="picture"]');
    const { width } = await canvas.getRect();
    await driver
      .actions()
      .move({ origin: canvas, x: Math.round((share - 0.5) * width), y: 0 })
      .click()
      .perform();
  };

  it('matches a colour that is picked from a picture, in the light of a grey patch, and the step takes the mix', async () => {
    await user.open('/c/ferry/scheme');
    await (await driver.findElement(By.xpath('//*[@data-part="Coat"]//button[@aria-pressed][contains(., "Foam")]'))).click();
    await (await driver.findElement(By.xpath('//*[@id="step-editor"]//button[.="Match a colour"]'))).click();
    await user.choose('Pick it from a picture', 'picture 1');
    await driver.wait(
      async () => {
        const canvas = await user.find('[data-testid="picture"]');
        return Number(await canvas.getAttribute('width')) === 200;
      },
      30_000,
      'the picture was not drawn',
    );
    await point(0.75);
    await driver.wait(
      async () => (await (await user.field('As hex')).getAttribute('value')) !== '#7a5533',
      PATIENCE_MS,
      'nothing was picked',
    );
    const inThatLight = await (await user.field('As hex')).getAttribute('value');
    await user.press('Set the light by a grey patch');
    await point(0.25);
    await user.find('[aria-pressed="false"]');
    await point(0.75);
    await driver.wait(
      async () => (await (await user.field('As hex')).getAttribute('value')) !== inThatLight,
      30_000,
      'the grey patch changed nothing',
    );
    const hex = (await (await user.field('As hex')).getAttribute('value'))!;
    // In yellow light a colour has too little blue.
    expect(parseInt(hex.slice(5), 16)).to.be.above(parseInt(inThatLight!.slice(5), 16));
    await user.see('[data-testid="match"]', /2 paints.*drops?.*away from what is wanted/s);
    await (await user.find('[data-testid="match"] li[data-paints="2"] button')).click();
    await user.isStored();
    await user.see('[data-part="Coat"]', new RegExp(`Match of ${hex}`));
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('reads many pots by typing, and knows which runs dry', async () => {
    await user.open('/shelf');
    await user.press('Read levels');
    const first = await user.find('tr[data-paint="Deep water"] input');
    await first.sendKeys('0', Key.ENTER);
    // Enter went to the next pot.
    await driver.wait(
      async () => (await driver.switchTo().activeElement().getAttribute('id')) !== (await first.getAttribute('id')),
      30_000,
    );
    await user.keys('9', Key.ENTER);
    await driver.wait(async () => (await shelf()).levels.length === 2, PATIENCE_MS);
    await user.press('Done reading');
    await user.see('tr[data-paint="Deep water"]', /Base coat/);
    const { needs } = await shelf();
    const deep = needs.find(({ paintId }) => paintId === 'deep')!;
    expect(deep.leftMl).to.equal(0);
    await user.see('[data-testid="buying"]', /Deep water/);
    await user.open('/shelf');
    await (await user.find('tr[data-paint="Deep water"] button')).click();
    await user.see('[data-testid="need"]', /Ferry crew/);
    await user.see('[data-testid="substitutes"]', /Dusk, \d/);
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('says at the bench what is short, takes another pot by key, and what to mix for how many', async () => {
    await user.plan('ferry');
    await user.find('[data-searching="false"]');
    await user.press('Put this line on the bench');
    await user.path(/\/bench$/);
    await user.see('[data-testid="amount"]', /Takes about .* ml for 4 models.*Only 0 ml Deep water is left: not enough/s);
    await user.keys('c');
    await user.choose('Paint for those not done yet', 'Dusk');
    await user.press('Take this paint');
    await user.see('[data-testid="instruction"]', /Dusk/);
    await user.see('[data-testid="amount"]', /Takes about .* ml for 4 models; \d+ ml in the pot$/);
    for (let model = 0; model < 5; model++) {
      await user.keys(Key.SPACE);
      await saved();
      await driver.sleep(350);
    }
    await user.see('[data-testid="instruction"]', /Match of/);
    await user.see(
      '[data-testid="amount"]',
      /^Mix (\d+ drops? \w+, ){1}\d+ drops? \w+ \(0\.\d ml\): enough for 4 models and a little more$/,
    );
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('knows afterwards which models carry the other paint', async () => {
    await user.open('/shelf');
    await (await user.find('tr[data-paint="Dusk"] button')).click();
    await user.see('[data-testid="carriers"]', /Rowers 1 to 4: .*base coat/i);
    expect((await shelf()).needs.some(({ paintId }) => paintId === 'deep' || paintId === 'dusk')).to.equal(false);
    expect(await user.complaints()).to.deep.equal([]);
  });

  it('asks the next day whether the mix has kept, and of another pot where the models stand', async () => {
    await user.open('/bench');
    await user.see('[data-testid="amount"]', /^Mix /);
    for (let tap = 0; tap < 2; tap++) {
      await user.keys(Key.SPACE);
      await saved();
      await driver.sleep(350);
    }
    app.passMinutes(24 * 60);
    await user.open('/bench');
    await user.see('[data-testid="amount"]', /Has it kept\?.*If not, mix \d+ drops?.*enough for 3 models/s);
    await user.keys('k');
    await user.see('[data-testid="amount"]', /The mix on your palette goes on\. If it runs out: /);
    await saved();
    await user.open('/bench');
    await user.see('[data-testid="amount"]', /The mix on your palette goes on/);
    await user.press('Undo');
    await user.see('[data-testid="amount"]', /Has it kept/);

    await driver.executeScript(`
      const itself = window.fetch;
      const released = new Promise((release) => { window.release = release; });
      window.fetch = async (url, ask) => { if (/paints\\/.*\\/models/.test(url)) await released; return itself(url, ask); };`);
    await user.keys('c');
    await user.choose('Paint for those not done yet', 'Straw');
    // Pressed before it is known who carries the paint in hand: it is asked as soon as it is.
    await user.press('Take this paint');
    await user.find('[aria-label^="Looking up which models carry Match of"]');
    await driver.executeScript('window.release()');
    await user.see('[data-testid="side-by-side"]', /Match of .* is on 1 model of Rowers \(.* apart\)/);
    await user.press('Use it anyway');
    await user.see('[data-testid="instruction"]', /Straw/);
    await user.see('[data-testid="notes"]', /Models? 2 to 4: Straw in place of Match of .*, beside 1 model of Rowers/);
    expect(await user.complaints()).to.deep.equal([]);
  });
});
