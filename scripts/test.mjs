import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { buildApplication } from './build.mjs';
import { installDependencies } from './install.mjs';

const say = (text) => console.log(text);
const BROWSER_PACKAGES = ['chromium', 'chromium-driver'];
const totals = { passed: 0, failed: 0 };

/** Installs what is missing, then checks and tests everything; the last line says how much passed. */
async function test() {
  installDependencies(say);
  installBrowser();
  await check('lint', 'eslint', ['.']);
  await check('format', 'prettier', ['--check', '--log-level=warn', '.']);
  await check('types', 'astro', ['check', '--minimumFailingSeverity', 'error']);
  await check('types of the core', 'tsc', ['-p', 'tsconfig.core.json']);
  await check('unused code', 'knip', []);
  await suite('unit tests', []);
  const built = await attempt('build', () => buildApplication(say));
  if (built) await suite('browser tests', ['--config', '.mocharc.browser.json']);
}

function installBrowser() {
  if (existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver')) return;
  const command = `apt-get update && apt-get install -y ${BROWSER_PACKAGES.join(' ')}`;
  if (process.getuid?.() !== 0)
    throw new Error(`The browser tests need Debian's Chromium and ChromeDriver: run "sudo sh -c '${command}'" and try again.`);
  say("Installing Debian's Chromium and ChromeDriver for the browser tests ...");
  const { status } = spawnSync('sh', ['-c', command], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
  if (status !== 0) throw new Error(`Chromium could not be installed: run "${command}" by hand.`);
}

async function attempt(name, act) {
  try {
    await act();
    count(name, 1, 0);
    return true;
  } catch (error) {
    say(error.message);
    count(name, 0, 1);
    return false;
  }
}

async function check(name, tool, args) {
  const { status } = await runTool(tool, args);
  count(name, status === 0 ? 1 : 0, status === 0 ? 0 : 1);
}

/** A Mocha run counts its tests; one that breaks off without counting is a failure. */
async function suite(name, args) {
  const { status, output } = await runTool('mocha', args);
  const passed = Number(/^\s*(\d+) passing/m.exec(output)?.[1] ?? 0);
  const failed = Number(/^\s*(\d+) failing/m.exec(output)?.[1] ?? 0);
  count(name, passed, status === 0 && passed > 0 ? failed : Math.max(failed, 1));
}

function runTool(tool, args) {
  say(`\n${tool} ${args.join(' ')}`);
  return new Promise((resolve) => {
    const child = spawn(`node_modules/.bin/${tool}`, args, {
      stdio: ['ignore', 'pipe', 'inherit'],
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', FORCE_COLOR: '0' },
    });
    let output = '';
    child.stdout.on('data', (chunk) => {
      output += chunk;
      process.stdout.write(chunk);
    });
    child.once('error', (error) => resolve({ status: 1, output: String(error) }));
    child.once('close', (status) => resolve({ status, output }));
  });
}

function count(name, passed, failed) {
  totals.passed += passed;
  totals.failed += failed;
  say(`${name}: ${failed === 0 ? 'good' : 'FAILED'}`);
}

try {
  await test();
} catch (error) {
  say(error.message);
  totals.failed += 1;
}
process.exitCode = totals.failed === 0 ? 0 : 1;
say(`\n${totals.passed} passed, ${totals.failed} failed`);
