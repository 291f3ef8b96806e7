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
  // The window has a frame and a least width even without a head; what counts is the size of the page.
  const metrics = { width, height, deviceScaleFactor: 1, mobile: false };
  await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', metrics);
  looksOften(driver);
  return driver;
}

/**
 * What is waited for is looked at more often than five times a second, which would wait for nothing most of the time; looking still more
 * often takes the processor from what is waited for.
 */
const LOOK_EVERY_MS = 60;

function looksOften(driver: WebDriver): void {
  const wait = driver.wait.bind(driver) as (...of: unknown[]) => unknown;
  const often = (condition: unknown, timeout?: number, message?: unknown) => wait(condition, timeout, message, LOOK_EVERY_MS);
  Object.assign(driver, { wait: often });
}
