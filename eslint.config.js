import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/** The arrows of docs/architecture.md: a workspace may import only what stands to its left. */
const oneWay = (folder, forbidden, message) => ({
  files: [`${folder}/**/*.{ts,vue}`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': ['error', { patterns: [{ group: forbidden, message }] }],
  },
})

export default ts.config(
  { ignores: ['**/node_modules/**', '**/dist/**', '.ambrel/**', 'web/components.d.ts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      'no-undef': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      // a name that is not imported draws nothing, and nobody is told
      'vue/no-undef-components': ['error', { ignorePatterns: ['^el-', '^router-', '^Router'] }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-console': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['{core,contract,web,server,cli}/src/**/*.{ts,vue}'],
    // a migration freezes what was so; a design's own table knows the names
    ignores: ['**/*.test.ts', 'core/src/bank/chemistry.ts', 'core/src/fields/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['BinaryExpression[operator=/^[!=]==?$/] > Literal', 'SwitchCase > Literal'].map((selector) => ({
          selector: `${selector}[value=/^(lfp|flooded|agm|gel)$/]`,
          message: 'nothing asks which chemistry it is: put what differs into CHEMISTRIES (core/src/bank/chemistry.ts)',
        })),
      ],
    },
  },
  { files: ['scripts/**', 'cli/**', '**/*.bench.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['core/src/**/*.test.ts', 'core/src/**/*.bench.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['@ambrel/*', 'node:*', 'vue', 'express', 'joi'], message: 'core depends on nothing but suncalc' },
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
  prettier,
)
