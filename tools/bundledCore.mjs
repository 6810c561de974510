/** The core as one module that Node can run. */
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { at } from './lib.mjs';

export async function bundledCore() {
  const outfile = at('bench-results/core.mjs');
  await build({
    entryPoints: [at('packages/core/src/index.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'warning',
  });
  return import(pathToFileURL(outfile).href);
}
