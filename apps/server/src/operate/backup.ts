/**
 * Backups of the database while the server runs: a whole, consistent copy, read over before it counts as one, with what it
 * holds beside it. Old ones go, the newest stay.
 */
import { createHash } from 'node:crypto';
import {
  chmodSync,
  createReadStream,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/libsql';
import type { Store } from '../db/database';
import * as schema from '../db/schema';
import { anchorText, verifyTrail } from '../services/audit';

/** Read by nobody else on the machine: it holds a record of patients. */
const PRIVATE = 0o600;
const NAME = /^taktik-\d{8}-\d{6}\.db$/;

/** What stands beside a backup. */
export type BackupNote = {
  at: string;
  sha256: string;
  bytes: number;
  /** Rows of the tables that are asked for first. */
  orders: number;
  exposures: number;
  /** End of the trail: kept elsewhere it shows whether one that is found later was cut. */
  anchor: string;
};
export class NotABackup extends Error {}

const stamp = (at: number): string =>
  new Date(at)
    .toISOString()
    .replace(/[-:]|\.\d+Z/g, '')
    .replace('T', '-');
const noteFile = (file: string): string => file.replace(/\.db$/, '.json');

async function fingerprint(file: string): Promise<{ sha256: string; bytes: number }> {
  const hash = createHash('sha256');
  let bytes = 0;
  for await (const chunk of createReadStream(file)) {
    hash.update(chunk as Buffer);
    bytes += (chunk as Buffer).length;
  }
  return { sha256: hash.digest('hex'), bytes };
}

/**
 * Reads a file over as a whole: its pages, its tables, its trail.
 * @throws NotABackup where anything does not hold
 */
export async function readOver(file: string): Promise<Omit<BackupNote, 'at'>> {
  if (!existsSync(file)) throw new NotABackup(`There is no file ${file}`);
  const client = createClient({ url: `file:${file}` });
  try {
    const db = drizzle(client, { schema });
    const pages = (await client.execute('PRAGMA integrity_check(5)')).rows.map((row) => String(row[0]));
    if (pages.join() !== 'ok') throw new NotABackup(`${file} is damaged: ${pages.join('; ')}`);
    const { anchor, broken } = await verifyTrail({ db });
    if (broken) throw new NotABackup(`The trail in ${file} does not hold: line ${broken.line}: ${broken.why}`);
    const count = async (table: 'orders' | 'exposures'): Promise<number> =>
      Number((await client.execute(`SELECT count(*) FROM ${table}`)).rows[0]?.[0]);
    return {
      ...(await fingerprint(file)),
      orders: await count('orders'),
      exposures: await count('exposures'),
      anchor: anchorText(anchor),
    };
  } catch (error) {
    if (error instanceof NotABackup) throw error;
    throw new NotABackup(`${file} cannot be read: ${error instanceof Error ? error.message : String(error)}`);
  } finally {
    client.close();
  }
}

/** Newest first. */
export const backupsIn = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NAME.test(name))
        .sort()
        .reverse()
        .map((name) => path.join(folder, name))
    : [];

export function noteOf(file: string): BackupNote | null {
  try {
    return JSON.parse(readFileSync(noteFile(file), 'utf8')) as BackupNote;
  } catch {
    return null;
  }
}

/**
 * @param kept how many stay
 * @returns the file, and what it holds
 * @throws NotABackup where the copy does not hold: no older one is taken away then
 */
export async function backUp(
  { db }: Pick<Store, 'db'>,
  folder: string,
  { now, kept }: { now: number; kept: number },
): Promise<{ file: string; note: BackupNote }> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = path.join(folder, `taktik-${stamp(now)}.db`);
  const part = `${file}.part`;
  rmSync(part, { force: true });
  await db.run(sql`VACUUM INTO ${part}`);
  chmodSync(part, PRIVATE);
  const note: BackupNote = { at: new Date(now).toISOString(), ...(await readOver(part)) };
  writeFileSync(noteFile(file), `${JSON.stringify(note, null, 2)}\n`, { mode: PRIVATE });
  // It bears its name only when it holds.
  renameSync(part, file);
  for (const old of backupsIn(folder).slice(Math.max(1, kept))) {
    rmSync(old, { force: true });
    rmSync(noteFile(old), { force: true });
  }
  return { file, note };
}

/**
 * Puts a backup in the place of the database. What was there is kept beside it.
 * @returns where what was there is now; null where there was nothing
 * @throws NotABackup where the backup does not hold, or is another than its note says: nothing is changed then
 */
export async function restore(backup: string, database: string, now: number): Promise<{ aside: string | null }> {
  const found = await readOver(backup);
  const note = noteOf(backup);
  if (note && note.sha256 !== found.sha256)
    throw new NotABackup(`${backup} is not the file that its note describes: it was changed since it was made`);
  const part = `${database}.part`;
  writeFileSync(part, readFileSync(backup), { mode: PRIVATE });
  let aside: string | null = null;
  if (existsSync(database)) {
    aside = `${database}.before-${stamp(now)}`;
    renameSync(database, aside);
  }
  // The log of what was there belongs to it, not to what comes now.
  for (const log of ['-wal', '-shm'])
    if (existsSync(database + log)) {
      if (aside) renameSync(database + log, aside + log);
      else rmSync(database + log);
    }
  renameSync(part, database);
  return { aside };
}
