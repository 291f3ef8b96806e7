import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const STAMP = 'node_modules/.neat-relay-installed';
/** Seen from the folder where the database is compiled; the header says what for. */
const COMPILING = { env: { ...process.env, CXXFLAGS: `${process.env.CXXFLAGS ?? ''} -include ../../../scripts/native/object-wrap.h` } };

/** Dependencies as the lock file names them; better-sqlite3 is compiled on the way. Only when something changed. */
export function installDependencies(say) {
  checkNode();
  const wanted = hashOf(['package.json', 'package-lock.json']) + process.version;
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  say('Installing dependencies; the database is compiled on the way, which takes about two minutes ...');
  // Not `npm ci`: it refuses a lock file made where a registry has no packages for other platforms.
  run(
    'npm',
    ['install', '--no-save', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'],
    'The dependencies could not be installed: look at the lines above, then try again.',
    COMPILING,
  );
  if (!databaseLoads()) {
    // Compiled for another version of Node.js, or broken off halfway.
    say('Compiling the database for this Node.js ...');
    run(
      'npm',
      ['rebuild', 'better-sqlite3', '--loglevel=error'],
      'The database could not be compiled: look at the lines above.',
      COMPILING,
    );
  }
  mkdirSync('node_modules', { recursive: true });
  writeFileSync(STAMP, wanted);
}

/** Opens a database and lets its statements be collected, in a process of its own, as it may break that. */
function databaseLoads() {
  const attempt = `
    const database = new (require('better-sqlite3'))(':memory:');
    for (let count = 0; count < 2000; count++) database.prepare('select ' + count).get();
    gc();
    setTimeout(() => gc(), 20);`;
  return spawnSync(process.execPath, ['--expose-gc', '-e', attempt], { stdio: 'ignore' }).status === 0;
}

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 18))
    throw new Error(`Node.js ${process.versions.node} is too old for this: install Node.js 20.18, 22 or 24 and try again.`);
}

/** All files of a folder, those of its folders too, in the order of their names. */
export const filesBelow = (folder) =>
  readdirSync(folder, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => {
      const file = path.join(folder, entry.name);
      return entry.isDirectory() ? filesBelow(file) : [file];
    });

export function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

export function run(command, args, failure, options = {}) {
  const { status } = spawnSync(command, args, { stdio: 'inherit', ...options });
  if (status !== 0) throw new Error(failure);
}
