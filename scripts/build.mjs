import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { filesBelow, hashOf } from './install.mjs';
import { buildProgram } from './program.mjs';

const STAMP = 'dist/.neat-relay-built';
const SOURCES = ['src', 'public'];
const FILES = ['package-lock.json', 'astro.config.mjs', 'tsconfig.json'];

/** Builds the pages and what runs beside them when the sources have changed since the last build. */
export async function buildApplication(say) {
  await buildPages(say);
  await buildProgram();
}

function buildPages(say) {
  const wanted = hashOf([...SOURCES.flatMap(filesBelow), ...FILES]);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  say('Building the application, about half a minute ...');
  const { status, stdout, stderr } = spawnSync('npx', ['--no-install', 'astro', 'build'], {
    encoding: 'utf8',
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' },
  });
  if (status !== 0) throw new Error(`The build failed: ${stdout}${stderr}`);
  writeFileSync(STAMP, wanted);
}
