/** What goes out, and the examples of what comes in, by a validator that is not ours. */
import type { OrderDetail } from '@taktik/contracts';
import { orderBundle } from '../standins/orderSystem';
import { errorsOf } from '../testing/fhirErrors';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';
import { orderAsFhir } from './orderAsFhir';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});

const order: OrderDetail['order'] = {
  id: 'o1',
  exam: 'Ankle',
  side: 'left',
  reason: 'Twisted',
  urgency: 'today',
  ward: 'ED',
  roomId: 'room-1',
  orderedAt: CLOCK,
  state: 'finished',
  patient: { id: 'p1', initials: 'QZ', body: { ageYears: 45, sex: 'female' }, number: null, issuer: '' },
  ...{ system: '', requester: '', note: '' },
  situation: {},
  unusual: [],
  projections: [],
  reference: 'A-1',
  planVersion: 1,
  planBy: null,
  heldBy: null,
};
const exposure = (id: string, change: object = {}): OrderDetail['exposures'][number] => ({
  ...{ id, examId: 'e1', orderId: 'o1', exam: 'Ankle', initials: 'QZ', projectionId: 'ankle-ap', name: 'Ankle, AP' },
  ...{
    side: 'left',
    digit: null,
    room: 'Room 1',
    roomId: 'room-1',
    performedBy: 'Priya Wren',
    exposedAt: CLOCK + 60_000,
  },
  ...{ kVp: 60, mAs: 3, exposureIndex: 300, deviationIndex: 0, targetIndex: 300, readBy: null },
  ...{ kapGyCm2: 0.012, doseSpread: 0.2, doseLevelGyCm2: null, verdict: 'accepted', cause: null },
  ...{
    correction: null,
    note: 'Held by a person',
    labels: ['held'],
    notedBy: 'Ines Oakfield',
    timings: null,
    measured: null,
  },
  ...{ deviceAt: null, madeWith: null },
  ...change,
});
const exam: OrderDetail['exam'] = {
  ...{ id: 'e1', orderId: 'o1', performedBy: 'Priya Wren', startedAt: CLOCK, finishedAt: CLOCK + 120_000 },
  supervisedBy: null,
  ...{ endReason: null, joins: null, answers: null },
};
type Resource = Record<string, any>;
const resources = (detail: OrderDetail, type: string): Resource[] =>
  (orderAsFhir(detail) as { entry: { resource: Resource }[] }).entry
    .map(({ resource }) => resource)
    .filter(({ resourceType }) => resourceType === type);

test('the validator sees faults', () => {
  expect(errorsOf({ resourceType: 'ServiceRequest', status: 'nonsense', colour: 1 }).length).toBeGreaterThan(1);
});

test('messages of the stand-in are FHIR R4', () => {
  for (let number = 0; number < 8; number += 1) expect(errorsOf(orderBundle(number, CLOCK))).toEqual([]);
});

test.each([
  ['waiting', {}, 'active'],
  ['started', {}, 'active'],
  ['finished', {}, 'completed'],
  ['cancelled', {}, 'revoked'],
  ['waiting', { unusual: [{ code: 'order-on-hold' as const, values: {} }] }, 'on-hold'],
] as const)('an order that is %s', (state, change, status) => {
  const detail: OrderDetail = {
    order: { ...order, state, ...change, unusual: [...(('unusual' in change && change.unusual) || [])] },
    exam: null,
    exposures: [],
  };
  expect(resources(detail, 'ServiceRequest')[0]).toMatchObject({ status, priority: 'urgent', intent: 'order' });
  expect(resources(detail, 'Procedure')).toEqual([]);
  expect(errorsOf(orderAsFhir(detail))).toEqual([]);
});

test('an exam with its exposures: who, when, the dose of each and of all, and why one was repeated', () => {
  const detail = {
    order,
    exam,
    exposures: [exposure('x1', { verdict: 'repeat', cause: 'Motion' }), exposure('x2')],
  };
  expect(resources(detail, 'Procedure')[0]).toMatchObject({
    status: 'completed',
    performer: [{ actor: { display: 'Priya Wren' } }],
    performedPeriod: { start: new Date(CLOCK).toISOString(), end: new Date(CLOCK + 120_000).toISOString() },
  });
  expect(
    resources(detail, 'Observation').map(({ code, valueQuantity, note }) => [
      code.text,
      valueQuantity.value,
      note[0].text,
    ]),
  ).toEqual([
    ['Dose Area Product', 0.012, 'Ankle, AP, left; repeated: Motion'],
    ['Dose Area Product', 0.012, 'Ankle, AP, left'],
    ['Dose Area Product Total', 0.024, '2 exposures, repeats among them'],
  ]);
  expect(errorsOf(orderAsFhir(detail))).toEqual([]);
  const stopped = { ...detail, exam: { ...exam, endReason: 'Patient unwell' } };
  expect(resources(stopped, 'Procedure')[0]).toMatchObject({
    status: 'stopped',
    statusReason: { text: 'Patient unwell' },
  });
  expect(resources({ ...detail, exam: { ...exam, finishedAt: null } }, 'Procedure')[0]).toMatchObject({
    status: 'in-progress',
  });
});

test('every order of the demo goes out so, over the API, and to nobody who is not signed in', async () => {
  const orders = (await server.call('GET', '/api/orders?state=finished')).body as { id: string }[];
  const open = (await server.call('GET', '/api/orders')).body as { id: string }[];
  const all = [...orders, ...open];
  expect(all.length).toBeGreaterThan(8);
  for (const { id } of all) {
    const { status, body } = await server.call('GET', `/api/orders/${id}/fhir`);
    expect([status, errorsOf(body)]).toEqual([200, []]);
  }
  expect((await fetch(`${server.url}/api/orders/${all[0]!.id}/fhir`)).status).toBe(401);
});
