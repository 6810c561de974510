/** Exams and exposures: the record. Everything that is acknowledged is on disk; a retry with the same id is harmless. */
import { and, desc, eq, gte, lte } from 'drizzle-orm';
import { computeSetup, deviationIndex, exportRecordedBody, type BodyDocument, type SetupRequest } from '@taktik/core';
import type { Exam, Exposure, NewExposure, StartExam } from '../api/contracts';
import { notFound, Problem } from '../api/problem';
import type { Store } from '../db/database';
import { exams, exposures, orders, patients } from '../db/schema';
import { readDetector } from '../standins/detector';

/** Starts an exam, or returns the one with this id. @throws Problem 404, 409 */
export async function startExam(store: Store, exam: StartExam): Promise<Exam> {
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [known] = await tx.select().from(exams).where(eq(exams.id, exam.id));
      if (known) {
        if (known.orderId !== exam.orderId)
          throw new Problem(409, 'Conflict', `Exam "${exam.id}" belongs to another order.`);
        return known;
      }
      const [order] = await tx.select().from(orders).where(eq(orders.id, exam.orderId));
      if (!order) throw notFound('order', exam.orderId);
      await tx.insert(exams).values({ ...exam, finishedAt: null });
      await tx.update(orders).set({ state: 'started' }).where(eq(orders.id, exam.orderId));
      return { ...exam, finishedAt: null };
    }),
  );
}

/** @throws Problem 404 */
export async function finishExam(store: Store, id: string, finishedAt: number): Promise<Exam> {
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [exam] = await tx.select().from(exams).where(eq(exams.id, id));
      if (!exam) throw notFound('exam', id);
      const done = exam.finishedAt ?? finishedAt;
      await tx.update(exams).set({ finishedAt: done }).where(eq(exams.id, id));
      await tx.update(orders).set({ state: 'finished' }).where(eq(orders.id, exam.orderId));
      return { ...exam, finishedAt: done };
    }),
  );
}

type ExposureRow = {
  exposures: typeof exposures.$inferSelect;
  exams: typeof exams.$inferSelect;
  orders: typeof orders.$inferSelect;
  patients: typeof patients.$inferSelect;
};

const present = (row: ExposureRow): Exposure => ({
  id: row.exposures.id,
  examId: row.exams.id,
  orderId: row.orders.id,
  exam: row.orders.exam,
  initials: row.patients.initials,
  projectionId: row.exposures.projectionId,
  name: row.exposures.setup.name,
  side: row.exposures.side,
  room: row.exposures.setup.room.name,
  performedBy: row.exposures.performedBy,
  exposedAt: row.exposures.exposedAt,
  kVp: row.exposures.setup.exposure.kVp,
  mAs: row.exposures.setup.exposure.mAs,
  exposureIndex: row.exposures.exposureIndex,
  deviationIndex: Math.round(deviationIndex(row.exposures.exposureIndex, row.exposures.targetIndex) * 10) / 10,
  kapGyCm2: row.exposures.setup.dose.kapGyCm2,
});

const joined = ({ db }: Store) =>
  db
    .select()
    .from(exposures)
    .innerJoin(exams, eq(exposures.examId, exams.id))
    .innerJoin(orders, eq(exams.orderId, orders.id))
    .innerJoin(patients, eq(orders.patientId, patients.id));

/** @throws Problem 404 */
export async function getExposure(
  store: Store,
  id: string,
): Promise<Exposure & { setup: ExposureRow['exposures']['setup']; request: SetupRequest }> {
  const [row] = await joined(store).where(eq(exposures.id, id));
  if (!row) throw notFound('exposure', id);
  return { ...present(row), setup: row.exposures.setup, request: row.exposures.request };
}

/** The body of an exposure as it was, as an open document. @throws Problem 404 */
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
  return rows.map(present);
}

/**
 * Records an exposure: computes the set-up that was asked for, reads the detector, writes all of it in one
 * transaction. The client's id makes a repeated call return the first result.
 * @throws Problem 404 for an unknown exam, 409 when the id was used for another exam
 */
export async function recordExposure(
  store: Store,
  exposure: NewExposure,
  now: number,
): Promise<{ exposure: Exposure; created: boolean }> {
  const setup = computeSetup(exposure.request);
  const reading = readDetector(exposure.id, exposure.request);
  const created = await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [known] = await tx
        .select({ examId: exposures.examId })
        .from(exposures)
        .where(eq(exposures.id, exposure.id));
      if (known) {
        if (known.examId !== exposure.examId)
          throw new Problem(409, 'Conflict', `Exposure "${exposure.id}" belongs to another exam.`);
        return false;
      }
      const [exam] = await tx.select({ id: exams.id }).from(exams).where(eq(exams.id, exposure.examId));
      if (!exam) throw notFound('exam', exposure.examId);
      await tx.insert(exposures).values({
        id: exposure.id,
        examId: exposure.examId,
        projectionId: setup.projectionId,
        side: setup.side,
        request: exposure.request,
        setup,
        exposureIndex: reading.exposureIndex,
        targetIndex: reading.targetIndex,
        performedBy: exposure.performedBy,
        exposedAt: exposure.exposedAt,
        recordedAt: now,
      });
      return true;
    }),
  );
  return { exposure: await getExposure(store, exposure.id), created };
}
