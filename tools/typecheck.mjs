/** Strict type check of every part; the route types of the app are made first when they are missing. */
import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { at, expoEnv, must, root } from './lib.mjs';

const routeTypes = at('apps/web/.expo/types/router.d.ts');
/** A folder is newer than what was made of it as soon as a screen comes or goes. */
const madeSince = (folder) => statSync(at(folder)).mtimeMs < statSync(routeTypes).mtimeMs;
if (!existsSync(routeTypes) || !['apps/web/src/app', 'apps/web/src/app/record'].every(madeSince))
  await must(process.execPath, [at('node_modules/expo/bin/cli'), 'customize', 'tsconfig.json'], {
    cwd: at('apps/web'),
    env: expoEnv,
  });

/** The compiler in native code checks in seconds; the one that lint and the editors use checks the same language. */
const compiler = at('node_modules/typescript-native/bin/tsc');
for (const config of [
  'packages/core/tsconfig.json',
  'packages/core/tsconfig.test.json',
  'packages/contracts/tsconfig.json',
  'apps/server/tsconfig.json',
  'apps/web/tsconfig.json',
  'tsconfig.json',
]) {
  process.stdout.write(`tsc ${config}\n`);
  await must(process.execPath, [compiler, '-p', config]);
}

/** Where data comes from outside: there a place in a list may be empty, and is not taken as filled. */
const OUTSIDE =
  /^(packages\/core\/src\/(interchange|picture)|packages\/contracts\/src|apps\/server\/src|apps\/web\/src\/state)\/(?!.*\.test\.)/;

for (const config of ['apps/server/tsconfig.json', 'apps/web/tsconfig.json']) {
  process.stdout.write(`tsc ${config}, unchecked indexes of data from outside\n`);
  const { stdout, status } = spawnSync(
    process.execPath,
    [compiler, '-p', config, '--noUncheckedIndexedAccess', '--pretty', 'false'],
    { cwd: root, encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  if (status === null) throw new Error(`the compiler did not end: ${config}`);
  const found = stdout.split('\n').filter((line) => OUTSIDE.test(line));
  if (found.length === 0) continue;
  process.stderr.write(`${found.join('\n')}\n`);
  process.exit(1);
}
