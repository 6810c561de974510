/** Strict type check of every part; the route types of the app are made first when they are missing. */
import { existsSync } from 'node:fs';
import { at, expoEnv, must } from './lib.mjs';

if (!existsSync(at('apps/web/.expo/types/router.d.ts')))
  await must(process.execPath, [at('node_modules/expo/bin/cli'), 'customize', 'tsconfig.json'], {
    cwd: at('apps/web'),
    env: expoEnv,
  });

/** The compiler in native code checks in seconds; the one that lint and the editors use checks the same language. */
const compiler = at('node_modules/typescript-native/bin/tsc');
for (const config of [
  'packages/core/tsconfig.json',
  'packages/core/tsconfig.test.json',
  'apps/server/tsconfig.json',
  'apps/web/tsconfig.json',
  'tsconfig.json',
]) {
  process.stdout.write(`tsc ${config}\n`);
  await must(process.execPath, [compiler, '-p', config]);
}
