/** The arrows of docs/architecture.md: a workspace may import only what stands to its left. */
const oneWay = (folder, forbidden, message) => ({
  files: [`${folder}/**/*.{ts,vue}`],
  excludeFiles: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': ['error', { patterns: [{ group: forbidden, message }] }],
  },
})

/** What is asked of every script, those of components too; what only a template can have wrong is in eslint.config.js. */
export default {
  ignorePatterns: ['**/dist/**', '.ambrel/**', 'web/components.d.ts'],
  plugins: ['typescript', 'oxc', 'vue'],
  jsPlugins: ['./scripts/chemistryRule.mjs'],
  categories: { correctness: 'error' },
  rules: {
    'no-array-constructor': 'error',
    'no-case-declarations': 'error',
    'no-console': 'error',
    'no-empty': 'error',
    'no-fallthrough': 'error',
    'no-prototype-builtins': 'error',
    'no-regex-spaces': 'error',
    'no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    'no-useless-assignment': 'error',
    'no-var': 'error',
    'prefer-const': 'error',
    'prefer-rest-params': 'error',
    'prefer-spread': 'error',
    'preserve-caught-error': 'error',
    'typescript/ban-ts-comment': 'error',
    'typescript/consistent-type-imports': 'error',
    'typescript/no-empty-object-type': 'error',
    'typescript/no-explicit-any': 'error',
    'typescript/no-namespace': 'error',
    'typescript/no-require-imports': 'error',
    'typescript/no-unnecessary-type-constraint': 'error',
    'typescript/no-unsafe-function-type': 'error',
  },
  overrides: [
    {
      files: ['{core,contract,web,server,cli}/src/**/*.{ts,vue}'],
      // a migration freezes what was so; a design's own table knows the names
      excludeFiles: ['**/*.test.ts', 'core/src/bank/chemistry.ts', 'core/src/fields/**'],
      rules: { 'ambrel/no-chemistry-name': 'error' },
    },
    { files: ['scripts/**', 'cli/**', '**/*.bench.ts'], rules: { 'no-console': 'off' } },
    {
      files: ['core/src/**/*.ts'],
      excludeFiles: ['core/src/**/*.test.ts', 'core/src/**/*.bench.ts'],
      rules: {
        'no-restricted-imports': [
          'error',
          {
            patterns: [
              {
                group: ['@ambrel/*', 'node:*', 'vue', 'express', 'joi'],
                message: 'core depends on nothing but suncalc',
              },
              {
                group: ['**/units/format*'],
                message:
                  'the core writes no figure into a text: say`…${volts(48)}…` (units/words.ts) leaves that to the reader’s units',
              },
            ],
          },
        ],
        'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'setTimeout'],
        'no-restricted-properties': [
          'error',
          { object: 'Math', property: 'random', message: 'the core draws only from a seeded generator' },
          { object: 'Date', property: 'now', message: 'the core knows no date of today' },
        ],
      },
    },
    oneWay('contract', ['@ambrel/server*', '@ambrel/web*', '@ambrel/cli*', 'node:*', 'vue'], 'core ← contract only'),
    oneWay('server', ['@ambrel/web*', '@ambrel/cli*', 'vue'], 'core ← contract ← server only'),
    oneWay('web', ['@ambrel/server*', '@ambrel/cli*', 'node:*', 'express', 'pg'], 'core ← contract ← web only'),
    oneWay('cli', ['@ambrel/server*', '@ambrel/web*', 'vue'], 'core ← contract ← cli only'),
  ],
}
