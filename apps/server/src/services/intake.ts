/** Orders from outside: all of a message or nothing of it, every fault told with its line. */
import { eq, inArray } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import { examsOf, type IncomingFault, type IncomingOrder, type PatientNumber, type Planned } from '@taktik/core';
import type { Computing } from '../compute/computing';
import { pauses } from '../pauses';
import { Refusal } from './refusal';
import type { Store } from '../db/database';
import { orders, patients } from '../db/schema';
import { note } from './audit';
import { getDepartment } from './departments';
import { MAX_ORDERS, type OrderMessage, type PlannedOrder } from './readOrders';
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
/** Where orders are kept, and where they are read. */
export type Intake = { store: Store; computing: Computing };

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

/** Keeps what is new in a message. @returns what became of each order */
async function keep(
  store: Store,
  planned: readonly PlannedOrder[],
  { by, now }: { by: string; now: number },
): Promise<Outcome[]> {
  const rooms = await listRooms(store);
  const roomFor = ({ situation }: IncomingOrder) => {
    const room = (situation.place === 'bedside' ? rooms.find(({ kind }) => kind === 'mobile') : undefined) ?? rooms[0];
    if (!room) throw new Error('the department has no room');
    return room;
  };
  // Hundreds of orders hold up nobody else: the others are answered in between.
  const pause = pauses();
  return store.writes.run(() =>
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

/**
 * Takes in a message: a bundle or an HL7 message whole or not at all, of a table or a worklist the orders that are
 * right, with a line for every fault of the others.
 * @param by who brings it
 * @throws Refusal 422 where nothing of it can be taken
 * @example await takeOrders({ store, computing }, { kind: 'fhir', document }, 'order system', Date.now());
 */
export async function takeOrders(
  { store, computing }: Intake,
  message: OrderMessage,
  by: string,
  now: number,
): Promise<{ taken: Taken; outcomes: Outcome[] }> {
  const [department, { rules }] = await Promise.all([getDepartment(store), rulesInForce(store)]);
  const read = await computing.run('orders', { message, today: localDay(now), exams: examsOf(department), rules });
  if (read.found > MAX_ORDERS)
    throw new Refusal(
      'not accepted',
      'Orders not taken',
      `A message may hold ${MAX_ORDERS} orders at most; this one has ${read.found}.`,
    );
  const whole = message.kind === 'fhir' || message.kind === 'hl7';
  // Nothing for us on a worklist is no fault of it.
  const none = read.orders.length === 0 && message.kind !== 'worklist';
  if (read.faults.length > 0 && (whole || none)) throw refuse(read.faults);
  const outcomes = read.orders.length === 0 ? [] : await keep(store, read.orders, { by, now });
  const refused = read.faults.map(({ line, message: why }) => ({ line, message: why }));
  return { taken: { ...counted(outcomes), refused, refusedTable: read.refusedTable }, outcomes };
}
