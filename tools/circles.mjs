/** No circle of imports, types included: a module stands on those that it imports, so none may stand on itself. */
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { circlesIn } from './graph.mjs';
import { at } from './lib.mjs';

const ROOTS = ['packages/core/src', 'apps/server/src', 'apps/web/src', 'e2e', 'tools'];
const IMPORT = /(?:\bfrom|\bimport)\s*\(?\s*'(\.{1,2}\/[^']*)'/g;
const ENDINGS = ['', '.ts', '.tsx', '.mjs', '.cjs', '.js', '/index.ts'];

const files = ROOTS.flatMap((folder) =>
  readdirSync(at(folder), { recursive: true })
    .map((file) => path.join(at(folder), file))
    .filter((file) => /\.(tsx?|mjs)$/.test(file)),
);
const isFile = (file) => existsSync(file) && statSync(file).isFile();
const imports = new Map(
  files.map((file) => [
    file,
    [...readFileSync(file, 'utf8').matchAll(IMPORT)].flatMap(([, to]) => {
      const wanted = path.resolve(path.dirname(file), to);
      const found = ENDINGS.map((ending) => wanted + ending).find(isFile);
      return found ? [found] : [];
    }),
  ]),
);

const circles = circlesIn(imports);
for (const members of circles) {
  process.stdout.write('\nThese import one another in a circle:\n');
  for (const member of members) process.stdout.write(`  ${path.relative(at('.'), member)}\n`);
}
process.stdout.write(`${files.length} modules, ${circles.length} circles of imports\n`);
process.exitCode = circles.length > 0 || files.length === 0 ? 1 : 0;
