/** Orders from outside: all of a message or nothing of it, every fault told with its line. */
import { eq, inArray } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import {
  examsOf,
  needsSide,
  asTakenHere,
  namedIds,
  orderedExam,
  ordersFromHl7,
  plannedFor,
  readFhir,
  readTable,
  readWorklist,
  type Hl7Segment,
  type WorklistEntry,
  type Incoming,
  type IncomingFault,
  type IncomingOrder,
  type PatientNumber,
  type Planned,
} from '@taktik/core';
import { inSlices, pauses } from '../inSlices';
import { Refusal } from './refusal';
import type { Store } from '../db/database';
import { orders, patients } from '../db/schema';
import { note } from './audit';
import { getDepartment } from './departments';
import { orderRows, refusedTable } from './orderRows';
import { listRooms, rulesInForce } from './rooms';
import { localDay } from './times';

/** `known`: came before, just so; `corrected` and `cancelled`: came before, and now otherwise. */
export type Taken = {
  taken: number;
  known: number;
  corrected: number;
  cancelled: number;
  refused: { line: number; message: string }[];
  refusedTable: string;
};
/** What became of one order of a message. @property id null where there is none here */
export type Outcome = { line: number; id: string | null; what: 'taken' | 'known' | 'corrected' | 'cancelled' };
type Lined = { line: number; order: IncomingOrder };
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

/**
 * @param whole one fault refuses all of it; else only its own order; `before`: what is wrong with others of the message
 * @returns what became of the orders, and the faults of those that were not taken
 */
async function takeIn(
  store: Store,
  found: readonly Lined[],
  { whole, before, by, now }: { whole: boolean; before: readonly IncomingFault[]; by: string; now: number },
): Promise<{ outcomes: Outcome[]; faults: IncomingFault[] }> {
  if (found.length > MAX_ORDERS)
    throw new Refusal(
      'not accepted',
      'Orders not taken',
      `A message may hold ${MAX_ORDERS} orders at most; this one has ${found.length}.`,
    );
  const [department, rooms, { rules }] = await Promise.all([
    getDepartment(store),
    listRooms(store),
    rulesInForce(store),
  ]);
  const exams = examsOf(department);
  const roomFor = ({ situation }: IncomingOrder) => {
    const room = (situation.place === 'bedside' ? rooms.find(({ kind }) => kind === 'mobile') : undefined) ?? rooms[0];
    if (!room) throw new Error('the department has no room');
    return room;
  };
  const faults: IncomingFault[] = [];
  const planOf = ({ line, order }: Lined): (Lined & { projections: Planned[] })[] => {
    if (order.standing !== 'ordered') return [{ line, order, projections: [] }];
    const meant = orderedExam(order.exam, exams, order.reason);
    const side = order.bothSides ? 'both' : order.side;
    const put = (field: string, message: string) => {
      faults.push({ line, field, message: `Order ${order.reference}: ${message}` });
      return [];
    };
    if (!meant) return put('exam', `no exam here is called “${order.exam}”`);
    if (side === null && needsSide(meant.projections)) return put('side', `${meant.name} needs a side`);
    const { ids } = asTakenHere(
      meant.projections,
      { rules, ageYears: order.patient.ageYears ?? null },
      { named: namedIds(meant), sideOrdered: side === 'left' || side === 'right' },
    );
    return [{ line, order, projections: plannedFor(ids, side, meant.sideDown, meant.digits) }];
  };
  // Hundreds of orders hold up nobody else: the others are answered in between.
  const pause = pauses();
  const planned: (Lined & { projections: Planned[] })[] = [];
  for (const each of found) {
    planned.push(...planOf(each));
    await pause();
  }
  if (faults.length > 0 && (whole || planned.length === 0))
    throw refuse([...before, ...faults].sort((a, b) => a.line - b.line));
  const outcomes = await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const references = planned.map(({ order }) => order.reference);
      const rows = await tx
        .select()
        .from(orders)
        .innerJoin(patients, eq(orders.patientId, patients.id))
        .where(inArray(orders.reference, references));
      const known = byNumber(rows);
      const outcomes: Outcome[] = [];
      for (const { line, order, projections } of planned) {
        await pause();
        const { initials, patient, patientNumber, situation, bothSides: _, standing, ...rest } = order;
        const before = knownAs(order, known);
        if (before) {
          const news = changeOf(before, order, projections);
          outcomes.push({ line, id: before.orders.id, what: news.kind });
          if (news.patient) await tx.update(patients).set(news.patient).where(eq(patients.id, before.patients.id));
          if (news.kind === 'known') continue;
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
          outcomes.push({ line, id: null, what: 'cancelled' });
          continue;
        }
        const [id, patientId] = [nanoid(12), nanoid(12)];
        outcomes.push({ line, id, what: 'taken' });
        await tx.insert(patients).values({ id: patientId, initials, body: patient, ...numberOf(patientNumber) });
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
      return outcomes;
    }),
  );
  return { outcomes, faults };
}

type Known = { orders: typeof orders.$inferSelect; patients: typeof patients.$inferSelect };
type News =
  | { kind: 'known'; patient?: Partial<Known['patients']> }
  | { kind: 'corrected' | 'cancelled'; order: Partial<Known['orders']>; patient?: Partial<Known['patients']> };

