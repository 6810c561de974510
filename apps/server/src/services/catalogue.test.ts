import { projectionOf, type CatalogueDocument } from '@taktik/core';
import { discard, startTestServer, type TestServer } from '../testing/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});
const call: TestServer['call'] = (...args) => server.call(...args);
const copy = (id: string, change: object = {}) => ({ ...projectionOf(id), id: `own-${id}`, ...change });

test('an own entry is written, listed, computed, recorded with an exposure, exported and removed', async () => {
  const entry = copy('knee-ap', { name: 'Knee, AP, our way', sid: { wantedMm: 1150, rangeMm: [1016, 1220] } });
  expect((await call('PUT', `/api/catalogue/own/${entry.id}`, entry)).status).toBe(200);
  expect((await call('GET', '/api/catalogue/own')).body).toEqual([entry]);
  const setup = await call('POST', '/api/setups', { projectionId: entry.id, own: entry, side: 'left' });
  expect(setup.body).toMatchObject({ name: 'Knee, AP, our way, left', tube: { sidMm: 1150 } });
  const document = (await call('GET', '/api/catalogue/export')).body as CatalogueDocument;
  expect(document).toMatchObject({ format: 'taktik-catalogue', version: 2, entries: [entry], rules: { unit: 'in' } });
  expect((await call('DELETE', `/api/catalogue/own/${entry.id}`)).status).toBe(204);
  expect((await call('GET', '/api/catalogue/own')).body).toEqual([]);
  expect((await call('DELETE', `/api/catalogue/own/${entry.id}`)).status).toBe(404);
  // What was exported comes back whole.
  expect((await call('POST', `/api/catalogue/import`, document)).body).toEqual({ entries: 1, rules: true });
  expect((await call('GET', '/api/catalogue/own')).body).toEqual([entry]);
  await call('DELETE', `/api/catalogue/own/${entry.id}`);
});

test('an own entry stands in the plan of an order while the department has it', async () => {
  const entry = copy('sacrum-ap-axial', { name: 'Sacrum, our way' });
  const path = '/api/orders/demo-sacrum-coccyx/plan';
  const { planVersion } = (await call('GET', '/api/orders/demo-sacrum-coccyx')).body as { planVersion: number };
  const asked = { version: planVersion, projections: [{ projectionId: entry.id }] };
  const unknown = await call('POST', path, asked);
  expect([unknown.status, unknown.body.title]).toEqual([422, 'Entry not known']);
  expect(unknown.body.detail).toContain(entry.id);
  await call('PUT', `/api/catalogue/own/${entry.id}`, entry);
  expect((await call('POST', path, asked)).body).toMatchObject({ projections: [{ projectionId: entry.id }] });
  expect((await call('POST', path, { version: planVersion + 1, projections: [{ projectionId: 'own-' }] })).status).toBe(
    422,
  );
  await call('DELETE', `/api/catalogue/own/${entry.id}`);
});

test('one wrong entry: entry, field and rule are named, and nothing is imported', async () => {
  const document = (await call('GET', '/api/catalogue/export')).body as CatalogueDocument;
  const wrong = copy('hand-pa', { aim: { ...projectionOf('hand-pa').aim, landmark: 'sixth_finger' } });
  const answer = await call('POST', `/api/catalogue/import`, {
    ...document,
    entries: [copy('chest-pa'), wrong],
    rules: { ...document.rules, kneeApAngle: 'none' },
  });
  expect(answer.status).toBe(422);
  expect(answer.body.fields).toEqual([
    { field: 'own-hand-pa: aim', message: 'the body has no landmark or structure "sixth_finger"' },
  ]);
  expect(answer.body.detail).toMatch(/own-hand-pa, aim: .*Nothing was stored/);
  expect((await call('GET', '/api/catalogue/own')).body).toEqual([]);
  expect((await call('GET', '/api/rules')).body.kneeApAngle).toBe('thickness');
});

test('an entry under another id, by somebody who is no lead, or not an entry at all is refused', async () => {
  const entry = copy('hand-pa');
  expect((await call('PUT', `/api/catalogue/own/own-other`, entry)).body.detail).toMatch(/calls itself "own-hand-pa"/);
  expect((await call('PUT', `/api/catalogue/own/${entry.id}`, entry, 'demo-ines')).status).toBe(403);
  expect((await call('PUT', `/api/catalogue/own/${entry.id}`, entry, null)).status).toBe(401);
  expect((await call('PUT', `/api/catalogue/own/${entry.id}`, { id: entry.id })).status).toBe(422);
  expect((await call('POST', `/api/catalogue/import`, { format: 'else' })).status).toBe(422);
  expect((await call('GET', '/api/catalogue/own')).body).toEqual([]);
  expect((await call('GET', '/api/formats/catalogue')).body.title).toBe('Taktik catalogue');
});
