/** Two numbers are of one patient: from now on every order of either bears the one that stays. */
import { and, eq, inArray, or } from 'drizzle-orm';
import type { Merge } from '@taktik/core';
import type { Store } from '../db/database';
import { orders, patients } from '../db/schema';
import { note } from './audit';

/** @returns how many orders bear another number now */
export async function mergePatients(store: Store, merges: readonly Merge[], by: string, now: number): Promise<number> {
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      let changed = 0;
      for (const { gone, stays } of merges) {
        // Where one of them does not say who gives the number, the number alone decides.
        const ofGiver = gone.issuer === '' ? undefined : or(eq(patients.issuer, gone.issuer), eq(patients.issuer, ''));
        const found = await tx
          .select({ orderId: orders.id, patientId: patients.id, state: orders.state })
          .from(orders)
          .innerJoin(patients, eq(orders.patientId, patients.id))
          .where(and(eq(patients.number, gone.value), ofGiver));
        if (found.length === 0) continue;
        await tx
          .update(patients)
          .set({ number: stays.value, issuer: stays.issuer })
          .where(
            inArray(
              patients.id,
              found.map(({ patientId }) => patientId),
            ),
          );
        for (const { orderId, state } of found) {
          if (state === 'waiting' || state === 'started')
            await tx.update(orders).set({ notice: 'merged' }).where(eq(orders.id, orderId));
          await note(tx, {
            at: now,
            person: by,
            action: 'patient merged',
            subject: `order:${orderId}`,
            detail: { was: gone, is: stays },
          });
        }
        changed += found.length;
      }
      return changed;
    }),
  );
}
