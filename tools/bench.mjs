/** `npm run bench`: the figures that the design promises, as a table and as JSON in bench-results/. */
import { at, ensureChromium, ensureInstalled, must } from './lib.mjs';

await ensureInstalled();
const { buildAll } = await import('./build.mjs');
await buildAll();
if (!(await ensureChromium())) process.exit(1);
// Bundled as it ships: a transpiler that runs along would be measured with it, and so would the variables of an ES
// module, which are slower than those of the functions that the app's modules are wrapped in.
const { build } = await import('esbuild');
const outdir = at('bench-results');
await build({
  entryPoints: { bench: at('tools/bench/main.ts'), pictureThread: at('tools/bench/pictureThread.ts') },
  outdir,
  outExtension: { '.js': '.cjs' },
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  mainFields: ['module', 'main'],
  packages: 'bundle',
  external: ['@playwright/test'],
  logLevel: 'warning',
});
// What was just built for a minute on all cores is not measured at their full pace.
const SETTLE_MS = 20_000;
await new Promise((resolve) => setTimeout(resolve, SETTLE_MS));
await must(process.execPath, [at('bench-results/bench.cjs'), ...process.argv.slice(2)]);
