/** People of the department, their PINs and their sessions on shared devices. */
import { createHash, randomBytes } from 'node:crypto';
import { and, asc, eq, isNull, lt, ne, or } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { ChangePerson, NewPerson, Person } from '@taktik/contracts';
import { notFound, Refusal } from './refusal';
import type { Store } from '../db/database';
import { people, sessions } from '../db/schema';
import { note } from './audit';
import { hashPin, mustBePin } from './pins';

/** A session is marked as used no more often than this. */
const TOUCH_MS = 30_000;
/** A session ends after a shift, however much it is used. */
export const LONGEST_SESSION_MS = 12 * 3_600_000;

const hashed = (token: string): string => createHash('sha256').update(token).digest('base64url');
type Row = typeof people.$inferSelect;
const personOf = ({ id, name, role, demoPin }: Row): Person => ({ id, name, role, demoPin });

export async function addPerson(
  store: Store,
  { name, role, pin }: NewPerson,
  by: string,
  now: number,
  more: { id?: string; demoPin?: string } = {},
): Promise<Person> {
  const id = more.id ?? nanoid(10);
  const pinHash = await hashPin(store, pin);
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

/** For the sign-in screen: names of whoever works here, and in the demo the PINs of its invented people. */
export async function listPeople({ db }: Store): Promise<Person[]> {
  return (await db.select().from(people).where(isNull(people.endedAt)).orderBy(asc(people.name))).map(personOf);
}

/** @throws Refusal 404 for one who is not known, or works here no more */
async function personNamed({ db }: Pick<Store, 'db'>, id: string): Promise<Row> {
  const [row] = await db
    .select()
    .from(people)
    .where(and(eq(people.id, id), isNull(people.endedAt)));
  if (!row) throw notFound('person', id);
  return row;
}

/**
 * @param old the PIN until now: asked of whoever changes their own
 * @throws Refusal 404; 401 or 429 for an old PIN that is wrong; 422 where it is missing
 */
export async function changePin(
  store: Store,
  id: string,
  { pin, old, source }: { pin: string; old?: string; source: string },
  by: Person,
  now: number,
): Promise<void> {
  const person = await personNamed(store, id);
  if (by.id === id) {
    if (old === undefined)
      throw new Refusal('not accepted', 'Input not accepted', 'Your PIN until now is needed to change it.', [
        { field: 'old', message: 'is needed' },
      ]);
    await mustBePin(store, { person, pin: old, source, now }, () => wrongPin(store, person, now, false));
  }
  const pinHash = await hashPin(store, pin);
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      await tx.update(people).set({ pinHash, demoPin: null }).where(eq(people.id, id));
      // Whoever was signed in with the old PIN no longer is.
      await tx.delete(sessions).where(eq(sessions.personId, id));
      await note(tx, { at: now, person: by.name, action: 'PIN changed', subject: `person:${id}` });
    }),
  );
}

/**
 * Another role, or the end of somebody's work here: the record keeps the name, and nobody signs in as them any more.
 * @throws Refusal 404; 409 where no lead would be left
 */
export async function changePerson(
  store: Store,
  id: string,
  { role, ended }: ChangePerson,
  by: string,
  now: number,
): Promise<Person> {
  return store.writes.run(() =>
    store.db.transaction(async (tx) => {
      const [row] = await tx
        .select()
        .from(people)
        .where(and(eq(people.id, id), isNull(people.endedAt)));
      if (!row) throw notFound('person', id);
      const leadNoMore = row.role === 'lead' && (ended === true || (role !== undefined && role !== 'lead'));
      if (leadNoMore) {
        const [other] = await tx
          .select({ id: people.id })
          .from(people)
          .where(and(eq(people.role, 'lead'), isNull(people.endedAt), ne(people.id, id)))
          .limit(1);
        if (!other)
          throw new Refusal(
            'conflict',
            'The last lead',
            `${row.name} is the only lead: make somebody else a lead first.`,
          );
      }
      const change = { ...(role ? { role } : {}), ...(ended ? { endedAt: now } : {}) };
      if (Object.keys(change).length === 0) return personOf(row);
      await tx.update(people).set(change).where(eq(people.id, id));
      // What they may do now is what they sign in for.
      await tx.delete(sessions).where(eq(sessions.personId, id));
      await note(tx, {
        at: now,
        person: by,
        action: ended ? 'person ended' : 'role changed',
        subject: `person:${id}`,
        detail: { name: row.name, was: row.role, ...(role ? { is: role } : {}) },
      });
      return personOf({ ...row, ...change });
    }),
  );
}

const wrongPin = (store: Store, { id, name }: Pick<Row, 'id' | 'name'>, now: number, waits: boolean): Promise<void> =>
  store.writes.run(() =>
    store.db.transaction((tx) =>
      note(tx, {
        at: now,
        person: name,
        action: waits ? 'wrong PIN, the next try waits' : 'wrong PIN',
        subject: `person:${id}`,
      }),
    ),
  );

/**
 * @param source where it is tried from
 * @returns the token, told this once
 * @throws Refusal 401 for a wrong PIN, 429 after too many tries from there, 404
 */
export async function signIn(
  store: Store,
  { personId, pin, source = '' }: { personId: string; pin: string; source?: string },
  now: number,
): Promise<{ token: string; person: Person }> {
  const token = randomBytes(24).toString('base64url');
  const row = await personNamed(store, personId);
  const found = await mustBePin(store, { person: row, pin, source, now }, (waits) => wrongPin(store, row, now, waits));
  // A hash of the time before the server had its secret is made anew.
  const pinHash = found === 'older' ? await hashPin(store, pin) : null;
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      if (pinHash !== null) await tx.update(people).set({ pinHash }).where(eq(people.id, row.id));
      await tx.insert(sessions).values({ tokenHash: hashed(token), personId: row.id, startedAt: now, seenAt: now });
      await note(tx, { at: now, person: row.name, action: 'signed in', subject: `person:${row.id}` });
    }),
  );
  return { token, person: personOf(row) };
}

/** Who holds this token, or null when there is no such session, it was idle for too long, or a shift is over. */
export async function whoIs(store: Store, token: string, now: number, idleMs: number): Promise<Person | null> {
  const tokenHash = hashed(token);
  const [row] = await store.db
    .select()
    .from(sessions)
    .innerJoin(people, eq(sessions.personId, people.id))
    .where(eq(sessions.tokenHash, tokenHash));
  if (!row) return null;
  const idle = now - row.sessions.seenAt;
  if (idle > idleMs || now - row.sessions.startedAt > LONGEST_SESSION_MS) {
    await store.writes.run(async () => {
      await store.db
        .delete(sessions)
        .where(or(lt(sessions.seenAt, now - idleMs), lt(sessions.startedAt, now - LONGEST_SESSION_MS)));
    });
    return null;
  }
  if (idle > TOUCH_MS)
    await store.writes.run(async () => {
      await store.db.update(sessions).set({ seenAt: now }).where(eq(sessions.tokenHash, tokenHash));
    });
  return personOf(row.people);
}

export async function signOut(store: Store, token: string): Promise<void> {
  await store.writes.run(async () => {
    await store.db.delete(sessions).where(eq(sessions.tokenHash, hashed(token)));
  });
}

/** On every device of this person. */
export async function signOutEverywhere(store: Store, { id, name }: Person, now: number): Promise<void> {
  await store.writes.run(() =>
    store.db.transaction(async (tx) => {
      await tx.delete(sessions).where(eq(sessions.personId, id));
      await note(tx, { at: now, person: name, action: 'signed out everywhere', subject: `person:${id}` });
    }),
  );
}
