import { statSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { createApp } from '../app';
import { audit, people, sessions } from '../db/schema';
import { secretIn } from '../operate/secret';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';
import { LONGEST_SESSION_MS, signIn as openSession } from './people';
import { FIRST_WAIT_MS, MAX_TRIES } from './pins';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(async () => {
  await server.stop();
  discard(server.folder);
});
const call: TestServer['call'] = (...args) => server.call(...args);
const signIn = (personId: string, pin: string) => call('POST', '/api/sessions', { personId, pin, tool: true }, null);
const MINUTE = 60_000;

test('names for the sign-in screen need no session; nothing of a patient is told without one', async () => {
  const { body } = await call('GET', '/api/people', undefined, null);
  expect(body.map(({ name }: { name: string }) => name)).toEqual(['Ines Oakfield', 'Priya Windlow', 'Tomas Reedham']);
  expect(JSON.stringify(body)).not.toMatch(/argon2|hash/i);
  for (const path of ['/api/orders', '/api/orders/demo-knee', '/api/exposures', '/api/me', '/api/audit'])
    expect([path, (await call('GET', path, undefined, null)).status]).toEqual([path, 401]);
  // Projections and set-ups are for anyone: no identity is in them.
  expect((await call('POST', '/api/setups', { projectionId: 'hand-pa', side: 'left' }, null)).status).toBe(200);
});

test('a PIN is kept as Argon2id and opens a session, whose token is kept only as a hash', async () => {
  const [row] = await server.store.db.select().from(people);
  expect(row.pinHash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  const { status, body } = await signIn('demo-ines', '2580');
  expect(status).toBe(201);
  expect(body.person).toMatchObject({ name: 'Ines Oakfield', role: 'technologist' });
  const me = await fetch(`${server.url}/api/me`, { headers: { cookie: `taktik_session=${body.token}` } });
  expect(await me.json()).toMatchObject({ name: 'Ines Oakfield' });
  expect(JSON.stringify(await server.store.db.select().from(sessions))).not.toContain(body.token);
  await fetch(`${server.url}/api/sessions`, { method: 'DELETE', headers: { authorization: `Bearer ${body.token}` } });
  expect((await fetch(`${server.url}/api/me`, { headers: { authorization: `Bearer ${body.token}` } })).status).toBe(
    401,
  );
});

test('the cookie is for this site and the API only, and no script reads it', async () => {
  const response = await fetch(`${server.url}/api/sessions`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId: 'demo-ines', pin: '2580' }),
  });
  expect(response.headers.get('set-cookie')).toMatch(/taktik_session=.*Path=\/api.*HttpOnly.*SameSite=Strict/);
});

test('tries are counted, even when they come at once, and the next one waits', async () => {
  const wrong = await Promise.all(Array.from({ length: MAX_TRIES }, () => signIn('demo-ines', '0000')));
  expect(wrong.map(({ status }) => status).sort()).toEqual([...Array(MAX_TRIES - 1).fill(401), 429]);
  expect(wrong.map(({ body }) => body.detail).join()).toMatch(/1 more try\./);
  const right = await signIn('demo-ines', '2580');
  expect([right.status, right.body.detail]).toEqual([429, expect.stringMatching(/try again in 5 min/)]);
  expect((await signIn('demo-tomas', '1470')).status).toBe(201);
  server.setClock(CLOCK + FIRST_WAIT_MS + 1);
  // One more wrong one waits twice as long; the right one ends it.
  expect((await signIn('demo-ines', '0000')).body.detail).toMatch(/try again in 10 min/);
  server.setClock(CLOCK + 3 * FIRST_WAIT_MS + 2);
  expect((await signIn('demo-ines', '2580')).status).toBe(201);
  expect((await signIn('demo-ines', '0000')).body.detail).toMatch(/4 more tries/);
});

describe('who is locked out', () => {
  const from = (source: string, pin: string, now = CLOCK) =>
    openSession(server.store, { personId: 'demo-ines', pin, source }, now).then(
      () => 'in',
      (error: { kind: string }) => error.kind,
    );
  test('somebody who tries from elsewhere, and nobody else', async () => {
    for (let i = 0; i < 12; i += 1) await from('stranger', '0000');
    expect(await from('stranger', '2580')).toBe('too often');
    expect(await from('ward', '2580')).toBe('in');
  });
  test('a clock that is set back makes no wait of days', async () => {
    for (let i = 0; i < 30; i += 1) await from('ward', '0000', CLOCK + 40 * 86_400_000 + i * 7_200_000);
    expect(await from('ward', '2580', CLOCK)).toBe('in');
    for (let i = 0; i < MAX_TRIES; i += 1) await from('ward', '0000', CLOCK + 10_000_000);
    expect(await from('ward', '2580', CLOCK)).toBe('too often');
    expect(await from('ward', '2580', CLOCK + 10_000_000 + FIRST_WAIT_MS + 1)).toBe('in');
  });
});

