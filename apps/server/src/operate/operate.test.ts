/** A backup is made while the server works, read over, put back; what is wrong is told, and nothing is changed by it. */
import { appendFileSync, existsSync, mkdirSync, readdirSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { openStore } from '../db/database';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';
import { anchorText, verifyTrail } from '../services/audit';
import { listPeople, signIn } from '../services/people';
import { backUp, backupsIn, noteOf, NotABackup, readOver, restore } from './backup';
import { command } from './command';
import { damagedLines, serveDamaged } from './damagedPage';
import { present, serversOn } from './presence';
import { secretIn } from './secret';
import { settingsFrom, WrongSettings, type Settings } from './settings';

const HERE = path.resolve(__dirname, '..');
let server: TestServer;
let database: string;
let backups: string;
let settings: Settings;
beforeEach(async () => {
  server = await startTestServer();
  database = path.join(server.folder, 'test.db');
  backups = path.join(server.folder, 'backups');
  settings = settingsFrom({ TAKTIK_DATA: server.folder, TAKTIK_DATABASE_URL: `file:${database}` }, HERE);
});
afterEach(async () => {
  await server.stop();
  discard(server.folder);
});
const expose = (id: string) =>
  server.call('POST', '/api/exposures', {
    id,
    examId: 'x1',
    request: { projectionId: 'hand-pa', side: 'left', patient: {} },
    performedBy: 'Ines Oakfield',
    exposedAt: CLOCK,
  });
const start = () =>
  server.call('POST', '/api/exams', { id: 'x1', orderId: 'demo-knee', performedBy: 'Ines Oakfield', startedAt: CLOCK });

test('the drill: backed up under way, lost, restored; all that was acknowledged before is there', async () => {
  await start();
  const work = Array.from({ length: 12 }, (_, i) => expose(`e${i}`));
  await work[3];
  const acknowledged = await Promise.all(
    [0, 1, 2, 3].map(async (i) => ((await work[i]!).status === 201 ? `e${i}` : '')),
  );
  const made = await backUp(server.store, backups, { now: CLOCK, kept: 3 });
  await Promise.all(work);
  await server.stop();
  truncateSync(database, 5000);

  const { code, lines } = await command(['restore'], settings, CLOCK + 1000);
  expect([code, lines[0]]).toEqual([0, `Restored ${made.file}.`]);
  const store = await openStore(settings.databaseUrl, settings.migrations);
  const { rows } = await createClient({ url: settings.databaseUrl }).execute('SELECT id FROM exposures');
  const ids = rows.map((row) => String(row[0]));
  expect(acknowledged.every((id) => ids.includes(id))).toBe(true);
  expect(ids).toHaveLength(made.note.exposures);
  const { anchor, broken } = await verifyTrail(store);
  expect([broken, anchorText(anchor)]).toEqual([null, made.note.anchor]);
  await store.close();
  // What was there is kept beside it.
  expect(readdirSync(server.folder).filter((name) => name.startsWith('test.db.before-')).length).toBeGreaterThan(0);
});

test('a backup is for its owner alone, says what it holds, and only the newest stay', async () => {
  for (let day = 0; day < 5; day += 1) await backUp(server.store, backups, { now: CLOCK + day * 86_400_000, kept: 3 });
  const files = backupsIn(backups);
  expect(files).toHaveLength(3);
  expect(readdirSync(backups)).toHaveLength(6);
  expect(statSync(files[0]!).mode & 0o077).toBe(0);
  expect(noteOf(files[0]!)).toMatchObject({ at: new Date(CLOCK + 4 * 86_400_000).toISOString(), orders: 10 });
  expect((await command(['backups'], settings, CLOCK)).lines).toHaveLength(3);
  expect(await readOver(files[0]!)).toMatchObject({ orders: 10 });
});

test.each([
  ['was changed since', (file: string) => appendFileSync(file, 'x')],
  ['is damaged or cannot be read', (file: string) => truncateSync(file, 8192)],
  ['is no database', (file: string) => writeFileSync(file, 'not a database at all, but long enough to be looked at')],
])('a backup that %s is not put back', async (_, spoil) => {
  const { file } = await backUp(server.store, backups, { now: CLOCK, kept: 3 });
  spoil(file);
  await server.stop();
  const before = statSync(database).size;
  const { code, lines } = await command(['restore', file], settings, CLOCK);
  expect([code, lines.join()]).toEqual([1, expect.stringMatching(/Nothing was changed/)]);
  expect(statSync(database).size).toBe(before);
});

test('a backup whose trail was forged is none', async () => {
  const { file } = await backUp(server.store, backups, { now: CLOCK, kept: 3 });
  const client = createClient({ url: `file:${file}` });
  await client.execute('DROP TRIGGER audit_unchanged');
  await client.execute("UPDATE audit SET person = 'Somebody' WHERE id = 2");
  client.close();
  await expect(readOver(file)).rejects.toThrow(NotABackup);
  await expect(restore(file, database, CLOCK)).rejects.toThrow(/line 2/);
});

test('nothing is put back under a server that runs', async () => {
  await backUp(server.store, backups, { now: CLOCK, kept: 3 });
  const absent = present(server.folder);
  expect(serversOn(server.folder)).toEqual([process.pid]);
  expect((await command(['restore'], settings, CLOCK)).lines).toEqual([
    expect.stringMatching(new RegExp(`^Process ${process.pid} runs on .* stop it first`)),
  ]);
  absent();
  // What a crash left behind hinders nobody.
  mkdirSync(path.join(server.folder, 'running'), { recursive: true });
  writeFileSync(path.join(server.folder, 'running', '999999999'), '');
  expect(serversOn(server.folder)).toEqual([]);
});

test('the trail is read over from the command line, with an anchor that was kept', async () => {
  const { lines } = await command(['verify'], settings, CLOCK);
  const anchor = lines[1]!.replace('Anchor: ', '');
  expect((await command(['verify', anchor], settings, CLOCK)).code).toBe(0);
  expect((await command(['verify', 'what'], settings, CLOCK)).lines[0]).toMatch(/is no anchor/);
  const cut = `${Number(anchor.split(':')[0]) + 5}:${anchor.split(':')[1]}`;
  expect(await command(['verify', cut], settings, CLOCK)).toMatchObject({
    code: 1,
    lines: [/missing at the end/].map((said) => expect.stringMatching(said)),
  });
  const nowhere = { ...settings, databaseFile: path.join(server.folder, 'none.db') };
  expect((await command(['backup'], nowhere, CLOCK)).lines[0]).toMatch(/There is no database at/);
  expect((await command(['dance'], settings, CLOCK)).lines[0]).toMatch(/There is no command “dance”/);
  expect((await command([], { ...settings, databaseFile: null }, CLOCK)).code).toBe(1);
});

test('a damaged database is told on a page, with the one command that helps', async () => {
  const { file } = await backUp(server.store, backups, { now: CLOCK, kept: 3 });
  const lines = damagedLines('pages cannot be read', database, backups);
  expect(lines.join('\n')).toContain(`npm run restore -- ${file}`);
  expect(damagedLines('x', database, path.join(backups, 'none')).join()).toMatch(/There is no backup/);
  const page = serveDamaged([...lines, '<script>'], 0, '127.0.0.1');
  await new Promise((resolve) => page.once('listening', resolve));
  const { port } = page.address() as { port: number };
  const [html, api] = await Promise.all(['/', '/api/orders'].map((at) => fetch(`http://127.0.0.1:${port}${at}`)));
  expect([html!.status, api!.status, api!.headers.get('x-taktik')]).toEqual([503, 503, null]);
  const text = await html!.text();
  expect(text).toContain('The database cannot be read');
  expect(text).not.toContain('<script>');
  page.close();
  page.closeAllConnections();
});

describe('settings', () => {
  const from = (environment: Record<string, string>) => settingsFrom(environment, HERE);
  test('none are needed', () => {
    expect(from({})).toMatchObject({ port: 4173, demo: false, backupHours: 24, hl7: null, orderSeconds: 0 });
    expect(from({ TAKTIK_SEED: 'demo', PORT: '' })).toMatchObject({ demo: true, backupHours: 0, orderSeconds: 180 });
    expect(from({ TAKTIK_DATABASE_URL: 'libsql://db.local:8080' }).databaseFile).toBeNull();
  });
  test('all that is wrong is told at once, each with its name', () => {
    const wrong = {
      ...{ PORT: '99999', LOG_LEVEL: 'loud', TAKTIK_SEED: 'yes', TAKTIK_BACKUP_HOURS: 'often', TAKTIK_MPPS: 'ris' },
      TAKTIK_HL7_RESULTS: 'ris.local',
    };
    const said = (() => {
      try {
        return from(wrong);
      } catch (error) {
        expect(error).toBeInstanceOf(WrongSettings);
        return (error as Error).message;
      }
    })();
    for (const name of Object.keys(wrong)) expect(said).toContain(name);
    expect(said).toMatch(/PORT must be a number from 1 to 65535/);
  });
});

test('what still stands in the log of the database is in the backup', async () => {
  await start();
  await Promise.all(Array.from({ length: 5 }, (_, i) => expose(`c${i}`)));
  expect(existsSync(`${database}-wal`)).toBe(true);
  expect((await backUp(server.store, backups, { now: CLOCK, kept: 3 })).note.exposures).toBeGreaterThanOrEqual(5);
});

test('where no lead can sign in the command line makes one; the trail says so, and a server that runs is not disturbed', async () => {
  const absent = present(server.folder);
  expect(await command(['lead'], settings, CLOCK)).toMatchObject({
    code: 1,
    lines: [expect.stringMatching(/stop it first/)],
  });
  absent();
  await server.stop();
  const { code, lines } = await command(['lead', 'Nadia', 'Fenwick'], settings, CLOCK);
  const pin = /^Nadia Fenwick is a lead now, with the PIN (\d{8})\./.exec(lines[0]!)?.[1];
  expect([code, pin]).toEqual([0, expect.any(String)]);
  expect((await command(['lead', 'Nadia Fenwick'], settings, CLOCK)).code).toBe(1);
  const store = await openStore(settings.databaseUrl, settings.migrations, { secret: secretIn(settings.secretFile) });
  const person = (await listPeople(store)).find(({ name }) => name === 'Nadia Fenwick')!;
  expect(await signIn(store, { personId: person.id, pin: pin! }, CLOCK)).toMatchObject({ person: { role: 'lead' } });
  expect((await verifyTrail(store)).broken).toBeNull();
  await store.close();
});
