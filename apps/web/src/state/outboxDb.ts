/**
 * The outbox on the device: one row for each thing that was done, in the order of doing, each written in a transaction of
 * its own that is on disk before it counts as kept. All tabs of a device share it.
 */
import { openDB, type DBSchema, type IDBPDatabase, type IDBPObjectStore } from 'idb';
import { load, names, save } from './storage';

/** What is sent, and for what. Dates and ids are of the device that did it. */
export type Outgoing = {
  id: string;
  madeAt: number;
  path: string;
  body: unknown;
  what: string;
  /** Who did it: it goes when they, or a lead, are signed in. */
  by?: string | null;
};
/** As it is kept: with why the server would not take it, and what was done about that. */
export type Row = Outgoing & {
  /** Order of doing: the database counts, since a clock may be set back. */
  seq: number;
  why?: string;
  /** Read and put away from the notices; the record still lists it. */
  aside?: boolean;
  /** It is in a file too. */
  saved?: boolean;
};

interface Stored extends DBSchema {
  items: { key: number; value: Omit<Row, 'seq'> & { seq?: number }; indexes: { id: string } };
}

const NAME = 'taktik';
const VERSION = 1;
/** Tells the other tabs of this device that something changed. */
const CHANNEL = 'taktik-outbox';

let opened: Promise<IDBPDatabase<Stored>> | null = null;

async function open(): Promise<IDBPDatabase<Stored>> {
  const database = await openDB<Stored>(NAME, VERSION, {
    upgrade: (made) =>
      void made.createObjectStore('items', { keyPath: 'seq', autoIncrement: true }).createIndex('id', 'id'),
    // A newer app in another tab must not wait for this one.
    blocking: () => forget(),
    terminated: () => forget(),
  });
  await takeOver(database);
  return database;
}

/** Closes it; the next use opens it again. */
export function forget(): void {
  const former = opened;
  opened = null;
  void former?.then((database) => database.close()).catch(() => undefined);
}

function database(): Promise<IDBPDatabase<Stored>> {
  opened ??= open();
  // What could not be opened is tried again at the next use.
  opened.catch(() => (opened = null));
  return opened;
}

type Items = IDBPObjectStore<Stored, ['items'], 'items', 'readwrite'>;

/** One transaction; it is on disk when this settles. */
async function written<T>(into: IDBPDatabase<Stored>, work: (items: Items) => Promise<T>): Promise<T> {
  const transaction = into.transaction('items', 'readwrite', { durability: 'strict' });
  const [answer] = await Promise.all([work(transaction.store), transaction.done]);
  return answer;
}
const tellOthers = (): void => {
  if (typeof BroadcastChannel === 'undefined') return;
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage(null);
  channel.close();
};

/** Calls when another tab has changed the outbox. */
export function whenOthersChange(call: () => void): void {
  if (typeof BroadcastChannel !== 'undefined') new BroadcastChannel(CHANNEL).addEventListener('message', call);
}

/** All that is kept, in the order of doing. @throws where the device has no store, or closes it */
export async function readAll(): Promise<Row[]> {
  // The database gives each row its number.
  return (await (await database()).getAll('items')) as Row[];
}

/** Keeps one thing that was done. @throws where the store is full, closed or not there */
export async function keep(item: Outgoing): Promise<void> {
  await written(await database(), async (items) => {
    // Kept before a reload that came too early to hear of it.
    if ((await items.index('id').getKey(item.id)) === undefined) await items.add(item);
  });
  tellOthers();
}

/** Changes what is kept of one; null takes it out. One that is not there stays so. */
export async function change(id: string, to: Partial<Pick<Row, 'aside' | 'saved' | 'why'>> | null): Promise<void> {
  await written(await database(), async (items) => {
    const row = await items.index('id').get(id);
    if (row?.seq === undefined) return;
    if (to === null) await items.delete(row.seq);
    else await items.put({ ...row, ...to });
  });
  tellOthers();
}

const FORMER = ['outbox.', 'refused.'] as const;
type Former = Outgoing & { seq?: number; why?: string };
/** What an earlier version of the app kept waiting elsewhere goes into the database before anything else. */
async function takeOver(into: IDBPDatabase<Stored>): Promise<void> {
  const former = FORMER.flatMap((start) => names(start)).flatMap((name) => {
    const item = load<Former>(name);
    return item ? [{ name, item }] : [];
  });
  if (former.length === 0) return;
  former.sort((a, b) => (a.item.seq ?? 0) - (b.item.seq ?? 0) || a.item.madeAt - b.item.madeAt);
  await written(into, async (items) => {
    for (const { item } of former) {
      const { seq: _, ...row } = item;
      if ((await items.index('id').getKey(row.id)) === undefined) await items.add(row);
    }
  });
  for (const { name } of former) save(name, undefined);
}
