/** `npm run skeleton`: models the bones anew from their descriptions and writes them as binary files; `-- leg`: of one region. */
import { pathToFileURL } from 'node:url';
import { at, ensureInstalled } from './lib.mjs';

await ensureInstalled();
const { build } = await import('esbuild');
const outfile = at('bench-results/skeleton.mjs');
await build({
  entryPoints: [at('tools/skeleton/build.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  external: ['meshoptimizer'],
  logLevel: 'warning',
});
const { buildSkeleton } = await import(pathToFileURL(outfile).href);
const { sourcesMark } = await import('./skeleton/sources.mjs');
await buildSkeleton(at('packages/core/skeleton'), sourcesMark(at('tools/skeleton')), process.argv[2]);
