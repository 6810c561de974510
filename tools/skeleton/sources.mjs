/** A mark of the descriptions that a file of bones was made from: a changed description wants its bones made anew. */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** @param {string} folder of the tool @returns {string} */
export function sourcesMark(folder) {
  const hash = createHash('sha256');
  const files = readdirSync(folder, { recursive: true })
    .map(String)
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !file.endsWith('.d.ts'))
    .map((file) => file.split(path.sep).join('/'))
    .sort();
  for (const file of files) hash.update(file).update(readFileSync(path.join(folder, file)));
  return hash.digest('hex').slice(0, 16);
}
