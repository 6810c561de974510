import type { AddressInfo } from 'node:net';
import { bodyDocumentSchema, computeSetup, ROOM_TWO, type SetupRequest } from '@taktik/core';
import { createApp } from './app';
import { exposures, orders } from './db/schema';
import { HOSPITAL, STAFF, DEMO_ORDERS } from './seed/scenario';
import { CLOCK, discard, startTestServer, type TestServer } from './testing/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});
const call: TestServer['call'] = (...args) => server.call(...args);

const request: SetupRequest = {
  projectionId: 'sacrum-ap-axial',
  patient: { ageYears: 58, sex: 'female', statureMm: 1680, massKg: 74 },
  room: ROOM_TWO,
};
const exposure = (id: string, examId: string, change: object = {}) => ({
  id,
  examId,
  request,
  performedBy: STAFF[0],
  exposedAt: CLOCK,
  ...change,
});

describe('reading', () => {
  it('lists the ten demo orders, urgent ones first, with no more of a person than is needed', async () => {
    const { status, body } = await call('GET', '/api/orders');
    expect(status).toBe(200);
    expect(body).toHaveLength(DEMO_ORDERS.length);
    expect(body.map((order: { urgency: string }) => order.urgency)).toEqual(
      [...body.map((order: { urgency: string }) => order.urgency)].sort(
        (a, b) => ['now', 'today', 'routine'].indexOf(a) - ['now', 'today', 'routine'].indexOf(b),
      ),
    );
    expect(Object.keys(body[0].patient).sort()).toEqual(['body', 'id', 'initials', 'issuer', 'number']);
    expect(HOSPITAL).not.toBe('');
  });
  it('serves rooms, rules, the catalogue and the search', async () => {
    expect((await call('GET', '/api/rooms')).body.map((room: { id: string }) => room.id)).toEqual([
      'room-1',
      'room-2',
      'mobile-1',
    ]);
    expect((await call('GET', '/api/rules')).body).toMatchObject({ kneeApAngle: 'thickness' });
    expect((await call('GET', '/api/projections')).body.length).toBeGreaterThanOrEqual(13);
    expect((await call('GET', '/api/projections?q=waters')).body[0].id).toBe('sinuses-parietoacanthial');
  });
  it('computes a set-up with the same core', async () => {
    const { status, body } = await call('POST', '/api/setups', request);
    expect(status).toBe(200);
    expect(body).toEqual(JSON.parse(JSON.stringify(computeSetup(request))));
  });
  it('describes itself from the schemas it validates with', async () => {
    const { body } = await call('GET', '/api/openapi.json');
    expect(body.openapi).toBe('3.1.0');
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining(['/api/setups', '/api/orders', '/api/exposures', '/api/exposures/{id}']),
    );
    expect(JSON.stringify(body.paths['/api/setups'])).toContain('projectionId');
  });
});

