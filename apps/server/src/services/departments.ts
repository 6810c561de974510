/** Decisions of the department besides its house rules. */
import { eq } from 'drizzle-orm';
import { withDepartmentDefaults, type Department, type DepartmentInput } from '@taktik/core';
import type { Store } from '../db/database';
import { departments } from '../db/schema';
import { note } from './audit';
import { HOUSE, mustBeVersion } from './versions';

export async function getDepartment({ db }: Store): Promise<Department> {
  const [row] = await db.select().from(departments).where(eq(departments.id, HOUSE));
  return withDepartmentDefaults(row?.department);
}

/**
 * Replaces all of it; what is left out returns to its default.
 * @param expected the version that was changed. @throws Refusal 409 where it is another by now
 */
export async function putDepartment(
  store: Store,
  input: DepartmentInput,
  by: string,
  now: number,
  expected?: number,
): Promise<Department> {
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [row] = await tx.select().from(departments).where(eq(departments.id, HOUSE));
      mustBeVersion('the department', expected, row?.version ?? 0, row?.changedBy ?? null);
      const set = { department: input, version: (row?.version ?? 0) + 1, changedBy: by };
      await tx
        .insert(departments)
        .values({ id: HOUSE, ...set })
        .onConflictDoUpdate({ target: departments.id, set });
      await note(tx, { at: now, person: by, action: 'department changed', subject: 'department', detail: input });
    }),
  );
  return getDepartment(store);
}
