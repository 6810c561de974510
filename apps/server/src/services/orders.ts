/** Orders: what waits, one in full, taking one in. */
import { asc, eq, inArray } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { NewOrder, Order } from '../api/contracts';
import { notFound, Problem } from '../api/problem';
import { orders, patients, rooms } from '../db/schema';
import type { Store } from '../db/database';

type Row = { orders: typeof orders.$inferSelect; patients: typeof patients.$inferSelect };

const present = ({ orders: order, patients: patient }: Row): Order => {
  const { patientId: _, ...rest } = order;
  return { ...rest, patient };
};

const URGENCY = { now: 0, today: 1, routine: 2 };

/** Open orders first by urgency, then by how long they have waited. */
export async function listOrders({ db }: Store, state: 'waiting' | 'started' | 'finished' | 'open'): Promise<Order[]> {
  const wanted = state === 'open' ? (['waiting', 'started'] as const) : ([state] as const);
  const rows = await db
    .select()
    .from(orders)
    .innerJoin(patients, eq(orders.patientId, patients.id))
    .where(inArray(orders.state, [...wanted]))
    .orderBy(asc(orders.orderedAt));
  return rows.map(present).sort((a, b) => URGENCY[a.urgency] - URGENCY[b.urgency]);
}

/** @throws Problem 404 */
export async function getOrder({ db }: Store, id: string): Promise<Order> {
  const [row] = await db
    .select()
    .from(orders)
    .innerJoin(patients, eq(orders.patientId, patients.id))
    .where(eq(orders.id, id));
  if (!row) throw notFound('order', id);
  return present(row);
}

/** Patient and order in one transaction. @throws Problem 422 for an unknown room */
export async function addOrder(store: Store, order: NewOrder, now: number, id: string = nanoid(12)): Promise<Order> {
  const { initials, patient, roomId, ...rest } = order;
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [room] = await tx.select({ id: rooms.id }).from(rooms).where(eq(rooms.id, roomId));
      if (!room)
        throw new Problem(422, 'Input not accepted', `There is no room "${roomId}".`, [
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
        unusual: [],
        orderedAt: now,
        state: 'waiting',
      });
    }),
  );
  return getOrder(store, id);
}