describe('writing', () => {
  it('keeps changed rules; what is left out returns to its default', async () => {
    expect((await call('PUT', '/api/rules', { kneeLateralAngle: '7' })).body).toMatchObject({
      kneeLateralAngle: '7',
      unit: 'in',
    });
    expect((await call('GET', '/api/rules')).body.kneeLateralAngle).toBe('7');
    expect((await call('PUT', '/api/rules', {})).body.kneeLateralAngle).toBe('5');
  });

  it('takes in an order, whole', async () => {
    const { status, body } = await call('POST', '/api/orders', {
      initials: 'QZ',
      patient: { ageYears: 3 },
      exam: 'Chest',
      reason: 'Cough',
      urgency: 'today',
      ward: 'Ward 1',
      roomId: 'room-1',
      projections: [{ projectionId: 'chest-pa' }],
    });
    expect(status).toBe(201);
    expect((await call('GET', `/api/orders/${body.id}`)).body).toMatchObject({
      exam: 'Chest',
      state: 'waiting',
      patient: { initials: 'QZ', body: { ageYears: 3 } },
    });
  });

  it('runs an exam from start to record; a repeated id changes nothing', async () => {
    const start = { id: 'exam-1', orderId: 'demo-sacrum-coccyx', performedBy: STAFF[0], startedAt: CLOCK };
    expect((await call('POST', '/api/exams', start)).status).toBe(201);
    expect((await call('POST', '/api/exams', start)).body).toEqual({
      ...start,
      supervisedBy: null,
      finishedAt: null,
      endReason: null,
      joins: null,
      answers: null,
    });
    expect((await call('GET', '/api/orders/demo-sacrum-coccyx')).body.state).toBe('started');

    const first = await call('POST', '/api/exposures', exposure('exp-1', 'exam-1'));
    const again = await call('POST', '/api/exposures', exposure('exp-1', 'exam-1'));
    expect([first.status, again.status]).toEqual([201, 200]);
    expect(again.body).toEqual(first.body);
    expect(await server.store.db.select().from(exposures)).toHaveLength(1);

    const detail = (await call('GET', '/api/exposures/exp-1')).body;
    expect(detail.setup).toEqual(JSON.parse(JSON.stringify(computeSetup(request))));
    expect(detail.request).toEqual(request);

    const done = await call('POST', '/api/exams/exam-1/finish', { finishedAt: CLOCK + 1000 });
    expect(done.body.finishedAt).toBe(CLOCK + 1000);
    expect((await call('POST', '/api/exams/exam-1/finish', { finishedAt: CLOCK + 9000 })).body.finishedAt).toBe(
      CLOCK + 1000,
    );
    expect((await call('GET', '/api/orders')).body.map((order: { id: string }) => order.id)).not.toContain(
      'demo-sacrum-coccyx',
    );
    expect((await call('GET', `/api/exposures?from=${CLOCK - 1}`)).body).toHaveLength(1);
    expect((await call('GET', `/api/exposures?from=${CLOCK + 1}`)).body).toEqual([]);
  });

  it('gives out the body of an exposure, and any other, in the open format', async () => {
    const answer = await call('GET', '/api/exposures/exp-1/body');
    expect(answer.status).toBe(200);
    const recorded = bodyDocumentSchema.parse(answer.body);
    expect(recorded.patient).toMatchObject({ ageYears: 58, statureMm: 1680 });
    expect(recorded.state.rest).toBe('lying');
    const asked = await call('POST', '/api/bodies', {
      patient: { ageYears: 6 },
      poses: ['arms-clear'],
      stance: { position: 'semi-erect', backRestDeg: 30 },
    });
    expect(asked.status).toBe(200);
    expect(bodyDocumentSchema.parse(asked.body).surfaces.some(({ kind }) => kind === 'back rest')).toBe(true);
    expect((await call('GET', '/api/formats/body')).body).toMatchObject({ title: 'Taktik body' });
  });
  it.each([
    [{ poses: ['upside-down'] }, /poses/],
    [{ stance: { position: 'semi-erect', backRestDeg: 200 } }, /Back rest must be 0 to 90/],
    [{ pose: { kneeWaving: 3 } }, /kneeWaving/],
    [{ patient: { ageYears: 3, statureMm: 1900 } }, /outside the model: \d+ to \d+ cm/],
  ])('a body that cannot be is refused: %j', async (body, message) => {
    const answer = await call('POST', '/api/bodies', body);
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toMatch(message);
  });
  it('many at once are all kept, each once', async () => {
    await call('POST', '/api/exams', {
      id: 'exam-many',
      orderId: 'demo-thoracic',
      performedBy: STAFF[1],
      startedAt: CLOCK,
    });
    const ids = Array.from({ length: 20 }, (_, i) => `many-${i}`);
    const answers = await Promise.all(
      [...ids, ...ids].map((id) => call('POST', '/api/exposures', exposure(id, 'exam-many'))),
    );
    expect(answers.every(({ status }) => status === 200 || status === 201)).toBe(true);
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(ids.length);
  });

  it('what was acknowledged is there after a restart', async () => {
    const other = await startTestServer();
    await other.call('POST', '/api/exams', {
      id: 'exam-r',
      orderId: 'demo-knee',
      performedBy: STAFF[2],
      startedAt: CLOCK,
    });
    await other.call('POST', '/api/exposures', exposure('exp-r', 'exam-r'));
    await other.stop();
    const back = await startTestServer(other.folder);
    expect((await back.call('GET', '/api/exposures/exp-r')).body.id).toBe('exp-r');
    expect((await back.call('GET', '/api/orders')).body).toHaveLength(DEMO_ORDERS.length);
    await back.stop();
    discard(other.folder);
  });
});

