/** Orders from outside: all of a message or nothing of it, every fault told with its line. */
import { inArray } from 'drizzle-orm';
import Papa from 'papaparse';
import { nanoid } from 'nanoid';
import {
  examsOf,
  orderedExam,
  ordersFromFhir,
  ordersFromTable,
  plannedFor,
  projectionOf,
  unusualOf,
  type Incoming,
  type IncomingFault,
  type IncomingOrder,
} from '@taktik/core';
import { Problem } from '../api/problem';
import type { Store } from '../db/database';
import { orders, patients } from '../db/schema';
import { note } from './audit';
import { getDepartment } from './departments';
import { listRooms } from './rooms';

export type Taken = { taken: number; known: number };
const MAX_ORDERS = 500;

const refuse = (faults: readonly IncomingFault[]): Problem =>
  new Problem(
    422,
    'Orders not taken',
    `Nothing was taken in. ${faults
      .slice(0, 20)
      .map(({ line, message }) => `Line ${line}: ${message}`)
      .join('; ')}`.slice(0, 2000),
    faults.slice(0, 100).map(({ line, field, message }) => ({ field: `line ${line}, ${field}`, message })),
  );

async function takeIn(store: Store, incoming: Incoming, by: string, now: number): Promise<Taken> {
  if ('faults' in incoming) throw refuse(incoming.faults);
  const found = incoming.orders;
  if (found.length > MAX_ORDERS)
    throw new Problem(
      422,
      'Orders not taken',
      `A message may hold ${MAX_ORDERS} orders at most; this one has ${found.length}.`,
    );
  const [department, rooms] = await Promise.all([getDepartment(store), listRooms(store)]);
  const exams = examsOf(department);
  const roomFor = ({ situation }: IncomingOrder) =>
    (situation.place === 'bedside' ? rooms.find(({ kind }) => kind === 'mobile') : undefined) ?? rooms[0];
  const faults: IncomingFault[] = [];
  const planned = found.map((order, i) => {
    const meant = orderedExam(order.exam, exams);
    if (!meant)
      faults.push({
        line: i + 1,
        field: 'exam',
        message: `Order ${order.reference}: no exam here is called “${order.exam}”`,
      });
    else if (order.side === null && meant.projections.some((id) => projectionOf(id).sided === 'each'))
      faults.push({ line: i + 1, field: 'side', message: `Order ${order.reference}: ${meant.name} needs a side` });
    return meant ? plannedFor(meant.projections, order.side) : [];
  });
  if (faults.length > 0) throw refuse(faults);
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const references = found.map(({ reference }) => reference);
      const rows = await tx
        .select({ reference: orders.reference })
        .from(orders)
        .where(inArray(orders.reference, references));
      const known = new Set(rows.map(({ reference }) => reference));
      let taken = 0;
      for (const [i, order] of found.entries()) {
        if (known.has(order.reference)) continue;
        taken += 1;
        const { initials, patient, situation, ...rest } = order;
        const [id, patientId] = [nanoid(12), nanoid(12)];
        await tx.insert(patients).values({ id: patientId, initials, body: patient });
        await tx.insert(orders).values({
          ...rest,
          id,
          patientId,
          roomId: roomFor(order).id,
          situation,
          projections: planned[i],
          unusual: unusualOf(patient, situation),
          orderedAt: now,
          state: 'waiting',
        });
        await note(tx, {
          at: now,
          person: by,
          action: 'order taken in',
          subject: `order:${id}`,
          detail: { reference: order.reference },
        });
      }
      return { taken, known: known.size };
    }),
  );
}

/** @param document parsed FHIR JSON. @throws Problem 422 with a line for every fault */
export const takeFhir = (store: Store, document: unknown, by: string, now: number): Promise<Taken> =>
  takeIn(store, ordersFromFhir(document, new Date(now).toISOString().slice(0, 10)), by, now);

/** @param text CSV with a head line. @throws Problem 422 with a line for every fault */
export async function takeTable(store: Store, text: string, by: string, now: number): Promise<Taken> {
  const read = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  // The head is line 1, and rows count from 0.
  const broken = read.errors.map(({ row, message }) => ({ line: (row ?? -1) + 2, field: 'row', message }));
  // A table of one column is told by its missing columns, not by the separator that could not be guessed.
  const faults = broken.filter(({ message }) => !/auto-detect/.test(message));
  if (faults.length > 0) throw refuse(faults);
  const rows = read.data.map((cells, i) => ({ line: i + 2, cells }));
  if (rows.length === 0) throw refuse([{ line: 1, field: 'row', message: 'There is no order in the table' }]);
  return takeIn(store, ordersFromTable(read.meta.fields ?? [], rows), by, now);
}
