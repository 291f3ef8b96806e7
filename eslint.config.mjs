import js from '@eslint/js';
import astro from 'eslint-plugin-astro';
import tseslint from 'typescript-eslint';

/** The pages; all other code is read by the faster linter of oxlint.config.mjs, which does not know their language. */
export default tseslint.config(js.configs.recommended, ...tseslint.configs.strict, ...astro.configs.recommended, {
  rules: {
    '@typescript-eslint/no-non-null-assertion': 'off',
    '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
    '@typescript-eslint/consistent-type-imports': 'error',
    eqeqeq: ['error', 'always', { null: 'ignore' }],
    'no-console': 'error',
  },
});
