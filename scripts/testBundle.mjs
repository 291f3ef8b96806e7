import { rmSync } from 'node:fs';
import { classNamesSource } from '../test/support/classNames.mjs';

const FOLDER = 'dist/tests';
const styles = {
  name: 'styles',
  setup: ({ onLoad }) => onLoad({ filter: /\.css$/ }, () => ({ contents: classNamesSource, loader: 'js' })),
};

/** Where a TypeScript file of the tests lies once it is bundled. */
export const bundled = (file) => `${FOLDER}/${file.replace(/\.tsx?$/, '.mjs')}`;

/**
 * Bundles the tests for a whole run. Every Mocha would read and translate the same thousand files for itself, and what is translated one
 * file at a time runs a fifth slower.
 */
export async function bundleTests(files) {
  rmSync(FOLDER, { recursive: true, force: true });
  // Not at the top: a fresh machine has no packages until the dependencies are installed.
  const { build } = await import('esbuild');
  await build({
    entryPoints: files,
    outbase: '.',
    outdir: FOLDER,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    jsx: 'automatic',
    sourcemap: 'linked',
    plugins: [styles],
    logLevel: 'warning',
  });
}
