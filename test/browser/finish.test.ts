import { expect } from 'chai';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import sharp from 'sharp';
import { violationsOn } from '../support/accessibility';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

const DAY_MINUTES = 24 * 60;

/** From the last coat to the parcel, and back a year later. */
describe('the end of a commission', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let id: string;
  before(async () => {
    app = await startApp({ demo: true, shiftsClock: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    await user.open('/');
    id = await driver.executeScript<string>(`
      const [link] = [...document.querySelectorAll('main a[href*=intake]')].filter((a) => a.textContent.includes('Regatta'));
      return link.getAttribute('href').split('/')[2]`);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });
  const finish = (section: string) => user.open(`/c/${id}/finish#${section}`);
  const tab = (name: string) => driver.findElement(By.xpath(`//button[@role="tab"][contains(., "${name}")]`)).click();
  const saved = () => user.find('[data-unsent="0"]');
  const stored = () => user.find('[data-save="saved"]');
  const states = () =>
    driver.executeScript<string>(
      'return [...document.querySelectorAll("[data-testid=models] button")].map((each) => each.dataset.state).join(" ")',
    );

  it('opens from Today, with what each model has and lacks', async () => {
    const link = await user.find(`main a[href="/c/${id}/finish"]`);
    await link.click();
    await user.path(/\/finish$/);
    await user.ready();
    await user.see('[data-testid="about-inspect"]', /3 spots to mend/);
    expect(await states()).to.equal('finished finished missed missed missed finished finished finished');
    await user.see('[data-testid="look-advice"]', /Base coat on cap was missed on 2 models \(3, 5\): spatter on the peak/);
    await user.see('[data-testid="round"]', /Foam white.*base coat on shirt: 4.*Buoy red.*base coat on cap: 3, 5/s);
  });

  it('is inspected by keyboard, and a spot that is found is one key', async () => {
    await user.keys(' ');
    await user.see('[data-testid="fine"]', /Model 2 is fine/);
    await user.keys('1');
    await user.see('[data-testid="about-inspect"]', /4 spots to mend/);
    await user.keys(Key.BACK_SPACE);
    await user.see('[data-testid="about-inspect"]', /3 spots to mend/);
    await user.keys(' ', ' ', ' ', ' ');
    await user.see('[data-testid="fine"]', /All that are ready were looked over/);
    await saved();
    await driver.navigate().refresh();
    await user.ready();
    expect(await states()).to.equal('passed passed missed missed missed passed passed passed');
    // Pressed again when nothing is open, nothing changes.
    await user.keys(' ');
    expect(await states()).to.equal('passed passed missed missed missed passed passed passed');
  });

  it('goes to the bench as a round of its own, also with the program away in the middle of it', async () => {
    await user.press('Start the round');
    await user.path(/touch-up/);
    await user.ready();
    await user.see('[data-testid="spot"]', /Foam white.*Regatta rowers, model 4: base coat on shirt.*bare under the arm.*to get ready/s);
    await user.keys(' ');
    await user.see('[data-testid="main"]', /Model 4 is mended/);
    await saved();
    app.passMinutes(2);
    // Opened again it is still in the hand.
    await user.open(`/touch-up?commission=${id}`);
    await user.see('[data-testid="spot"]', /2:0\d of about/);
    await user.keys(' ');
    await user.see('[data-testid="main"]', /Start: Buoy red/);
    await saved();
    await app.kill();
    await user.keys(' ');
    await user.see('[data-testid="main"]', /Model 3 is mended/);
    await user.keys(' ');
    await user.see('[data-testid="main"]', /Model 5 is mended/);
    await user.find('[data-unsent="2"]');
    await driver
      .navigate()
      .refresh()
      .catch(() => undefined);
    await app.restart();
    await user.open(`/touch-up?commission=${id}`);
    await user.see('[data-testid="main"]', /Model 5 is mended/);
    await saved();
    await (await user.find('[data-testid="main"]')).click();
    await user.see('[data-testid="main"]', /Nothing left to mend/);
    await saved();
    const log = await (await fetch(`${app.url}/api/time-log`)).text();
    const mended = log.split('\n').filter((row) => row.includes('Regatta prizes') && row.includes('touchup'));
    expect(mended.map((row) => row.split(',')[3])).to.include('Shirt');
    expect(Number(mended[0]!.split(',')[8])).to.be.within(2, 2.6);
  });

  it('is bare where it was mended after the varnish, and cured a day after it', async () => {
    await user.press('Varnish and cure');
    await user.path(/finish/);
    await user.ready();
    await user.see('#section', /Mended after the varnish, and bare there: models 3 to 5/);
    await user.press('Varnish them again');
    await user.see('[data-testid="seals"]', /Dry-stone matt, over everything\s5 of 8/);
    await user.see('[data-testid="about-varnish"]', /not all painted/);
    await tab('Inspect');
    await driver.findElement(By.xpath('//*[@id="inspection"]//button[.="Undo"]')).click();
    await tab('Varnish and cure');
    await user.see('[data-testid="seals"]', /Dry-stone matt, over everything\s8 of 8/);
    await user.see('[data-testid="about-varnish"]', /curing/);
    await user.fill('Days on its way', '12');
    await stored();
    const must = /Must go\s+(\w+ \d+ \w+)/.exec(await user.text('[data-testid="days"]'))![1]!;
    await user.open('/');
    await user.see('[data-testid="parcel-day"]', new RegExp(`parcel goes ${must}`));
    app.passMinutes(DAY_MINUTES);
    await finish('varnish');
    await user.see('[data-testid="about-varnish"]', /cured/);
  });

  it('is packed unit by unit until nothing is left, and what was lent goes back', async () => {
    await tab('Pack');
    await user.see('#section', /8 models left on the shelf/);
    await user.press('Pack the rest of Regatta rowers');
    await user.see('#section', /Nothing is left on the shelf/);
    await user.see('[data-testid="packing"]', /Regatta rowers\s8\s0\s0\s8\s0/);
    await user.fill('Models, layer 2 of Box 1', '9');
    await user.see('#section [role="alert"]', /Regatta rowers by 1/);
    await user.fill('Models, layer 2 of Box 1', '8');
    await (await driver.findElements(By.css('[data-testid="returns"] input[type=checkbox]')))[0]!.click();
    await user.see('[data-testid="about-pack"]', /^11 of 11 models packed$/);
    await stored();
    await driver.navigate().refresh();
    await user.ready();
    await user.see('[data-testid="packing"]', /Regatta rowers\s8\s0\s0\s8\s0/);
    const list = await fetch(`${app.url}/api/commissions/${id}/finish/packing`);
    expect([list.status, list.headers.get('content-type')]).to.deep.equal([200, 'application/pdf']);
  });

  it('has its pictures looked at closely, with a spot tied to a model', async () => {
    const file = await sharp({ create: { width: 320, height: 200, channels: 3, background: '#456' } })
      .jpeg()
      .toBuffer();
    const unit = await driver.executeAsyncScript<string>(
      'const done = arguments[0]; fetch(arguments[1]).then((r) => r.json()).then((f) => done(f.units[0].id))'.replace(
        'arguments[1]',
        `"/api/commissions/${id}/finish"`,
      ),
    );
    const taken = await fetch(`${app.url}/api/pictures?commission=${id}&kind=inspection&unit=${unit}`, {
      method: 'POST',
      headers: { origin: app.url, 'content-type': 'application/octet-stream' },
      body: new Uint8Array(file),
    });
    expect(taken.status).to.equal(200);
    await finish('inspect');
    await driver.navigate().refresh();
    await user.ready();
    const shot = await user.find('button[aria-label^="Mark a spot on the picture"]');
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', shot);
    await driver.actions().move({ origin: shot, x: 40, y: 20 }).click().perform();
    await user.choose('On which model', 'model 6');
    await user.choose('Under which step', 'Base coat on cap');
    await user.fill('What it is', 'a hair');
    await user.press('Mark it, to mend');
    await user.see('[data-testid="photos"]', /model 6, base coat on cap: a hair, to mend/);
    await user.see('[data-testid="about-inspect"]', /1 spot to mend/);
    await user.tick('On the hand-over sheet');
    await saved();
  });

  it('is answered for, written to the client, and delivered', async () => {
    await tab('Hand over');
    await user.see('[data-testid="open-things"]', /Regatta rowers: 1 missed spot to touch up/);
    await user.press('agreed with the client: Regatta rowers: 1 missed spot');
    await user.see('[data-testid="about-hand-over"]', /nothing open/);
    await stored();
    expect(await violationsOn(driver, null)).to.deep.equal([]);
    await user.fill('To', 'club@example.org');
    await user.press('Prepare e-mail');
    const link = await user.find('a[href^="/api/mail/"]');
    const letter = (await (await fetch((await link.getAttribute('href')) ?? '')).text()).replaceAll(/=\r?\n/g, '');
    expect(letter).to.match(
      /Regatta prizes is finished: 11 models in 2 units\. The parcel goes on \w+ \d+ \w+ \d{4} with Dune road parcels/,
    );
    expect(letter).to.include('1 missed spot to touch up (agreed with the client)');
    await user.press('Mark as delivered');
    await user.press('Deliver Regatta prizes');
    await user.see('main', /Regatta prizes for Signe Aldous, rowing club, delivered/);
    await user.see('[data-testid="went"]', /Regatta rowers: 8 models packed, 8 promised.*Racing gigs: 3 models packed/s);
    await user.see('[data-testid="paid"]', /Took .*No quote was accepted.*The same again: €\d/s);
    await user.see('[data-testid="answered"]', /1 missed spot to touch up \(agreed with the client\)/);
    await user.open('/');
    expect(await user.text('main')).not.to.include('Regatta prizes');
  });

  it('is mended a year later as a job of its own, and opened again where it stopped', async () => {
    app.passMinutes(365 * DAY_MINUTES);
    await user.open('/ledger');
    await user.press('Papers and repairs of Regatta prizes');
    await user.path(/\/finish$/);
    await user.ready();
    await user.press('Add a repair');
    await user.fill('What, repair 1', 'a broken oar');
    await user.fill('Minutes, repair 1', '15');
    await user.see('[data-testid="repair-sum"]', /1 repair: 15 min/);
    await stored();
    await user.press('Keep the scheme of Racing gigs');
    await user.see('main', /in the library, with what it took/);
    await user.press('Open again');
    await user.see('[data-testid="about-inspect"]', /1 spot to mend/);
    await user.see('[data-testid="models"]', /1/);
    expect(await states()).to.equal('passed passed finished finished finished missed passed passed');
    await tab('Pack');
    await user.see('[data-testid="about-pack"]', /11 of 11 models packed/);
    await app.kill();
    await app.restart();
    await finish('pack');
    await user.see('[data-testid="packing"]', /Racing gigs\s3\s0\s0\s3\s0/);
    // The program was away twice.
    expect((await user.complaints()).filter((text) => !text.includes('net::ERR_'))).to.deep.equal([]);
  });
});

/** The same with a finger, while the program comes and goes. */
describe('the end of a commission, on a tablet', () => {
  let app: App;
  let driver: chrome.Driver;
  let user: PageUser;
  let id: string;
  before(async () => {
    app = await startApp({ demo: true });
    driver = (await openBrowser()) as chrome.Driver;
    user = new PageUser(driver, app.url);
    await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width: 1024,
      height: 768,
      deviceScaleFactor: 1,
      mobile: true,
    });
    await driver.sendDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: true });
    await user.open('/');
    id = await driver.executeScript<string>(`
      const [link] = [...document.querySelectorAll('main a[href*=intake]')].filter((a) => a.textContent.includes('Regatta'));
      return link.getAttribute('href').split('/')[2]`);
  });
  after(async () => {
    await driver.sendDevToolsCommand('Emulation.clearDeviceMetricsOverride', {});
    await driver.sendDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: false });
    await closeBrowser(driver);
    await app?.stop();
  });
  const tapOn = async (css: string) => {
    const element = await user.find(css);
    const box = await driver.executeScript<{ x: number; y: number; width: number; height: number }>(
      'arguments[0].scrollIntoView({ block: "center" }); return arguments[0].getBoundingClientRect().toJSON()',
      element,
    );
    const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    expect(Math.min(box.width, box.height), `${css} is large enough for a finger`).to.be.at.least(44);
    await driver.sendDevToolsCommand('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [at] });
    await driver.sendDevToolsCommand('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  };

  it('looks for one thing with a tap a model, mends it, and loses no tap to a program that is away', async () => {
    await user.open(`/c/${id}/finish`);
    await tapOn('[data-testid="fine"]');
    await user.see('[data-testid="fine"]', /Model 2 is fine/);
    await user.find('[data-unsent="0"]');
    await user.choose('Look for one thing', 'Base coat on oar');
    await app.kill();
    await tapOn('[data-testid="models"] [data-model="7"]');
    await tapOn('[data-testid="models"] [data-model="8"]');
    await user.see('[data-testid="about-inspect"]', /5 spots to mend/);
    await user.find('[data-unsent="2"]');
    await app.restart();
    await user.find('[data-unsent="0"]');
    await user.open(`/touch-up?commission=${id}`);
    for (let tap = 0; tap < 3 + 5; tap++) {
      const before = await user.text('[data-testid="main"]');
      await tapOn('[data-testid="main"]');
      await driver.wait(async () => (await user.text('[data-testid="main"]')) !== before, PATIENCE_MS, `${before} did not change`);
    }
    expect(await user.text('[data-testid="main"]')).to.equal('Nothing left to mend');
    await user.find('[data-unsent="0"]');
    expect(await driver.executeScript<number>('return document.documentElement.scrollWidth - innerWidth')).to.be.at.most(0);
  });
});
