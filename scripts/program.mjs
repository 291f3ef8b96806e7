import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { filesBelow, hashOf } from './install.mjs';

const FOLDER = 'dist/program';
const STAMP = `${FOLDER}/.built-from`;
const ENTRIES = {
  estimates: 'src/cli/estimates.ts',
  fits: 'src/server/threads/fits.ts',
  paint: 'src/cli/paint.ts',
  plan: 'src/cli/plan.ts',
  schemes: 'src/cli/schemes.ts',
  serve: 'src/cli/serve.ts',
  starting: 'src/cli/starting.ts',
  work: 'src/server/threads/work.ts',
};

/** Native code, and what looks for files of its own; the rest goes into the bundle. */
export const AS_INSTALLED = ['better-sqlite3', 'knex', 'nodemailer', 'pdfmake', 'piscina', 'sharp'];

/** Both builds ask for it; a thousand files are read once. */
export const hashOfSources = () => hashOf(filesBelow('src'));

/**
 * Bundles what runs beside the pages: the host, the threads and the command line, so that nothing reads TypeScript at run time. Takes
 * about a second, and only when a source has changed. Packages of many small files take longer to be read than all that is ours: they are
 * bundled too.
 */
export async function buildProgram(sources = hashOfSources()) {
  const wanted = sources + hashOf(['package-lock.json', 'scripts/program.mjs']);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  rmSync(FOLDER, { recursive: true, force: true });
  // Not at the top: a fresh machine has no packages until the dependencies are installed.
  const { build } = await import('esbuild');
  await build({
    entryPoints: ENTRIES,
    outdir: FOLDER,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    external: AS_INSTALLED,
    // What is written for CommonJS asks for the modules of Node.js by `require`.
    banner: { js: "import { createRequire as createRequireHere } from 'node:module'; const require = createRequireHere(import.meta.url);" },
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'linked',
    logLevel: 'warning',
  });
  writeFileSync(STAMP, wanted);
}
