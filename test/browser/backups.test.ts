import { expect } from 'chai';
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import type { WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { temporaryFolder } from '../support/temporaryFolder';
import { PageUser } from '../support/page';

/** What does not follow the clock. */
/** What the views are drawn from: whether a page brings it along depends on how fast it is there. */
const ADDRESSES = ['/api/shelf', '/api/house-rules', '/api/ledger', '/api/time-log', '/api/commissions/ID/file'];
/** Moments of a plan (UTC ms) that goes on from now: what is stored has its times in words. */
const PLANNED = /\b1[789]\d{11}(\.\d+)?\b/g;

describe('going back to a backup', () => {
  let app: App;
  let driver: WebDriver;
  let user: PageUser;
  const { folder, remove } = temporaryFolder();
  before(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    user = new PageUser(driver, app.url);
  });
  after(async () => {
    await closeBrowser(driver);
    await app?.stop();
    remove();
  });

  const views = () =>
    Promise.all(
      ADDRESSES.map(async (address) => (await (await fetch(app.url + address.replace('ID', id))).text()).replaceAll(PLANNED, 'a moment')),
    );
  let id = '';
  const changeClient = async (name: string) => {
    await user.open(`/c/${id}/intake`);
    await user.fill('Client', name);
    await user.isStored();
  };

  it('saves one file, and brings every view back as it was, bit for bit', async () => {
    const file = path.join(folder, 'saved.sqlite');
    await user.open('/');
    id = (await driver.executeScript<string>('return document.querySelector(\'main a[href*="intake"]\').pathname')).split('/')[2]!;
    const backup = await fetch(`${app.url}/api/backups/file`);
    writeFileSync(file, Buffer.from(await backup.arrayBuffer()));
    expect(backup.headers.get('content-disposition')).to.match(/neat-relay-\d{4}-\d\d-\d\d\.sqlite/);
    const before = await views();

    await changeClient('Quite another club');
    await user.open('/');
    await user.see('main', /Quite another club/);

    await user.open('/backups');
    await (await user.find('input[type=file]')).sendKeys(file);
    await user.see('main', /Go back to saved\.sqlite\?/);
    await user.press('Restore it');
    await user.path(/\/$/);
    await user.see('main', /Tide coast watch/);
    expect(await user.text('main')).not.to.include('Quite another club');
    expect(await views()).to.deep.equal(before);
  });

  it('comes forward again to what was put aside, by keyboard', async () => {
    await user.open('/backups');
    await user.see('main', /before a restore/);
    await driver.executeScript(
      'for (const row of document.querySelectorAll("tbody tr")) if (/before a restore/.test(row.textContent)) row.querySelector("button").focus()',
    );
    await user.keys('\uE007');
    await user.see('main', /Go back to the copy of/);
    await user.keys('\uE007');
    await user.path(/\/$/);
    await user.see('main', /Quite another club/);
  });

  it('refuses a file that is no backup, and says so', async () => {
    const file = path.join(folder, 'holiday.sqlite');
    writeFileSync(file, 'a letter');
    await user.open('/backups');
    await (await user.find('input[type=file]')).sendKeys(file);
    await user.press('Restore it');
    await user.see('main', /the file is damaged, or no backup of Neat Relay: choose another backup\. Nothing was changed\./);
  });
});