test('many who sign in at once hold up no write', async () => {
  const all = Array.from({ length: 60 }, (_, i) => signIn('demo-ines', i % 2 ? '2580' : '1111'));
  const before = performance.now();
  expect((await call('PUT', '/api/rules', { kneeLateralAngle: '7' })).status).toBe(200);
  const wrote = performance.now() - before;
  await Promise.all(all);
  // It is answered long before they are.
  expect(wrote).toBeLessThan((performance.now() - before) / 2);
});

test('a session ends with the shift, however much it is used', async () => {
  const token = await server.tokenOf('demo-ines');
  const me = async () =>
    (await fetch(`${server.url}/api/me`, { headers: { authorization: `Bearer ${token}` } })).status;
  for (let at = 0; at < LONGEST_SESSION_MS; at += 15 * MINUTE) {
    server.setClock(CLOCK + at);
    expect([at, await me()]).toEqual([at, 200]);
  }
  server.setClock(CLOCK + LONGEST_SESSION_MS + 1);
  expect(await me()).toBe(401);
});

test('signed out everywhere, no session is left; a page is never told its token', async () => {
  const [one, other] = [(await signIn('demo-ines', '2580')).body, (await signIn('demo-ines', '2580')).body];
  const page = await call('POST', '/api/sessions', { personId: 'demo-ines', pin: '2580' }, null);
  expect([page.status, page.body.token]).toEqual([201, undefined]);
  const as = (token: string, method: string, path: string) =>
    fetch(server.url + path, { method, headers: { authorization: `Bearer ${token}` } });
  expect((await as(one.token, 'DELETE', '/api/sessions/all')).status).toBe(204);
  expect((await as(other.token, 'GET', '/api/me')).status).toBe(401);
});

test('the last lead stays; whoever ends keeps their name in the record, and signs in no more', async () => {
  expect((await call('PATCH', '/api/people/demo-priya', { ended: true })).body.detail).toMatch(/only lead/);
  expect((await call('PATCH', '/api/people/demo-priya', { role: 'student' })).status).toBe(409);
  expect((await call('PATCH', '/api/people/demo-ines', { role: 'lead' })).body.role).toBe('lead');
  expect((await call('PATCH', '/api/people/demo-priya', { role: 'technologist' })).status).toBe(200);
  expect((await call('PATCH', '/api/people/demo-tomas', { ended: true }, 'demo-ines')).status).toBe(200);
  expect((await signIn('demo-tomas', '1470')).status).toBe(404);
  const names = (await call('GET', '/api/people', undefined, null)).body.map(({ name }: { name: string }) => name);
  expect(names).not.toContain('Tomas Reedham');
  expect((await call('PATCH', '/api/people/demo-ines', {}, 'demo-ines')).status).toBe(422);
  expect((await call('PATCH', '/api/people/demo-ines', { role: 'lead' }, 'demo-priya')).status).not.toBe(200);
});

describe('the secret of the server', () => {
  test('without it no PIN of a stolen database opens; hashes of before are made anew', async () => {
    const { store } = server;
    const secret = Buffer.alloc(32, 7);
    const sealed = { ...store, secret };
    const open = (to: typeof store) =>
      openSession(to, { personId: 'demo-ines', pin: '2580' }, CLOCK).then(
        () => true,
        () => false,
      );
    expect(await open(sealed)).toBe(true);
    // From now on it is needed.
    expect(await open(store)).toBe(false);
    expect(await open({ ...store, secret: Buffer.alloc(32, 8) })).toBe(false);
    expect(await open(sealed)).toBe(true);
  });
  test('is made once, for its owner alone', () => {
    const file = path.join(server.folder, 'deep/secret.key');
    const made = secretIn(file);
    expect(made.length).toBe(32);
    expect(secretIn(file).equals(made)).toBe(true);
    expect(statSync(file).mode & 0o077).toBe(0);
    writeFileSync(file, 'c2hvcnQ=');
    expect(() => secretIn(file)).toThrow(/must hold 32 bytes/);
  });
});

test.each(['000000', '123456', '876543', '901234', '121212', '123123', '12345', '1234567890'])(
  'the PIN %s is not taken',
  async (pin) =>
    expect((await call('POST', '/api/people', { name: 'Wren Alder', role: 'student', pin })).status).toBe(422),
);

test('behind a proxy that is trusted the cookie is for https alone', async () => {
  const app = createApp({ store: server.store, clock: () => CLOCK, trustedProxies: 1 }).listen(0, '127.0.0.1');
  await new Promise((resolve) => app.once('listening', resolve));
  const { port } = app.address() as AddressInfo;
  const response = await fetch(`http://127.0.0.1:${port}/api/sessions`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-forwarded-proto': 'https' },
    body: JSON.stringify({ personId: 'demo-ines', pin: '2580' }),
  });
  expect(response.headers.get('set-cookie')).toMatch(/Secure/);
  expect(response.headers.get('strict-transport-security')).toMatch(/max-age=\d{7}/);
  app.close();
  app.closeAllConnections();
});

