import js from '@eslint/js';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
  { ignores: ['dist/', 'src/core/generated/', 'src/core/*.gen.ts'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs.recommended,
  {
    languageOptions: {
      globals: globals.browser,
      // The parser is for the scripts of components, also where a cycle is looked for through one.
      parserOptions: { parser: ts.parser, svelteConfig, projectService: true, extraFileExtensions: ['.svelte'] },
    },
    plugins: { 'import-x': importX },
    settings: {
      'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts', '.js', '.svelte', '.svelte.ts'] })],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts'], 'svelte-eslint-parser': ['.svelte'] },
      'import-x/extensions': ['.ts', '.svelte'],
    },
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      // What is fetched when it is first needed knows those who need it.
      'import-x/no-cycle': ['error', { allowUnsafeDynamicCyclicDependency: true }],
    },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.svelte'],
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    },
  },
  { files: ['*.js', '*.ts'], ...ts.configs.disableTypeChecked },
);
