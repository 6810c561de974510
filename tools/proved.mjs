/**
 * Which unit tests are to be run: those whose sources have changed since they last passed on this machine. A test file is
 * known by a hash of itself and of everything of ours that it imports, however far down, of the packages and of the
 * settings; so an unchanged core is not proved again, and a changed one never goes unproved.
 */
import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { at, fingerprint, root } from './lib.mjs';

const KEPT = at('node_modules/.cache/taktik/proved.json');
/** What tests read without importing it. */
const READ_BY_TESTS = [
  'package-lock.json',
  'jest.config.js',
  'tools/jest',
  'apps/web/jest',
  'docs/formats',
  'docs/catalogue.md',
  'apps/server/src/db/migrations',
];
const FOLDER = { core: 'packages/core/src', server: 'apps/server/src', tools: 'tools', web: 'apps/web/src' };
/** Proofs over the whole catalogue: minutes, not seconds. */
const PROOF = /\.proof\.test\.ts$/;

const testsIn = (folder) =>
  readdirSync(at(folder), { recursive: true })
    .map((file) => `${folder}/${file.split(path.sep).join('/')}`)
    .filter((file) => /\.test\.tsx?$/.test(file));

const readKept = () => {
  try {
    return JSON.parse(readFileSync(KEPT, 'utf8'));
  } catch {
    return {};
  }
};

/** Every file of ours that each of the given files imports, itself included. */
async function importedBy(files) {
  const { build } = await import('esbuild');
  const { metafile } = await build({
    entryPoints: files,
    absWorkingDir: root,
    outdir: at('node_modules/.cache/taktik/none'),
    bundle: true,
    write: false,
    metafile: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    jsx: 'automatic',
    loader: { '.png': 'empty', '.ttf': 'empty' },
    alias: {
      '@taktik/contracts': at('packages/contracts/src/index.ts'),
      '@taktik/core/exercise': at('packages/core/src/exercise/index.ts'),
      '@taktik/core/picture': at('packages/core/src/picture/index.ts'),
      '@taktik/core': at('packages/core/src/index.ts'),
    },
    logLevel: 'silent',
  });
  const reached = (file, seen) => {
    if (seen.has(file)) return seen;
    seen.add(file);
    for (const { path: next, external } of metafile.inputs[file].imports) if (!external) reached(next, seen);
    return seen;
  };
  return new Map(files.map((file) => [file, [...reached(file, new Set())].sort()]));
}

/** What a browser test runs on: the app, the server, the tests themselves. */
const OF_BROWSER = ['apps', 'packages', 'e2e', 'playwright.config.ts', 'package-lock.json', 'tools/build.mjs'];
/** Under this name the browser tests as a whole are kept. */
const BROWSER = 'browser';

/** Whether the browser tests passed with all that they run on as it is now, and what to call when they do. */
export function browserTests({ everything }) {
  const key = fingerprint(OF_BROWSER) + process.version;
  return {
    spared: !everything && readKept()[BROWSER] === key,
    keep(passed) {
      const { [BROWSER]: _, ...others } = readKept();
      store(passed ? { ...others, [BROWSER]: key } : others);
    },
  };
}

function store(kept) {
  mkdirSync(path.dirname(KEPT), { recursive: true });
  writeFileSync(KEPT, JSON.stringify(kept, null, 1));
}

const hashes = new Map();
const hashOf = (file) => {
  if (!hashes.has(file))
    hashes.set(
      file,
      createHash('sha256')
        .update(readFileSync(at(file)))
        .digest('hex'),
    );
  return hashes.get(file);
};

/**
 * @param projects names of Jest's projects
 * @returns the files to run, what to say of the others, and what to call with the results
 */
export async function testsToRun(projects, { everything, quick }) {
  const all = projects
    .flatMap((name) => testsIn(FOLDER[name]))
    .filter((file) => !quick || !PROOF.test(file))
    .sort();
  const settings = fingerprint(READ_BY_TESTS) + process.version;
  // The app's tests stand in for some of its modules, which an import does not tell: all of it counts.
  const app = projects.includes('web') ? fingerprint(['apps/web/src', 'packages/core/src']) : '';
  const imported = await importedBy(all.filter((file) => !file.startsWith(FOLDER.web)));
  const keyOf = (file) => {
    const hash = createHash('sha256').update(settings);
    if (file.startsWith(FOLDER.web)) hash.update(app).update(hashOf(file));
    else for (const each of imported.get(file)) hash.update(`${each}:${hashOf(each)}`);
    return hash.digest('hex');
  };
  const keys = new Map(all.map((file) => [file, keyOf(file)]));
  const kept = everything ? {} : readKept();
  const files = all.filter((file) => kept[file] !== keys.get(file));
  const spared = all.length - files.length;
  return {
    files,
    note: spared > 0 ? `${spared} of ${all.length} files passed before and have not changed since` : '',
    keep(results) {
      const now = readKept();
      for (const { name, status } of results) {
        const file = path.relative(root, name).split(path.sep).join('/');
        if (status === 'passed') now[file] = keys.get(file);
        else delete now[file];
      }
      store(now);
    },
  };
}
