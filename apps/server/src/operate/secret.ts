/** A secret of this server that stands beside every PIN: it is in a file of its own, not in the database. */
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const BYTES = 32;

/** @param file is made when it is missing. @throws RangeError for one that holds too little */
export function secretIn(file: string): Buffer {
  if (!existsSync(file)) {
    mkdirSync(path.dirname(file), { recursive: true });
    // Two servers that start at once: the first one's stands.
    try {
      writeFileSync(file, randomBytes(BYTES).toString('base64'), { mode: 0o600, flag: 'wx' });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
  }
  const secret = Buffer.from(readFileSync(file, 'utf8').trim(), 'base64');
  if (secret.length < BYTES)
    throw new RangeError(`${file} must hold ${BYTES} bytes in base64: with another secret no PIN opens any more`);
  return secret;
}
