/** All that is told of an exam to other systems, read once: the order, who, when, and each exposure with its setting. */
import { and, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import { setupOfToday, type Scheduled } from '@taktik/core';
import type { Store } from '../db/database';
import { exams, exposures, orders, patients } from '../db/schema';
import { notFound, Refusal } from '../services/refusal';

export type Shot = {
  id: string;
  name: string;
  side: 'left' | 'right' | null;
  at: number;
  by: string;
  kVp: number;
  mAs: number;
  mA: number;
  timeMs: number;
  kapGyCm2: number;
  spread: number;
  index: number;
  verdict: 'accepted' | 'repeat' | null;
  cause: string | null;
  /** For the reader of the picture. */
  note: string;
  labels: string[];
};
export type Performed = {
  examId: string;
  orderId: string;
  reference: string;
  exam: string;
  reason: string;
  initials: string;
  patientNumber: string;
  issuer: string;
  sex: 'female' | 'male' | null;
  scheduled: Scheduled | null;
  by: string;
  room: string;
  startedAt: number;
  endedAt: number | null;
  /** Why it ended early. */
  endReason: string | null;
  shots: Shot[];
};

function shotOf({ setup: kept, ...row }: typeof exposures.$inferSelect): Shot {
  const setup = setupOfToday(kept, row.request);
  return {
    id: row.id,
    name: setup.name,
    side: row.side,
    at: row.exposedAt,
    by: row.performedBy,
    kVp: setup.exposure.kVp,
    mAs: setup.exposure.mAs,
    mA: setup.exposure.mA,
    timeMs: setup.exposure.timeMs,
    kapGyCm2: setup.dose.kapGyCm2,
    spread: setup.dose.spread,
    index: row.exposureIndex,
    verdict: row.verdict,
    cause: row.cause,
    note: row.note,
    labels: row.labels,
  };
}

/** @throws Refusal 404 */
export async function performedOf({ db }: Store, examId: string): Promise<Performed> {
  const [row] = await db
    .select()
    .from(exams)
    .innerJoin(orders, eq(exams.orderId, orders.id))
    .innerJoin(patients, eq(orders.patientId, patients.id))
    .where(eq(exams.id, examId));
  if (!row) throw notFound('exam', examId);
  // What another device exposed under an exam that joined this one is of this one.
  const made = await db
    .select()
    .from(exposures)
    .innerJoin(exams, eq(exposures.examId, exams.id))
    .where(eq(exams.orderId, row.orders.id))
    .orderBy(exposures.exposedAt);
  const shots = made.map((each) => shotOf(each.exposures));
  return {
    examId,
    orderId: row.orders.id,
    reference: row.orders.reference ?? '',
    exam: row.orders.exam,
    reason: row.orders.reason,
    initials: row.patients.initials,
    patientNumber: row.patients.number ?? '',
    issuer: row.patients.issuer,
    sex: row.patients.body.sex ?? null,
    scheduled: row.orders.scheduled,
    by: row.exams.performedBy,
    room: made[0]?.exposures.setup.room.name ?? '',
    startedAt: row.exams.startedAt,
    endedAt: row.exams.finishedAt,
    endReason: row.exams.endReason,
    shots,
  };
}

/** What is told of the exam of an order. @throws Refusal 404, 409 where none has ended */
export async function endedExamOf(store: Store, orderId: string): Promise<Performed> {
  const [order] = await store.db.select({ id: orders.id }).from(orders).where(eq(orders.id, orderId));
  if (!order) throw notFound('order', orderId);
  const [exam] = await store.db
    .select({ id: exams.id })
    .from(exams)
    .where(and(eq(exams.orderId, orderId), isNull(exams.joins), isNotNull(exams.finishedAt)))
    .orderBy(desc(exams.startedAt));
  if (!exam)
    throw new Refusal('conflict', 'Not ended', 'The exam of this order has not ended: nothing is told of it yet.');
  return performedOf(store, exam.id);
}

/** Dose-area product of all exposures, repeats among them, Gy·cm². */
export const doseOf = ({ shots }: Pick<Performed, 'shots'>): number =>
  shots.reduce((sum, { kapGyCm2 }) => sum + kapGyCm2, 0);

/** A view with its side, and why it was repeated. */
export const shotWords = ({ name, verdict, cause }: Pick<Shot, 'name' | 'verdict' | 'cause'>): string =>
  verdict === 'repeat' ? `${name}; repeated: ${cause ?? 'no cause given'}` : name;
