import js from '@eslint/js';
import angular from 'angular-eslint';
import ts from 'typescript-eslint';

/**
 * What the page may compute on its own thread: small things that every screen draws
 * with. The rest of the core is asked in the worker; its types are for all. Which
 * room may use which is `.dependency-cruiser.cjs`'s to say.
 */
const ON_THE_PAGE = {
  chance: ['wilsonInterval'],
  forecast: [],
  looking: [],
  nursing: [
    'SEEDLING_STAGES',
    'COVERS',
    'NURSERY_TROUBLES',
    'USUAL_NURSING',
    'MOST_LATITUDE',
    'LUX_PER_MICROMOL',
    'MIXES',
    'mixFor',
    'dilution',
    'inSpoons',
    'scaleMix',
    'weatherFrom',
    'nextStage',
    'touchSays',
    'reached',
  ],
  parcel: ['SEED_STAGES', 'TROUBLES', 'hasTipped', 'parcelState'],
  sowing: ['plantsForBed', 'plantsForRack', 'waterFor', 'suppliesFor', 'handsFor', 'clashesOf', 'keptApart'],
  judging: ['FINDINGS', 'FINDING_OF', 'quietChoices'],
  season: ['outNotBefore'],
  trials: ['drawnByLot', 'germinationIndices', 'looksTooSparse', 'tipsByDay', 'warmFromMs'],
  practice: ['marked', 'practiceTally', 'SURENESSES'],
};
const askTheWorker = (room, names) => ({
  name: `@fresh-tuck/core/${room}`,
  allowTypeImports: true,
  message: `Ask the worker: of ${room} the page may compute ${names.join(', ') || 'nothing'}.`,
  ...(names.length > 0 ? { allowImportNames: names } : {}),
});

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
  {
    // The interface computes nothing heavy on its own thread.
    files: ['web/**/*.ts'],
    // planned.ts and shown.ts are their worker's own, and what stands in for it in the specs.
    ignores: ['**/*.worker.ts', '**/forecast/planned.ts', '**/notebook/shown.ts', '**/*.spec.ts', '**/testing/**'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          paths: [
            ...Object.entries(ON_THE_PAGE).map(([room, names]) => askTheWorker(room, names)),
            { name: '@fresh-tuck/core/crops', importNames: ['CROPS'], message: 'The book is asked for from the server.' },
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
      '@typescript-eslint/no-restricted-imports': ['error', { patterns: [{ group: ['node:*'], message: 'Core knows no machine.' }] }],
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
