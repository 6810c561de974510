/** `npm run formats`: writes the schemas of the open formats anew from the code that validates them. */
import { writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { at, ensureInstalled } from './lib.mjs';

await ensureInstalled();
const { build } = await import('esbuild');
const outfile = at('bench-results/core.mjs');
await build({
  entryPoints: [at('packages/core/src/index.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  logLevel: 'warning',
});
const { bodyJsonSchema } = await import(pathToFileURL(outfile).href);
writeFileSync(at('docs/formats/body.schema.json'), `${JSON.stringify(bodyJsonSchema(), null, 2)}\n`);
console.log('docs/formats/body.schema.json written');
