/** `npm run formats`: writes the schemas of the open formats and the overview of the catalogue anew from the code. */
import { writeFileSync } from 'node:fs';
import { at, ensureInstalled } from './lib.mjs';

await ensureInstalled();
const { bundledCore } = await import('./bundledCore.mjs');
const { bodyJsonSchema, catalogueJsonSchema, catalogueTable, roomJsonSchema } = await bundledCore();
const { format } = await import('prettier');
/** As the rest of the repository is formatted. */
const json = (value) => format(JSON.stringify(value), { parser: 'json', printWidth: 120 });
writeFileSync(at('docs/formats/body.schema.json'), await json(bodyJsonSchema()));
writeFileSync(at('docs/formats/catalogue.schema.json'), await json(catalogueJsonSchema()));
writeFileSync(at('docs/formats/room.schema.json'), await json(roomJsonSchema()));
writeFileSync(at('docs/catalogue.md'), catalogueTable());
console.log(
  'docs/formats/body.schema.json, docs/formats/catalogue.schema.json, docs/formats/room.schema.json and docs/catalogue.md written',
);
