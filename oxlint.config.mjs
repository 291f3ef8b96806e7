const errors = (...rules) => Object.fromEntries(rules.map((rule) => [rule, 'error']));

/** All code but what is in the pages, which have a linter of their own (eslint.config.mjs). What may import what is held by a test. */
export default {
  plugins: ['eslint', 'typescript', 'import', 'react', 'oxc'],
  categories: { correctness: 'error' },
  options: { reportUnusedDisableDirectives: 'error' },
  env: { builtin: true, node: true, browser: true },
  ignorePatterns: ['dist/', '.astro/', '/data/', '/demo-data/', '*.tmp.ts', 'src/**/*.astro'],
  rules: {
    ...errors(
      'eslint/no-array-constructor',
      'eslint/no-case-declarations',
      'eslint/no-console',
      'eslint/no-empty',
      'eslint/no-fallthrough',
      'eslint/no-prototype-builtins',
      'eslint/no-redeclare',
      'eslint/no-regex-spaces',
      'eslint/no-unexpected-multiline',
      'eslint/no-unused-expressions',
      'eslint/no-useless-assignment',
      'eslint/no-useless-constructor',
      'eslint/no-var',
      'eslint/prefer-const',
      'eslint/prefer-rest-params',
      'eslint/prefer-spread',
      'eslint/preserve-caught-error',
      'typescript/ban-ts-comment',
      'typescript/consistent-type-imports',
      'typescript/no-dynamic-delete',
      'typescript/no-empty-object-type',
      'typescript/no-explicit-any',
      'typescript/no-extraneous-class',
      'typescript/no-invalid-void-type',
      'typescript/no-namespace',
      'typescript/no-non-null-asserted-nullish-coalescing',
      'typescript/no-require-imports',
      'typescript/no-unnecessary-type-constraint',
      'typescript/no-unsafe-function-type',
      'typescript/prefer-literal-enum-member',
      'typescript/unified-signatures',
    ),
    'eslint/eqeqeq': ['error', 'always', { null: 'ignore' }],
    'eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
    'import/no-duplicates': ['error', { 'prefer-inline': true }],
  },
  overrides: [
    // Elsewhere a name with "use" in front is no hook.
    { files: ['src/islands/**', 'src/ui/**'], rules: errors('react/rules-of-hooks', 'react/unsupported-syntax') },
    {
      files: ['src/core/**'],
      rules: {
        'eslint/no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage', 'performance'],
        'eslint/no-restricted-properties': [
          'error',
          { object: 'Date', property: 'now', message: 'The clock comes in as an argument.' },
          { object: 'Math', property: 'random', message: 'Randomness comes in as an argument.' },
        ],
      },
    },
    // What is not typed may name what there is not.
    { files: ['**/*.mjs', '**/*.cjs'], rules: errors('eslint/no-undef') },
    { files: ['scripts/**', 'src/cli/**', 'bench/**', 'src/data/demo/fill.ts'], rules: { 'eslint/no-console': 'off' } },
    // Mocha asks for its reporters by `require`.
    { files: ['**/*.cjs'], rules: { 'typescript/no-require-imports': 'off' } },
    { files: ['test/**'], rules: { 'eslint/no-unused-expressions': 'off' } },
  ],
};
