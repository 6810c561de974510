/** `npm run formats`: writes the schemas of the open formats anew from the code that validates them. */
import { writeFileSync } from 'node:fs';
import { at, ensureInstalled } from './lib.mjs';

await ensureInstalled();
const { bundledCore } = await import('./bundledCore.mjs');
const { bodyJsonSchema } = await bundledCore();
writeFileSync(at('docs/formats/body.schema.json'), `${JSON.stringify(bodyJsonSchema(), null, 2)}\n`);
console.log('docs/formats/body.schema.json written');
