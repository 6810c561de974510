/**
 * Conditions that are always true or always false. What stands at a place of a list may be missing, and asking for it is no
 * needless condition; the compiler must know that here, though it would only breed assertions in the sources themselves.
 * So a copy of them is looked over under a stricter setting.
 */
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { at } from '../lib.mjs';

const CONFIGS = [
  'tsconfig.json',
  'packages/core/tsconfig.json',
  'packages/contracts/tsconfig.json',
  'apps/server/tsconfig.json',
  'apps/web/tsconfig.json',
];
const PARTS = ['packages', 'apps', 'e2e', 'tools'];
const LEFT_OUT = /(^|[\\/])(node_modules|dist|bench-results)$|\.test\.tsx?$/;

const copy = mkdtempSync(path.join(tmpdir(), 'taktik-lint-'));
const inCopy = (...parts) => path.join(copy, ...parts);
for (const part of [...PARTS, 'tsconfig.json', 'tsconfig.base.json'])
  cpSync(at(part), inCopy(part), { recursive: true, filter: (file) => !LEFT_OUT.test(file) });
symlinkSync(at('node_modules'), inCopy('node_modules'));
for (const file of CONFIGS) {
  const config = JSON.parse(readFileSync(inCopy(file), 'utf8'));
  config.compilerOptions = { ...config.compilerOptions, noUncheckedIndexedAccess: true };
  writeFileSync(inCopy(file), JSON.stringify(config));
}
writeFileSync(
  inCopy('.oxlintrc.json'),
  JSON.stringify({
    plugins: ['typescript'],
    categories: { correctness: 'off' },
    rules: { 'typescript/no-unnecessary-condition': ['error', { allowConstantLoopConditions: true }] },
  }),
);
const { status, stdout, stderr } = spawnSync(
  process.execPath,
  [at('node_modules/oxlint/bin/oxlint'), '--type-aware', ...PARTS],
  { cwd: copy, encoding: 'utf8', maxBuffer: 1 << 26 },
);
rmSync(copy, { recursive: true, force: true });
process.stdout.write(stdout);
process.stderr.write(stderr);
process.exitCode = status ?? 1;
