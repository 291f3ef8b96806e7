import js from '@eslint/js';
import astro from 'eslint-plugin-astro';
import importX from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { coreMayImport, filesOfSrc, houses, layers } from './scripts/layers.mjs';

/** A zone: what stands in `target` may import of `from` only what `allowed` names. */
const zone = (target, from, allowed) => ({
  target: `./${target}`,
  from: `./${from}`,
  except: allowed.map((name) => `./${name}`),
  message: `${target} may import of ${from} ${allowed.length ? `only ${allowed.join(', ')}` : 'nothing'}.`,
});

const zones = [
  ...Object.entries(layers).map(([layer, allowed]) => zone(`src/${layer}`, 'src', [layer, ...allowed])),
  ...Object.entries(filesOfSrc).map(([file, allowed]) => zone(`src/${file}`, 'src', [file, ...allowed])),
  ...Object.entries(houses).flatMap(([house, { rooms, hall = [] }]) => [
    ...Object.entries(rooms).map(([room, allowed]) => zone(`${house}/${room}`, house, [room, ...allowed, ...hall])),
    ...hall.map((file) => zone(`${house}/${file}`, house, hall)),
  ]),
];

export default tseslint.config(
  { ignores: ['dist/', '.astro/', 'node_modules/', '/data/', '/demo-data/', '*.tmp.ts'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  ...astro.configs.recommended,
  importX.flatConfigs.typescript,
  {
    plugins: { 'import-x': importX },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones }],
      'import-x/no-duplicates': ['error', { 'prefer-inline': true }],
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-console': 'error',
    },
  },
  {
    // They compile every file they look at.
    files: ['src/islands/**', 'src/ui/**'],
    plugins: { 'react-hooks': reactHooks },
    rules: reactHooks.configs['recommended-latest'].rules,
  },
  {
    files: ['src/core/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: `^(?!\\.)(?!(${coreMayImport.join('|')})(/|$))`,
              message: 'src/core imports only the small pure libraries listed in scripts/layers.mjs.',
            },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage', 'performance'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The clock comes in as an argument.' },
        { object: 'Math', property: 'random', message: 'Randomness comes in as an argument.' },
      ],
    },
  },
  {
    files: ['src/data/migrations/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^\\.\\./(?!migrations)',
              message: 'A migration imports nothing of ours: what it was must not change with the program.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['scripts/*.mjs'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(?!node:|\\.)',
              message: 'A script runs before the dependencies are installed: import packages where they are used, by `await import(...)`.',
            },
          ],
        },
      ],
    },
  },
  { files: ['scripts/**', 'src/cli/**', 'bench/**', 'src/data/demo/fill.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['**/*.mjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        fetch: 'readonly',
        performance: 'readonly',
      },
    },
  },
  {
    // Mocha asks for its reporters by `require`.
    files: ['**/*.cjs'],
    languageOptions: {
      sourceType: 'commonjs',
      globals: { require: 'readonly', module: 'writable', process: 'readonly', performance: 'readonly' },
    },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  { files: ['test/**'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
);
