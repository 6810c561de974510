import { discard, startTestServer, type TestServer } from '../testing/testServer';
import { seedDemo } from '../seed/seedDemo';
import { DEMO_ORDERS, HOSPITAL, STAFF } from '../seed/scenario';
import { checkPlan, demoRooms, hasProjection, projectionOf, setupRequestSchema } from '@taktik/core';
import { orders, rooms } from '../db/schema';
import { openApiDocument } from './openapi';
import { questions, routes } from './routes';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});

const operations = Object.entries(openApiDocument.paths ?? {}).flatMap(([path, item]) =>
  Object.keys(item as object).map((method) => [method.toUpperCase(), path] as const),
);

describe('the document', () => {
  it.each(operations)('%s %s is a route of the server', async (method, path) => {
    // Whoever signs out is not who asks the rest.
    const as = method === 'DELETE' && path.startsWith('/api/sessions') ? 'demo-tomas' : 'demo-priya';
    const answer = await server.call(method, path.replace('{id}', 'none'), method === 'GET' ? undefined : {}, as);
    expect(answer.body.detail ?? '').not.toMatch(/There is nothing at/);
    expect(answer.status).toBeLessThan(500);
  });

  it('says for each what goes wrong, in the one format', () => {
    for (const [method, path] of operations) {
      const operation = (
        openApiDocument.paths as Record<
          string,
          Record<string, { responses: Record<string, { content: object }>; summary: string }>
        >
      )[path][method.toLowerCase()];
      expect(Object.keys(operation.responses['4XX'].content)).toEqual(['application/problem+json']);
      expect(operation.summary.length).toBeGreaterThan(5);
    }
  });

  type Operation = { operationId: string; security: object[] };
  const operationOf = (method: string, path: string): Operation =>
    (openApiDocument.paths as unknown as Record<string, Record<string, Operation>>)[path]![method.toLowerCase()]!;
  it('names each once, and says who may', async () => {
    const ids = operations.map(([method, path]) => operationOf(method, path).operationId);
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of ids) expect(id).toMatch(/^[a-z][A-Za-z0-9]+$/);
    let closed = 0;
    for (const [method, path] of operations) {
      const open = operationOf(method, path).security.length === 0;
      if (open) continue;
      closed += 1;
      const answer = await server.call(method, path.replace('{id}', 'none'), method === 'GET' ? undefined : {}, null);
      expect([method, path, answer.status]).toEqual([method, path, 401]);
    }
    expect(closed).toBeGreaterThan(25);
  });

  it.each(
    routes
      .filter(({ method, path }) => method === 'get' && !path.includes(':'))
      .map((each) => [each.path, each] as const),
  )('GET %s answers as it is described', async (path, { answer, answerType }) => {
    const { status, body } = await server.call('GET', `/api${path}`);
    expect([path, status]).toEqual([path, 200]);
    const read = answerType.endsWith('json') && typeof body === 'string' ? (JSON.parse(body) as unknown) : body;
    expect([path, answer?.safeParse(read).error?.issues.slice(0, 3)]).toEqual([path, undefined]);
  });
});