describe('bad input', () => {
  const long = 'x'.repeat(10_000);
  it.each([
    [
      'stature 20 cm',
      'POST',
      '/api/setups',
      { projectionId: 'chest-pa', patient: { statureMm: 200 } },
      422,
      'patient.statureMm',
      /42 to 220 cm/,
    ],
    [
      'mass 900 kg',
      'POST',
      '/api/setups',
      { projectionId: 'chest-pa', patient: { massKg: 900 } },
      422,
      'patient.massKg',
      /1.5 to 250 kg/,
    ],
    [
      'age 200',
      'POST',
      '/api/setups',
      { projectionId: 'chest-pa', patient: { ageYears: 200 } },
      422,
      'patient.ageYears',
      /0 to 110 years/,
    ],
    [
      'negative SID',
      'POST',
      '/api/setups',
      { projectionId: 'chest-pa', overrides: { sidMm: -100 } },
      422,
      'overrides.sidMm',
      /400 to 3000 mm/,
    ],
    [
      'unknown projection',
      'POST',
      '/api/setups',
      { projectionId: 'chest-sideways' },
      422,
      'projectionId',
      /no projection "chest-sideways"/,
    ],
    ['missing side', 'POST', '/api/setups', { projectionId: 'leg-ap' }, 422, 'side', /left or right/],
    ['very long name', 'POST', '/api/setups', { projectionId: long }, 422, 'projectionId', /60/],
    [
      'very long reason',
      'POST',
      '/api/orders',
      {
        initials: 'AB',
        patient: {},
        exam: 'Chest',
        reason: long,
        urgency: 'now',
        ward: 'W',
        roomId: 'room-1',
        projections: [{ projectionId: 'chest-pa' }],
      },
      422,
      'reason',
      /500 characters/,
    ],
    [
      'order without projections',
      'POST',
      '/api/orders',
      {
        initials: 'AB',
        patient: {},
        exam: 'Chest',
        reason: 'r',
        urgency: 'now',
        ward: 'W',
        roomId: 'room-1',
        projections: [],
      },
      422,
      'projections',
      /./,
    ],
    [
      'order for a room that is not there',
      'POST',
      '/api/orders',
      {
        initials: 'AB',
        patient: {},
        exam: 'Chest',
        reason: 'r',
        urgency: 'now',
        ward: 'W',
        roomId: 'room-99',
        projections: [{ projectionId: 'chest-pa' }],
      },
      422,
      'roomId',
      /unknown room/,
    ],
    ['unknown rule', 'PUT', '/api/rules', { speed: 'fast' }, 422, 'body', /speed/],
    ['record limit', 'GET', '/api/exposures?limit=9999', undefined, 422, 'limit', /1 to 500/],
  ])('%s', async (_name, method, route, body, status, field, message) => {
    const answer = await call(method, route, body);
    expect(answer.status).toBe(status);
    expect(answer.type).toMatch(/application\/problem\+json/);
    const found = answer.body.fields.find((each: { field: string }) => each.field === field);
    expect(found?.message).toMatch(message);
  });

  it.each([
    ['broken JSON', 'POST', '/api/setups', '{"projectionId":', 400],
    ['too large a body', 'POST', '/api/setups', `"${'x'.repeat(300_000)}"`, 413],
    ['an order that does not exist', 'GET', '/api/orders/none', undefined, 404],
    ['an exposure that does not exist', 'GET', '/api/exposures/none', undefined, 404],
    ['a room that does not exist', 'GET', '/api/rooms/none', undefined, 404],
    ['a projection that does not exist', 'GET', '/api/projections/none', undefined, 404],
    ['a route that does not exist', 'GET', '/api/nothing', undefined, 404],
    [
      'an exam of no order',
      'POST',
      '/api/exams',
      { id: 'x1', orderId: 'none', performedBy: 'A', startedAt: CLOCK },
      404,
    ],
    [
      'an exposure of no exam',
      'POST',
      '/api/exposures',
      { id: 'x2', examId: 'none', request, performedBy: 'A', exposedAt: CLOCK },
      404,
    ],
    [
      'a patient outside the model as a whole',
      'POST',
      '/api/setups',
      { projectionId: 'chest-pa', patient: { ageYears: 4, statureMm: 2000 } },
      422,
    ],
  ])('%s', async (_name, method, route, body, status) => {
    const answer = await call(method, route, body);
    expect(answer.status).toBe(status);
    expect(answer.type).toMatch(/application\/problem\+json/);
    expect(answer.body).toMatchObject({ status, title: expect.any(String), detail: expect.stringMatching(/.{10}/) });
  });

  it('leaves nothing half-written', async () => {
    const before = (await server.store.db.select().from(orders)).length;
    await call('POST', '/api/orders', {
      initials: 'AB',
      patient: {},
      exam: 'Chest',
      reason: 'r',
      urgency: 'now',
      ward: 'W',
      roomId: 'room-99',
      projections: [{ projectionId: 'chest-pa' }],
    });
    await call('POST', '/api/exposures', exposure('half', 'none'));
    expect(await server.store.db.select().from(orders)).toHaveLength(before);
    expect((await call('GET', '/api/exposures/half')).status).toBe(404);
  });

  it('an id that was used for something else is a conflict', async () => {
    await call('POST', '/api/exams', { id: 'exam-c', orderId: 'demo-knee', performedBy: STAFF[0], startedAt: CLOCK });
    await call('POST', '/api/exams', {
      id: 'exam-d',
      orderId: 'demo-sinuses',
      performedBy: STAFF[0],
      startedAt: CLOCK,
    });
    expect(
      (
        await call('POST', '/api/exams', {
          id: 'exam-c',
          orderId: 'demo-thoracic',
          performedBy: STAFF[0],
          startedAt: CLOCK,
        })
      ).status,
    ).toBe(409);
    await call('POST', '/api/exposures', exposure('exp-c', 'exam-c'));
    expect((await call('POST', '/api/exposures', exposure('exp-c', 'exam-d'))).status).toBe(409);
  });
});

