/** Exams and exposures: the record. Everything that is acknowledged is on disk; a retry with the same id is harmless. */
import { and, asc, desc, eq, gte, isNull, lte } from 'drizzle-orm';
import {
  deviationIndex,
  doseLevelFor,
  exportRecordedBody,
  EARLIER_SPREAD,
  indexTrend,
  requestOfToday,
  setupOfToday,
  type Answers,
  type BodyDocument,
  type Department,
  type Setup,
  type SetupRequest,
} from '@taktik/core';
import type {
  Exam,
  Exposure,
  NewExposure,
  OrderDetail,
  Person,
  RoomTrend,
  StartExam,
  Verdict,
} from '@taktik/contracts';
import { notFound, Refusal } from './refusal';
import type { Store } from '../db/database';
import { exams, exposures, orders, patients, people, type MadeWith } from '../db/schema';
import type { Computing } from '../compute/computing';
import { queueOutgoing, tellAgain } from '../reports/outgoing';
import { note } from './audit';
import { getDepartment } from './departments';
import { getOrder } from './orders';
import { trueTime } from './times';
import { versionsOf } from './versions';

type ExamRow = typeof exams.$inferSelect;
type Reader = Pick<Store['db'], 'select'>;

/** The exam that this name stands for: of two devices that started one order, the second joined the first. */
async function examNamed(db: Reader, id: string): Promise<ExamRow> {
  const [exam] = await db.select().from(exams).where(eq(exams.id, id));
  if (!exam) throw notFound('exam', id);
  return exam.joins === null ? exam : examNamed(db, exam.joins);
}

/** Whoever is named in the record is one of the department. @throws Refusal 422 */
async function mustBeKnown(db: Reader, name: string, field: string): Promise<void> {
  const [person] = await db.select({ id: people.id }).from(people).where(eq(people.name, name));
  if (!person)
    throw new Refusal('not accepted', 'Input not accepted', `There is no person called ${name}.`, [
      { field, message: 'unknown person' },
    ]);
}

/**
 * What the trail says of supervision. A student's exam without a name is kept and marked: what was done is never refused, and
 * the device asks before it begins.
 * @throws Refusal 422 where the one who is named cannot supervise
 */
async function supervisionOf(
  db: Reader,
  store: Store,
  { performedBy, supervisedBy }: Pick<StartExam, 'performedBy' | 'supervisedBy'>,
): Promise<Record<string, unknown>> {
  const roleOf = async (name: string) =>
    (await db.select({ role: people.role }).from(people).where(eq(people.name, name)))[0]?.role;
  if (supervisedBy !== undefined) {
    await mustBeKnown(db, supervisedBy, 'supervisedBy');
    if (supervisedBy === performedBy || (await roleOf(supervisedBy)) === 'student')
      throw new Refusal(
        'not accepted',
        'Cannot supervise',
        `${supervisedBy} cannot supervise this: name a technologist.`,
        [{ field: 'supervisedBy', message: 'no technologist' }],
      );
    return { supervisedBy };
  }
  const { supervision } = await getDepartment(store);
  return supervision === 'named' && (await roleOf(performedBy)) === 'student' ? { supervisedBy: 'nobody named' } : {};
}

/** The exam of an order that is under way, or the last one. */
async function examOfOrder(db: Reader, orderId: string): Promise<ExamRow | undefined> {
  const [exam] = await db
    .select()
    .from(exams)
    .where(and(eq(exams.orderId, orderId), isNull(exams.joins)))
    .orderBy(desc(exams.startedAt))
    .limit(1);
  return exam;
}

/**
 * Starts an exam, or returns the one with this id. When another device has started the same order already, this name
 * joins that exam, so that nothing exposed under either is lost. @throws Refusal 404, 409, 422
 */
