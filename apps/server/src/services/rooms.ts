/** Rooms and house rules of this department. */
import { asc, eq } from 'drizzle-orm';
import { withDefaults, type HouseRules, type Room, type RuleId } from '@taktik/core';
import { notFound } from '../api/problem';
import type { Store } from '../db/database';
import { rooms, settings } from '../db/schema';
import { note } from './audit';

export async function listRooms({ db }: Store): Promise<Room[]> {
  const rows = await db.select().from(rooms).orderBy(asc(rooms.position));
  return rows.map(({ room }) => room);
}

/** @throws Problem 404 */
export async function getRoom({ db }: Store, id: string): Promise<Room> {
  const [row] = await db.select().from(rooms).where(eq(rooms.id, id));
  if (!row) throw notFound('room', id);
  return row.room;
}

export const RULES_ROW = 'house';
/** Rules with the shipped ones for what was not chosen. */
export const withRules = (rules: Partial<Record<string, string | number>>): HouseRules =>
  withDefaults(rules as Partial<Record<RuleId, string>>);

export async function getRules({ db }: Store): Promise<HouseRules> {
  const [row] = await db.select().from(settings).where(eq(settings.id, RULES_ROW));
  return withDefaults(row?.rules);
}

export async function putRules(
  store: Store,
  rules: Partial<Record<RuleId, string | number>>,
  by: string,
  now: number,
): Promise<HouseRules> {
  const before = await getRules(store);
  const value = withDefaults(rules);
  const changed = Object.fromEntries(
    Object.entries(value).filter(([rule, choice]) => before[rule as RuleId] !== choice),
  );
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      await tx
        .insert(settings)
        .values({ id: RULES_ROW, rules: value })
        .onConflictDoUpdate({ target: settings.id, set: { rules: value } });
      await note(tx, { at: now, person: by, action: 'house rules changed', subject: 'rules', detail: changed });
    }),
  );
  return getRules(store);
}