const byNumber = (rows: readonly Known[]): ReadonlyMap<string | null, readonly Known[]> => {
  const found = new Map<string | null, Known[]>();
  for (const row of rows) {
    const { reference } = row.orders;
    found.set(reference, [...(found.get(reference) ?? []), row]);
  }
  return found;
};
/** The same number of the same system; where one of them does not say which system, the number alone decides. */
function knownAs(
  { reference, system }: IncomingOrder,
  known: ReadonlyMap<string | null, readonly Known[]>,
): Known | undefined {
  const rows = known.get(reference) ?? [];
  return (
    rows.find(({ orders: order }) => order.system === system) ??
    rows.find(({ orders: order }) => order.system === '' || system === '')
  );
}
const numberOf = (number: PatientNumber | null) => ({ number: number?.value ?? null, issuer: number?.issuer ?? '' });

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

type Numbered = { number: string | null; issuer: string };
/** A number that was not known before says nothing against the one who bears it now; nor does who gives it, where only one message says that. */
const sameNumber = (a: Numbered, b: Numbered): boolean =>
  b.number === null || (a.number === b.number && (a.issuer === b.issuer || a.issuer === '' || b.issuer === ''));

/** What a message makes of an order that is known by its number. */
function changeOf({ orders: order, patients: person }: Known, news: IncomingOrder, plan: Planned[]): News {
  const { exam, side, reason, urgency, ward, requester, note: said, situation, scheduled } = news;
  const { patient, patientNumber, initials, standing } = news;
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
  const content = { exam, side, reason, urgency, ward, requester, note: said, situation };
  const was = {
    exam: order.exam,
    side: order.side,
    reason: order.reason,
    urgency: order.urgency,
    ward: order.ward,
    requester: order.requester,
    note: order.note,
    situation: order.situation,
  };
  const asked = same(content, was);
  // A message that bears no number says nothing of it.
  const number = patientNumber ? numberOf(patientNumber) : { number: person.number, issuer: person.issuer };
  const whose =
    same({ initials, body: patient }, { initials: person.initials, body: person.body }) && sameNumber(number, person);
  const stands = order.state !== 'cancelled' && order.notice !== 'on hold';
  if (asked && whose && stands) return { kind: 'known', ...(person.number === null && { patient: number }) };
  // A plan that somebody has made stays theirs to change; the order says that it was corrected.
  const replan = order.state !== 'started' && order.planBy === null && !(exam === order.exam && side === order.side);
  return {
    kind: 'corrected',
    patient: whose ? undefined : { initials, body: patient, ...number },
    order: {
      ...content,
      ...(scheduled ? { scheduled } : {}),
      notice: 'corrected',
      ...(order.state === 'cancelled' ? { state: 'waiting' as const } : {}),
      ...(replan ? { projections: plan, planVersion: order.planVersion + 1 } : {}),
    },
  };
}

function counted(outcomes: readonly Outcome[]): Omit<Taken, 'refused' | 'refusedTable'> {
  const count = { taken: 0, known: 0, corrected: 0, cancelled: 0 };
  for (const { what } of outcomes) count[what] += 1;
  return count;
}

const NONE_REFUSED = { refused: [], refusedTable: '' };

async function takeMessage(
  store: Store,
  incoming: Incoming,
  by: string,
  now: number,
): Promise<{ taken: Taken; outcomes: Outcome[] }> {
  if ('faults' in incoming) throw refuse(incoming.faults);
  const { outcomes } = await takeIn(store, incoming.orders, { whole: true, before: [], by, now });
  return { taken: { ...counted(outcomes), ...NONE_REFUSED }, outcomes };
}

/** @param document parsed FHIR JSON: a message, taken whole or not. @throws Refusal 422 with a line for every fault */
export const takeFhir = async (
  store: Store,
  document: unknown,
  by: string,
  now: number,
): Promise<{ taken: Taken; outcomes: Outcome[] }> =>
  takeMessage(store, await inSlices(readFhir(document, localDay(now))), by, now);

/** @param segments of an HL7 v2 message, taken whole or not. @throws Refusal 422 with a line for every fault */
export const takeHl7 = async (store: Store, segments: readonly Hl7Segment[], by: string, now: number): Promise<Taken> =>
  (await takeMessage(store, ordersFromHl7(segments, localDay(now)), by, now)).taken;

/**
 * Rows that are right are taken; the others are told, and come back as a table of their own.
 * @param text CSV with a head line. @throws Refusal 422 with a line for every fault where none is right
 */
export async function takeTable(store: Store, text: string, by: string, now: number): Promise<Taken> {
  const table = orderRows(text);
  const { orders: found, faults: wrong } =
    table.rows.length > 0
      ? await inSlices(readTable(table.columns, table.rows, table.headLine))
      : { orders: [], faults: [] as IncomingFault[] };
  const before = [...table.faults, ...wrong];
  if (found.length === 0) throw refuse(before);
  const { outcomes, faults } = await takeIn(store, found, { whole: false, before, by, now });
  const all = [...before, ...faults].sort((a, b) => a.line - b.line);
  return {
    ...counted(outcomes),
    refused: all.map(({ line, message }) => ({ line, message })),
    refusedTable: refusedTable(table, all),
  };
}

/**
 * What a worklist has for plain x-rays: entries that are right are taken, the others told by their place.
 */
export async function takeWorklist(
  store: Store,
  entries: readonly WorklistEntry[],
  by: string,
  now: number,
): Promise<Taken> {
  const { orders: found, faults: wrong } = await inSlices(readWorklist(entries, localDay(now)));
  const { outcomes, faults } =
    found.length === 0
      ? { outcomes: [], faults: [] }
      : await takeIn(store, found, { whole: false, before: wrong, by, now });
  const all = [...wrong, ...faults].sort((a, b) => a.line - b.line);
  return { ...counted(outcomes), refused: all.map(({ line, message }) => ({ line, message })), refusedTable: '' };
}
