/**
 * What other systems are told of an exam. It is written down with what it tells of, in one step, and tried until the other
 * side has said that it has it: a peer that is away for a day loses nothing. What of one exam came first goes first.
 */
import { and, asc, eq, inArray, isNull, lt, lte } from 'drizzle-orm';
import type { Store, Transaction } from '../db/database';
import { outgoing, type OutgoingKind } from '../db/schema';
import { performedOf, type Performed } from './performed';

/** Tells one thing. @throws where it was not taken */
export type Senders = Partial<Record<OutgoingKind, (done: Performed) => Promise<void>>>;

const FIRST_WAIT_MS = 30_000;
const LONGEST_WAIT_MS = 3_600_000;
const MOST_AT_ONCE = 50;
const LONGEST_WHY = 300;

/** Notes what is to be told, as far as there is somebody to tell it to. */
export async function queueOutgoing(
  tx: Transaction,
  { sends }: Pick<Store, 'sends'>,
  kinds: readonly OutgoingKind[],
  { examId, now }: { examId: string; now: number },
): Promise<void> {
  const wanted = kinds.filter((kind) => sends.has(kind));
  if (wanted.length === 0) return;
  await tx
    .insert(outgoing)
    .values(wanted.map((kind) => ({ kind, examId, madeAt: now, nextAt: now })))
    .onConflictDoNothing();
}

/** A result that was told is told once more, as when an exposure came late. */
export async function tellAgain(tx: Transaction, examId: string, now: number): Promise<void> {
  await tx
    .update(outgoing)
    .set({ sentAt: null, nextAt: now, tries: 0 })
    .where(and(eq(outgoing.examId, examId), eq(outgoing.kind, 'result')));
}

/** @param tries before this one */
const waitMs = (tries: number): number => Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** tries);

/** Peers: the kinds of each are told by one system. */
const PEERS: readonly (readonly OutgoingKind[])[] = [['step started', 'step ended'], ['result']];
/** After so many that are not taken the peer is left alone until the next time. */
const MOST_FAILED = 3;

type Row = typeof outgoing.$inferSelect;
/** Whether something of the same exam that came before waits still: an end that is told before its beginning is none. */
async function waitsForEarlier({ db }: Store, { id, examId }: Row, kinds: readonly OutgoingKind[]): Promise<boolean> {
  const [earlier] = await db
    .select({ id: outgoing.id })
    .from(outgoing)
    .where(
      and(
        eq(outgoing.examId, examId),
        inArray(outgoing.kind, [...kinds]),
        isNull(outgoing.sentAt),
        lt(outgoing.id, id),
      ),
    )
    .limit(1);
  return earlier !== undefined;
}

/** Why it was not taken; null where it was. */
const tell = async (store: Store, send: (done: Performed) => Promise<void>, examId: string): Promise<string | null> => {
  try {
    await send(await performedOf(store, examId));
    return null;
  } catch (error) {
    return (error instanceof Error ? error.message : String(error)).slice(0, LONGEST_WHY);
  }
};

/**
 * Tells all that is due.
 * @returns how many were taken, and what went wrong with others
 */
export async function sendDue(
  store: Store,
  senders: Senders,
  now: number,
): Promise<{ sent: number; failed: string[] }> {
  const failed: string[] = [];
  let sent = 0;
  for (const kinds of PEERS) {
    const due = await store.db
      .select()
      .from(outgoing)
      .where(and(isNull(outgoing.sentAt), lte(outgoing.nextAt, now), inArray(outgoing.kind, [...kinds])))
      .orderBy(asc(outgoing.id))
      .limit(MOST_AT_ONCE);
    let left = MOST_FAILED;
    for (const item of due) {
      const send = senders[item.kind];
      if (left === 0 || !send || (await waitsForEarlier(store, item, kinds))) continue;
      const why = await tell(store, send, item.examId);
      if (why === null) sent += 1;
      else {
        left -= 1;
        failed.push(why);
      }
      const change = {
        why,
        sentAt: why === null ? now : null,
        tries: item.tries + 1,
        nextAt: now + waitMs(item.tries),
      };
      await store.writes.run(async () => {
        await store.db.update(outgoing).set(change).where(eq(outgoing.id, item.id));
      });
    }
  }
  return { sent, failed };
}

export type OutgoingLine = { kind: OutgoingKind; examId: string; madeAt: number; tries: number; why: string | null };
/** What waits, the oldest first. */
export async function waitingOutgoing({ db }: Store): Promise<OutgoingLine[]> {
  const rows = await db.select().from(outgoing).where(isNull(outgoing.sentAt)).orderBy(asc(outgoing.id)).limit(500);
  return rows.map(({ kind, examId, madeAt, tries, why }) => ({ kind, examId, madeAt, tries, why }));
}
