/**
 * The whole record as an open document, and a database made of it again: one line of JSON for each row, so that it can be
 * read without this program. PINs, sessions and tries of them stay here: who moves gets a new PIN.
 */
import { randomBytes } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync, readFileSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { once } from 'node:events';
import { asc, getTableColumns, gt, sql } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import { openStore, type Db, type Store, type Transaction } from '../db/database';
import * as schema from '../db/schema';
import { anchorText, verifyTrail } from '../services/audit';
import { hashPin } from '../services/pins';

/** In the order in which each finds what it refers to. */
const TABLES = {
  rooms: schema.rooms,
  settings: schema.settings,
  departments: schema.departments,
  own_entries: schema.ownEntries,
  people: schema.people,
  patients: schema.patients,
  orders: schema.orders,
  exams: schema.exams,
  exposures: schema.exposures,
  practice: schema.practice,
  sign_offs: schema.signOffs,
  outgoing: schema.outgoing,
  audit: schema.audit,
} as const satisfies Record<string, SQLiteTable>;
type TableName = keyof typeof TABLES;
const NAMES = Object.keys(TABLES) as TableName[];
/** Of a person these open a door, or say how often somebody knocked. */
const STAYS: ReadonlySet<string> = new Set(['pinHash', 'failed', 'lockedUntil', 'demoPin']);
const columnsOf = (name: TableName): Record<string, SQLiteColumn> => getTableColumns(TABLES[name] as SQLiteTable);

const FORM = 'taktik-record';
/** @property migration the last change of the tables; @property anchor end of the trail */
type Head = { form: typeof FORM; migration: string; madeAt: string; anchor: string; rows: Record<string, number> };

export type Exported = { file: string; rows: number; anchor: string };
/** The document cannot be taken: with the line where it stands, where it stands on one. */
export class NotARecord extends Error {}

const CHUNK = 500;
const PRIVATE = 0o600;

/** The tags of the changes of the tables, in their order. */
function migrationsIn(folder: string): string[] {
  const journal = JSON.parse(readFileSync(path.join(folder, 'meta/_journal.json'), 'utf8')) as {
    entries: { tag: string }[];
  };
  return journal.entries.map(({ tag }) => tag);
}

/** Rows of a table in the order in which they were put in, some hundred at a time. */
async function* rowsOf(db: Pick<Db, 'select'>, name: TableName): AsyncGenerator<Record<string, unknown>> {
  const table = TABLES[name] as SQLiteTable;
  const place = sql<number>`rowid`;
  for (let after = -1; ;) {
    const rows = await db
      .select({ row: getTableColumns(table), place })
      .from(table)
      .where(gt(place, after))
      .orderBy(asc(place))
      .limit(CHUNK);
    if (rows.length === 0) return;
    for (const { row } of rows) yield row as Record<string, unknown>;
    after = rows.at(-1)!.place;
  }
}

/**
 * @param store a database in which nothing is written meanwhile: a backup of it
 * @throws NotARecord where a file stands there already
 */
export async function exportRecord(
  store: Pick<Store, 'db'>,
  file: string,
  { migrations, now }: { migrations: string; now: number },
): Promise<Exported> {
  if (existsSync(file)) throw new NotARecord(`${file} is there already`);
  const rows: Record<string, number> = {};
  for (const name of NAMES) {
    const [found] = await store.db.select({ count: sql<number>`count(*)` }).from(TABLES[name] as SQLiteTable);
    rows[name] = found!.count;
  }
  const { anchor } = await verifyTrail(store);
  const part = `${file}.part`;
  const out = createWriteStream(part, { mode: PRIVATE });
  const write = async (line: object): Promise<void> => {
    if (!out.write(`${JSON.stringify(line)}\n`)) await once(out, 'drain');
  };
  const head: Head = {
    ...{ form: FORM, migration: migrationsIn(migrations).at(-1)!, madeAt: new Date(now).toISOString() },
    ...{ anchor: anchorText(anchor), rows },
  };
  await write(head);
  for (const name of NAMES)
    for await (const row of rowsOf(store.db, name))
      await write({ [name]: name === 'people' ? without(row, STAYS) : row });
  out.end();
  await once(out, 'close');
  renameSync(part, file);
  return { file, rows: Object.values(rows).reduce((sum, each) => sum + each, 0), anchor: head.anchor };
}

const without = (row: Record<string, unknown>, names: ReadonlySet<string>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(row).filter(([name]) => !names.has(name)));

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function headOf(value: unknown, known: readonly string[]): Head {
  if (!isObject(value) || value.form !== FORM || !isObject(value.rows))
    throw new NotARecord(`Line 1: it is no record of Taktik: “form” must be “${FORM}”`);
  if (!known.includes(String(value.migration)))
    throw new NotARecord(`Line 1: it is of a newer version than this one (${String(value.migration)})`);
  return value as Head;
}

