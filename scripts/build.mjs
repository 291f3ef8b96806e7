import { execFile } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { promisify } from 'node:util';
import { filesBelow, hashOf } from './install.mjs';
import { buildProgram, hashOfSources } from './program.mjs';

const STAMP = 'dist/pages/.built-from';
const FILES = ['package-lock.json', 'astro.config.mjs', 'tsconfig.json', 'scripts/program.mjs'];

/** Builds the pages and what runs beside them when the sources have changed since the last build. */
export async function buildApplication(say) {
  const sources = hashOfSources();
  await buildProgram(sources);
  await buildPages(sources, say);
}

async function buildPages(sources, say) {
  const wanted = sources + hashOf([...filesBelow('public'), ...FILES]);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  say('Building the application, about half a minute ...');
  const env = { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' };
  await promisify(execFile)('npx', ['--no-install', 'astro', 'build'], { env, maxBuffer: Infinity }).catch(({ stdout, stderr }) => {
    throw new Error(`The build failed: ${stdout}${stderr}`);
  });
  await buildBenchWorker();
  writeFileSync(STAMP, wanted);
}

/** It answers for addresses beside it, so it stands at the top of the site under a name that stays. */
async function buildBenchWorker() {
  const { build } = await import('esbuild');
  await build({
    entryPoints: ['src/islands/installed/benchWorker.ts'],
    outfile: 'dist/pages/client/bench-worker.js',
    bundle: true,
    format: 'iife',
    target: 'es2022',
    minify: true,
    logLevel: 'warning',
  });
}