export async function startExam(
  store: Store,
  { sentAt, ...exam }: StartExam,
  by: Recorder,
  now: number,
): Promise<Exam> {
  mustBeOwn(exam.performedBy, by, 'performedBy');
  const startedAt = trueTime(exam.startedAt, sentAt, now, 'startedAt').at;
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [known] = await tx.select().from(exams).where(eq(exams.id, exam.id));
      if (known) {
        if (known.orderId !== exam.orderId)
          throw new Refusal('conflict', 'Conflict', `Exam "${exam.id}" belongs to another order.`);
        return known;
      }
      const [order] = await tx.select().from(orders).where(eq(orders.id, exam.orderId));
      if (!order) throw notFound('order', exam.orderId);
      await mustBeKnown(tx, exam.performedBy, 'performedBy');
      const looksOn = await supervisionOf(tx, store, exam);
      const openExam = await examOfOrder(tx, exam.orderId);
      const row: ExamRow = {
        ...exam,
        supervisedBy: exam.supervisedBy ?? null,
        startedAt,
        finishedAt: null,
        endReason: null,
        joins: openExam?.id ?? null,
        answers: null,
      };
      await tx.insert(exams).values(row);
      if (!openExam) {
        await tx.update(orders).set({ state: 'started' }).where(eq(orders.id, exam.orderId));
        await queueOutgoing(tx, store, ['step started'], { examId: exam.id, now });
      }
      await note(tx, {
        at: now,
        person: by.name,
        action: openExam ? 'exam joined' : 'exam started',
        subject: `exam:${openExam?.id ?? exam.id}`,
        detail: { ...forAnother(exam.performedBy, by), ...looksOn },
      });
      return row;
    }),
  );
}

/** Ends an exam: complete, or early for a reason. Again changes nothing. @throws Refusal 404 */
export async function finishExam(
  store: Store,
  id: string,
  { finishedAt: reported, reason, sentAt }: { finishedAt: number; reason?: string; sentAt?: number },
  by: string,
  now: number,
): Promise<Exam> {
  const finishedAt = trueTime(reported, sentAt, now, 'finishedAt').at;
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const exam = await examNamed(tx, id);
      if (exam.finishedAt !== null) return exam;
      const change = { finishedAt, endReason: reason ?? null };
      await tx.update(exams).set(change).where(eq(exams.id, exam.id));
      await tx.update(orders).set({ state: 'finished' }).where(eq(orders.id, exam.orderId));
      await queueOutgoing(tx, store, ['step ended', 'result'], { examId: exam.id, now });
      await note(tx, {
        at: now,
        person: by,
        action: reason ? 'exam ended early' : 'exam finished',
        subject: `exam:${exam.id}`,
        detail: reason ? { reason } : {},
      });
      return { ...exam, ...change };
    }),
  );
}

/** Gives an exam that is under way to a colleague. @throws Refusal 404, 409 when it has ended, 422 for an unknown person */
export async function handOver(store: Store, id: string, to: string, by: string, now: number): Promise<Exam> {
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const exam = await examNamed(tx, id);
      await mustBeKnown(tx, to, 'to');
      if (exam.performedBy === to) return exam;
      if (exam.finishedAt !== null)
        throw new Refusal('conflict', 'Exam ended', 'The exam has ended; nobody has it in hand.');
      await tx.update(exams).set({ performedBy: to }).where(eq(exams.id, exam.id));
      await note(tx, {
        at: now,
        person: by,
        action: 'exam handed over',
        subject: `exam:${exam.id}`,
        detail: { from: exam.performedBy, to },
      });
      return { ...exam, performedBy: to };
    }),
  );
}

/** Keeps answers; a question that was answered on another device keeps that answer unless it is given anew. @throws Refusal 404 */
export async function putAnswers(store: Store, id: string, answers: Answers, by: string, now: number): Promise<Exam> {
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const exam = await examNamed(tx, id);
      const merged: Answers = {
        given: { ...exam.answers?.given, ...answers.given },
        decisions: { ...exam.answers?.decisions, ...answers.decisions },
      };
      if (JSON.stringify(merged) === JSON.stringify(exam.answers)) return exam;
      await tx.update(exams).set({ answers: merged }).where(eq(exams.id, exam.id));
      await note(tx, { at: now, person: by, action: 'answers kept', subject: `exam:${exam.id}`, detail: answers });
      return { ...exam, answers: merged };
    }),
  );
}

