/** Strict type check of every part; the route types of the app are made first when they are missing. */
import { existsSync } from 'node:fs';
import { at, expoEnv, must } from './lib.mjs';

if (!existsSync(at('apps/web/.expo/types/router.d.ts')))
  await must('npx', ['expo', 'customize', 'tsconfig.json'], { cwd: at('apps/web'), env: expoEnv });
for (const config of [
  'packages/core/tsconfig.json',
  'packages/core/tsconfig.test.json',
  'apps/server/tsconfig.json',
  'apps/web/tsconfig.json',
  'tsconfig.json',
]) {
  process.stdout.write(`tsc ${config}\n`);
  await must('npx', ['tsc', '-p', config]);
}
