/** Orders from outside: all of a message or nothing of it, every fault told with its line. */
import { eq, inArray } from 'drizzle-orm';
import Papa from 'papaparse';
import { nanoid } from 'nanoid';
import {
  examsOf,
  needsSide,
  orderedExam,
  ordersFromFhir,
  ordersFromTable,
  plannedFor,
  type Incoming,
  type IncomingFault,
  type IncomingOrder,
  type Planned,
} from '@taktik/core';
import { Refusal } from './refusal';
import type { Store } from '../db/database';
import { orders, patients } from '../db/schema';
import { note } from './audit';
import { getDepartment } from './departments';
import { listRooms } from './rooms';

/** `known`: came before, just so; `corrected` and `cancelled`: came before, and now otherwise. */
export type Taken = { taken: number; known: number; corrected: number; cancelled: number };
const MAX_ORDERS = 500;

const refuse = (faults: readonly IncomingFault[]): Refusal =>
  new Refusal(
    'not accepted',
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
    throw new Refusal(
      'not accepted',
      'Orders not taken',
      `A message may hold ${MAX_ORDERS} orders at most; this one has ${found.length}.`,
    );
  const [department, rooms] = await Promise.all([getDepartment(store), listRooms(store)]);
  const exams = examsOf(department);
  const roomFor = ({ situation }: IncomingOrder) => {
    const room = (situation.place === 'bedside' ? rooms.find(({ kind }) => kind === 'mobile') : undefined) ?? rooms[0];
    if (!room) throw new Error('the department has no room');
    return room;
  };
  const faults: IncomingFault[] = [];
  const planned = found.map((order, i) => {
    if (order.standing !== 'ordered') return [];
    const meant = orderedExam(order.exam, exams, order.reason);
    const side = order.bothSides ? 'both' : order.side;
    if (!meant)
      faults.push({
        line: i + 1,
        field: 'exam',
        message: `Order ${order.reference}: no exam here is called “${order.exam}”`,
      });
    else if (side === null && needsSide(meant.projections))
      faults.push({ line: i + 1, field: 'side', message: `Order ${order.reference}: ${meant.name} needs a side` });
    return meant ? plannedFor(meant.projections, side, meant.sideDown) : [];
  });
  if (faults.length > 0) throw refuse(faults);
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const references = found.map(({ reference }) => reference);
      const rows = await tx
        .select()
        .from(orders)
        .innerJoin(patients, eq(orders.patientId, patients.id))
        .where(inArray(orders.reference, references));
      const known = new Map(rows.map((row) => [row.orders.reference, row]));
      const count: Taken = { taken: 0, known: 0, corrected: 0, cancelled: 0 };
      for (const [i, order] of found.entries()) {
        const projections = planned[i] ?? [];
        const { initials, patient, situation, bothSides: _, standing, ...rest } = order;
        const before = known.get(order.reference);
        if (before) {
          const news = changeOf(before, order, projections);
          count[news.kind] += 1;
          if (news.kind === 'known') continue;
          if (news.patient) await tx.update(patients).set(news.patient).where(eq(patients.id, before.patients.id));
          await tx.update(orders).set(news.order).where(eq(orders.id, before.orders.id));
          await note(tx, {
            at: now,
            person: by,
            action: news.kind === 'cancelled' ? 'order called off' : 'order corrected',
            subject: `order:${before.orders.id}`,
            detail: { reference: order.reference, was: before.orders.exam, side: before.orders.side },
          });
          continue;
        }
        // What was called off before it came need not wait.
        if (standing !== 'ordered') {
          count.cancelled += 1;
          continue;
        }
        count.taken += 1;
        const [id, patientId] = [nanoid(12), nanoid(12)];
        await tx.insert(patients).values({ id: patientId, initials, body: patient });
        await tx.insert(orders).values({
          ...rest,
          id,
          patientId,
          roomId: roomFor(order).id,
          situation,
          projections,
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
      return count;
    }),
  );
}

type Known = { orders: typeof orders.$inferSelect; patients: typeof patients.$inferSelect };
type News =
  | { kind: 'known' }
  | { kind: 'corrected' | 'cancelled'; order: Partial<Known['orders']>; patient?: Partial<Known['patients']> };

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What a message makes of an order that is known by its number. */
function changeOf({ orders: order, patients: person }: Known, news: IncomingOrder, plan: Planned[]): News {
  const { exam, side, reason, urgency, ward, situation, patient, initials, standing } = news;
  if (order.state === 'finished') return { kind: 'known' };
  if (standing === 'cancelled') {
    if (order.state === 'cancelled' || order.notice === 'called off') return { kind: 'known' };
    // An order in hand is not taken from under the hands of whoever performs it: it says that it was called off.
    return order.state === 'started'
      ? { kind: 'cancelled', order: { notice: 'called off' } }
      : { kind: 'cancelled', order: { state: 'cancelled' } };
  }
  if (standing === 'on hold')
    return order.notice === 'on hold' ? { kind: 'known' } : { kind: 'corrected', order: { notice: 'on hold' } };
  const content = { exam, side, reason, urgency, ward, situation };
  const was = {
    exam: order.exam,
    side: order.side,
    reason: order.reason,
    urgency: order.urgency,
    ward: order.ward,
    situation: order.situation,
  };
  const asked = same(content, was);
  const whose = same({ initials, body: patient }, { initials: person.initials, body: person.body });
  const stands = order.state !== 'cancelled' && order.notice !== 'on hold';
  if (asked && whose && stands) return { kind: 'known' };
  // A plan that somebody has made stays theirs to change; the order says that it was corrected.
  const replan = order.state !== 'started' && order.planBy === null && !(exam === order.exam && side === order.side);
  return {
    kind: 'corrected',
    patient: whose ? undefined : { initials, body: patient },
    order: {
      ...content,
      notice: 'corrected',
      ...(order.state === 'cancelled' ? { state: 'waiting' as const } : {}),
      ...(replan ? { projections: plan, planVersion: order.planVersion + 1 } : {}),
    },
  };
}

/** @param document parsed FHIR JSON. @throws Refusal 422 with a line for every fault */
export const takeFhir = (store: Store, document: unknown, by: string, now: number): Promise<Taken> =>
  takeIn(store, ordersFromFhir(document, new Date(now).toISOString().slice(0, 10)), by, now);

/** @param text CSV with a head line. @throws Refusal 422 with a line for every fault */
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
