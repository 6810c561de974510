import { createRequire } from 'node:module';
import termsOfTheTrade from './tools/lint/termsOfTheTrade.mjs';

const require = createRequire(import.meta.url);
const expo = require('eslint-config-expo/flat');

/** Floors of the core, from the ground up: a folder imports only from those that stand before it. */
const CORE_FLOORS = [
  'quantity',
  'geometry',
  'projections',
  'body',
  'room',
  'exposure',
  'words',
  'setup',
  'interchange',
  'series',
  'adapt',
  'exam',
  'radiograph',
  'critique',
  'picture',
  'exercise',
];

/** Rooms of the set-up in the order of the work, kept in the same way; what lies beside them brings them together. */
const SETUP_ROOMS = ['verdict', 'placing', 'ray', 'collimation', 'technique', 'readouts', 'stage', 'pipeline'];
const TOGETHER = ['computeSetup', 'proveEntry', 'setupSchema', 'summary', 'whatIf'];

const above = (folder) => ({
  group: CORE_FLOORS.slice(CORE_FLOORS.indexOf(folder) + 1)
    .map((each) => `**/${each}/*`)
    .concat('**/../index', '**/../index.ts'),
  message: `${folder}/ stands below this: a folder imports only from the floors under it.`,
});

const floor = (folder) => ({
  files: [`packages/core/src/${folder}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: { 'no-restricted-imports': ['error', { patterns: [above(folder)] }] },
});

const room = (name, place) => ({
  files: [`packages/core/src/setup/${name}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          above('setup'),
          {
            group: SETUP_ROOMS.slice(place + 1)
              .map((each) => `../${each}/*`)
              .concat(TOGETHER.map((each) => `../${each}`)),
            message: `setup/${name}/ comes before this in the work.`,
          },
        ],
      },
    ],
  },
});

/** No clock, no chance, nothing of a browser or a server: the same question has the same answer, byte for byte. */
const PURE = {
  files: ['packages/core/src/**/*.ts'],
  // What only tests import may read the files they prove.
  ignores: ['**/*.test.ts', 'packages/core/src/testing/**'],
  rules: {
    'no-restricted-globals': ['error', 'window', 'document', 'process', 'Date', 'fetch', 'setTimeout', 'performance'],
    'no-restricted-properties': [
      'error',
      { object: 'Math', property: 'random', message: 'The core is deterministic.' },
      { object: 'globalThis', property: 'crypto', message: 'The core is deterministic.' },
    ],
    '@typescript-eslint/no-restricted-imports': [
      'error',
      { patterns: [{ group: ['node:*', 'react', 'react-native', 'express'], message: 'The core is pure.' }] },
    ],
  },
};

/**
 * What a projection is stands in its fields: a copy under another id and name behaves as its original, so nothing asks
 * how an id is spelt.
 */
const ID = String.raw`/^(projectionId|entryId)$/`;
const isId = (side) => `:matches([${side}.name=${ID}], [${side}.property.name=${ID}])`;
const BY_FIELDS = [
  `BinaryExpression[operator=/^[!=]==?$/][right.value=/./]${isId('left')}`,
  `CallExpression[callee.property.name=/^(startsWith|endsWith|includes|match|matchAll|search)$/]${isId('callee.object')}[arguments.0.type!='Identifier']`,
  `CallExpression[callee.property.name=/^(test|exec)$/]${isId('arguments.0')}`,
  `SwitchStatement${isId('discriminant')}`,
].map((selector) => ({
  selector,
  message: 'No behaviour hangs on the spelling of an id: give the entry a field.',
}));

/** A finger, a key and a screen reader each need to be told what a thing is: no bare pressable, no picture without words. */
const SAID = {
  files: ['apps/web/src/**/*.tsx'],
  ignores: ['**/*.test.tsx', '**/testing/**'],
  rules: {
    'no-restricted-syntax': [
      'error',
      ...BY_FIELDS,
      {
        selector:
          "JSXOpeningElement[name.name='Pressable']:not(:has(> JSXAttribute[name.name=/^(accessibilityRole|role|aria-hidden)$/])):not(:has(> JSXSpreadAttribute))",
        message: 'A Pressable says what it is: give it a role.',
      },
      {
        selector:
          "JSXOpeningElement[name.name='TextInput']:not(:has(> JSXAttribute[name.name=/^(accessibilityLabel|aria-label)$/])):not(:has(> JSXSpreadAttribute))",
        message: 'A field says what is typed into it: give it a label.',
      },
      {
        selector:
          'JSXOpeningElement[name.name=/^(Image|Svg)$/]:not(:has(> JSXAttribute[name.name=/^(accessibilityLabel|aria-label|aria-hidden|accessible)$/])):not(:has(> JSXSpreadAttribute))',
        message: 'A picture has words, or is hidden from who cannot see it.',
      },
    ],
  },
};

const throughTheIndex = {
  group: ['@taktik/core/*', '!@taktik/core/picture', '!@taktik/core/exercise', '**/packages/core/**'],
  message: 'Import the core through its index, or one of the two that are loaded on demand.',
};

const overHttp = {
  group: ['**/apps/server/**', '**/server/src/**', '@taktik/server'],
  message: 'The app reaches the server over HTTP.',
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
    files: ['**/*.config.js', 'jest.config.js', 'tools/**/*.cjs'],
    languageOptions: {
      globals: {
        __filename: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
        process: 'readonly',
        beforeEach: 'readonly',
        afterEach: 'readonly',
      },
    },
  },
  ...CORE_FLOORS.map(floor),
  ...SETUP_ROOMS.map(room),
  PURE,
  {
    files: ['packages/core/src/**/*.ts', 'apps/*/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...BY_FIELDS] },
  },
  SAID,
  {
    files: ['{packages,apps,e2e,tools}/**/*.{ts,tsx}'],
    plugins: { terms: termsOfTheTrade },
    rules: { 'terms/no-old-words': 'error' },
  },
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
    files: ['apps/server/src/services/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            throughTheIndex,
            {
              group: ['**/api/*', 'express', 'node:http'],
              message: 'A service speaks no HTTP: it refuses, and says why.',
            },
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
          patterns: [throughTheIndex, overHttp],
        },
      ],
    },
  },
  {
    files: ['apps/web/src/state/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            throughTheIndex,
            overHttp,
            { group: ['**/screens/*', '**/screens/**', '**/ui/*'], message: 'The state stands below what shows it.' },
          ],
        },
      ],
    },
  },
  // Hooks and components are of the app alone; to look for them everywhere takes half of the time.
  {
    files: ['{packages,apps/server,e2e,tools}/**/*.{ts,mjs,cjs}', '*.{js,mjs,ts}'],
    rules: Object.fromEntries(
      expo
        .flatMap(({ rules = {} }) => Object.keys(rules))
        .filter((rule) => /^(react|react-hooks)\//.test(rule))
        .map((rule) => [rule, 'off']),
    ),
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
