import js from '@eslint/js';
import globals from 'globals';
import prettier from 'eslint-config-prettier';
import reactHooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import tseslint from 'typescript-eslint';

const noInterface = (reason) => ({
  'no-restricted-imports': [
    'error',
    {
      patterns: [
        {
          group: ['react', 'react-*', '@chakra-ui/*', '@nestjs/*', 'drizzle-orm*', 'node:*', 'fs', 'path'],
          message: reason,
        },
      ],
    },
  ],
});

/** Tables that names of others are looked up in have no prototype: see lookup() of the core. */
const tablesByName = {
  selector:
    'Program > :matches(VariableDeclaration, ExportNamedDeclaration > VariableDeclaration) > VariableDeclarator:has(TSTypeReference[typeName.name="Record"] > TSTypeParameterInstantiation > TSStringKeyword:first-child) > ObjectExpression',
  message: 'Names of others would find constructor and its like here: put it into lookup().',
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/dist-types/**',
      '**/node_modules/**',
      '.data/**',
      'test-results/**',
      'apps/server/drizzle/**',
      'apps/practice-host/site/**',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    languageOptions: { globals: { ...globals.node } },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    // What runs over texts of others must not take longer than they are long.
    files: ['packages/*/src/**/*.ts', 'apps/*/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/testing/**'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
      'no-restricted-syntax': ['error', tablesByName],
      // One idea a file.
      'max-lines': ['error', { max: 350, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['apps/web/src/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'MemberExpression > MemberExpression.object[property.name="contentDocument"]',
          message: 'A page’s document answers to the names in it first: ask it by frame/dom.ts.',
        },
        // What waits without a place of its own takes the whole screen away, and the focus with it.
        ...['lazy', 'Suspense'].map((name) => ({
          selector: `ImportDeclaration[source.value="react"] > ImportSpecifier[imported.name="${name}"]`,
          message: 'What is loaded late waits in its own place: take late() from shell/late.tsx.',
        })),
        tablesByName,
      ],
    },
  },
  {
    files: ['apps/web/src/shell/late.tsx'],
    rules: { 'no-restricted-syntax': ['error', tablesByName] },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['packages/core/src/css/syntax/parser.ts', '**/*.test.ts', '**/testing/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportDeclaration[source.value="css-tree"] > ImportSpecifier[imported.name="parse"]',
          message: 'Texts of others are parsed within bounds: take parse from css/syntax/parser.ts.',
        },
        tablesByName,
      ],
    },
  },
  {
    files: ['apps/server/**/*.ts'],
    // Nest reads constructor parameter types at run time, so they may not be imported as types only.
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/testing/**'],
    languageOptions: { globals: {} },
    rules: {
      ...noInterface('The core is computation only: no framework, no I/O.'),
      'no-restricted-globals': [
        'error',
        ...['window', 'document', 'process', 'fetch', 'setTimeout', 'performance', 'Date'].map((name) => ({
          name,
          message: 'The core has no DOM, no I/O and no clock.',
        })),
      ],
    },
  },
  {
    files: ['packages/contract/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: noInterface('The contract holds schemas only.'),
  },
  {
    files: ['apps/web/src/**/*.{ts,tsx}'],
    languageOptions: { globals: { ...globals.browser } },
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  prettier,
);
