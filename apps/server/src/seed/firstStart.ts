/** A department's own database, the first time: rooms to be measured, and one lead with a PIN of its own. */
import { randomInt } from 'node:crypto';
import { demoRooms } from '@taktik/core';
import type { Store } from '../db/database';
import { rooms } from '../db/schema';
import { addPerson, listPeople } from '../services/people';

const LEAD = 'First lead';
const PIN_DIGITS = 8;

/** A lead with a PIN of its own, that nobody has chosen. @returns both, told this once */
export async function makeLead(
  store: Store,
  name: string,
  by: string,
  now: number,
): Promise<{ name: string; pin: string }> {
  const pin = String(randomInt(0, 10 ** PIN_DIGITS)).padStart(PIN_DIGITS, '0');
  await addPerson(store, { name, role: 'lead', pin }, by, now);
  return { name, pin };
}

/** @returns the first lead and the PIN, told this once; null where there is somebody already */
export async function firstStart(store: Store, now: number): Promise<{ name: string; pin: string } | null> {
  if ((await listPeople(store)).length > 0) return null;
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [known] = await tx.select({ id: rooms.id }).from(rooms).limit(1);
      if (known) return;
      await tx.insert(rooms).values(demoRooms.map((room, position) => ({ id: room.id, room, position })));
    }),
  );
  return makeLead(store, LEAD, 'first start', now);
}
