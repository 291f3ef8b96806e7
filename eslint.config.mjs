import js from '@eslint/js';
import astro from 'eslint-plugin-astro';
import importX from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { coreMayImport, layers, lineRooms } from './scripts/layers.mjs';

/** Zones of the layer table: what stands in `target` may not import what stands in `from`. */
const zones = Object.entries(layers).flatMap(([layer, allowed]) => [
  {
    target: `./src/${layer}`,
    from: './src',
    except: [layer, ...allowed].map((name) => `./${name}`),
    message: `src/${layer} may import ${allowed.length ? allowed.map((name) => `src/${name}`).join(', ') : 'nothing of ours'}.`,
  },
]);

/** The same for the rooms of the line engine; what stands beside them is for all. */
const rooms = Object.entries(lineRooms).map(([room, allowed]) => ({
  target: `./src/core/line/${room}`,
  from: './src/core/line',
  except: ['./definitions.ts', ...[room, ...allowed].map((name) => `./${name}`)],
  message: `src/core/line/${room} may import ${['definitions', ...allowed].join(', ')}.`,
}));

export default tseslint.config(
  { ignores: ['dist/', '.astro/', 'node_modules/', '/data/', '/demo-data/', '*.tmp.ts'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  ...astro.configs.recommended,
  importX.flatConfigs.typescript,
  {
    plugins: { 'import-x': importX, 'react-hooks': reactHooks },
    rules: {
      ...reactHooks.configs['recommended-latest'].rules,
      'import-x/no-restricted-paths': ['error', { zones: [...zones, ...rooms] }],
      'import-x/no-cycle': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-console': 'error',
    },
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
  { files: ['scripts/**', 'src/cli/**', 'bench/**', 'src/data/demo/fill.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['**/*.mjs'],
    languageOptions: { globals: { process: 'readonly', console: 'readonly', URL: 'readonly', setTimeout: 'readonly', fetch: 'readonly' } },
  },
  { files: ['test/**'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
);
