/** Opens the database: write-ahead log, every commit flushed, migrations applied. */
import { createClient } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema';
import { WriteQueue } from './writeQueue';

export type Db = LibSQLDatabase<typeof schema>;
export type Store = { db: Db; writes: WriteQueue; close: () => void };

/**
 * @param url libSQL URL: a file for one machine, a server for several
 * @param migrationsFolder where the generated migrations are
 */
export async function openStore(url: string, migrationsFolder: string): Promise<Store> {
  const client = createClient({ url });
  // What was acknowledged must be on disk: FULL flushes at every commit.
  await client.execute('PRAGMA journal_mode = WAL');
  await client.execute('PRAGMA synchronous = FULL');
  await client.execute('PRAGMA foreign_keys = ON');
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder });
  return { db, writes: new WriteQueue(), close: () => client.close() };
}
