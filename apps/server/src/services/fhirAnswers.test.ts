/** What a FHIR client is answered, by a validator that is not ours; and numbers of patients that become one. */
import { sendHl7 } from '../mllp/sender';
import { listenForHl7, type Listening } from '../mllp/listener';
import { orderBundle } from '../standins/orderSystem';
import { errorsOf } from '../testing/fhirErrors';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';

let server: TestServer;
let mllp: Listening;
beforeAll(async () => {
  server = await startTestServer();
  mllp = await listenForHl7({
    ...server.intake,
    port: 0,
    host: '127.0.0.1',
    clock: () => CLOCK,
    log: { error: () => undefined },
  });
});
afterAll(async () => {
  await mllp.close();
  await server.stop();
  discard(server.folder);
});
const FHIR = 'application/fhir+json';
async function ask(method: string, path: string, body?: object, signedIn = true) {
  const response = await fetch(`${server.url}/api${path}`, {
    method,
    headers: {
      accept: FHIR,
      'content-type': FHIR,
      ...(signedIn ? { authorization: `Bearer ${await server.tokenOf('demo-ines')}` } : {}),
    },
    body: body && JSON.stringify(body),
  });
  return { status: response.status, type: response.headers.get('content-type'), body: (await response.json()) as any };
}

test('what this server can do is told to anybody', async () => {
  const { status, type, body } = await ask('GET', '/fhir/metadata', undefined, false);
  expect([status, type]).toEqual([200, expect.stringContaining(FHIR)]);
  expect(body).toMatchObject({ resourceType: 'CapabilityStatement', fhirVersion: '4.0.1' });
  expect(errorsOf(body)).toEqual([]);
});

test('a transaction is answered entry by entry', async () => {
  const document = { ...orderBundle(2, CLOCK), type: 'transaction' };
  const first = await ask('POST', '/fhir', document);
  expect(first.body).toMatchObject({ resourceType: 'Bundle', type: 'transaction-response' });
  expect(errorsOf(first.body)).toEqual([]);
  const entries = first.body.entry as { response: Record<string, string> }[];
  expect(entries.map(({ response }) => response.status)).toEqual(['200 OK', '200 OK', '200 OK', '201 Created']);
  const id = entries[3]!.response.location!.replace('ServiceRequest/order-', '');
  expect((await server.call('GET', `/api/orders/${id}`)).body).toMatchObject({ reference: 'SIM-0003' });
  expect((await ask('POST', '/fhir', document)).body.entry[3].response.status).toBe('200 OK');
});

test('what is wrong is told as an outcome, each fault an issue of its own', async () => {
  const document = orderBundle(3, CLOCK) as { entry: { resource: Record<string, unknown> }[] };
  document.entry[3]!.resource = { ...document.entry[3]!.resource, priority: 'someday', reasonCode: [] };
  const { status, type, body } = await ask('POST', '/fhir', document);
  expect([status, type]).toEqual([422, expect.stringContaining(FHIR)]);
  expect(body.resourceType).toBe('OperationOutcome');
  expect(body.issue).toHaveLength(2);
  expect(errorsOf(body)).toEqual([]);
  const nobody = await ask('POST', '/fhir', document, false);
  expect(nobody).toMatchObject({ status: 401, body: { issue: [{ code: 'login' }] } });
  // Whoever does not ask for it gets the form of all other routes.
  const plain = await server.call('POST', '/api/fhir', JSON.stringify(document), 'demo-ines', FHIR);
  expect(plain.type).toContain('application/problem+json');
});

const orderNumbered = (number: number) =>
  server
    .call('GET', '/api/orders')
    .then(({ body }) => (body as any[]).find(({ reference }) => reference === `SIM-000${number}`));

describe('two numbers of one patient', () => {
  const merge = (gone: string, stays: string) =>
    sendHl7(
      mllp.port,
      '127.0.0.1',
      [
        'MSH|^~\\&|ADT|H|TAKTIK|IMAGING|20260601||ADT^A40^ADT_A39|M1|P|2.5.1',
        'EVN|A40|20260601',
        `PID|1||${stays}||Fennick^Bram`,
        ...(gone === '' ? [] : [`MRG|${gone}`]),
        '',
      ].join('\r'),
    );
  test('become one in every order of theirs, and whoever has one in hand is told', async () => {
    await ask('POST', '/fhir', orderBundle(4, CLOCK));
    expect((await orderNumbered(5)).patient.number).toBe('sim-p4');
    expect(await merge('sim-p4', 'P-900^^^HOSP')).toMatch(/MSA\|AA\|M1\|1 order bears another number now/);
    expect(await orderNumbered(5)).toMatchObject({
      patient: { number: 'P-900', issuer: 'HOSP' },
      unusual: expect.arrayContaining([{ code: 'order-merged', values: {} }]),
    });
    const trail = (await server.call('GET', '/api/audit?limit=20')).body as { action: string }[];
    expect(trail.filter(({ action }) => action === 'patient merged')).toHaveLength(1);
  });
  test('nobody of that number, or no number, is said', async () => {
    expect(await merge('nobody', 'P-901')).toMatch(/MSA\|AA\|M1\|0 orders bear/);
    expect(await merge('', 'P-901')).toMatch(/MSA\|AE.*\rERR.*There is no MRG segment/s);
    expect(await merge('x', '')).toMatch(/MSA\|AE/);
  });
});

test('the same number of another system is another order', async () => {
  const from = (system: string) => {
    const document = orderBundle(5, CLOCK) as { entry: { resource: Record<string, unknown> }[] };
    document.entry[3]!.resource = {
      ...document.entry[3]!.resource,
      identifier: [{ system, value: 'SAME-1' }],
    };
    return document;
  };
  const taken = async (system: string) =>
    (await server.call('POST', '/api/fhir', JSON.stringify(from(system)), 'demo-ines', FHIR)).body.taken;
  expect(await taken('urn:a')).toBe(1);
  expect(await taken('urn:b')).toBe(1);
  expect(await taken('urn:a')).toBe(0);
});
