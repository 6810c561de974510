/** Builds the web app and the server, each only when its sources changed. */
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { at, expoEnv, fingerprint, must, say } from './lib.mjs';

async function when(stampFile, paths, build) {
  const wanted = fingerprint(paths);
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === wanted) return;
  await build();
  writeFileSync(stampFile, wanted);
}

/** The bones of the pictures, as small as they go over the line. */
function packBones() {
  const from = at('packages/core/skeleton');
  mkdirSync(at('apps/web/dist/skeleton'), { recursive: true });
  for (const file of readdirSync(from))
    writeFileSync(
      at('apps/web/dist/skeleton', `${file}.gz`),
      gzipSync(readFileSync(path.join(from, file)), { level: 9 }),
    );
}

async function buildWeb() {
  say('Building the app; the first time this takes one to three minutes');
  await must(
    process.execPath,
    [at('node_modules/expo/bin/cli'), 'export', '--platform', 'web', '--output-dir', 'dist'],
    {
      cwd: at('apps/web'),
      env: expoEnv,
    },
  );
  packBones();
  const { generateSW } = await import('workbox-build');
  const { count, size } = await generateSW({
    globDirectory: at('apps/web/dist'),
    globPatterns: ['**/*.{html,js,ttf,png,ico,json,gz}'],
    globIgnores: ['**/metadata.json'],
    swDest: at('apps/web/dist/sw.js'),
    inlineWorkboxRuntime: true,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    maximumFileSizeToCacheInBytes: 8_000_000,
    dontCacheBustURLsMatching: /[.-][0-9a-f]{32}\./,
    skipWaiting: true,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
  });
  process.stdout.write(`Works without a network: ${count} files, ${Math.round(size / 1024)} KB kept on the device.\n`);
}

/** One part of the server and all of ours that it imports, as one file beside the server. */
export async function bundleServer(entry, outfile) {
  const { build } = await import('esbuild');
  const { dependencies } = JSON.parse(readFileSync(at('apps/server/package.json'), 'utf8'));
  await build({
    entryPoints: [at('apps/server/src', entry)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    mainFields: ['module', 'main'],
    alias: {
      '@taktik/contracts': at('packages/contracts/src/index.ts'),
      '@taktik/core/exercise': at('packages/core/src/exercise/index.ts'),
      '@taktik/core/picture': at('packages/core/src/picture/index.ts'),
      '@taktik/core': at('packages/core/src/index.ts'),
    },
    // zod is shared with the core and bundled, so that there is one of it.
    external: Object.keys(dependencies).filter(
      (name) => !name.startsWith('@taktik/') && name !== 'zod' && name !== 'zod-openapi',
    ),
    logLevel: 'warning',
  });
}

async function buildServer() {
  say('Building the server');
  await bundleServer('main.ts', at('apps/server/dist/main.mjs'));
  await bundleServer('compute/thread.ts', at('apps/server/dist/thread.mjs'));
  cpSync(at('apps/server/src/db/migrations'), at('apps/server/dist/migrations'), { recursive: true });
}

/** What the browser tests are served by. */
export const BROWSER_HOST = at('apps/server/dist/testing/browserHost.mjs');
async function buildBrowserHost() {
  await bundleServer('testing/browserHost.ts', BROWSER_HOST);
}

const SERVER_SOURCES = ['apps/server', 'packages/core/src', 'package-lock.json', 'tools/build.mjs'];
export const buildServerAlone = () => when(at('apps/server/dist/.built'), SERVER_SOURCES, buildServer);

export async function buildAll() {
  await when(
    at('apps/web/dist/.built'),
    ['apps/web', 'packages/core/src', 'packages/core/skeleton', 'package-lock.json', 'tools/build.mjs'],
    buildWeb,
  );
  await buildServerAlone();
  await when(at('apps/server/dist/testing/.built'), SERVER_SOURCES, buildBrowserHost);
}

/** How to start what was built. */
export const serverArgs = [at('apps/server/dist/main.mjs')];
export const serverEnv = { TAKTIK_MIGRATIONS: at('apps/server/dist/migrations'), TAKTIK_WEB: at('apps/web/dist') };

if (process.argv[1] === at('tools/build.mjs')) await buildAll();
