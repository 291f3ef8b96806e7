import { expect } from 'chai';
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import type { WebDriver } from 'selenium-webdriver';
import { startApp, type App } from '../support/app';
import { closeBrowser, openBrowser } from '../support/browser';
import { PageUser } from '../support/page';

const HEADER = 'started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note';
const ROWS = [
  '2026-10-01T19:00:00Z,Old fair,Bakers,Apron,basecoat,foot,0.2,10,18,2,',
  '2026-10-01T20:00:00Z,Old fair,Bakers,Apron,dip,foot,0.2,10,18,2,',
  '2026-10-02T19:00:00Z,Old fair,Bakers,Hat,layer,foot,0.05,ten,9,,',
  '2026-10-03T19:00:00Z,Old fair,Bakers,Hat,layer,foot,0.05,10,9,,"soft, quick"',
];

describe('formats in the browser', () => {
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
  const give = async (label: string, name: string, text: string) => {
    const file = path.join(app.folder, name);
    writeFileSync(file, text);
    await (await user.find(`input[type=file][aria-label="${label}"]`)).sendKeys(file);
  };

  it('lists the bad values of a log by line and column, takes the good rows, and each once', async () => {
    await user.open('/ledger');
    const rowsBefore = Number(/(\d+) rows/.exec(await user.see('main', /\d+ rows/))![1]);
    await give('Time log file', 'log.csv', [HEADER, ...ROWS].join('\n'));
    await user.see('[data-testid="preview"]', /2 new rows can be imported, 2 values cannot be read/);
    const bad = await user.text('dialog table');
    expect(bad).to.match(/3 technique "?.*dip/);
    expect(bad).to.match(/4 models .*ten/);
    await user.press('Import 2 rows');
    await user.see('main', new RegExp(`${rowsBefore + 2} rows`));
    await user.ready();
    await give('Time log file', 'log.csv', [HEADER, ...ROWS].join('\n'));
    await user.see('[data-testid="preview"]', /0 new rows can be imported, 2 are in the log already/);
  });

  it('says which column a log lacks', async () => {
    await user.open('/ledger');
    await give('Time log file', 'short.csv', 'started_at,unit\n');
    await user.see('dialog [role="alert"]', /add the column commission/);
  });

  it('lets the painter leave an interrupted row out, and take it back in', async () => {
    await user.open('/ledger');
    await (await user.find('input[type=checkbox]')).click();
    await user.press('Leave out');
    await user.see('table', /left out/);
    await user.press('Include again');
    await user.see('table', /interrupted\?/);
    await user.press('Correct');
    await user.fill('Minutes it took', '12');
    await user.press('Save minutes');
    await user.see('table', /12\.0\s*measured/);
    await user.press('Edit');
    await user.press('As measured');
    await user.see('table', /interrupted\?/);
  });

  it('opens a commission file, and says what is wrong with another', async () => {
    await user.open('/');
    await give('Commission file', 'broken.json', '{ "format": ');
    await user.see('[role="alert"]', /the file is .*: choose a commission file that Neat Relay has written/);
    const link = await driver.executeScript<string>('return document.querySelector("a[href*=intake]").getAttribute("href")');
    const text = await (await fetch(`${app.url}${link.replace('/c/', '/api/commissions/').replace('/intake', '/file')}`)).text();
    await give('Commission file', 'known.json', text);
    await user.see('[role="alert"]', /is here already/);
    const copy = text.replaceAll(/01[0-9A-Z]{24}/g, (id) => `02${id.slice(2)}`).replaceAll('Tide coast watch', 'Tide coast again');
    await give('Commission file', 'copy.json', copy);
    // Its paints are on the shelf already, under other ids: it is asked once.
    await user.see('[role="status"]', /paints of the file are on your shelf already, by name and colour/);
    await user.press('Keep both');
    await user.path(/\/c\/02[0-9A-Z]{24}\/intake$/);
    expect(
      await (await fetch(`${app.url}/api/commissions/${/02[0-9A-Z]{24}/.exec(await driver.getCurrentUrl())![0]}/file`)).text(),
    ).to.equal(copy);
  });
});
