/** `npm run bench`: the figures that the design promises, as a table and as JSON in bench-results/. */
import { at, ensureChromium, ensureInstalled, must } from './lib.mjs';

await ensureInstalled();
const { buildAll } = await import('./build.mjs');
await buildAll();
if (!(await ensureChromium())) process.exit(1);
// Bundled as it ships: a transpiler that runs along would be measured with it.
const { build } = await import('esbuild');
const outfile = at('bench-results/bench.mjs');
await build({
  entryPoints: [at('tools/bench.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  mainFields: ['module', 'main'],
  packages: 'bundle',
  external: ['@playwright/test'],
  logLevel: 'warning',
});
await must(process.execPath, [outfile, ...process.argv.slice(2)]);
