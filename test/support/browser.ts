import { tmpdir } from 'node:os';
import { Builder, type WebDriver } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

// Without these Chromium looks for its maker's servers at every start.
const QUIET = ['--disable-background-networking', '--disable-component-update', '--disable-sync', '--disable-quic', '--no-first-run'];
// What draws and what speaks with the network as threads of the browser: messages between processes cost a sixth of a test's work.
const IN_ONE = ['--in-process-gpu', '--enable-features=NetworkServiceInProcess2'];
const WIDTH = 1280;
const HEIGHT = 800;

/** Itself, not the script of the same name that begins it: what ends the script leaves the browser running. */
const SHELL = '/usr/lib/chromium/chromium-headless-shell';

/** Browsers that nobody uses at the moment: beginning one takes longer than many a test. */
const idle: WebDriver[] = [];

/** Every answer comes so much later, milliseconds: `TEST_LAG=400` shows what counts on a quick program, in a test or in a view. */
const LAG_MS = Number(process.env['TEST_LAG'] ?? 0);
const MOST_BYTES_A_SECOND = 1e9;

/** A headless Chromium of Debian's packages with one empty page and no memory of what was in it before. */
export async function openBrowser(): Promise<WebDriver> {
  const driver = idle.pop() ?? (await startBrowser());
  await resize(driver, WIDTH, HEIGHT);
  if (LAG_MS > 0) await lag(driver);
  return driver;
}

/** Gives the page a size: the window has a frame and a least width even without a head. */
export function resize(driver: WebDriver, width: number, height: number): Promise<unknown> {
  const metrics = { width, height, deviceScaleFactor: 1, mobile: false };
  return (driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', metrics);
}

function lag(driver: WebDriver): Promise<unknown> {
  const each = { offline: false, latency: LAG_MS, download_throughput: MOST_BYTES_A_SECOND, upload_throughput: MOST_BYTES_A_SECOND };
  return (driver as chrome.Driver).setNetworkConditions(each);
}

/** Gives a browser back; there is none where a test did not come to open it. */
export async function closeBrowser(driver: WebDriver | undefined): Promise<void> {
  if (!driver) return;
  await forgetAll(driver);
  idle.push(driver);
}

/** Ends all that were given back. */
export async function quitBrowsers(): Promise<void> {
  for (const driver of idle.splice(0)) await driver.quit();
}

async function startBrowser(): Promise<WebDriver> {
  const options = new chrome.Options();
  options.setChromeBinaryPath(process.env['CHROMIUM'] ?? SHELL);
  options.addArguments(
    '--headless',
    '--force-prefers-reduced-motion',
    '--no-sandbox',
    '--disable-gpu',
    '--hide-scrollbars',
    `--window-size=${WIDTH},${HEIGHT}`,
    ...IN_ONE,
    ...QUIET,
  );
  // What a page saves would lie in the folder that the tests were started in.
  options.setUserPreferences({ 'download.default_directory': tmpdir() });
  const service = new chrome.ServiceBuilder(process.env['CHROMEDRIVER'] ?? '/usr/bin/chromedriver');
  const driver = await new Builder().forBrowser('chrome').setChromeOptions(options).setChromeService(service).build();
  looksOften(driver);
  return driver;
}

/** What a page keeps goes by its port, which another program may get later; cookies go by the machine. */
async function forgetAll(driver: WebDriver): Promise<void> {
  const before = await driver.getAllWindowHandles();
  await driver.actions().clear();
  await driver.switchTo().newWindow('tab');
  const fresh = await driver.getWindowHandle();
  for (const handle of before) {
    await driver.switchTo().window(handle);
    const { origin } = new URL(await driver.getCurrentUrl());
    if (origin !== 'null')
      await (driver as chrome.Driver).sendDevToolsCommand('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
    await driver.close();
  }
  await driver.switchTo().window(fresh);
  await (driver as chrome.Driver).sendDevToolsCommand('Network.clearBrowserCookies', {});
  // What is read is gone: the next test finds only its own complaints.
  await driver.manage().logs().get('browser');
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
