/** What must not be lost, forged, undone in silence or poisoned: the record, its settings, its file and its log. */
import { copyFileSync, mkdtempSync, openSync, writeSync, closeSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { defaultRules, ROOM_ONE, withDefaults, type HouseRules } from '@taktik/core';
import { scenarios } from '@taktik/core/exercise';
import { loggable } from '../api/problem';
import { DamagedError, openStore, reportDamage } from '../db/database';
import { audit, exposures, orders } from '../db/schema';
import { firstStart } from '../seed/firstStart';
import { signIn, listPeople } from './people';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';

const MIGRATIONS = path.resolve(__dirname, '../db/migrations');
const DAY = 86_400_000;
let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(async () => {
  await server.stop();
  discard(server.folder);
});
const start = (as: string, performedBy: string, more: object = {}) =>
  server.call(
    'POST',
    '/api/exams',
    { id: 'e', orderId: 'demo-sacrum-coccyx', performedBy, startedAt: CLOCK, ...more },
    as,
  );
const expose = (id: string, as: string, performedBy: string, more: object = {}) =>
  server.call(
    'POST',
    '/api/exposures',
    {
      id,
      examId: 'e',
      request: { projectionId: 'sacrum-ap-axial', patient: { ageYears: 58 }, room: ROOM_ONE },
      performedBy,
      exposedAt: CLOCK,
      ...more,
    },
    as,
  );
const verdict = (body: object) => server.call('POST', '/api/exposures/x/verdict', body, 'demo-ines');

describe('who did it', () => {
  test('nobody writes in another’s name but a lead, and the trail says so', async () => {
    expect((await start('demo-ines', 'Tomas Reedham')).status).toBe(403);
    expect((await start('demo-ines', 'Ines Oakfield')).status).toBe(201);
    expect((await expose('x', 'demo-ines', 'Tomas Reedham')).status).toBe(403);
    expect((await expose('x', 'demo-ines', 'Ines Oakfield')).status).toBe(201);
    expect((await expose('y', 'demo-priya', 'Ines Oakfield')).status).toBe(201);
    const trail = await server.store.db.select().from(audit);
    expect(
      trail
        .filter(({ action }) => action === 'exposure recorded')
        .map(({ person, detail }) => [person, detail.writtenDownBy]),
    ).toEqual([
      ['Ines Oakfield', undefined],
      ['Priya Windlow', 'Priya Windlow'],
    ]);
  });
});

describe('times', () => {
  test.each([
    ['2^53 − 1', Number.MAX_SAFE_INTEGER],
    ['next year', CLOCK + 365 * DAY],
    ['an hour ahead', CLOCK + 3_600_000],
    ['ten years back', CLOCK - 3650 * DAY],
    ['the beginning', 1],
  ])('%s is refused, and nothing of it is stored', async (_, at) => {
    await start('demo-ines', 'Ines Oakfield');
    expect((await expose('x', 'demo-ines', 'Ines Oakfield', { exposedAt: at })).status).toBe(422);
    expect((await server.call('POST', '/api/exams/e/finish', { finishedAt: at }, 'demo-ines')).status).toBe(422);
    const practice = {
      id: 'p',
      personId: 'demo-tomas',
      scenarioId: 'view-1',
      answer: { kind: 'which view', projectionId: 'chest-pa' },
      seconds: 5,
      at,
    };
    expect((await server.call('POST', '/api/practice', practice, 'demo-tomas')).status).toBe(422);
    expect(await server.store.db.select().from(exposures)).toHaveLength(0);
  });
});

describe('a verdict that comes late', () => {
  test('an earlier one does not undo a later one; the last said counts', async () => {
    await start('demo-ines', 'Ines Oakfield');
    await expose('x', 'demo-ines', 'Ines Oakfield');
    await verdict({ verdict: 'repeat', cause: 'Rotated', decidedAt: CLOCK - 1000 });
    expect((await verdict({ verdict: 'accepted', decidedAt: CLOCK - 5000 })).body).toMatchObject({ verdict: 'repeat' });
    expect((await verdict({ verdict: 'accepted', decidedAt: CLOCK - 500 })).body).toMatchObject({
      verdict: 'accepted',
    });
    // A clock that is a day slow is corrected before the two are compared.
    const slow = { verdict: 'repeat', cause: 'Clipped', decidedAt: CLOCK - DAY - 800, sentAt: CLOCK - DAY };
    expect((await verdict(slow)).body).toMatchObject({ verdict: 'accepted' });
  });
  test('a practice try that is dated before another is taken', async () => {
    const scenario = scenarios.find(({ kind }) => kind === 'which view')!;
    const practised = (id: string, at: number) =>
      server.call(
        'POST',
        '/api/practice',
        {
          id,
          personId: 'demo-ines',
          scenarioId: scenario.id,
          answer: { kind: 'which view', projectionId: 'chest-pa' },
          seconds: 5,
          at,
        },
        'demo-ines',
      );
    expect((await practised('one', CLOCK)).status).toBe(201);
    expect((await practised('two', CLOCK - 5 * DAY)).status).toBe(201);
  });
});

describe('settings of two leads', () => {
  const put = (route: string, body: object, version?: number, method = 'PUT') =>
    fetch(server.url + route, {
      method,
      headers: {
        'content-type': 'application/json',
        authorization: `Bearer ${token}`,
        ...(version === undefined ? {} : { 'if-match': `"${version}"` }),
      },
      body: JSON.stringify(body),
    });
  let token = '';
  beforeEach(async () => {
    token = await server.tokenOf('demo-priya');
  });
  const versions = async () => (await server.call('GET', '/api/versions')).body;

  test('rules, department and rooms: the second is told, and nothing of the first is undone', async () => {
    const { rules, department, rooms } = await versions();
    expect((await put('/api/rules', withDefaults({ kneeLateralAngle: '7' }), rules)).status).toBe(200);
    const late = await put('/api/rules', withDefaults({ unit: 'cm' }), rules);
    expect(late.status).toBe(409);
    expect(((await late.json()) as { detail: string }).detail).toMatch(/Priya Windlow has changed the house rules/);
    expect((await server.call('GET', '/api/rules')).body).toMatchObject({ kneeLateralAngle: '7', unit: 'in' });
    expect((await put('/api/department', { idleMinutes: 20 }, department)).status).toBe(200);
    expect((await put('/api/department', { idleMinutes: 30 }, department)).status).toBe(409);
    expect((await put('/api/rooms/room-1', { surfaceHeightMm: 800 }, rooms['room-1'], 'PATCH')).status).toBe(200);
    expect((await put('/api/rooms/room-1', { surfaceHeightMm: 900 }, rooms['room-1'], 'PATCH')).status).toBe(409);
    const now = await versions();
    expect([now.rules, now.department, now.rooms['room-1']]).toEqual([rules + 1, department + 1, rooms['room-1'] + 1]);
  });
  test('a catalogue with one rule leaves the others', async () => {
    await put('/api/rules', withDefaults({ kneeLateralAngle: '7' }));
    const document = (await server.call('GET', '/api/catalogue/export')).body;
    const { unit } = defaultRules as HouseRules;
    expect(unit).toBe('in');
    await server.call('POST', '/api/catalogue/import', { ...document, rules: { unit: 'cm' } });
    expect((await server.call('GET', '/api/rules')).body).toMatchObject({ kneeLateralAngle: '7', unit: 'cm' });
  });
  test('a set-up without rules is by those in force, at once; an exposure names what it was made with', async () => {
    const ask = async () =>
      (
        await server.call('POST', '/api/setups', {
          projectionId: 'knee-lateral',
          side: 'left',
          patient: { ageYears: 40 },
        })
      ).body.tube.angleDeg;
    expect(await ask()).toBe(5);
    await put('/api/rules', withDefaults({ kneeLateralAngle: '7' }));
    expect(await ask()).toBe(7);
    const { rules, rooms } = await versions();
    await start('demo-ines', 'Ines Oakfield');
    const made = async (id: string, madeWith: object) =>
      (await expose(id, 'demo-ines', 'Ines Oakfield', { madeWith })).body.madeWith;
    expect(await made('x', { rules, room: rooms['room-1'] })).toEqual({ rules, room: rooms['room-1'], inForce: true });
    expect(await made('y', { rules: rules - 1 })).toEqual({ rules: rules - 1, inForce: false });
  });
});

describe('a technique chart', () => {
  const table = (...rows: string[]) =>
    server.call(
      'POST',
      '/api/rooms/room-1/chart',
      ['projection,kvp,mas,sid_cm,thickness_cm,grid_ratio', ...rows].join('\n'),
      'demo-priya',
      'text/csv',
    );
  test.each([
    ['a hundred times too much', 'pelvis-ap,80,600,102,21,10'],
    ['a hundredth', 'pelvis-ap,80,0.2,102,21,10'],
    ['kVp and mAs exchanged', 'hand-pa,60,55,102,3,0'],
    ['thickness in inches', 'pelvis-ap,80,20,102,4,10'],
    ['SID in inches', 'pelvis-ap,80,20,41,21,10'],
  ])('%s is refused with its line', async (_, row) => {
    const { status, body } = await table('chest-pa,117,2.5,183,23,10', row);
    expect([status, body.fields?.[0]?.field]).toEqual([422, expect.stringMatching(/^line 3/)]);
  });
  test('twice the same row, and an empty table, leave the chart as it is', async () => {
    expect((await table('pelvis-ap,80,20,102,21,10')).status).toBe(200);
    expect((await table('pelvis-ap,80,20,102,21,10', 'pelvis-ap,80,40,102,21,10')).status).toBe(422);
    expect((await table()).status).toBe(422);
    expect((await server.call('GET', '/api/rooms/room-1')).body.generator.chart).toHaveLength(1);
  });
});

describe('a page of another origin', () => {
  const post = (headers: Record<string, string>, type = 'text/plain') =>
    fetch(`${server.url}/api/orders/import`, {
      method: 'POST',
      headers: { 'content-type': type, cookie: `taktik_session=${token}`, ...headers },
      body: 'reference,initials,exam,side,reason,ward\nX-1,AB,Chest,,Cough,Ward',
    });
  let token = '';
  test('plain text is no table, and a foreign origin changes nothing', async () => {
    token = await server.tokenOf('demo-priya');
    const host = new URL(server.url).host;
    const before = (await server.store.db.select().from(orders)).length;
    expect((await post({})).status).toBe(415);
    expect((await post({ origin: 'http://evil.example' }, 'text/csv')).status).toBe(403);
    expect((await post({ origin: `http://other.${host}`, 'sec-fetch-site': 'same-site' }, 'text/csv')).status).toBe(
      403,
    );
    expect((await post({ origin: 'null' }, 'text/csv')).status).toBe(403);
    expect((await server.store.db.select().from(orders)).length).toBe(before);
    expect((await post({ origin: server.url, 'sec-fetch-site': 'same-origin' }, 'text/csv')).status).toBe(200);
  });
});

describe('the file', () => {
  const folder = () => mkdtempSync(path.join(tmpdir(), 'taktik-file-'));
  test('a young database that is copied alone holds its tables', async () => {
    const at = folder();
    const store = await openStore(`file:${at}/one.db`, MIGRATIONS);
    copyFileSync(`${at}/one.db`, `${at}/copy.db`);
    const copy = createClient({ url: `file:${at}/copy.db` });
    expect(
      (await copy.execute("select count(*) as n from sqlite_master where type = 'table'")).rows[0].n,
    ).toBeGreaterThan(8);
    copy.close();
    await store.close();
    discard(at);
  });
  test('an empty one is nobody’s: a first lead with a PIN that nobody knows, and never the demo', async () => {
    const at = folder();
    const store = await openStore(`file:${at}/one.db`, MIGRATIONS);
    const first = (await firstStart(store, CLOCK))!;
    expect(first.pin).toMatch(/^\d{8}$/);
    const people = await listPeople(store);
    expect(people).toMatchObject([{ role: 'lead', demoPin: null }]);
    expect((await signIn(store, { personId: people[0].id, pin: first.pin }, CLOCK)).person.role).toBe('lead');
    expect(await firstStart(store, CLOCK)).toBeNull();
    await store.close();
    discard(at);
  });
  test('a damaged one is said as such, at the start and by health', async () => {
    const at = folder();
    const store = await openStore(`file:${at}/one.db`, MIGRATIONS);
    await firstStart(store, CLOCK);
    await store.close();
    const file = openSync(`${at}/one.db`, 'r+');
    writeSync(file, Buffer.alloc(statSync(`${at}/one.db`).size - 4096, 7), 0, undefined, 4096);
    closeSync(file);
    await expect(openStore(`file:${at}/one.db`, MIGRATIONS)).rejects.toThrow(DamagedError);
    discard(at);
    expect((await server.call('GET', '/api/health')).status).toBe(200);
    reportDamage(server.store);
    expect(await server.call('GET', '/api/health')).toMatchObject({ status: 503, body: { title: 'Database damaged' } });
  });
  test('what is logged of a failed statement holds no value of it', async () => {
    const secret = 'PIN-hash-and-Patient';
    const failure = await server.store.db
      .insert(orders)
      .values({ id: secret, patientId: secret, exam: secret } as never)
      .then(
        () => null,
        (error: unknown) => error,
      );
    expect(String(failure)).toContain(secret);
    expect(JSON.stringify(loggable(failure))).not.toContain(secret);
    expect(loggable(failure)).toMatchObject({ name: expect.any(String), at: expect.any(Array) });
  });
});

test('the trend of a room counts every exposure, not the newest of all rooms', async () => {
  await start('demo-ines', 'Ines Oakfield');
  await expose('x', 'demo-ines', 'Ines Oakfield');
  const [one] = await server.store.db.select().from(exposures);
  const rows = Array.from({ length: 700 }, (_, i) => ({
    ...one,
    id: `t${i}`,
    exposedAt: CLOCK - (700 - i) * 3_600_000,
    // 2 DI under, and sinking.
    exposureIndex: Math.round(one.targetIndex * 10 ** ((-1.2 - i / 500) / 10)),
  }));
  for (let i = 0; i < rows.length; i += 100) await server.store.db.insert(exposures).values(rows.slice(i, i + 100));
  const trends = (await server.call('GET', '/api/trends?from=0')).body as {
    count: number;
    drifts: boolean;
    off: boolean;
    mean: number;
  }[];
  expect(trends).toHaveLength(1);
  expect(trends[0]).toMatchObject({ count: 701, drifts: true, off: true });
});
