/** Opens the database: write-ahead log, every commit flushed, migrations applied. */
import { createClient } from '@libsql/client';
import { sql } from 'drizzle-orm';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema';
import type { OutgoingKind } from './schema';
import { WriteQueue } from './writeQueue';

export type Db = LibSQLDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Db['transaction']>[0]>[0];
export type Store = {
  db: Db;
  writes: WriteQueue;
  /** What other systems are told of an exam; nothing is noted for a system that is not there. */
  sends: ReadonlySet<OutgoingKind>;
  /** Stands beside every PIN; null where there is none. */
  secret: Buffer | null;
  close: () => Promise<void>;
};

/** A file that cannot be read as a database any more. */
export class DamagedError extends Error {}

/** A second server on the same file writes in between: each waits for the other's short transaction instead of failing. */
const WAITS_MS = 5000;

const CHECK_AGAIN_MS = 10 * 60_000;
const checked = new WeakMap<Store, { at: number; damage: string | null }>();

/** Codes of a disk that takes no more, anywhere in the chain of causes. */
const FULL = /^(SQLITE_FULL|SQLITE_IOERR\w*|ENOSPC|EFBIG|EDQUOT)$/;
export function isFull(error: unknown): boolean {
  for (let each = error; each instanceof Error; each = each.cause)
    if (FULL.test(String((each as { code?: unknown }).code))) return true;
  return false;
}

const DAMAGE = /SQLITE_(CORRUPT|NOTADB)|malformed|not a database/i;
/** Whether an error, or anything that caused it, says that the file is damaged. */
export function isDamage(error: unknown): boolean {
  for (let each = error; each instanceof Error; each = each.cause)
    if (DAMAGE.test(`${(each as { code?: unknown }).code ?? ''} ${each.message}`)) return true;
  return false;
}

async function findDamage(db: Db): Promise<string | null> {
  try {
    const rows = await db.all<Record<string, unknown>>(sql`PRAGMA quick_check(5)`);
    const found = rows.flatMap((row) => Object.values(row).map(String)).filter((line) => line !== 'ok');
    return found.length === 0 ? null : 'Pages of the database cannot be read: restore it from a backup.';
  } catch (error) {
    if (isDamage(error)) return 'The database cannot be read: restore it from a backup.';
    throw error;
  }
}

/** What is wrong with the database, looked over now and then; null for nothing. */
export async function damageOf(store: Store, now: number = Date.now()): Promise<string | null> {
  const known = checked.get(store);
  if (known && now - known.at < CHECK_AGAIN_MS) return known.damage;
  const damage = await findDamage(store.db);
  checked.set(store, { at: now, damage });
  return damage;
}
/** Something that was read told of damage: from now on health says so. */
export const reportDamage = (store: Store, now: number = Date.now()): void =>
  void checked.set(store, { at: now, damage: 'The database cannot be read: restore it from a backup.' });

/**
 * @param url libSQL URL: a file for one machine, a server for several
 * @param migrationsFolder where the generated migrations are
 * @param options what other systems are told, and the secret beside the PINs
 * @throws DamagedError for a file that is damaged
 */
export async function openStore(
  url: string,
  migrationsFolder: string,
  { sends = new Set(), secret = null }: Partial<Pick<Store, 'sends' | 'secret'>> = {},
): Promise<Store> {
  const client = createClient({ url, timeout: WAITS_MS });
  try {
    // What was acknowledged must be on disk: FULL flushes at every commit.
    await client.execute('PRAGMA journal_mode = WAL');
    await client.execute('PRAGMA synchronous = FULL');
    await client.execute('PRAGMA foreign_keys = ON');
    const db = drizzle(client, { schema });
    const damage = await findDamage(db);
    if (damage !== null) throw new DamagedError(damage);
    await migrate(db, { migrationsFolder });
    // A copy of the file alone must hold its tables, however young it is.
    // Where the disk takes no more it stays in the log: what is there can be read all the same.
    await client.execute('PRAGMA wal_checkpoint(TRUNCATE)').catch((error: unknown) => {
      if (!isFull(error)) throw error;
    });
    const writes = new WriteQueue();
    const close = async () => {
      await writes.run(() => client.execute('PRAGMA wal_checkpoint(TRUNCATE)'));
      client.close();
    };
    return { db, writes, sends, secret, close };
  } catch (error) {
    client.close();
    if (isDamage(error)) throw new DamagedError('The file is no database that can be read.', { cause: error });
    throw error;
  }
}
