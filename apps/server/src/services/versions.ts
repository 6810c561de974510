/** Versions of what a department sets: a change that was made from an older one is a conflict, and is told as one. */
import type { Versions } from '@taktik/contracts';
import { eq } from 'drizzle-orm';
import { Refusal } from './refusal';
import type { Store } from '../db/database';
import { departments, ownEntries, rooms, settings } from '../db/schema';

/** The only row of each table that has one. */
export const HOUSE = 'house';

/** What is in force, as numbers: a device asks this often, and for the rest only when one has grown. */
export async function versionsOf({ db }: Store): Promise<Versions> {
  const [rules] = await db.select().from(settings).where(eq(settings.id, HOUSE));
  const [department] = await db.select().from(departments).where(eq(departments.id, HOUSE));
  const all = await db.select({ id: rooms.id, version: rooms.version }).from(rooms);
  const own = await db.select({ at: ownEntries.changedAt }).from(ownEntries);
  return {
    rules: rules?.version ?? 0,
    department: department?.version ?? 0,
    rooms: Object.fromEntries(all.map(({ id, version }) => [id, version])),
    own: own.reduce((most, { at }) => Math.max(most, at), 0) + own.length,
    changedBy: { rules: rules?.changedBy ?? null, department: department?.changedBy ?? null },
  };
}

/**
 * @param expected the version that was changed; undefined where the caller does not say
 * @throws Refusal 409 where it is another one by now
 */
export function mustBeVersion(what: string, expected: number | undefined, now: number, by: string | null): void {
  if (expected === undefined || expected === now) return;
  throw new Refusal(
    'conflict',
    'Changed elsewhere',
    `${by ?? 'Someone'} has changed ${what} meanwhile (version ${now}; yours was ${expected}). Nothing was stored: look at it as it is now, and change it again if it is still wrong.`,
  );
}
