/** The department's own entries: proved before they are stored, and stored all or not at all. */
import { asc, eq } from 'drizzle-orm';
import {
  entryOfToday,
  exportCatalogue,
  importCatalogue,
  MAX_OWN_ENTRIES,
  projectionSchema,
  proveEntry,
  type CatalogueDocument,
  type EntryFault,
  type Projection,
} from '@taktik/core';
import { notFound, Refusal } from './refusal';
import type { Store } from '../db/database';
import { ownEntries, settings } from '../db/schema';
import { note } from './audit';
import { getRules, withRules, writeRules } from './rooms';
import { HOUSE } from './versions';

const MOST_FAULTS = 20;

function refused(faults: readonly EntryFault[]): Refusal {
  const shown = faults.slice(0, MOST_FAULTS);
  return new Refusal(
    'not accepted',
    'Entry not accepted',
    `${shown.map(({ entry, field, rule }) => `${entry}, ${field}: ${rule}`).join('; ')}. Nothing was stored.`.slice(
      0,
      1500,
    ),
    shown.map(({ entry, field, rule }) => ({ field: `${entry}: ${field}`, message: rule })),
  );
}

export async function listOwn({ db }: Store): Promise<Projection[]> {
  const rows = await db.select().from(ownEntries).orderBy(asc(ownEntries.id));
  // As they were written; one of an earlier version is brought to the form of today.
  return rows.map(({ entry }) => {
    const today = entryOfToday(entry);
    return today === entry ? entry : projectionSchema.parse(today);
  });
}

const row = (entry: Projection, changedBy: string, changedAt: number) => ({
  id: entry.id,
  entry,
  changedBy,
  changedAt,
});

/** @throws Refusal 422 with every reason; 409 when the department has as many as it may have */
export async function putOwn(store: Store, id: string, written: unknown, by: string, at: number): Promise<Projection> {
  const proved = proveEntry(written);
  if (!proved.ok) throw refused(proved.faults);
  const { entry } = proved;
  if (entry.id !== id) throw refused([{ entry: id, field: 'id', rule: `the entry calls itself "${entry.id}"` }]);
  const known = await listOwn(store);
  if (known.length >= MAX_OWN_ENTRIES && !known.some((each) => each.id === id))
    throw new Refusal('conflict', 'Too many entries', `A department may have ${MAX_OWN_ENTRIES} entries of its own.`);
  const value = row(entry, by, at);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      await tx.insert(ownEntries).values(value).onConflictDoUpdate({ target: ownEntries.id, set: value });
      await note(tx, { at, person: by, action: 'own entry written', subject: `catalogue:${id}` });
    }),
  );
  return entry;
}

/** @throws Refusal 404 */
export async function deleteOwn(store: Store, id: string, by: string, at: number): Promise<void> {
  const known = await listOwn(store);
  if (!known.some((entry) => entry.id === id)) throw notFound('own entry', id);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      await tx.delete(ownEntries).where(eq(ownEntries.id, id));
      await note(tx, { at, person: by, action: 'own entry removed', subject: `catalogue:${id}` });
    }),
  );
}

export const exportOwn = async (store: Store): Promise<CatalogueDocument> =>
  exportCatalogue(await listOwn(store), await getRules(store));

/** Takes a whole document or nothing of it. @throws Refusal 422 naming entry, field and rule */
export async function importOwn(
  store: Store,
  document: unknown,
  by: string,
  at: number,
): Promise<{ entries: number; rules: boolean }> {
  const read = importCatalogue(document);
  if (!read.ok) throw refused(read.faults);
  const { entries, rules } = read;
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      for (const entry of entries) {
        const value = row(entry, by, at);
        await tx.insert(ownEntries).values(value).onConflictDoUpdate({ target: ownEntries.id, set: value });
      }
      const ids = entries.map(({ id }) => id);
      await note(tx, { at, person: by, action: 'catalogue imported', subject: 'catalogue', detail: { ids } });
      if (!rules) return;
      // What the document does not name stays as this department has it.
      const [known] = await tx.select().from(settings).where(eq(settings.id, HOUSE));
      await writeRules(tx, withRules({ ...known?.rules, ...rules }), by, known?.version ?? 0);
    }),
  );
  return { entries: entries.length, rules: rules !== undefined };
}
