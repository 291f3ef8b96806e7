import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { hashOf } from './install.mjs';

const STAMP = 'dist/.neat-relay-built';
const SOURCES = ['src', 'public'];
const FILES = ['package-lock.json', 'astro.config.mjs', 'tsconfig.json'];

const filesBelow = (folder) =>
  readdirSync(folder)
    .sort()
    .flatMap((name) => {
      const file = path.join(folder, name);
      return statSync(file).isDirectory() ? filesBelow(file) : [file];
    });

/** Builds the application when its sources have changed since the last build. */
export function buildApplication(say) {
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