type ExposureRow = {
  exposures: typeof exposures.$inferSelect;
  exams: typeof exams.$inferSelect;
  orders: typeof orders.$inferSelect;
  patients: typeof patients.$inferSelect;
};

const present = (row: ExposureRow, { doseLevels }: Pick<Department, 'doseLevels'>): Exposure => ({
  id: row.exposures.id,
  examId: row.exams.id,
  orderId: row.orders.id,
  exam: row.orders.exam,
  initials: row.patients.initials,
  projectionId: row.exposures.projectionId,
  name: row.exposures.setup.name,
  side: row.exposures.side,
  digit: row.exposures.request.digit ?? null,
  room: row.exposures.setup.room.name,
  roomId: row.exposures.setup.room.id,
  performedBy: row.exposures.performedBy,
  exposedAt: row.exposures.exposedAt,
  kVp: row.exposures.setup.exposure.kVp,
  mAs: row.exposures.setup.exposure.mAs,
  exposureIndex: row.exposures.exposureIndex,
  deviationIndex: Math.round(deviationIndex(row.exposures.exposureIndex, row.exposures.targetIndex) * 10) / 10,
  targetIndex: row.exposures.targetIndex,
  readBy: row.exposures.readBy,
  kapGyCm2: row.exposures.setup.dose.kapGyCm2,
  doseSpread: row.exposures.setup.dose.spread ?? EARLIER_SPREAD,
  doseLevelGyCm2: doseLevelFor(doseLevels, row.exposures.projectionId, row.patients.body.ageYears)?.kapGyCm2 ?? null,
  verdict: row.exposures.verdict,
  cause: row.exposures.cause,
  correction: row.exposures.correction,
  note: row.exposures.note,
  labels: row.exposures.labels,
  notedBy: row.exposures.notedBy,
  timings: row.exposures.timings,
  measured: row.exposures.measured,
  deviceAt: row.exposures.deviceAt,
  madeWith: row.exposures.madeWith,
});

const joined = ({ db }: Store) =>
  db
    .select()
    .from(exposures)
    .innerJoin(exams, eq(exposures.examId, exams.id))
    .innerJoin(orders, eq(exams.orderId, orders.id))
    .innerJoin(patients, eq(orders.patientId, patients.id));

/** The set-up that was kept, in the form of today. @throws Refusal 409 for one of a later version */
function setupOf({ exposures: { id, setup } }: ExposureRow, request: SetupRequest): Setup {
  try {
    return setupOfToday(setup, request);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Refusal('conflict', 'Kept in another form', `Exposure ${id}: ${error.message}.`);
  }
}

/** @throws Refusal 404, 409 for one that a later version kept */
export async function getExposure(
  store: Store,
  id: string,
): Promise<Exposure & { setup: Setup; request: SetupRequest }> {
  const [row] = await joined(store).where(eq(exposures.id, id));
  if (!row) throw notFound('exposure', id);
  const request = requestOfToday(row.exposures.request);
  return { ...present(row, await getDepartment(store)), setup: setupOf(row, request), request };
}

/** The body of an exposure as it was, as an open document. @throws Refusal 404 */
export async function exposureBody(store: Store, id: string): Promise<BodyDocument> {
  const { setup } = await getExposure(store, id);
  return exportRecordedBody(setup);
}

/** Newest first. */
export async function listExposures(
  store: Store,
  { from, to, limit }: { from: number; to: number; limit: number },
): Promise<Exposure[]> {
  const rows = await joined(store)
    .where(and(gte(exposures.exposedAt, from), lte(exposures.exposedAt, to)))
    .orderBy(desc(exposures.exposedAt))
    .limit(limit);
  const department = await getDepartment(store);
  return rows.map((row) => present(row, department));
}

