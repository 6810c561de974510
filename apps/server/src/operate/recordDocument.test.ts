/** The whole record goes out as a document and comes in again, the same to the byte; half of one, or another, never does. */
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { is } from 'drizzle-orm';
import { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { openStore } from '../db/database';
import * as schema from '../db/schema';
import { verifyTrail } from '../services/audit';
import { listPeople, signIn } from '../services/people';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';
import { DEMO_PEOPLE } from '../seed/scenario';
import { command } from './command';
import { settingsFrom, type Settings } from './settings';

const HERE = path.resolve(__dirname, '..');
let server: TestServer;
let out: string;
let here: Settings;
let there: Settings;
let database: string;
const settingsOf = (file: string): Settings =>
  settingsFrom({ TAKTIK_DATA: server.folder, TAKTIK_DATABASE_URL: `file:${file}` }, HERE);

beforeAll(async () => {
  server = await startTestServer();
  out = path.join(server.folder, 'record.ndjson');
  database = path.join(server.folder, 'moved', 'taktik.db');
  here = settingsOf(path.join(server.folder, 'test.db'));
  there = settingsOf(database);
  const body = { id: 'x1', orderId: 'demo-knee', performedBy: 'Ines Oakfield', startedAt: CLOCK };
  await server.call('POST', '/api/exams', body);
  await server.call('POST', '/api/exposures', {
    id: 'e1',
    examId: 'x1',
    request: { projectionId: 'knee-ap', side: 'left', patient: {} },
    performedBy: 'Ines Oakfield',
    exposedAt: CLOCK,
  });
});
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});
const lines = (): string[] => readFileSync(out, 'utf8').trim().split('\n');

test('out while the server runs, in elsewhere, out again: the same to the byte', async () => {
  const made = await command(['export', out], here, CLOCK);
  expect(made).toMatchObject({ code: 0, lines: [expect.stringMatching(/rows/), expect.stringMatching(/\d+:/)] });
  const taken = await command(['import', out], there, CLOCK);
  expect(taken).toMatchObject({ code: 0, lines: [expect.stringMatching(/trail is whole/), expect.any(String)] });
  const again = `${out}.again`;
  await command(['export', again], there, CLOCK);
  expect(readFileSync(again, 'utf8')).toBe(readFileSync(out, 'utf8'));
  expect(lines().filter((line) => line.startsWith('{"exposures"'))).toHaveLength(1);
  expect(lines().length).toBeGreaterThan(20);

  const store = await openStore(there.databaseUrl, there.migrations);
  expect((await verifyTrail(store)).broken).toBeNull();
  const known = DEMO_PEOPLE[0]!;
  expect((await listPeople(store)).map(({ id }) => id)).toContain(known.id);
  await expect(signIn(store, { personId: known.id, pin: known.pin }, CLOCK)).rejects.toThrow(/PIN/);
  await store.close();
});
test('it holds every table but those of signing in, and nothing that opens a door', () => {
  const tables = Object.values(schema as Record<string, unknown>).filter((each) => is(each, SQLiteTable));
  const head = JSON.parse(lines()[0]!) as { rows: Record<string, number> };
  expect(Object.keys(head.rows)).toHaveLength(tables.length - 2);
  expect(Object.values(head.rows).reduce((sum, each) => sum + each, 0)).toBe(lines().length - 1);
  expect(readFileSync(out, 'utf8')).not.toMatch(/argon2|pinHash|demoPin|tokenHash/);
});

const changed: readonly (readonly [string, (all: string[]) => string[], RegExp])[] = [
  ['cut short', (all) => all.slice(0, -1), /rows of audit, and its first line says/],
  ['a line in the middle gone', (all) => all.filter((_, i) => i !== Math.floor(all.length / 2)), /Line|rows of/],
  [
    'a line of the trail changed',
    (all) => all.map((line, i) => (i === all.length - 1 ? line.replace(/"at":\d+/, '"at":1') : line)),
    /trail does not hold/,
  ],
  ['no record', () => ['{"form":"other"}'], /no record of Taktik/],
  [
    'of a newer version',
    ([head = '', ...rest]) => [head.replace(/"migration":"[^"]*"/, '"migration":"9999_later"'), ...rest],
    /newer version/,
  ],
  ['no JSON', (all) => [...all.slice(0, 4), '{"rooms":', ...all.slice(4)], /Line 5 is no JSON/],
  [
    'a column of its own',
    ([head = '', room = '', ...rest]) => [head, room.replace('"position"', '"secret":1,"position"'), ...rest],
    /Line 2: “secret” is no column of rooms/,
  ],
  [
    'a value of another kind',
    ([head = '', room = '', ...rest]) => [head, room.replace(/"position":\d+/, '"position":"x"'), ...rest],
    /“position” of rooms must be/,
  ],
  [
    'a hash of a PIN',
    (all) => all.map((line) => line.replace(/^\{"people":\{/, '{"people":{"pinHash":"x",')),
    /“pinHash” is no column/,
  ],
  ['another table', ([head = '', ...rest]) => [head, '{"sessions":{}}', ...rest], /Line 2: one of rooms/],
  ['empty', () => [''], /empty/],
];
test.each(changed)('%s: refused, and nothing is left of it', async (_, change, why) => {
  const file = path.join(server.folder, 'changed.ndjson');
  const elsewhere = settingsOf(path.join(server.folder, 'elsewhere', 'taktik.db'));
  writeFileSync(file, change(lines()).join('\n'));
  const { code, lines: saidLines } = await command(['import', file], elsewhere, CLOCK);
  expect([code, saidLines.join()]).toEqual([1, expect.stringMatching(why)]);
  expect(saidLines.join()).toMatch(/Nothing was changed/);
  expect(readdirSync(path.dirname(elsewhere.databaseFile!))).toEqual([]);
});
test('a database or a file that is there is not written over', async () => {
  expect(await command(['import', out], there, CLOCK)).toMatchObject({
    code: 1,
    lines: [expect.stringMatching(/already/)],
  });
  expect(await command(['export', out], here, CLOCK)).toMatchObject({
    code: 1,
    lines: [expect.stringMatching(/already/)],
  });
  expect(await command(['export'], here, CLOCK)).toMatchObject({ code: 1 });
  expect(existsSync(database)).toBe(true);
});
