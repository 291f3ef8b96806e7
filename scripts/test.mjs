import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { buildApplication } from './build.mjs';
import { filesBelow, installDependencies } from './install.mjs';
import { buildProgram } from './program.mjs';
import { bundled, bundleTests } from './testBundle.mjs';

const say = (text) => console.log(text);
/** The shell has no window, tabs or menus to draw: a fifth less work than the whole browser without a head. */
const BROWSER = ['chromium-headless-shell', 'chromium-driver'];
const BROWSER_PROGRAMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromedriver'];
/** One more than most machines have processors to spare: a browser and its server wait for each other much of the time. */
const LANES = 3;
/** One a lane: each begins its browser and its programs anew. The shorter jobs after them even out how long the lanes take. */
const BROWSER_SHARES = LANES;
const UNIT_SHARES = 4;
/** As .mocharc.json has it for single files, which are read as they are. */
const MOCHA = [
  '--no-config',
  '--node-option',
  'enable-source-maps',
  '--timeout',
  '300000',
  '--exit',
  '--reporter',
  './test/support/timesReporter.cjs',
];
const totals = { passed: 0, failed: 0 };

/** What the tests of a run share: what each file took, and the databases that they begin with. */
const SHARED = mkdtempSync(path.join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'neat-relay-run-'));
process.once('exit', () => rmSync(SHARED, { recursive: true, force: true }));
const TIMES = path.join(SHARED, 'times');
const FOR_TESTS = { TEST_TIMES: TIMES, TEST_TEMPLATES: SHARED, TEST_STARTED: new Date().toISOString() };
/** Five times as fast as the compiler that the linter and Astro ask for types; both have a command of the same name. */
const TYPES = '../typescript-native/bin/tsc';
const SLOWEST_SHOWN = 10;
/** Ends the browsers that the files of a share have in common. */
const END_OF_BROWSERS = 'test/support/endOfBrowsers.ts';

/** Installs what is missing, then checks and tests everything in lanes; the last line says how much passed. */
async function test() {
  installDependencies(say);
  installBrowser();
  // All lanes run what is bundled.
  await buildProgram();
  await bundleTests([...filesOf('test'), END_OF_BROWSERS]);
  const built = attempt('build', () => buildApplication(say));
  const inBrowser = shares(filesOf('test/browser'), BROWSER_SHARES);
  const [firstUnits, ...units] = shares(
    filesOf('test').filter((file) => !file.startsWith('test/browser/')),
    UNIT_SHARES,
  ).map((files, share) => () => suite(`unit tests ${share + 1} of ${UNIT_SHARES}`, files));
  const jobs = [
    () => built,
    // Needs no pages: no lane waits for the build.
    firstUnits,
    ...inBrowser.map((files, share) => async () => {
      if (await built)
        await suite(`browser tests ${share + 1} of ${BROWSER_SHARES}`, files, ['--require', `./${bundled(END_OF_BROWSERS)}`]);
    }),
    ...units,
    () => check('types', TYPES, ['--noEmit']),
    () => check('types of the pages', 'astro', ['check', '--tsconfig', 'tsconfig.pages.json', '--minimumFailingSeverity', 'error']),
    () => check('types of the core', TYPES, ['-p', 'tsconfig.core.json']),
    () => check('unused code', 'knip', []),
    () => check('lint', 'oxlint', ['-c', 'oxlint.config.mjs']),
    () => check('lint of the pages', 'eslint', ['src/**/*.astro']),
    () => check('format', 'oxfmt', ['--check', '.']),
    () => check('format of the pages', 'prettier', ['--check', '--log-level=warn', 'src/**/*.astro']),
  ];
  await Promise.all(Array.from({ length: LANES }, () => lane(jobs)));
  sayTimes();
}

/** Takes one job after the other from those that are left. */
async function lane(jobs) {
  for (let job = jobs.shift(); job; job = jobs.shift()) await job();
}

function installBrowser() {
  if (BROWSER_PROGRAMS.every((program) => existsSync(program))) return;
  const command = `apt-get update && apt-get install -y ${BROWSER.join(' ')}`;
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
  const { status } = await runTool(name, tool, args);
  count(name, status === 0 ? 1 : 0, status === 0 ? 0 : 1);
}

/** A Mocha run counts its tests; one that breaks off without counting is a failure. */
async function suite(name, files, more = []) {
  const args = [...MOCHA, ...more, ...files.map(bundled)];
  const { status, output } = await runTool(name, 'mocha', args);
  const passed = Number(/^\s*(\d+) passing/m.exec(output)?.[1] ?? 0);
  const failed = Number(/^\s*(\d+) failing/m.exec(output)?.[1] ?? 0);
  count(name, passed, status === 0 && passed > 0 ? failed : Math.max(failed, 1));
}

/** What a tool says is printed in one piece when it has ended: two speak at a time. */
function runTool(name, tool, args) {
  const begun = performance.now();
  return new Promise((resolve) => {
    const child = spawn(path.resolve('node_modules/.bin', tool), args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', FORCE_COLOR: '0', ...FOR_TESTS },
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (output += chunk));
    child.once('error', (error) => resolve({ status: 1, output: String(error) }));
    child.once('close', (status) => {
      const seconds = Math.round((performance.now() - begun) / 1000);
      took.push({ what: name, seconds });
      say(`\n${name} (${seconds} s)\n${output.trimEnd()}`);
      resolve({ status, output });
    });
  });
}

const took = [];

function sayTimes() {
  say(`\nWhat took how long:\n${took.map(({ what, seconds }) => `${String(seconds).padStart(5)} s  ${what}`).join('\n')}`);
  if (!existsSync(TIMES)) return;
  const byFile = new Map();
  for (const line of readFileSync(TIMES, 'utf8').trim().split('\n')) {
    const { file, ms } = JSON.parse(line);
    byFile.set(file, (byFile.get(file) ?? 0) + ms);
  }
  const slowest = [...byFile].sort(([, a], [, b]) => b - a).slice(0, SLOWEST_SHOWN);
  say(`The slowest files:\n${slowest.map(([file, ms]) => `${(ms / 1000).toFixed(1).padStart(7)} s  ${file}`).join('\n')}`);
}

const filesOf = (folder) => filesBelow(folder).filter((file) => /\.test\.tsx?$/.test(file));

/** Parts of alike length, going by the length of the files: one process begins faster than many, and two lanes can share the parts. */
function shares(files, parts) {
  const size = (file) => statSync(file).size;
  const all = Array.from({ length: parts }, () => ({ size: 0, files: [] }));
  for (const file of files.toSorted((a, b) => size(b) - size(a))) {
    const least = all.reduce((a, b) => (b.size < a.size ? b : a));
    least.size += size(file);
    least.files.push(file);
  }
  return all.map((part) => part.files);
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