it('other ways come over the wire, each with what takes it into a plan', async () => {
  const answer = await call('POST', '/api/ways', {
    projectionId: 'cervical-lateral',
    patient: { ageYears: 40 },
    situation: { canStand: false, canSit: false, canTurn: 'none', spineNotCleared: true },
  });
  expect(answer.status).toBe(200);
  expect(answer.body.forbidden).toBeNull();
  expect(answer.body.ways[0].setup.position.body).toBe('supine');
  const flexion = await call('POST', '/api/ways', {
    projectionId: 'cervical-flexion',
    situation: { spineNotCleared: true },
  });
  expect(flexion.body.forbidden.why).toMatch(/not cleared/);
  expect((await call('POST', '/api/ways', { projectionId: 'none' })).status).toBe(422);
});

test('who asks too often is told so, and when to ask again', async () => {
  const app = createApp({ store: server.store, requestsPerMinute: 2 }).listen(0, '127.0.0.1');
  await new Promise((resolve) => app.once('listening', resolve));
  const ask = () => fetch(`http://127.0.0.1:${(app.address() as AddressInfo).port}/api/people`);
  await ask();
  await ask();
  const third = await ask();
  app.close();
  app.closeAllConnections();
  expect([third.status, third.headers.get('retry-after'), third.headers.get('content-type')]).toEqual([
    429,
    '60',
    expect.stringMatching(/problem\+json/),
  ]);
  expect(await third.json()).toMatchObject({ title: 'Too often', detail: expect.stringMatching(/More than 2 /) });
});
