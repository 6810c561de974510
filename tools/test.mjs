/**
 * `npm test`: everything, on a fresh machine too; the last line is the sum over all runners.
 *
 * `--quick` runs core and server alone, without the proofs over the whole catalogue. Where a test file has passed and
 * nothing that it reads has changed since, it is not run again; with CI set, or `--all`, everything is.
 */
import { spawn } from 'node:child_process';
import { createWriteStream, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { at, ensureChromium, ensureInstalled, ensurePeers, root } from './lib.mjs';

await ensureInstalled();
const { browserTests, testsToRun } = await import('./proved.mjs');

const quick = process.argv.includes('--quick');
if (!quick) await ensurePeers();
const everything = Boolean(process.env.CI) || process.argv.includes('--all');
const results = mkdtempSync(path.join(tmpdir(), 'taktik-test-'));

const fileFor = (name, ending) => path.join(results, `${name.replace(/\W+/g, '-').toLowerCase()}.${ending}`);
const readJson = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined;
  }
};

/** Runs one of our own or an installed program with all that it says in a file; resolves to its exit code. */
function runNode(name, program, args, env = {}) {
  const out = createWriteStream(fileFor(name, 'log'));
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [at(program), ...args], { cwd: root, env: { ...process.env, ...env } });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => out.write(text));
    child.on('close', (code) => out.end(() => resolve(code ?? 1)));
  });
}

/** A check without cases of its own counts as one. */
const check =
  (program, ...args) =>
  async (name) => {
    const code = await runNode(name, program, args);
    return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 };
  };
/** What a runner that failed without a failed case has to say stands in its log. */
const counted = (code, passed, failed) => ({ passed, failed: failed || (code === 0 && passed > 0 ? 0 : 1) });

const unit =
  (...projects) =>
  async (name) => {
    const tests = await testsToRun(projects, { everything, quick });
    if (tests.files.length === 0) return { passed: 0, failed: 0, note: tests.note };
    const file = fileFor(name, 'json');
    const code = await runNode(name, 'node_modules/jest/bin/jest.js', [
      '--maxWorkers=100%',
      '--json',
      `--outputFile=${file}`,
      '--selectProjects',
      ...projects,
      '--runTestsByPath',
      ...tests.files,
    ]);
    const told = readJson(file);
    tests.keep(told?.testResults ?? []);
    const failed = (told?.numFailedTests ?? 0) + (told?.numRuntimeErrorTestSuites ?? 0);
    return { ...counted(code, told?.numPassedTests ?? 0, failed), note: tests.note };
  };

async function browser(name) {
  const tests = browserTests({ everything });
  if (tests.spared)
    return { passed: 0, failed: 0, note: 'passed before, and nothing that they run on has changed since' };
  if (!(await ensureChromium())) return { passed: 0, failed: 1 };
  const file = fileFor(name, 'json');
  const code = await runNode(name, 'node_modules/@playwright/test/cli.js', ['test', '--reporter=list,json'], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: file,
    TAKTIK_RESULTS: path.join(results, 'browser'),
  });
  const stats = readJson(file)?.stats;
  tests.keep(code === 0);
  return counted(code, (stats?.expected ?? 0) + (stats?.flaky ?? 0), stats?.unexpected ?? 0);
}

const cached = (tool) =>
  everything
    ? []
    : ['--cache', '--cache-strategy', 'content', '--cache-location', at('node_modules/.cache/taktik', tool)];
/** What takes one core stands beside something else that does; what takes all has the machine. */
const LANES = quick
  ? [[[['Core and server', unit('core', 'server')]]]]
  : [
      [
        [
          ['Build', check('tools/build.mjs')],
          [
            'Format',
            check(
              'node_modules/prettier/bin/prettier.cjs',
              '--check',
              '.',
              '--log-level',
              'warn',
              ...cached('prettier'),
            ),
          ],
        ],
        [
          ['Types', check('tools/typecheck.mjs')],
          ['Lint', check('node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0', ...cached('eslint'))],
          [
            'Lint by types',
            check('node_modules/oxlint/bin/oxlint', '--type-aware', 'packages', 'apps', 'e2e', 'tools'),
          ],
          ['Needed conditions', check('tools/lint/neededConditions.mjs')],
          ['Circles', check('tools/circles.mjs')],
          ['Unused', check('node_modules/knip/bin/knip.js', '--no-progress')],
        ],
      ],
      [[['Units', unit('core', 'server', 'tools', 'web')]]],
      [[['Browser', browser]]],
    ];

const began = Date.now();
const seconds = (since) => `${Math.round((Date.now() - since) / 1000)} s`;
const parts = [];
async function runPart([name, part]) {
  const since = Date.now();
  const { passed, failed, note = '' } = await part(name);
  const time = seconds(since);
  parts.push({ name, passed, failed, note, time });
  if (failed > 0) process.stdout.write(`\n${readFileSync(fileFor(name, 'log'), { encoding: 'utf8', flag: 'a+' })}`);
  process.stdout.write(`${failed > 0 ? '✕' : '✓'} ${name}: ${passed} passed, ${failed} failed, ${time}\n`);
}
for (const lanes of LANES)
  await Promise.all(
    lanes.map(async (lane) => {
      for (const each of lane) await runPart(each);
    }),
  );
rmSync(results, { recursive: true, force: true });

const sum = (key) => parts.reduce((total, part) => total + part[key], 0);
const width = Math.max(...parts.map(({ name }) => name.length));
process.stdout.write('\n');
for (const { name, passed, failed, note, time } of parts)
  process.stdout.write(
    `${name.padEnd(width)}  ${time.padStart(6)}  ${passed} passed, ${failed} failed${note && `; ${note}`}\n`,
  );
process.stdout.write(
  `${'All'.padEnd(width)}  ${seconds(began).padStart(6)}\n${sum('passed')} passed, ${sum('failed')} failed\n`,
);
process.exitCode = sum('failed') > 0 || (sum('passed') === 0 && !parts.some(({ note }) => note)) ? 1 : 0;