describe('what is computed', () => {
  const asked = {
    '/setups': { projectionId: 'knee-ap', side: 'left', patient: { ageYears: 40 } },
    '/verdicts': { projectionId: 'acromioclavicular-ap-weights', situation: { fractureSuspected: true } },
    '/ways': { projectionId: 'knee-lateral', side: 'left', situation: { canStand: false, canTurn: 'none' } },
    '/plans': {
      items: [
        { projectionId: 'chest-pa' },
        { projectionId: 'knee-ap', side: 'left' },
        { projectionId: 'chest-lateral' },
      ],
    },
  };
  it.each(questions.map((each) => [each.path, each] as const))('%s answers by its schema', async (path, { answer }) => {
    const { status, body } = await server.call('POST', `/api${path}`, asked[path as keyof typeof asked]);
    expect(status).toBe(200);
    expect(answer.safeParse(body).error?.issues).toBeUndefined();
  });
  it.each([
    [
      'a view that must not be done',
      { projectionId: 'cervical-flexion', situation: { spineNotCleared: true } },
      'forbidden',
    ],
    [
      'a part that is not there',
      { projectionId: 'foot-ap', side: 'left', patient: { amputated: ['left leg above the knee'] } },
      'forbidden',
    ],
    [
      'a patient who stays in the chair',
      {
        projectionId: 'pelvis-inlet',
        situation: { place: 'chair', canStand: false, canTurn: 'none', canProne: false },
      },
      'noWay',
    ],
  ])('ways for %s: nobody is left without whom to ask', async (_, request, why) => {
    const { answer } = questions.find(({ path }) => path === '/ways')!;
    const { status, body } = await server.call('POST', '/api/ways', request);
    expect(status).toBe(200);
    expect(answer.safeParse(body).error?.issues).toBeUndefined();
    expect(body[why].ask).toMatch(/^the (physician|radiologist)/);
    expect(body[why === 'noWay' ? 'forbidden' : 'noWay']).toBeNull();
  });
  it.each([
    [{ amputated: ['left foot'] }, /patient\.amputated/],
    [{ amputated: 'left leg below the knee' }, /patient\.amputated/],
  ])('an amputation that nobody knows is refused with its place: %j', async (patient, field) => {
    const { status, body } = await server.call('POST', '/api/setups', { projectionId: 'chest-pa', patient });
    expect(status).toBe(422);
    expect(body.fields[0].field).toMatch(field);
  });
  it('a plan is refused with the place of what is wrong in it', async () => {
    const { status, body } = await server.call('POST', '/api/plans', {
      items: [{ projectionId: 'chest-pa' }, { projectionId: 'knee-ap' }, { projectionId: 'no-such' }],
    });
    expect(status).toBe(422);
    expect(body.fields).toEqual([
      { field: 'items.1.side', message: 'Knee, AP needs a side: left or right' },
      { field: 'items.2.projectionId', message: 'There is no projection "no-such"' },
    ]);
    expect((await server.call('POST', '/api/plans', { items: [] })).body.detail).toMatch(/at least one projection/);
    const twice = { items: [{ projectionId: 'chest-pa' }, { projectionId: 'chest-lateral' }], order: [0, 0] };
    expect((await server.call('POST', '/api/plans', twice)).status).toBeGreaterThanOrEqual(400);
  });
  it('a set-up, ways and plans say in the document what they hold', () => {
    const text = JSON.stringify(openApiDocument);
    const { Setup: form } = openApiDocument.components?.schemas as Record<string, { properties: object }>;
    expect(Object.keys(form.properties)).toEqual(expect.arrayContaining(['version', 'problems', 'position', 'scene']));
    expect(text.split('#/components/schemas/Setup"').length - 1).toBeGreaterThanOrEqual(4);
    // Left open is only what another standard describes: an order by FHIR, and three JSON Schemas.
    expect(text.split('A document of another standard').length - 1).toBe(4);
  });
});

describe('the demo', () => {
  it('asks of each order only what the catalogue has, with sides where they are needed', () => {
    for (const order of DEMO_ORDERS) {
      const room = demoRooms.find(({ id }) => id === order.roomId);
      expect(room).toBeDefined();
      for (const planned of order.projections) {
        expect(hasProjection(planned.projectionId)).toBe(true);
        expect(projectionOf(planned.projectionId).sided === 'each').toBe(planned.side !== undefined);
        expect(
          setupRequestSchema.safeParse({ ...planned, patient: order.patient, situation: order.situation, room })
            .success,
        ).toBe(true);
      }
    }
  });
  it('has ten orders in two rooms and a mobile unit, and people who are invented', () => {
    expect(DEMO_ORDERS).toHaveLength(10);
    expect(new Set(DEMO_ORDERS.map(({ roomId }) => roomId)).size).toBe(3);
    expect(new Set(DEMO_ORDERS.map(({ initials }) => initials)).size).toBe(10);
    expect([HOSPITAL, ...STAFF].every((name) => name.length > 3)).toBe(true);
  });
  it('is sown once: a database that holds anything is left alone', async () => {
    await server.store.db.update(orders).set({ state: 'finished' });
    await seedDemo(server.store, Date.now());
    expect(await server.store.db.select().from(rooms)).toHaveLength(demoRooms.length);
    expect((await server.store.db.select().from(orders)).every(({ state }) => state === 'finished')).toBe(true);
  });
});

it('the demo’s plans are what was ordered, and no more', () => {
  for (const order of DEMO_ORDERS) {
    const findings = checkPlan({ exam: order.exam, side: order.side ?? null }, order.projections);
    expect([order.exam, findings.filter(({ kind }) => kind !== 'less')]).toEqual([order.exam, []]);
  }
});
