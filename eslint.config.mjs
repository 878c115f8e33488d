import js from '@eslint/js';
import angular from 'angular-eslint';
import ts from 'typescript-eslint';

/** Rooms and what each may use: dependencies point one way. */
const MAY_USE = {
  core: ['core'],
  contract: ['contract', 'core'],
  server: ['server', 'contract', 'core'],
  web: ['web', 'contract', 'core'],
  demo: ['demo', 'server', 'contract', 'core'],
};
const rooms = Object.keys(MAY_USE);

/** Imports that a room must not make, by name or by path. */
const foreign = (room) => {
  const others = rooms.filter((other) => !MAY_USE[room].includes(other));
  return {
    group: others.flatMap((other) => [`@fresh-tuck/${other}`, `@fresh-tuck/${other}/*`, `**/../${other}/**`]),
    message: `${room}/ may use only ${MAY_USE[room].join(', ')}.`,
  };
};

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/.angular/**', 'test-results/**'] },
  js.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [...ts.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports', prefer: 'type-imports' }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  ...rooms.map((room) => ({
    files: [`${room}/**/*.ts`],
    rules: { '@typescript-eslint/no-restricted-imports': ['error', { patterns: [foreign(room)] }] },
  })),
  {
    // The interface computes nothing on its own thread: core's values are for workers, its types for all.
    files: ['web/**/*.ts'],
    ignores: ['**/*.worker.ts', 'web/src/app/data/plan.ts', '**/*.spec.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            foreign('web'),
            { regex: '^@fresh-tuck/core$', allowTypeImports: true, message: 'Ask the worker: only types of core belong here.' },
          ],
        },
      ],
    },
  },
  {
    // Core is pure: no clock, no chance, no machine.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'setTimeout'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }, { object: 'Date', property: 'now' }],
      '@typescript-eslint/no-restricted-imports': [
        'error',
        { patterns: [foreign('core'), { group: ['node:*'], message: 'Core knows no machine.' }] },
      ],
    },
  },
  { files: ['web/**/*.ts'], extends: [...angular.configs.tsRecommended], processor: angular.processInlineTemplates },
  { files: ['web/**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility] },
  // Playwright reads which fixtures a fixture needs from its first parameter, be it empty.
  { files: ['e2e/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        require: 'readonly',
        module: 'readonly',
        fetch: 'readonly',
      },
    },
  },
);
