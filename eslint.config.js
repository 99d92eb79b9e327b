import { defineConfig } from 'eslint/config';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default defineConfig(
  {
    ignores: [
      '.tmp/',
      'build/',
      'dist/',
      '.svelte-kit/',
      'node_modules/',
      'drizzle/',
      'data/',
      '.dependency-cruiser.cjs',
    ],
  },
  ...ts.configs.strictTypeChecked,
  ...svelte.configs.recommended,
  {
    languageOptions: {
      globals: { ...globals.browser, ...globals.node },
      parserOptions: {
        projectService: true,
        extraFileExtensions: ['.svelte'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-confusing-void-expression': [
        'error',
        { ignoreArrowShorthand: true, ignoreVoidOperator: true },
      ],
      '@typescript-eslint/only-throw-error': 'off',
      eqeqeq: 'error',
      'max-depth': ['error', 4],
    },
  },
  { files: ['src/**'], rules: { complexity: ['error', 15] } },
  {
    files: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        {
          object: 'vi',
          property: 'waitFor',
          message: 'It gives up after a second, and a machine can be busy: use until() of src/lib/testing.',
        },
      ],
    },
  },
  {
    files: ['src/lib/**', 'src/routes/**'],
    ignores: ['src/lib/loadAnew.ts', '**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          name: '$app/navigation',
          importNames: ['invalidate', 'invalidateAll'],
          message: 'It gives up the way to another page: use loadAnew() of src/lib.',
        },
      ],
    },
  },
  {
    // Its older forms are of before this rule; what learns a hand from its text keeps it.
    files: ['src/core/reading/**'],
    ignores: ['src/core/reading/gist/**', 'src/core/reading/page/**'],
    rules: { complexity: 'off' },
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } },
    rules: { 'svelte/no-navigation-without-resolve': 'off', 'svelte/prefer-writable-derived': 'off' },
  },
  {
    // A component that is imported has no types here; svelte-check knows them, and checks what is passed to it.
    files: ['**/*.svelte', '**/*.browser.test.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
    },
  },
);
