/** A database of an earlier version keeps what it holds when it is opened by this one. */
import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { listOrders } from './orders';
import { openStore } from '../db/database';

const MIGRATIONS = path.resolve(__dirname, '../db/migrations');
let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(path.join(os.tmpdir(), 'taktik-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

/** The migrations as they were up to a number. */
async function migrationsUpTo(last: number): Promise<string> {
  const older = path.join(folder, 'migrations');
  await cp(MIGRATIONS, older, { recursive: true });
  const file = path.join(older, 'meta/_journal.json');
  const journal = JSON.parse(await readFile(file, 'utf8')) as { entries: { idx: number }[] };
  await writeFile(file, JSON.stringify({ ...journal, entries: journal.entries.filter(({ idx }) => idx <= last) }));
  return older;
}

test('what an orderer did stood in sentences, and is a code now', async () => {
  const url = `file:${path.join(folder, 'old.db')}`;
  const old = await openStore(url, await migrationsUpTo(5));
  const said = {
    off: ['called off by the orderer: stop and ask', 'corrected by the orderer: read the order again', 'cannot stand'],
    hold: ['on hold: ask the orderer', 'cannot stand'],
    news: ['corrected by the orderer: read the order again'],
    none: ['cannot stand'],
  };
  await old.db.run(sql`INSERT INTO rooms (id, room, position) VALUES ('r', '{}', 0)`);
  for (const [id, tags] of Object.entries(said)) {
    await old.db.run(sql`INSERT INTO patients (id, initials, body) VALUES (${id}, 'AB', '{"ageYears":40}')`);
    await old.db.run(sql`INSERT INTO orders
      (id, patient_id, exam, reason, urgency, ward, room_id, projections, situation, unusual, ordered_at, state)
      VALUES (${id}, ${id}, 'Hand', 'Fall', 'today', 'ED', 'r', '[]', '{"canStand":false}', ${JSON.stringify(tags)}, 1, 'waiting')`);
  }
  await old.close();
  const store = await openStore(url, MIGRATIONS);
  const orders = await listOrders(store, 'open');
  await store.close();
  const codes = Object.fromEntries(orders.map(({ id, unusual }) => [id, unusual.map(({ code }) => code)]));
  expect(codes).toEqual({
    off: ['order-called-off', 'stands-not'],
    hold: ['order-on-hold', 'stands-not'],
    news: ['order-corrected', 'stands-not'],
    none: ['stands-not'],
  });
});
