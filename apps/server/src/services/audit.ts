/**
 * The trail: one line for every change of a record, written in the transaction of the change. Each line is hashed with the
 * hash of the one before it, so that a line that is changed, taken out or put in is found; the last hash is the anchor: kept
 * elsewhere, it also finds lines that are missing at the end.
 */
import { createHash } from 'node:crypto';
import { asc, desc, eq, gt } from 'drizzle-orm';
import type { Db, Store } from '../db/database';
import { audit } from '../db/schema';

/** Anything that reads and inserts: the database, or a transaction of it. */
export type Tx = Pick<Db, 'insert' | 'select'>;
export type AuditLine = {
  at: number;
  person: string;
  action: string;
  subject: string;
  detail: Record<string, unknown>;
};

const START = '';
const hashOf = (before: string, { at, person, action, subject, detail }: AuditLine): string =>
  createHash('sha256')
    .update(JSON.stringify([before, at, person, action, subject, detail]))
    .digest('base64url');

/** Must run where no other write runs between: all writes of the server do. */
export async function note(tx: Tx, { detail, ...line }: Omit<AuditLine, 'detail'> & { detail?: AuditLine['detail'] }) {
  const [last] = await tx.select({ hash: audit.hash }).from(audit).orderBy(desc(audit.id)).limit(1);
  const whole = { ...line, detail: detail ?? {} };
  await tx.insert(audit).values({ ...whole, hash: hashOf(last?.hash ?? START, whole) });
}

/** Newest first. @param subject "order:…", "exam:…", "exposure:…", "rules", "department", "catalogue:…", "person:…" */
export async function listAudit({ db }: Store, subject: string | undefined, limit: number): Promise<AuditLine[]> {
  const lines = db.select().from(audit);
  const rows = await (subject ? lines.where(eq(audit.subject, subject)) : lines).orderBy(desc(audit.id)).limit(limit);
  return rows.map(({ id: _, hash: _hash, ...line }) => line);
}

const CHUNK = 500;
type Row = typeof audit.$inferSelect;

/** All lines in their order, some hundred at a time, so that others are answered in between. */
async function* lines(db: Pick<Db, 'select'>): AsyncGenerator<Row> {
  for (let after = 0; ;) {
    const rows = await db.select().from(audit).where(gt(audit.id, after)).orderBy(asc(audit.id)).limit(CHUNK);
    if (rows.length === 0) return;
    yield* rows;
    after = rows.at(-1)!.id;
  }
}

/** Lines of an earlier version have no hash: they are sealed as they are, once, when the server starts. */
export async function sealTrail(store: Store): Promise<number> {
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      let before = START;
      let sealed = 0;
      for await (const row of lines(tx)) {
        // From the first line that is sealed on, all are: one without a hash behind it was put in.
        if (row.hash !== '') break;
        before = hashOf(before, row);
        await tx.update(audit).set({ hash: before }).where(eq(audit.id, row.id));
        sealed += 1;
      }
      return sealed;
    }),
  );
}

/** The end of the trail: how many lines, and the hash of the last. */
export type Anchor = { lines: number; hash: string };
export type Verified = {
  anchor: Anchor;
  /** What does not fit; null where all does. */
  broken: { line: number; why: string } | null;
};

/**
 * Reads the trail from its beginning.
 * @param known an anchor that was kept elsewhere: the trail must go through it
 * @example (await verifyTrail(store)).broken // null
 */
export async function verifyTrail({ db }: Pick<Store, 'db'>, known: Anchor | null = null): Promise<Verified> {
  let before = START;
  let count = 0;
  let met = known === null || known.lines === 0;
  const broken = (line: number, why: string): Verified => ({
    anchor: { lines: count, hash: before },
    broken: { line, why },
  });
  for await (const row of lines(db)) {
    const hash = hashOf(before, row);
    if (row.hash === '') return broken(count + 1, 'it was put in without a seal');
    if (row.hash !== hash) return broken(count + 1, 'it, or a line before it, was changed, taken out or put in');
    before = hash;
    count += 1;
    if (known?.lines === count) {
      if (known.hash !== hash) return broken(count, 'it is not the line that the kept anchor names');
      met = true;
    }
  }
  if (!met) return broken(count + 1, `lines are missing at the end: the kept anchor names ${known!.lines}`);
  return { anchor: { lines: count, hash: before }, broken: null };
}

/** An anchor as it is written down: "1204:…". */
export const anchorText = ({ lines: count, hash }: Anchor): string => `${count}:${hash}`;
/** @returns null for what is none */
export function anchorFrom(text: string): Anchor | null {
  const [, count, hash] = /^(\d{1,12}):([\w-]{43})$/.exec(text.trim()) ?? [];
  return count === undefined || hash === undefined ? null : { lines: Number(count), hash };
}
