/**
 * PINs: hashed with a secret of the server, so that a stolen database alone opens nothing; wrong ones make the next try wait,
 * at that address and for that person alone, so that nobody is locked out by others.
 */
import { createHash } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { and, eq, lt } from 'drizzle-orm';
import type { Store } from '../db/database';
import { pinTries } from '../db/schema';
import { Refusal } from './refusal';

/** Memory-hard, so that a stolen table of short PINs is dear to try out. Cost by the usual advice for Argon2id: 19 MiB, 2 passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

type Secret = Pick<Store, 'secret'>;
const withSecret = ({ secret }: Secret) => (secret ? { secret } : {});

export const hashPin = (store: Secret, pin: string): Promise<string> => hash(pin, { ...COST, ...withSecret(store) });

/** @returns `older`: it is right, and was hashed before the server had its secret */
async function checkPin(store: Secret, pinHash: string, pin: string): Promise<'right' | 'older' | 'wrong'> {
  if (await verify(pinHash, pin, withSecret(store))) return 'right';
  return store.secret && (await verify(pinHash, pin)) ? 'older' : 'wrong';
}

/** Wrong PINs before the next try waits. */
export const MAX_TRIES = 5;
/** The first wait; each further wrong PIN doubles it, up to the longest. */
export const FIRST_WAIT_MS = 5 * 60_000;
const LONGEST_WAIT_MS = 60 * 60_000;
/** After so long without a wrong PIN all is forgotten. */
const FORGET_MS = 24 * 3_600_000;

type Who = { personId: string; source: string };
/** An address as it is kept: not itself. */
export const sourceOf = (address: string): string =>
  createHash('sha256').update(address).digest('base64url').slice(0, 22);

const waitMs = (failed: number): number =>
  failed < MAX_TRIES ? 0 : Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (failed - MAX_TRIES));

const is = ({ personId, source }: Who) => and(eq(pinTries.personId, personId), eq(pinTries.source, source));

/** Wrong PINs that count still. A clock that was set back makes no wait longer than the longest. */
async function failedBefore({ db }: Store, who: Who, now: number): Promise<{ failed: number; leftMs: number }> {
  const [row] = await db.select().from(pinTries).where(is(who));
  if (!row || Math.abs(now - row.lastAt) > FORGET_MS) return { failed: 0, leftMs: 0 };
  const leftMs = waitMs(row.failed) - Math.max(0, now - row.lastAt);
  return { failed: row.failed, leftMs };
}

const tooOften = (name: string, leftMs: number): Refusal =>
  new Refusal(
    'too often',
    'Wait',
    `Too many wrong PINs for ${name} from here; try again in ${Math.ceil(leftMs / 60_000)} min.`,
  );

/** Tries of one person from one address go one after another: two at once must both count. */
const under = new WeakMap<Store, Map<string, Promise<unknown>>>();
async function oneByOne<T>(store: Store, { personId, source }: Who, work: () => Promise<T>): Promise<T> {
  let all = under.get(store);
  if (!all) under.set(store, (all = new Map<string, Promise<unknown>>()));
  const key = `${personId}|${source}`;
  const result = (all.get(key) ?? Promise.resolve()).then(work, work);
  const ended = result.catch(() => undefined);
  all.set(key, ended);
  try {
    return await result;
  } finally {
    if (all.get(key) === ended) all.delete(key);
  }
}

/**
 * @param wrong what is done for a wrong one, as a line in the trail
 * @returns whether the hash should be made anew
 * @throws Refusal 401 for a wrong PIN, 429 while the next try waits
 */
export const mustBePin = (
  store: Store,
  {
    person,
    pin,
    source,
    now,
  }: { person: { id: string; name: string; pinHash: string }; pin: string; source: string; now: number },
  wrong: (waits: boolean) => Promise<void>,
): Promise<'right' | 'older'> => {
  const who = { personId: person.id, source };
  return oneByOne(store, who, async () => {
    const before = await failedBefore(store, who, now);
    if (before.leftMs > 0) throw tooOften(person.name, before.leftMs);
    // Hashed outside the queue of writes: it holds up nobody.
    const found = await checkPin(store, person.pinHash, pin);
    if (found !== 'wrong') {
      if (before.failed > 0)
        await store.writes.run(async () => {
          await store.db.delete(pinTries).where(is(who));
        });
      return found;
    }
    const failed = before.failed + 1;
    await store.writes.run(async () => {
      await store.db
        .insert(pinTries)
        .values({ ...who, failed, lastAt: now })
        .onConflictDoUpdate({ target: [pinTries.personId, pinTries.source], set: { failed, lastAt: now } });
      await store.db.delete(pinTries).where(lt(pinTries.lastAt, now - FORGET_MS));
    });
    const waits = waitMs(failed) > 0;
    await wrong(waits);
    if (waits) throw tooOften(person.name, waitMs(failed));
    throw new Refusal(
      'not signed in',
      'Wrong PIN',
      `That is not the PIN of ${person.name}; ${MAX_TRIES - failed} more ${MAX_TRIES - failed === 1 ? 'try' : 'tries'}.`,
    );
  });
};
