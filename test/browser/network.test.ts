import { expect } from 'chai';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import { readFileSync } from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import { expectAccessible } from '../support/accessibility';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser, PATIENCE_MS } from '../support/page';

/** An address of this computer that stands for the one it has on a network. */
const ADDRESS = '127.0.0.2';

/** A tablet is let in over the network, works at the bench, and is turned away. */
describe('the network', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  let tablet: PageUser;
  let atComputer: string;
  before(async () => {
    app = await startApp({ demo: true, settings: { NEAT_RELAY_LAN_ADDRESSES: ADDRESS } });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
    tablet = new PageUser(driver, app.url.replace('127.0.0.1', ADDRESS));
    atComputer = await driver.getWindowHandle();
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
  });
  /** What the network answers: status, and the body. */
  const ask = (method: string, where: string, headers: Record<string, string> = {}, body = '') =>
    new Promise<{ status: number; body: string; headers: http.IncomingHttpHeaders }>((resolve, reject) => {
      const { hostname, port } = new URL(tablet.url);
      const request = http.request({ hostname, port, method, path: where, headers }, (response) => {
        let text = '';
        response.on('data', (chunk) => (text += String(chunk)));
        response.on('end', () => resolve({ status: response.statusCode!, body: text, headers: response.headers }));
      });
      request.once('error', reject);
      request.end(body);
    });
  const code = async () => /type ([A-Z2-9]{8})/.exec(await user.see('[data-testid="pairing-code"]', /type [A-Z2-9]{8}/))![1]!;

  it('is closed until it is opened', async () => {
    const refused = await ask('GET', '/').catch((error: NodeJS.ErrnoException) => error.code);
    expect(refused).to.equal('ECONNREFUSED');
    await user.open('/house-rules');
    await user.see('[data-testid="devices"]', /only this computer reaches it/);
    await user.tick('Open Neat Relay to this network');
    await user.see('[data-testid="devices"]', new RegExp(`reach it at ${tablet.url}`));
  });

  it('gives whoever is not paired 401 and nothing else', async () => {
    for (const where of ['/', '/bench', '/api/bench', '/api/devices', '/icon.svg', '/layers.css', '/_astro/none.js', '/api/bench/stream']) {
      const { status, body } = await ask('GET', where);
      expect(status, where).to.equal(401);
      expect(body, where)
        .to.match(/Pair this device|not paired/)
        .and.not.match(/Tide coast|Lamp keepers|astro-island/);
    }
    expect((await ask('POST', '/api/bench/events', { origin: tablet.url }, '{"events":[]}')).status).to.equal(401);
    expect((await ask('GET', '/', { cookie: 'neat-relay-device=none' })).status).to.equal(401);
    expect((await ask('GET', '/', { host: 'other.example' })).status, 'a foreign name').to.equal(403);
    expect((await ask('POST', '/pair', { origin: 'http://other.example' }, 'code=A')).status, 'a foreign page').to.equal(403);
    for (const where of ['//api/devices', '/%61pi/../x%2e', '/a%00'])
      expect((await ask('GET', where)).status, where).to.be.oneOf([400, 401]);
  });

  it('lets a device in by a code shown at the computer, once, to the bench alone', async () => {
    await user.press('Pair a device');
    const shown = await code();
    await driver.switchTo().newWindow('tab');
    await tablet.driver.get(`${tablet.url}/pair?code=${shown}`);
    expect(await (await tablet.field('Code')).getAttribute('value')).to.equal(shown);
    await tablet.fill('Name of this device', 'Bench tablet');
    await tablet.press('Pair this device');
    await tablet.path(/\/bench$/);
    await tablet.find('[data-testid="instruction"]');
    const { body } = await ask('POST', '/pair', { origin: tablet.url }, `code=${shown}&name=x`);
    expect(body, 'the same code again').to.include('not valid');
    const { value, httpOnly, sameSite } = (await driver.manage().getCookie('neat-relay-device'))!;
    expect({ httpOnly, sameSite }).to.deep.equal({ httpOnly: true, sameSite: 'Strict' });
    expect(readFileSync(path.join(app.folder, 'devices.json'), 'utf8')).not.to.include(value);
    const cookie = `neat-relay-device=${value}`;
    for (const [where, status] of [
      ['/', 303],
      ['/api/bench', 200],
      ['/house-rules', 403],
      ['/api/house-rules', 403],
      ['/api/devices', 403],
      ['/%61pi/devices', 403],
      ['//api/devices', 400],
      ['/api%2fdevices', 400],
    ] as const)
      expect((await ask('GET', where, { cookie })).status, where).to.equal(status);
  });

  it('takes taps of the tablet, which the computer shows', async () => {
    await tablet.keys(' ');
    await tablet.see('[data-testid="main"]', /Model \d+ is done/);
    await tablet.keys(' ');
    await tablet.find('[data-unsent="0"]');
    const atTablet = await driver.getWindowHandle();
    await driver.switchTo().window(atComputer);
    await user.see('[data-testid="device"]', /Bench tablet: may work at the bench/);
    await user.open('/bench');
    await user.see('[data-testid="main"]', /Model \d+ is done/);
    await driver.switchTo().window(atTablet);
  });

  it('turns it away at once, what it has open included', async () => {
    const atTablet = await driver.getWindowHandle();
    await driver.switchTo().window(atComputer);
    await user.open('/house-rules');
    await user.press('Remove Bench tablet');
    await expectAccessible(driver, 'a device to be removed');
    await user.keys(Key.ENTER);
    await user.see('[data-testid="device"]', /Bench tablet/);
    await user.press('Remove Bench tablet');
    await driver.findElement(By.xpath('//button[normalize-space(.)="Remove Bench tablet"]')).click();
    await driver.wait(
      async () => (await driver.findElements({ css: '[data-testid="device"]' })).length === 0,
      PATIENCE_MS,
      'it is still there',
    );
    await driver.switchTo().window(atTablet);
    await tablet.keys(' ');
    await tablet.see('[role="alert"]', /not paired any more/);
    await tablet.driver.get(`${tablet.url}/bench`);
    await tablet.see('h1', /Pair this device/);
    await driver.close();
    await driver.switchTo().window(atComputer);
  });

  it('stays open over a restart until it is closed', async () => {
    await app.kill();
    await app.restart();
    expect((await ask('GET', '/')).status).to.equal(401);
    await user.open('/house-rules');
    await user.tick('Open Neat Relay to this network');
    await user.see('[data-testid="devices"]', /only this computer reaches it/);
    expect(await ask('GET', '/').catch((error: NodeJS.ErrnoException) => error.code)).to.equal('ECONNREFUSED');
  });
});
