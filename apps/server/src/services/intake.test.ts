import { ordersFromFhir } from '@taktik/core';
import { orders, patients } from '../db/schema';
import { orderBundle } from '../standins/orderSystem';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});
const table = (...rows: string[]) =>
  server.call(
    'POST',
    '/api/orders/import',
    ['reference,initials,age_years,exam,side,reason,ward,situation', ...rows].join('\r\n'),
    'demo-ines',
    'text/csv',
  );
const fhir = (document: unknown) =>
  server.call('POST', '/api/fhir', JSON.stringify(document), 'demo-ines', 'application/fhir+json');
const counts = async () => [
  (await server.store.db.select().from(orders)).length,
  (await server.store.db.select().from(patients)).length,
];

test('a table is taken in once, with plan, room and what is unusual', async () => {
  const rows = [
    'T-1,AB,71,"Knee, routine",left,"Pain, ""stiff""",Ward 3,bedside;cannot stand',
    'T-2,CD,5,Chest,,Cough,Outpatients,',
  ];
  const [before] = await counts();
  expect(await table(...rows)).toMatchObject({ status: 200, body: { taken: 2, known: 0 } });
  expect(await table(...rows)).toMatchObject({ status: 200, body: { taken: 0, known: 2 } });
  expect((await counts())[0]).toBe(before + 2);
  const list = (await server.call('GET', '/api/orders')).body as Record<string, unknown>[];
  expect(list.find(({ reference }) => reference === 'T-1')).toMatchObject({
    reason: 'Pain, "stiff"',
    roomId: 'mobile-1',
    unusual: [{ code: 'stands-not', values: {} }],
    projections: [
      { projectionId: 'knee-ap', side: 'left' },
      { projectionId: 'knee-lateral', side: 'left' },
    ],
  });
  expect(list.find(({ reference }) => reference === 'T-2')).toMatchObject({
    unusual: [{ code: 'child', values: { years: 5 } }],
    side: null,
  });
});

test('wrong rows beside right ones: the right ones are taken, the others told and given back', async () => {
  const [before] = await counts();
  const { status, body } = await table(
    'U-1,AB,71,Knee,left,Pain,Ward 3,',
    'U-2,AB,200,Knee,left,Pain,Ward 3,',
    '',
    'U-3,TOOLONG,30,Knee,up,"two',
    'lines",Ward 3,',
    'U-4,AB,30,qqzzxx,,=cmd(),Ward 3,',
    'U-5,AB,30,Knee,left,Pain,Ward 3,',
  );
  expect([status, body.taken]).toEqual([200, 2]);
  expect(body.refused).toEqual([
    { line: 3, message: expect.stringMatching(/^Age/) },
    { line: 5, message: expect.stringMatching(/^Initials/) },
    { line: 5, message: expect.stringMatching(/^Side/) },
    { line: 7, message: 'Order U-4: no exam here is called “qqzzxx”' },
  ]);
  expect((await counts())[0]).toBe(before + 2);
  const back = body.refusedTable.split('\r\n');
  expect(back[0]).toBe('reference,initials,age_years,exam,side,reason,ward,situation,why');
  expect(body.refusedTable).toContain('"two\r\nlines"');
  // A cell that a spreadsheet would run is text.
  expect(body.refusedTable).toContain("'=cmd()");
  // Mended, with the column of reasons still there, it is taken.
  const mended = await server.call(
    'POST',
    '/api/orders/import',
    [back[0], 'U-2,AB,70,Knee,left,Pain,Ward 3,,Age must be 0 to 110'].join('\r\n'),
    'demo-ines',
    'text/csv',
  );
  expect(mended.body).toMatchObject({ taken: 1, refused: [], refusedTable: '' });
});

test('a row that cannot be planned beside one that cannot be read: both are told', async () => {
  const { status, body } = await table('U-8,AB,40,Toes,,Stubbed,Ward 3,', 'U-9,AB,400,Toes,left,Stubbed,Ward 3,');
  expect(status).toBe(422);
  expect(body.fields.map(({ field }: { field: string }) => field)).toEqual([
    'line 2, side',
    'line 3, patient.ageYears',
  ]);
});

test('no row that is right: every fault is told with its line, and nothing is taken', async () => {
  const before = await counts();
  const { status, body } = await table('U-6,AB,200,Knee,left,Pain,Ward 3,', 'U-7,TOOLONG,30,Knee,up,,Ward 3,');
  expect(status).toBe(422);
  expect(body.title).toBe('Orders not taken');
  expect(body.fields.map(({ field }: { field: string }) => field)).toEqual([
    'line 2, patient.ageYears',
    'line 3, initials',
    'line 3, side',
    'line 3, reason',
  ]);
  expect(body.detail).toMatch(/^Nothing was taken in\. Line 2: /);
  expect(await counts()).toEqual(before);
});