/** How the index of each room runs: of every exposure of the time, not of the newest few. */
export async function trendsOf({ db }: Store, from: number, now: number): Promise<RoomTrend[]> {
  const rows = await db
    .select({
      at: exposures.exposedAt,
      index: exposures.exposureIndex,
      target: exposures.targetIndex,
      setup: exposures.setup,
    })
    .from(exposures)
    .where(and(gte(exposures.exposedAt, from), lte(exposures.exposedAt, now)));
  const byRoom = new Map<string, { room: string; readings: { at: number; di: number }[] }>();
  for (const { at, index, target, setup } of rows) {
    const known = byRoom.get(setup.room.id) ?? { room: setup.room.name, readings: [] };
    known.readings.push({ at, di: deviationIndex(index, target) });
    byRoom.set(setup.room.id, known);
  }
  return [...byRoom].flatMap(([roomId, { room, readings }]) => {
    const trend = indexTrend(readings, now);
    return trend ? [{ roomId, room, ...trend }] : [];
  });
}

/** An order, its exam and what was exposed: what a device needs to begin, to resume, or to notice another device. */
export async function orderDetail(store: Store, orderId: string): Promise<OrderDetail> {
  const order = await getOrder(store, orderId);
  const exam = await examOfOrder(store.db, orderId);
  const rows = exam ? await joined(store).where(eq(exposures.examId, exam.id)).orderBy(asc(exposures.exposedAt)) : [];
  const department = await getDepartment(store);
  return { order, exam: exam ?? null, exposures: rows.map((row) => present(row, department)) };
}

/** Who is signed in: only a lead writes down what somebody else did, and the trail says that it was so. */
type Recorder = Pick<Person, 'name' | 'role'>;

/** @throws Refusal 403 where the work is said to be somebody else's */
function mustBeOwn(performedBy: string, by: Recorder, field: string): void {
  if (performedBy === by.name || by.role === 'lead') return;
  throw new Refusal(
    'not allowed',
    'Not yours to write',
    `This was done by ${performedBy}; ${by.name} is signed in. It waits on the device until ${performedBy} signs in, or a lead writes it down.`,
    [{ field, message: 'another person' }],
  );
}

const forAnother = (performedBy: string, by: Recorder): Record<string, unknown> =>
  performedBy === by.name ? {} : { performedBy, writtenDownBy: by.name };

/** Whether a device worked with what is in force. */
async function madeWithOf(
  store: Store,
  reported: NewExposure['madeWith'],
  roomId: string | undefined,
): Promise<MadeWith | null> {
  if (!reported) return null;
  const { rules, rooms: known } = await versionsOf(store);
  const sameRoom = roomId === undefined || reported.room === undefined || known[roomId] === reported.room;
  return { ...reported, inForce: (reported.rules === undefined || reported.rules === rules) && sameRoom };
}

/** Whether this exposure is on record. @throws Refusal 404 for an unknown exam, 409 when the id was used for another */
async function isKnown(db: Reader, { id, examId }: Pick<NewExposure, 'id' | 'examId'>): Promise<boolean> {
  const [known] = await db.select({ examId: exposures.examId }).from(exposures).where(eq(exposures.id, id));
  if (!known) return false;
  const exam = await examNamed(db, examId);
  if (known.examId !== exam.id) throw new Refusal('conflict', 'Conflict', `Exposure "${id}" belongs to another exam.`);
  return true;
}

/**
 * Records an exposure: computes the set-up that was asked for, reads the detector, writes all of it in one
 * transaction. The client's id makes a repeated call return the first result.
 * @throws Refusal 404 for an unknown exam, 409 when the id was used for another exam, 422 for an unknown person
 */
