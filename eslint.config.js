import js from '@eslint/js';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import importX from 'eslint-plugin-import-x';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import tseslint from 'typescript-eslint';
import vueParser from 'vue-eslint-parser';

const ARROWS = 'Imports go one way: web and server know core; core knows neither.';

/** The arrows of docs/architecture.md: what a room may not import, each with its reason. */
const mayNotImport = (...patterns) => ({
  'no-restricted-imports': [
    'error',
    {
      patterns: patterns.map((p) =>
        typeof p === 'string' ? { group: [p], message: ARROWS } : { regex: p.regex, message: p.because },
      ),
    },
  ],
});

/** Within the views: neither up into the shell, nor across into another view's folder. */
const ACROSS = {
  regex: '^(\\.\\./){1,2}(?!\\.\\.|components|stores|api|workers|testing|keys|run)[a-z]+/[A-Za-z]',
  because:
    "No view reaches into another view's folder, nor into the shell: what two need belongs in components or stores.",
};

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/coverage/**', 'docs/**', 'data/**', '.cache/**'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.ts', '**/*.vue'],
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver()] },
    languageOptions: {
      parser: vueParser,
      parserOptions: {
        parser: tseslint.parser,
        sourceType: 'module',
        projectService: true,
        tsconfigRootDir: import.meta.dirname,
        extraFileExtensions: ['.vue'],
      },
    },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/ban-ts-comment': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      'import-x/no-cycle': ['error', { ignoreExternal: true }],
      // The text: one statement a line, no branch inside a branch of an expression, nothing too long to be seen whole.
      'max-statements-per-line': ['error', { max: 1 }],
      'no-nested-ternary': 'error',
      complexity: ['error', 15],
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'max-lines': ['error', { max: 400, skipBlankLines: true }],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: mayNotImport(
      'vue',
      'vue-*',
      'pinia',
      'express',
      'sequelize',
      'sqlite3',
      'node:*',
      'fs',
      'path',
      '@warm-jar/*',
      '**/web/**',
      '**/server/**',
    ),
  },
  {
    files: ['core/src/formats/**/*.ts'],
    rules: mayNotImport({
      regex: '^(?!\\./|zod$)',
      because: 'The formats are the contract: they import themselves and zod.',
    }),
  },
  {
    files: ['server/src/**/*.ts'],
    languageOptions: { globals: globals.node },
    rules: mayNotImport('vue', 'pinia', '@warm-jar/web', '**/web/src/**', '@warm-jar/core/*'),
  },
  {
    files: ['web/src/**/*.ts', 'web/src/**/*.vue'],
    languageOptions: { globals: globals.browser },
    rules: {
      ...mayNotImport(
        'express',
        'sequelize',
        'sqlite3',
        'node:*',
        '@warm-jar/server',
        '**/server/src/**',
        '@warm-jar/core/*',
      ),
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': ['error', { html: { void: 'always' } }],
      'vue/multi-word-component-names': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/html-indent': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/attributes-order': 'off',
      'vue/require-default-prop': 'off',
      'no-restricted-globals': ['error', { name: 'localStorage', message: 'Storage belongs in a store.' }],
    },
  },
  {
    files: ['web/src/views/**/*.ts', 'web/src/views/**/*.vue'],
    rules: mayNotImport('express', 'sequelize', 'sqlite3', 'node:*', '@warm-jar/server', '@warm-jar/core/*', ACROSS),
  },
  {
    files: ['**/*.vue'],
    rules: {
      'no-restricted-globals': [
        'error',
        { name: 'fetch', message: 'Components draw; the api client fetches.' },
        { name: 'localStorage', message: 'Storage belongs in a store.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "ImportSpecifier[imported.name='useNow']",
          message: "The machine's clock is not the studio's: take the moment from the live store.",
        },
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: "The machine's clock is not the studio's: take the moment from the live store.",
        },
      ],
    },
  },
  {
    files: [
      '**/*.test.ts',
      'server/src/**/*.test.ts',
      'server/src/fuzz/**',
      'web/src/testing/**',
      'e2e/**/*.ts',
      'scripts/**',
      'examples/**',
      'bench/**',
      '*.config.*',
      '**/vite.config.ts',
    ],
    languageOptions: { globals: globals.node },
    // A describe is a list of cases, not a function.
    rules: { 'no-restricted-imports': 'off', 'max-lines-per-function': 'off' },
  },
);