test.each([
  ['an exam nobody knows', 'V-1,AB,71,qqzzxx,,Pain,Ward 3,', /no exam here is called “qqzzxx”/],
  ['a side that is missing', 'V-2,AB,71,Knee,,Pain,Ward 3,', /needs a side/],
  ['a row that is cut', 'V-3,AB', /The row has 2 cells, the head 8/],
  ['a quote that is not closed', 'V-4,AB,71,"Knee,left,Pain,Ward 3,', /quote/i],
  ['another code page', 'V-5,AB,71,Knee,left,Schl\uFFFDsselbein,Ward 3,', /save it as CSV in UTF-8/],
])('%s is refused', async (_, row, says) => {
  const { status, body } = await table(row);
  expect([status, body.detail]).toEqual([422, expect.stringMatching(says)]);
});

test('the signs between cells that a spreadsheet names, and its byte order mark', async () => {
  const head = 'reference;initials;age_years;exam;side;reason;ward';
  for (const [i, before] of ['', '\uFEFF', 'sep=;\r\n', '\uFEFFsep=;\n'].entries()) {
    const text = `${before}${head}\r\nS-${i};AB;40,5;Knee;left;Pain;Ward 3\r\nS-x${i};AB;400;Knee;left;Pain;Ward 3\r\n`;
    const { body } = await server.call('POST', '/api/orders/import', text, 'demo-ines', 'text/csv');
    expect(body).toMatchObject({ taken: 1, refused: [{ line: /sep/.test(before) ? 4 : 3 }] });
  }
});

test('an empty table, and JSON sent as a table, are told', async () => {
  expect((await table()).body.detail).toMatch(/There is no order in the table/);
  expect((await server.call('POST', '/api/orders/import', {})).status).toBe(415);
});

test('the order system’s bundles are right FHIR and become orders; the same number is one order', async () => {
  for (let number = 0; number < 15; number += 1) {
    const read = ordersFromFhir(orderBundle(number, CLOCK), '2026-06-01');
    expect('orders' in read && read.orders).toHaveLength(1);
    expect((await fhir(orderBundle(number, CLOCK))).body).toMatchObject({ taken: 1, known: 0 });
    expect((await fhir(orderBundle(number, CLOCK))).body).toMatchObject({ taken: 0, known: 1 });
  }
  const list = (await server.call('GET', '/api/orders')).body as { reference: string; projections: unknown[] }[];
  const sent = list.filter(({ reference }) => reference?.startsWith('SIM-'));
  expect(sent).toHaveLength(15);
  expect(sent.every(({ projections }) => projections.length > 0)).toBe(true);
});

test('a FHIR message with one wrong request takes nothing', async () => {
  const good = orderBundle(50, CLOCK) as { entry: { resource: Record<string, unknown> }[] };
  const before = await counts();
  const wrong = {
    ...good,
    entry: [
      ...good.entry,
      { resource: { ...good.entry[3].resource, id: 'x', identifier: [{ value: 'X-1' }], reasonCode: [] } },
    ],
  };
  const { status, body } = await fhir(wrong);
  expect([status, body.fields]).toEqual([422, [{ field: 'line 5, reason', message: 'Reason must not be empty' }]]);
  expect(await counts()).toEqual(before);
  expect((await fhir('nonsense')).status).toBe(400);
  expect((await fhir({ resourceType: 'Patient' })).status).toBe(422);
});

test('two hundred orders in one table', async () => {
  const rows = Array.from({ length: 200 }, (_, i) => `L-${i},AB,40,Hand,left,Pain,Ward 3,`);
  expect((await table(...rows)).body).toMatchObject({ taken: 200, known: 0 });
  const list = await server.call('GET', '/api/orders');
  expect(list.body.length).toBeGreaterThanOrEqual(200);
  const many = Array.from({ length: 501 }, (_, i) => `M-${i},AB,40,Hand,left,Pain,Ward 3,`);
  expect((await table(...many)).body.detail).toMatch(/500 orders at most; this one has 501/);
});

