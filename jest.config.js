/** Three projects: core and server in Node, the app with jest-expo's web preset. */
const babel = ['babel-jest', { babelrc: false, configFile: false, presets: ['babel-preset-expo'] }];
const ESM_PACKAGES = [
  'nanoid',
  'zod-openapi',
  'gl-matrix',
  'fast-check',
  'pure-rand',
  'minisearch',
  'comlink',
  'fast-png',
  'iobuffer',
  'fflate',
  'ts-fsrs',
  'p-limit',
  'yocto-queue',
];
const CORE = {
  '^@taktik/contracts$': `${__dirname}/packages/contracts/src/index.ts`,
  '^@taktik/core$': `${__dirname}/tools/jest/core/index.cjs`,
  '^@taktik/core/(picture|exercise)$': `${__dirname}/tools/jest/core/$1.cjs`,
};
/**
 * Tests run in a context of their own, where every look at a global goes through the context; those that the core's
 * loops use are handed to each module instead, which nearly doubles the speed of the proofs.
 */
const FAST_GLOBALS = ['Math', 'Number', 'Object', 'Array', 'Set', 'Map', 'Float64Array', 'Error', 'JSON', 'String'];
const quick = `${__dirname}/tools/jest/esbuild.cjs`;
const CORE_SOURCES = '/packages/core/src/.*\\.ts$';
const QUIET = [`${__dirname}/tools/jest/quiet.cjs`];
const nodeProject = (name, folder) => ({
  displayName: name,
  rootDir: `${__dirname}/${folder}`,
  testEnvironment: `${__dirname}/tools/jest/environment.cjs`,
  setupFilesAfterEnv: QUIET,
  testMatch: ['**/src/**/*.test.ts'],
  transform: { '\\.[cm]?[jt]s$': quick },
  transformIgnorePatterns: [`/node_modules/(?!(${ESM_PACKAGES.join('|')})/)`],
  moduleNameMapper: CORE,
});

const APP_PACKAGES = [
  '(jest-)?react-native',
  '@react-native(-community)?',
  'expo(nent)?',
  '@expo(nent)?/.*',
  '@expo-google-fonts/.*',
  'react-navigation',
  '@react-navigation/.*',
  '@rneui/.*',
  'gifted-charts-core',
  '@reduxjs/toolkit',
  'immer',
  'react-redux',
  ...ESM_PACKAGES,
];

/** Long enough for the busiest machine: a test waits for what happens, never for the clock. */
const MOST_MS = 300_000;

module.exports = {
  testTimeout: MOST_MS,
  projects: [
    nodeProject('core', 'packages/core'),
    nodeProject('server', 'apps/server'),
    { ...nodeProject('tools', 'tools'), testMatch: ['**/*.test.ts'] },
    {
      displayName: 'web',
      setupFilesAfterEnv: QUIET,
      sandboxInjectedGlobals: FAST_GLOBALS,
      preset: 'jest-expo/web',
      testEnvironment: `${__dirname}/apps/web/jest/environment.js`,
      setupFiles: [...require('jest-expo/web/jest-preset').setupFiles, `${__dirname}/apps/web/jest/setup.js`],
      transform: {
        [CORE_SOURCES]: quick,
        ...require('jest-expo/web/jest-preset').transform,
        '\\.mjs$': babel,
      },
      rootDir: `${__dirname}/apps/web`,
      testMatch: ['**/src/**/*.test.{ts,tsx}'],
      transformIgnorePatterns: [`/node_modules/(?!(${APP_PACKAGES.join('|')}))`],
      moduleNameMapper: {
        ...CORE,
        '^@react-native-vector-icons/.*$': `${__dirname}/apps/web/jest/noIcons.js`,
        '^react-native-vector-icons/.*$': `${__dirname}/apps/web/jest/noIcons.js`,
      },
    },
  ],
};