test('a session ends when it is idle, and lives while it is used', async () => {
  const token = await server.tokenOf('demo-ines');
  const me = async () =>
    (await fetch(`${server.url}/api/me`, { headers: { authorization: `Bearer ${token}` } })).status;
  for (let minutes = 15; minutes <= 60; minutes += 15) {
    server.setClock(CLOCK + minutes * MINUTE);
    expect(await me()).toBe(200);
  }
  server.setClock(CLOCK + 81 * MINUTE);
  expect(await me()).toBe(401);
  expect(await server.store.db.select().from(sessions)).toHaveLength(0);
});

test('only a lead changes rules, department, people and other people’s PINs', async () => {
  const asked: [string, string, unknown][] = [
    ['PUT', '/api/rules', {}],
    ['PUT', '/api/department', {}],
    ['POST', '/api/people', { name: 'New One', role: 'student', pin: '482159' }],
    ['PATCH', '/api/people/demo-ines', { role: 'lead' }],
    ['POST', '/api/people/demo-priya/pin', { pin: '482159' }],
    ['GET', '/api/audit/state', undefined],
    ['GET', '/api/audit', undefined],
    ['POST', '/api/catalogue/import', {}],
  ];
  for (const [method, path, body] of asked) {
    expect([path, (await call(method, path, body, 'demo-tomas')).status]).toEqual([path, 403]);
    expect([path, (await call(method, path, body, null)).status]).toEqual([path, 401]);
  }
  const own = (body: object) => call('POST', '/api/people/demo-tomas/pin', body, 'demo-tomas');
  expect((await own({ pin: '864205' })).body.detail).toMatch(/PIN until now is needed/);
  expect((await own({ pin: '864205', old: '9999' })).status).toBe(401);
  expect((await own({ pin: '864205', old: '1470' })).status).toBe(204);
  // The old PIN's sessions are over, the new one opens.
  expect((await signIn('demo-tomas', '1470')).status).toBe(401);
  expect((await signIn('demo-tomas', '864205')).status).toBe(201);
});

test('people are added once, with a PIN of digits', async () => {
  const person = { name: 'Wren Halloway', role: 'technologist', pin: '482159' };
  const { status, body } = await call('POST', '/api/people', person);
  expect([status, body.demoPin]).toEqual([201, null]);
  expect((await call('POST', '/api/people', person)).status).toBe(409);
  expect((await signIn(body.id, '482159')).status).toBe(201);
  const bad = await call('POST', '/api/people', { ...person, name: 'Other', pin: '12' });
  expect([bad.status, bad.body.detail]).toEqual([422, expect.stringMatching(/A new PIN has 6 to 8 digits/)]);
  expect((await signIn('nobody', '1234')).status).toBe(404);
});

test('every change of a record leaves a line: who, what, when', async () => {
  await call('PUT', '/api/rules', { kneeLateralAngle: '7' });
  await call('PUT', '/api/department', { idleMinutes: 30 });
  await call(
    'POST',
    '/api/exams',
    { id: 'e1', orderId: 'demo-knee', performedBy: 'Ines Oakfield', startedAt: CLOCK },
    'demo-ines',
  );
  await call('POST', '/api/exams/e1/answers', { given: { pregnancy: 'no' }, decisions: {} }, 'demo-ines');
  await call('POST', '/api/exams/e1/hand-over', { to: 'Priya Windlow' }, 'demo-ines');
  await call('POST', '/api/exams/e1/finish', { finishedAt: CLOCK, reason: 'Order withdrawn' });
  const { body } = await call('GET', '/api/audit');
  const lines = body.map(({ person, action, subject }: Record<string, string>) => `${person}: ${action} ${subject}`);
  expect(lines.filter((line: string) => !line.includes('signed in')).slice(0, 6)).toEqual([
    'Priya Windlow: exam ended early exam:e1',
    'Ines Oakfield: exam handed over exam:e1',
    'Ines Oakfield: answers kept exam:e1',
    'Ines Oakfield: exam started exam:e1',
    'Priya Windlow: department changed department',
    'Priya Windlow: house rules changed rules',
  ]);
  expect(body.find(({ subject }: { subject: string }) => subject === 'rules').detail).toEqual({
    kneeLateralAngle: '7',
  });
  expect(body.every(({ at }: { at: number }) => at === CLOCK)).toBe(true);
  const one = (await call('GET', '/api/audit?subject=exam:e1')).body;
  expect(one).toHaveLength(4);
  expect((await server.store.db.select().from(audit)).length).toBeGreaterThan(6);
});
