/** `npm test`: everything, on a fresh machine too; the last line is the sum over all runners. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureChromium, ensureInstalled, run, say } from './lib.mjs';

await ensureInstalled();
const results = mkdtempSync(path.join(tmpdir(), 'taktik-test-'));
let passed = 0;
let failed = 0;
const count = (good, bad) => {
  passed += good;
  failed += bad;
};
/** A check without cases of its own counts as one. */
const check = async (name, command, args) => {
  say(name);
  const good = (await run(command, args)) === 0;
  count(good ? 1 : 0, good ? 0 : 1);
  return good;
};
const readJson = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined;
  }
};

await check('Lint and format', 'npm', ['run', '--silent', 'lint']);
await check('Types', 'npm', ['run', '--silent', 'typecheck']);

say('Unit tests');
const unitFile = path.join(results, 'unit.json');
const unitCode = await run('npx', ['jest', '--maxWorkers=100%', '--json', `--outputFile=${unitFile}`]);
const unit = readJson(unitFile);
count(unit?.numPassedTests ?? 0, (unit?.numFailedTests ?? 0) + (unit?.numRuntimeErrorTestSuites ?? 0));
if (unitCode !== 0 && !(unit?.numFailedTests > 0) && !(unit?.numRuntimeErrorTestSuites > 0)) count(0, 1);

const built = await check('Build', 'npm', ['run', '--silent', 'build']);
if (built && (await ensureChromium())) {
  say('Browser tests');
  const e2eFile = path.join(results, 'e2e.json');
  const e2eCode = await run('npx', ['playwright', 'test', '--reporter=list,json'], {
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: e2eFile },
  });
  const stats = readJson(e2eFile)?.stats;
  count((stats?.expected ?? 0) + (stats?.flaky ?? 0), stats?.unexpected ?? 0);
  if (e2eCode !== 0 && !(stats?.unexpected > 0)) count(0, 1);
} else count(0, 1);

rmSync(results, { recursive: true, force: true });
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exitCode = failed > 0 || passed === 0 ? 1 : 0;