describe('the life of an order', () => {
  const request = (change: object = {}) => ({
    resourceType: 'Bundle',
    entry: [
      {
        resource: { resourceType: 'Patient', id: 'p', name: [{ given: ['Q'], family: 'Z' }], birthDate: '1980-01-01' },
      },
      {
        resource: {
          resourceType: 'ServiceRequest',
          identifier: [{ value: 'LIFE-1' }],
          status: 'active',
          code: { text: 'Wrist' },
          bodySite: [{ text: 'Left wrist' }],
          subject: { reference: 'Patient/p' },
          reasonCode: [{ text: 'Fall' }],
          locationReference: [{ display: 'ED' }],
          ...change,
        },
      },
    ],
  });
  const order = async (reference: string) =>
    (await server.store.db.select().from(orders)).find((each) => each.reference === reference)!;

  test('corrected: side, plan and words follow, and it says so; the same again changes nothing', async () => {
    expect((await fhir(request())).body).toMatchObject({ taken: 1, known: 0, corrected: 0, cancelled: 0 });
    const right = request({ bodySite: [{ text: 'Right wrist' }], reasonCode: [{ text: 'Fall on the right hand' }] });
    expect((await fhir(right)).body).toMatchObject({ taken: 0, corrected: 1 });
    const now = await order('LIFE-1');
    expect(now).toMatchObject({ side: 'right', reason: 'Fall on the right hand', planVersion: 2 });
    expect(now.projections.every(({ side }) => side === 'right')).toBe(true);
    expect(now.notice).toBe('corrected');
    expect((await fhir(right)).body).toMatchObject({ known: 1, corrected: 0 });
  });
  test('called off: it no longer waits, and comes back when it is ordered again', async () => {
    expect((await fhir(request({ status: 'revoked' }))).body).toMatchObject({ cancelled: 1 });
    expect((await order('LIFE-1')).state).toBe('cancelled');
    const open = (await server.call('GET', '/api/orders')).body as { reference: string }[];
    expect(open.some(({ reference }) => reference === 'LIFE-1')).toBe(false);
    expect((await fhir(request({ status: 'entered-in-error' }))).body).toMatchObject({ known: 1, cancelled: 0 });
    expect((await fhir(request())).body).toMatchObject({ corrected: 1 });
    expect((await order('LIFE-1')).state).toBe('waiting');
  });
  test('called off before it came: nothing waits, and no patient is kept', async () => {
    const before = await counts();
    const never = request({ identifier: [{ value: 'LIFE-9' }], status: 'revoked' });
    expect((await fhir(never)).body).toMatchObject({ taken: 0, known: 0, corrected: 0, cancelled: 1 });
    expect(await counts()).toEqual(before);
  });
  test('called off while in hand: not taken from under the hands, but said', async () => {
    const { id } = await order('LIFE-1');
    await server.call(
      'POST',
      '/api/exams',
      { id: 'life-exam', orderId: id, performedBy: 'Ines Oakfield', startedAt: CLOCK },
      'demo-ines',
    );
    expect((await fhir(request({ status: 'revoked' }))).body).toMatchObject({ cancelled: 1 });
    expect(await order('LIFE-1')).toMatchObject({
      state: 'started',
      notice: 'called off',
    });
  });
  test('not to be performed, another modality, contradicting sides: refused, and nothing is taken', async () => {
    const before = await counts();
    for (const change of [
      { doNotPerform: true },
      { code: { text: 'CT head' }, bodySite: undefined },
      { code: { text: 'Right wrist' } },
    ]) {
      const { status } = await fhir(request({ identifier: [{ value: 'LIFE-9' }], ...change }));
      expect(status).toBe(422);
    }
    expect(await counts()).toEqual(before);
  });
  test('both sides, named views, and an enema without a side', async () => {
    const rows = [
      'N-1,AB,71,Knee,both,Pain,Ward 3,',
      'N-2,AB,71,"Shoulder Y view for possible dislocation",right,Fall,ED,',
      'N-3,AB,71,Contrast enema,,Bleeding,Ward 3,',
    ];
    expect((await table(...rows)).body).toMatchObject({ taken: 3 });
    const sides = (await order('N-1')).projections.map(({ side }) => side);
    expect([sides.filter((side) => side === 'left').length, sides.filter((side) => side === 'right').length]).toEqual([
      2, 2,
    ]);
    expect((await order('N-2')).projections).toEqual([{ projectionId: 'shoulder-scapular-y', side: 'right' }]);
    expect((await order('N-3')).projections.length).toBeGreaterThan(5);
  });
});

test('an order is planned under the rules of the house; a view that it names stays', async () => {
  const rules = async (change: object) =>
    server.call('PUT', '/api/rules', { ...(await server.call('GET', '/api/rules')).body, ...change });
  await rules({ sacrumCoccyxLateral: 'separate' });
  await table('H-1,AB,50,Sacrum and coccyx,,Fell,ED,', 'H-2,CD,2,Chest,,Cough,ED,', 'H-3,EF,2,Chest PA,,Cough,ED,');
  await rules({ sacrumCoccyxLateral: 'combined' });
  const list = (await server.call('GET', '/api/orders')).body as {
    reference: string;
    projections: { projectionId: string }[];
  }[];
  const planned = (reference: string) =>
    list.find((each) => each.reference === reference)!.projections.map(({ projectionId }) => projectionId);
  expect(planned('H-1')).toEqual(['sacrum-ap-axial', 'coccyx-ap-axial', 'sacrum-lateral', 'coccyx-lateral']);
  expect(planned('H-2')).toEqual(['chest-ap', 'chest-lateral']);
  expect(planned('H-3')).toEqual(['chest-pa']);
});