export async function recordExposure(
  store: Store,
  computing: Computing,
  exposure: NewExposure,
  by: Recorder,
  now: number,
): Promise<{ exposure: Exposure; created: boolean }> {
  mustBeOwn(exposure.performedBy, by, 'performedBy');
  // Sent again after a reply that was lost: nothing is computed for it.
  if (await isKnown(store.db, exposure)) return { exposure: await getExposure(store, exposure.id), created: false };
  const time = trueTime(exposure.exposedAt, exposure.sentAt, now, 'exposedAt');
  const { setup, reading } = await computing.run('exposure', { id: exposure.id, request: exposure.request });
  const madeWith = await madeWithOf(store, exposure.madeWith, exposure.request.room?.id);
  const created = await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      if (await isKnown(tx, exposure)) return false;
      const exam = await examNamed(tx, exposure.examId);
      await mustBeKnown(tx, exposure.performedBy, 'performedBy');
      await tx.insert(exposures).values({
        id: exposure.id,
        examId: exam.id,
        projectionId: setup.projectionId,
        side: setup.side,
        request: exposure.request,
        setup,
        exposureIndex: reading.exposureIndex,
        targetIndex: reading.targetIndex,
        performedBy: exposure.performedBy,
        exposedAt: time.at,
        deviceAt: time.deviceAt,
        timings: exposure.timings ?? null,
        madeWith,
        recordedAt: now,
      });
      // It was on its way when the exam ended: what was told of the dose is told again.
      if (exam.finishedAt !== null) await tellAgain(tx, exam.id, now);
      await note(tx, {
        at: now,
        person: by.name,
        action: 'exposure recorded',
        subject: `exposure:${exposure.id}`,
        detail: {
          projection: setup.projectionId,
          performedBy: exposure.performedBy,
          ...forAnother(exposure.performedBy, by),
          ...(time.offMs !== 0 ? { clockOffMs: time.offMs } : {}),
          ...(madeWith && !madeWith.inForce ? { madeWithOlderRulesOrRoom: madeWith } : {}),
        },
      });
      return true;
    }),
  );
  return { exposure: await getExposure(store, exposure.id), created };
}

/**
 * Accepts a picture, or sends it to be repeated with a cause. The last word counts, by when it was said: an earlier one
 * that arrives later is noted and changes nothing. @throws Refusal 404, 422 for a time that cannot be
 */
export async function judgeExposure(
  store: Store,
  id: string,
  { verdict, cause, correction, decidedAt, sentAt }: Verdict,
  by: string,
  now: number,
): Promise<Exposure> {
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [row] = await tx.select().from(exposures).where(eq(exposures.id, id));
      if (!row) throw notFound('exposure', id);
      const verdictAt = decidedAt === undefined ? now : trueTime(decidedAt, sentAt, now, 'decidedAt').at;
      const again = verdict === 'repeat';
      const change = {
        verdict,
        cause: again ? (cause ?? null) : null,
        correction: again ? (correction ?? null) : null,
      };
      if (row.verdictAt !== null && verdictAt < row.verdictAt) {
        await note(tx, {
          at: now,
          person: by,
          action: 'earlier verdict came late',
          subject: `exposure:${id}`,
          detail: { verdict, decidedAt: verdictAt, stands: row.verdict },
        });
        return;
      }
      if (row.verdict === verdict && row.cause === change.cause && row.correction === change.correction) return;
      await tx
        .update(exposures)
        .set({ ...change, verdictAt })
        .where(eq(exposures.id, id));
      await note(tx, {
        at: now,
        person: by,
        action: again ? 'exposure to repeat' : 'exposure accepted',
        subject: `exposure:${id}`,
        detail: { ...(cause && { cause }), ...(correction && { correction }) },
      });
    }),
  );
  const [row] = await joined(store).where(eq(exposures.id, id));
  if (!row) throw new Error(`exposure ${id} is gone from its record`);
  return present(row, await getDepartment(store));
}
