/** People of the department, their PINs and their sessions on shared devices. */
import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { asc, eq, lt } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { NewPerson, Person } from '@taktik/contracts';
import { notFound, Refusal } from './refusal';
import type { Store } from '../db/database';
import { people, sessions } from '../db/schema';
import { note } from './audit';

/** Memory-hard, so that a stolen table of short PINs is dear to try out. Cost by the usual advice for Argon2id: 19 MiB, 2 passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const MAX_TRIES = 5;
export const LOCK_MS = 5 * 60_000;
/** A session is marked as used no more often than this. */
const TOUCH_MS = 30_000;

const hashed = (token: string): string => createHash('sha256').update(token).digest('base64url');

export async function addPerson(
  store: Store,
  { name, role, pin }: NewPerson,
  by: string,
  now: number,
  more: { id?: string; demoPin?: string } = {},
): Promise<Person> {
  const id = more.id ?? nanoid(10);
  const pinHash = await hash(pin, COST);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [known] = await tx.select({ id: people.id }).from(people).where(eq(people.name, name));
      if (known)
        throw new Refusal('conflict', 'Conflict', `There is already a person called ${name}.`, [
          { field: 'name', message: 'taken' },
        ]);
      await tx.insert(people).values({ id, name, role, pinHash, demoPin: more.demoPin ?? null });
      await note(tx, { at: now, person: by, action: 'person added', subject: `person:${id}`, detail: { name, role } });
    }),
  );
  return { id, name, role, demoPin: more.demoPin ?? null };
}

/** For the sign-in screen: names, and in the demo the PINs of its invented people. */
export async function listPeople({ db }: Store): Promise<Person[]> {
  const rows = await db.select().from(people).orderBy(asc(people.name));
  return rows.map(({ id, name, role, demoPin }) => ({ id, name, role, demoPin }));
}

/** @throws Refusal 404, 409 */
export async function changePin(store: Store, id: string, pin: string, by: string, now: number): Promise<void> {
  const pinHash = await hash(pin, COST);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [known] = await tx.select({ id: people.id }).from(people).where(eq(people.id, id));
      if (!known) throw notFound('person', id);
      await tx.update(people).set({ pinHash, failed: 0, lockedUntil: null, demoPin: null }).where(eq(people.id, id));
      // Whoever was signed in with the old PIN no longer is.
      await tx.delete(sessions).where(eq(sessions.personId, id));
      await note(tx, { at: now, person: by, action: 'PIN changed', subject: `person:${id}` });
    }),
  );
}

/**
 * @returns the token, told this once
 * @throws Refusal 401 for a wrong PIN, 429 when locked after too many tries, 404
 */
export async function signIn(
  store: Store,
  { personId, pin }: { personId: string; pin: string },
  now: number,
): Promise<{ token: string; person: Person }> {
  const token = randomBytes(24).toString('base64url');
  // One after another: two tries at once must both count.
  return store.writes.run(async () => {
    const [row] = await store.db.select().from(people).where(eq(people.id, personId));
    if (!row) throw notFound('person', personId);
    const { id, name, role, demoPin } = row;
    if (row.lockedUntil !== null && row.lockedUntil > now) {
      const minutes = Math.ceil((row.lockedUntil - now) / 60_000);
      throw new Refusal('too often', 'Locked', `Too many wrong PINs for ${name}; try again in ${minutes} min.`);
    }
    if (!(await verify(row.pinHash, pin))) {
      const failed = row.failed + 1;
      const locked = failed >= MAX_TRIES;
      await store.db.transaction(async (tx) => {
        await tx
          .update(people)
          .set({ failed: locked ? 0 : failed, lockedUntil: locked ? now + LOCK_MS : null })
          .where(eq(people.id, id));
        await note(tx, { at: now, person: name, action: locked ? 'locked out' : 'wrong PIN', subject: `person:${id}` });
      });
      if (locked)
        throw new Refusal(
          'too often',
          'Locked',
          `Too many wrong PINs for ${name}; try again in ${LOCK_MS / 60_000} min.`,
        );
      throw new Refusal(
        'not signed in',
        'Wrong PIN',
        `That is not the PIN of ${name}; ${MAX_TRIES - failed} more tries.`,
      );
    }
    await store.db.transaction(async (tx) => {
      await tx.update(people).set({ failed: 0, lockedUntil: null }).where(eq(people.id, id));
      await tx.insert(sessions).values({ tokenHash: hashed(token), personId: id, startedAt: now, seenAt: now });
      await note(tx, { at: now, person: name, action: 'signed in', subject: `person:${id}` });
    });
    return { token, person: { id, name, role, demoPin } };
  });
}

/** Who holds this token, or null when there is no such session or it was idle for too long. */
export async function whoIs(store: Store, token: string, now: number, idleMs: number): Promise<Person | null> {
  const tokenHash = hashed(token);
  const [row] = await store.db
    .select()
    .from(sessions)
    .innerJoin(people, eq(sessions.personId, people.id))
    .where(eq(sessions.tokenHash, tokenHash));
  if (!row) return null;
  const idle = now - row.sessions.seenAt;
  if (idle > idleMs) {
    await store.writes.run(async () => {
      await store.db.delete(sessions).where(lt(sessions.seenAt, now - idleMs));
    });
    return null;
  }
  if (idle > TOUCH_MS)
    await store.writes.run(async () => {
      await store.db.update(sessions).set({ seenAt: now }).where(eq(sessions.tokenHash, tokenHash));
    });
  const { id, name, role, demoPin } = row.people;
  return { id, name, role, demoPin };
}

export async function signOut(store: Store, token: string): Promise<void> {
  await store.writes.run(async () => {
    await store.db.delete(sessions).where(eq(sessions.tokenHash, hashed(token)));
  });
}
