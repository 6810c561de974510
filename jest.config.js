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
];
const CORE = {
  '^@taktik/core$': `${__dirname}/packages/core/src/index.ts`,
  '^@taktik/core/(picture|exercise)$': `${__dirname}/packages/core/src/$1/index.ts`,
};
const nodeProject = (name, folder) => ({
  displayName: name,
  rootDir: `${__dirname}/${folder}`,
  testEnvironment: 'node',
  testMatch: ['**/src/**/*.test.ts'],
  transform: { '\\.m?[jt]sx?$': babel },
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

module.exports = {
  projects: [
    nodeProject('core', 'packages/core'),
    nodeProject('server', 'apps/server'),
    {
      displayName: 'web',
      preset: 'jest-expo/web',
      testEnvironment: `${__dirname}/apps/web/jest/environment.js`,
      setupFiles: [...require('jest-expo/web/jest-preset').setupFiles, `${__dirname}/apps/web/jest/setup.js`],
      transform: { ...require('jest-expo/web/jest-preset').transform, '\\.mjs$': babel },
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
