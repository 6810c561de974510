/** Decisions of the department besides its house rules. */
import { eq } from 'drizzle-orm';
import { withDepartmentDefaults, type Department, type DepartmentInput } from '@taktik/core';
import type { Store } from '../db/database';
import { departments } from '../db/schema';
import { note } from './audit';

const ROW = 'house';

export async function getDepartment({ db }: Store): Promise<Department> {
  const [row] = await db.select().from(departments).where(eq(departments.id, ROW));
  return withDepartmentDefaults(row?.department);
}

/** Replaces all of it; what is left out returns to its default. */
export async function putDepartment(
  store: Store,
  given: DepartmentInput,
  by: string,
  now: number,
): Promise<Department> {
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      await tx
        .insert(departments)
        .values({ id: ROW, department: given })
        .onConflictDoUpdate({ target: departments.id, set: { department: given } });
      await note(tx, { at: now, person: by, action: 'department changed', subject: 'department', detail: given });
    }),
  );
  return getDepartment(store);
}
