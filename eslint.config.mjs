import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
const expo = require('eslint-config-expo/flat');

/** Floors of the core, from the ground up; a folder may import from those before it. */
const CORE_FLOORS = [
  { folder: 'quantity', over: [] },
  { folder: 'geometry', over: ['quantity'] },
  { folder: 'projections', over: ['quantity', 'geometry'] },
  { folder: 'body', over: ['quantity', 'geometry', 'projections'] },
  { folder: 'room', over: ['quantity', 'geometry', 'projections', 'body'] },
  { folder: 'exposure', over: ['quantity', 'geometry', 'projections', 'body', 'room'] },
  { folder: 'setup', over: ['quantity', 'geometry', 'projections', 'body', 'room', 'exposure'] },
  { folder: 'interchange', over: ['quantity', 'geometry', 'projections', 'body', 'room', 'exposure', 'setup'] },
  { folder: 'series', over: ['quantity', 'geometry', 'projections', 'body', 'room', 'exposure', 'setup'] },
  { folder: 'adapt', over: ['quantity', 'geometry', 'projections', 'body', 'room', 'exposure', 'setup'] },
  {
    folder: 'exam',
    over: ['quantity', 'geometry', 'projections', 'body', 'room', 'exposure', 'setup', 'interchange', 'series'],
  },
];

const floor = ({ folder, over }) => ({
  files: [`packages/core/src/${folder}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: CORE_FLOORS.map((each) => each.folder)
              .filter((each) => each !== folder && !over.includes(each))
              .map((each) => `**/${each}/*`)
              .concat('**/index', '**/index.ts'),
            message: `${folder}/ stands below this: a folder imports only from the floors under it.`,
          },
          { group: ['node:*', 'react', 'react-native', 'express'], message: 'The core is pure.' },
        ],
      },
    ],
    'no-restricted-globals': ['error', 'window', 'document', 'process', 'Date', 'fetch', 'setTimeout'],
    'no-restricted-properties': [
      'error',
      { object: 'Math', property: 'random', message: 'The core is deterministic.' },
    ],
  },
});

const throughTheIndex = {
  group: ['@taktik/core/*', '!@taktik/core/picture', '!@taktik/core/exercise', '**/packages/core/**'],
  message: 'Import the core through its index, or one of the two that are loaded on demand.',
};

export default [
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '**/.expo/**',
      '**/expo-env.d.ts',
      'test-results/**',
      'bench-results/**',
      'playwright-report/**',
      'apps/server/src/db/migrations/**',
    ],
  },
  ...expo,
  { linterOptions: { reportUnusedDisableDirectives: 'error' } },
  {
    files: ['**/*.config.js', 'jest.config.js'],
    languageOptions: {
      globals: { module: 'writable', require: 'readonly', __dirname: 'readonly', process: 'readonly' },
    },
  },
  ...CORE_FLOORS.map(floor),
  {
    files: ['apps/server/src/**/*.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [throughTheIndex] }] },
  },
  {
    files: ['apps/server/src/db/**/*.ts', 'apps/server/src/standins/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            throughTheIndex,
            { group: ['**/api/*', '**/services/*'], message: 'The database knows nothing of what stands on it.' },
          ],
        },
      ],
    },
  },
  {
    files: ['apps/web/src/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            throughTheIndex,
            { group: ['**/apps/server/**', '@taktik/server'], message: 'The app reaches the server over HTTP.' },
          ],
        },
      ],
    },
  },
  // The database's own style of imports needs no check against the web's resolver.
  {
    files: ['**/*.{ts,tsx,mjs,js}'],
    rules: {
      'import/no-unresolved': 'off',
      'import/namespace': 'off',
      'import/no-named-as-default': 'off',
      'import/no-named-as-default-member': 'off',
    },
  },
];