const FITS: Readonly<Record<string, (value: unknown) => boolean>> = {
  string: (value) => typeof value === 'string',
  number: (value) => typeof value === 'number' && Number.isFinite(value),
  json: (value) => typeof value === 'object',
};

/** @throws NotARecord for a column that is not known, or a value that does not fit its column */
function rowOf(line: unknown, at: number): { name: TableName; row: Record<string, unknown> } {
  const [[name, row] = [], ...more] = isObject(line) ? Object.entries(line) : [];
  const known = NAMES.find((each) => each === name);
  if (!known || more.length > 0 || !isObject(row))
    throw new NotARecord(`Line ${at}: one of ${NAMES.join(', ')}, and its row, was expected`);
  const columns = columnsOf(known);
  for (const [key, value] of Object.entries(row)) {
    const column = columns[key];
    if (!column || (known === 'people' && STAYS.has(key)))
      throw new NotARecord(`Line ${at}: “${key.slice(0, 40)}” is no column of ${known}`);
    const fits = value === null ? !column.notNull : FITS[column.dataType]?.(value);
    if (fits !== true) throw new NotARecord(`Line ${at}: “${key}” of ${known} must be of the kind ${column.dataType}`);
  }
  return { name: known, row };
}

async function takeIn(
  tx: Transaction,
  file: string,
  { known, pin }: { known: readonly string[]; pin: () => Promise<string> },
): Promise<{ head: Head; taken: Record<string, number> }> {
  let head: Head | null = null;
  const taken: Record<string, number> = {};
  let at = 0;
  for await (const text of createInterface({ input: createReadStream(file), crlfDelay: Infinity })) {
    at += 1;
    if (text.trim() === '') continue;
    let line: unknown;
    try {
      line = JSON.parse(text);
    } catch {
      throw new NotARecord(`Line ${at} is no JSON`);
    }
    if (!head) {
      head = headOf(line, known);
      continue;
    }
    const { name, row } = rowOf(line, at);
    const values = name === 'people' ? { ...row, pinHash: await pin() } : row;
    try {
      await tx.insert(TABLES[name] as SQLiteTable).values(values);
    } catch (error) {
      const why = error instanceof Error && error.cause instanceof Error ? error.cause.message : String(error);
      throw new NotARecord(`Line ${at}: a row of ${name} cannot be kept: ${why.slice(0, 200)}`);
    }
    taken[name] = (taken[name] ?? 0) + 1;
  }
  if (!head) throw new NotARecord('It is empty');
  return { head, taken };
}

/**
 * A new database of a document. It gets its name only when every row is in it and its trail is the one that was exported.
 * @throws NotARecord where a database is there already, or the document is not whole: nothing is changed then
 */
export async function importRecord(
  file: string,
  database: string,
  { migrations, secret }: { migrations: string; secret: Buffer | null },
): Promise<{ rows: number; anchor: string }> {
  if (!existsSync(file)) throw new NotARecord(`There is no file ${file}`);
  if (existsSync(database))
    throw new NotARecord(`There is a database at ${database} already: name another TAKTIK_DATA`);
  const part = `${database}.part`;
  const clear = (): void => ['', '-wal', '-shm'].forEach((end) => rmSync(part + end, { force: true }));
  clear();
  const store = await openStore(`file:${part}`, migrations, { secret });
  try {
    // A hash of what nobody knows: it opens nothing until a lead gives a new PIN.
    const unknown = await hashPin(store, randomBytes(24).toString('base64url'));
    const { head, taken } = await store.db.transaction((tx) =>
      takeIn(tx, file, { known: migrationsIn(migrations), pin: () => Promise.resolve(unknown) }),
    );
    for (const name of NAMES)
      if ((taken[name] ?? 0) !== (head.rows[name] ?? 0))
        throw new NotARecord(`${taken[name] ?? 0} rows of ${name}, and its first line says ${head.rows[name] ?? 0}`);
    const { anchor, broken } = await verifyTrail(store);
    if (broken) throw new NotARecord(`Its trail does not hold: line ${broken.line}: ${broken.why}`);
    if (anchorText(anchor) !== head.anchor) throw new NotARecord('Its trail does not end where its first line says');
    await store.close();
    renameSync(part, database);
    return { rows: Object.values(taken).reduce((sum, each) => sum + each, 0), anchor: head.anchor };
  } catch (error) {
    await store.close().catch(() => undefined);
    throw error;
  } finally {
    clear();
  }
}
