import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'

/** Which floor may import which: never sideways, never up. */
const floors = {
  words: ['core'],
  core: [],
  contract: ['core'],
  devices: ['contract', 'core'],
  server: ['contract', 'core', 'words'],
  web: ['contract', 'core', 'words'],
}
const all = ['words', 'core', 'contract', 'devices', 'server', 'web', 'launcher', 'e2e', 'bench']

const boundaries = Object.entries(floors).map(([floor, may]) => ({
  files: [`${floor}/**/*.{ts,vue}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: all
          .filter((other) => other !== floor && !may.includes(other))
          .map((other) => ({
            group: [`@tadka/${other}`, `@tadka/${other}/*`, `**/../${other}/**`],
            message: `${floor} may not import ${other}`,
          })),
      },
    ],
  },
}))

export default ts.config(
  { ignores: ['**/dist', '**/node_modules', '.data', '**/test-results'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    languageOptions: {
      parser: vueParser,
      parserOptions: { parser: ts.parser, sourceType: 'module', extraFileExtensions: ['.vue'] },
      globals: { ...globals.node, ...globals.browser },
    },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-empty-function': 'off',
      // Each room adds its records to those of the stream by an interface that extends them.
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      eqeqeq: 'error',
      'no-console': 'off',
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'process',
        'setTimeout',
        'setInterval',
        'performance',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now' },
        { object: 'Math', property: 'random' },
      ],
    },
  },
  ...boundaries,
  {
    // Tests of the server are streamed to by the stand-ins.
    files: ['server/test/**/*.ts'],
    rules: { 'no-restricted-imports': 'off' },
  },
  prettier,
)
