/**
 * The whole core and its packages as one module, made before the tests run: inside one module the compiler of the engine
 * sees through every call, which makes the proofs twice as fast. Each file of the core keeps its own exports, so a test
 * imports what it always did. A worker reads it once for all its test files: the core is pure, which lint keeps so, and
 * nothing of one test is left in it for the next.
 */
const { createHash } = require('node:crypto');
const {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} = require('node:fs');
const path = require('node:path');
const esbuild = require('esbuild');

const root = path.resolve(__dirname, '../..');
const sources = path.join(root, 'packages/core/src');
const folder = path.join(root, 'node_modules/.cache/taktik/jest');

const files = readdirSync(sources, { recursive: true })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !file.endsWith('.d.ts'))
  // What only tests import stays with them, where expectations are known.
  .filter((file) => !file.startsWith(`testing${path.sep}`))
  .map((file) => file.split(path.sep).join('/'))
  .sort();
const key = createHash('sha256').update(esbuild.version).update(readFileSync(__filename));
key.update(readFileSync(path.join(root, 'package-lock.json')));
// Data is bundled too: what it says is proved, and a change of it alone must be proved anew.
const data = readdirSync(sources, { recursive: true })
  .filter((file) => file.endsWith('.json'))
  .map((file) => file.split(path.sep).join('/'))
  .sort();
for (const file of [...files, ...data]) key.update(file).update(readFileSync(path.join(sources, file)));
const stem = path.join(folder, `core-${key.digest('hex').slice(0, 16)}`);
const bundle = `${stem}.cjs`;
/** What was made so long ago is of sources that are gone. */
const OLD_MS = 3 * 24 * 3600 * 1000;
const nameOf = (file) => file.replace(/\.ts$/, '');

/** Written beside its place and moved there: two runs at once never read half a file. */
function put(file, text) {
  const beside = `${file}.${process.pid}`;
  writeFileSync(beside, text);
  renameSync(beside, file);
}

function make() {
  mkdirSync(folder, { recursive: true });
  // Asked for, not imported: each file runs when a test first wants it.
  const contents = files
    .map((file) => `exports[${JSON.stringify(nameOf(file))}] = () => require('./${nameOf(file)}');`)
    .join('\n');
  const { outputFiles } = esbuild.buildSync({
    stdin: { contents, resolveDir: sources, sourcefile: 'every.js' },
    bundle: true,
    write: false,
    outfile: bundle,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    mainFields: ['module', 'main'],
    external: ['dcmjs'],
    sourcemap: true,
    sourcesContent: false,
    logLevel: 'warning',
  });
  // The module itself last: where it stands, its map does.
  for (const { path: file, text } of outputFiles.sort((a, b) => Number(a.path === bundle) - Number(b.path === bundle)))
    put(file, text);
  for (const file of readdirSync(folder).map((name) => path.join(folder, name)))
    if (Date.now() - statSync(file).mtimeMs > OLD_MS) rmSync(file, { force: true });
}

/** Under this name a test's surroundings have the core. */
const SHARED = 'taktik core';
const given = new Map();
/** Exports of a file of the core as plain data, not a getter behind a getter; the same for every test of a worker. */
function core(name) {
  if (!given.has(name)) given.set(name, { ...require(bundle)[name]() });
  return given.get(name);
}

if (!existsSync(bundle)) make();

/**
 * @param file a file of the core without its ending, relative to its sources
 * @returns code that gives its exports, or undefined when the core has no such file
 */
const requiring = (file) => {
  const name = [file, `${file}/index`].find((each) => files.includes(`${each}.ts`));
  return name && `globalThis[${JSON.stringify(SHARED)}](${JSON.stringify(name)})`;
};

module.exports = { bundle, core, requiring, SHARED, sources };
