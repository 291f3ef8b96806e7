import { Builder, type WebDriver } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome';

// Without these Chromium looks for its maker's servers at every start.
const QUIET = ['--disable-background-networking', '--disable-component-update', '--disable-sync', '--disable-quic', '--no-first-run'];

/** A headless Chromium of Debian's packages, of this size. */
export async function openBrowser(width = 1280, height = 800): Promise<WebDriver> {
  const options = new chrome.Options();
  options.setChromeBinaryPath(process.env['CHROMIUM'] ?? '/usr/bin/chromium');
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--hide-scrollbars',
    `--window-size=${width},${height}`,
    ...QUIET,
  );
  const service = new chrome.ServiceBuilder(process.env['CHROMEDRIVER'] ?? '/usr/bin/chromedriver');
  const driver = await new Builder().forBrowser('chrome').setChromeOptions(options).setChromeService(service).build();
  // The window has a frame even without a head; what counts is the size of the page.
  const inner = await driver.executeScript<[number, number]>('return [innerWidth, innerHeight]');
  await driver
    .manage()
    .window()
    .setRect({ width: width + width - inner[0], height: height + height - inner[1] });
  return driver;
}
