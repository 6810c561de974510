/** Orders: what waits, one in full, taking one in. */
import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import { ageApart, notXray, OWN_PREFIX, saidOfCare, unusualOf, type Unusual } from '@taktik/core';
import type { ChangePlan, NewOrder, Order, OrderNotice } from '@taktik/contracts';
import { notFound, Refusal } from './refusal';
import { exams, orders, patients, rooms } from '../db/schema';
import type { Store } from '../db/database';
import { note } from './audit';
import { listOwn } from './catalogue';

type Row = { orders: typeof orders.$inferSelect; patients: typeof patients.$inferSelect };

const NOTICE: Record<OrderNotice, Unusual> = {
  'called off': { code: 'order-called-off', values: {} },
  'on hold': { code: 'order-on-hold', values: {} },
  corrected: { code: 'order-corrected', values: {} },
  merged: { code: 'order-merged', values: {} },
};

const present = ({ orders: order, patients: patient }: Row, heldBy: string | null): Order => {
  const { patientId: _, notice, scheduled: _scheduled, ...rest } = order;
  // Computed whenever it is read: an age or a limit of the room's routine is never told from an older day.
  const unusual = [
    ...(notice ? [NOTICE[notice]] : []),
    ...unusualOf(patient.body, order.situation),
    ...saidOfCare(`${order.exam}; ${order.reason}; ${order.note}`),
  ];
  return { ...rest, unusual, patient, heldBy };
};

/** Who has the open exam of each order in hand. */
async function holders({ db }: Store): Promise<Map<string, string>> {
  const rows = await db
    .select({ orderId: exams.orderId, by: exams.performedBy })
    .from(exams)
    .where(and(isNull(exams.finishedAt), isNull(exams.joins)));
  return new Map(rows.map(({ orderId, by }) => [orderId, by]));
}

const URGENCY = { now: 0, today: 1, routine: 2 };

/** Open orders first by urgency, then by how long they have waited. */
export async function listOrders(store: Store, state: Order['state'] | 'open'): Promise<Order[]> {
  const states = state === 'open' ? (['waiting', 'started'] as const) : ([state] as const);
  const byOrder = await holders(store);
  const rows = await store.db
    .select()
    .from(orders)
    .innerJoin(patients, eq(orders.patientId, patients.id))
    .where(inArray(orders.state, [...states]))
    .orderBy(asc(orders.orderedAt));
  return rows
    .map((row) => present(row, byOrder.get(row.orders.id) ?? null))
    .sort((a, b) => URGENCY[a.urgency] - URGENCY[b.urgency]);
}

/** @throws Refusal 404 */
export async function getOrder(store: Store, id: string): Promise<Order> {
  const [row] = await store.db
    .select()
    .from(orders)
    .innerJoin(patients, eq(orders.patientId, patients.id))
    .where(eq(orders.id, id));
  if (!row) throw notFound('order', id);
  return present(row, (await holders(store)).get(id) ?? null);
}

/** Patient and order in one transaction. @throws Refusal 422 for an unknown room */
export async function addOrder(
  store: Store,
  order: NewOrder,
  by: string,
  now: number,
  id: string = nanoid(12),
): Promise<Order> {
  const { initials, patient, roomId, ...rest } = order;
  const other = notXray(order.exam);
  if (other !== null)
    throw new Refusal(
      'not accepted',
      'Not an x-ray',
      `“${order.exam}” asks for ${other}, not for an x-ray; it was not taken in.`,
      [{ field: 'exam', message: `asks for ${other}` }],
    );
  const otherAge = ageApart(order.exam, patient.ageYears);
  if (otherAge !== null)
    throw new Refusal('not accepted', 'Another age', `${otherAge}. It was not taken in.`, [
      { field: 'patient.ageYears', message: otherAge },
    ]);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [room] = await tx.select({ id: rooms.id }).from(rooms).where(eq(rooms.id, roomId));
      if (!room)
        throw new Refusal('not accepted', 'Input not accepted', `There is no room "${roomId}".`, [
          { field: 'roomId', message: 'unknown room' },
        ]);
      const patientId = nanoid(12);
      await tx.insert(patients).values({ id: patientId, initials, body: patient });
      await tx.insert(orders).values({
        id,
        patientId,
        roomId,
        ...rest,
        side: order.side ?? null,
        orderedAt: now,
        state: 'waiting',
      });
      await note(tx, { at: now, person: by, action: 'order taken in', subject: `order:${id}` });
    }),
  );
  return getOrder(store, id);
}

/** @throws Refusal where a plan names an entry of its own that the department does not have */
async function knownHere(store: Store, plan: ChangePlan['projections']): Promise<void> {
  const asked = plan.map(({ projectionId }) => projectionId).filter((each) => each.startsWith(OWN_PREFIX));
  if (asked.length === 0) return;
  const own = new Set((await listOwn(store)).map((entry) => entry.id));
  const missing = asked.find((each) => !own.has(each));
  if (missing)
    throw new Refusal(
      'not accepted',
      'Entry not known',
      `The department has no entry "${missing}": it may have been taken out of the catalogue. The plan stays as it was.`,
    );
}

/**
 * Changes the plan of an order, when it is still the one that was changed.
 * @throws Refusal 404; 409 when another device has changed it meanwhile, or the exam has ended
 */
export async function changePlan(
  store: Store,
  id: string,
  { version, projections }: ChangePlan,
  by: string,
  now: number,
): Promise<Order> {
  await knownHere(store, projections);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [order] = await tx.select().from(orders).where(eq(orders.id, id));
      if (!order) throw notFound('order', id);
      if (order.state === 'finished')
        throw new Refusal('conflict', 'Exam ended', `${order.exam} has ended; its plan no longer changes.`);
      // The same plan again, as after a reply that was lost, changes nothing.
      if (JSON.stringify(order.projections) === JSON.stringify(projections)) return;
      if (order.planVersion !== version)
        throw new Refusal(
          'conflict',
          'Plan changed elsewhere',
          `${order.planBy ?? 'Someone'} has changed the plan of ${order.exam} on another device. Look at it, and change it again if it is still wrong.`,
        );
      await tx
        .update(orders)
        .set({ projections, planVersion: version + 1, planBy: by })
        .where(eq(orders.id, id));
      await note(tx, {
        at: now,
        person: by,
        action: 'plan changed',
        subject: `order:${id}`,
        detail: { before: order.projections, after: projections },
      });
    }),
  );
  return getOrder(store, id);
}
