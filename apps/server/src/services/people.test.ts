import { audit, people, sessions } from '../db/schema';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';
import { LOCK_MS, MAX_TRIES } from './people';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(async () => {
  await server.stop();
  discard(server.folder);
});
const call: TestServer['call'] = (...args) => server.call(...args);
const signIn = (personId: string, pin: string) => call('POST', '/api/sessions', { personId, pin }, null);
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

test('tries are counted, even when they come at once, and the door closes for a while', async () => {
  const wrong = await Promise.all(Array.from({ length: MAX_TRIES }, () => signIn('demo-ines', '0000')));
  expect(wrong.map(({ status }) => status).sort()).toEqual([...Array(MAX_TRIES - 1).fill(401), 429]);
  expect(wrong.map(({ body }) => body.detail).join()).toMatch(/1 more tries/);
  const right = await signIn('demo-ines', '2580');
  expect([right.status, right.body.detail]).toEqual([429, expect.stringMatching(/try again in 5 min/)]);
  expect((await signIn('demo-tomas', '1470')).status).toBe(201);
  server.setClock(CLOCK + LOCK_MS + 1);
  expect((await signIn('demo-ines', '2580')).status).toBe(201);
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
    ['POST', '/api/people', { name: 'New One', role: 'student', pin: '1234' }],
    ['POST', '/api/people/demo-priya/pin', { pin: '9999' }],
    ['GET', '/api/audit', undefined],
    ['POST', '/api/catalogue/import', {}],
  ];
  for (const [method, path, body] of asked) {
    expect([path, (await call(method, path, body, 'demo-tomas')).status]).toEqual([path, 403]);
    expect([path, (await call(method, path, body, null)).status]).toEqual([path, 401]);
  }
  expect((await call('POST', '/api/people/demo-tomas/pin', { pin: '86420' }, 'demo-tomas')).status).toBe(204);
  // The old PIN's sessions are over, the new one opens.
  expect((await signIn('demo-tomas', '1470')).status).toBe(401);
  expect((await signIn('demo-tomas', '86420')).status).toBe(201);
});

test('people are added once, with a PIN of digits', async () => {
  const person = { name: 'Wren Halloway', role: 'technologist', pin: '4821' };
  const { status, body } = await call('POST', '/api/people', person);
  expect([status, body.demoPin]).toEqual([201, null]);
  expect((await call('POST', '/api/people', person)).status).toBe(409);
  expect((await signIn(body.id, '4821')).status).toBe(201);
  const bad = await call('POST', '/api/people', { ...person, name: 'Other', pin: '12' });
  expect([bad.status, bad.body.detail]).toEqual([422, expect.stringMatching(/A PIN has 4 to 8 digits/)]);
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
