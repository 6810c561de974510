/** Fills an empty database with the demo; leaves one that holds anything alone. */
import { demoRooms } from '@taktik/core';
import type { Store } from '../db/database';
import { orders, patients, rooms } from '../db/schema';
import { addPerson, listPeople } from '../services/people';
import { DEMO_ORDERS, DEMO_PEOPLE } from './scenario';

const MINUTE_MS = 60_000;

export async function seedDemo(store: Store, now: number): Promise<void> {
  await seedPeople(store, now);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [known] = await tx.select({ id: rooms.id }).from(rooms).limit(1);
      if (known) return;
      await tx.insert(rooms).values(demoRooms.map((room, position) => ({ id: room.id, room, position })));
      for (const { id, initials, patient, waitedMinutes, side, ...order } of DEMO_ORDERS) {
        const patientId = `p-${id}`;
        await tx.insert(patients).values({ id: patientId, initials, body: patient });
        await tx.insert(orders).values({
          ...order,
          id,
          patientId,
          side: side ?? null,
          orderedAt: now - waitedMinutes * MINUTE_MS,
          state: 'waiting',
        });
      }
    }),
  );
}

async function seedPeople(store: Store, now: number): Promise<void> {
  const known = await listPeople(store);
  if (known.length > 0) return;
  for (const { id, pin, ...person } of DEMO_PEOPLE)
    await addPerson(store, { ...person, pin }, 'demo', now, { id, demoPin: pin });
}
