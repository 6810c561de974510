import type { IncomingFault, IncomingOrder } from './incomingOrder';
import { ordersFromFhir } from './orderFhir';
import { ORDER_COLUMNS, ordersFromTable } from './orderTable';

const TODAY = '2026-06-01';
const faultsOf = (result: object): IncomingFault[] => ('faults' in result ? (result.faults as IncomingFault[]) : []);
const ordersOf = (result: object): IncomingOrder[] =>
  'orders' in result
    ? (result.orders as (IncomingOrder | { order: IncomingOrder })[]).map((each) =>
        'order' in each ? each.order : each,
      )
    : [];

describe('a table', () => {
  const good = {
    reference: 'A-1',
    initials: 'QZ',
    age_years: '61',
    sex: 'Female',
    height_cm: '165',
    weight_kg: '70,5',
    exam: 'Knee, routine',
    side: 'Left',
    reason: 'Pain on stairs',
    urgency: 'today',
    ward: 'Ward 2',
    situation: 'cannot stand; bedside',
  };
  const read = (...rows: object[]) =>
    ordersFromTable(
      ORDER_COLUMNS,
      rows.map((cells, i) => ({ line: i + 2, cells: cells as Record<string, string> })),
    );
  test('is read whole', () =>
    expect(ordersOf(read(good))).toEqual([
      {
        reference: 'A-1',
        initials: 'QZ',
        patient: { ageYears: 61, sex: 'female', statureMm: 1650, massKg: 70.5 },
        exam: 'Knee, routine',
        side: 'left',
        reason: 'Pain on stairs',
        urgency: 'today',
        ward: 'Ward 2',
        situation: { canStand: false, place: 'bedside' },
        ...{ system: '', patientNumber: null, requester: '', note: '', scheduled: null },
        bothSides: false,
        standing: 'ordered',
      },
    ]));
  test('what is left out is median or routine', () =>
    expect(
      ordersOf(
        read({ ...good, age_years: '', sex: '', height_cm: '', weight_kg: '', urgency: '', side: '', situation: '' }),
      )[0],
    ).toMatchObject({
      patient: {},
      urgency: 'routine',
      side: null,
      situation: {},
    }));
  test.each([
    [{ age_years: 'old' }, 'patient.ageYears', /must be a number, not “old”/],
    [{ age_years: '0x1F' }, 'patient.ageYears', /must be a number, not “0x1F”/],
    [{ age_years: '1e1' }, 'patient.ageYears', /must be a number, not “1e1”/],
    [{ weight_kg: '-70' }, 'patient.massKg', /must be a number/],
    [{ weight_kg: '70.000.5' }, 'patient.massKg', /must be a number/],
    [{ height_cm: '900' }, 'patient.statureMm', /\d+ to \d+/],
    [{ sex: 'x' }, 'patient.sex', /female, male or empty/],
    [{ side: 'up' }, 'side', /left, right or empty/],
    [{ urgency: 'soon' }, 'urgency', /now, today or routine/],
    [{ exam: ' ' }, 'exam', /must not be empty/],
    [{ initials: 'TOOLONG' }, 'initials', /4 characters at most/],
    [{ reference: 'a b' }, 'reference', /letters, digits/],
    [
      { situation: 'sleepy' },
      'situation',
      /not known; known: bedside, resuscitation bay, in a chair, in an incubator, cannot stand/,
    ],
  ])('%j names line, field and rule once, and leaves the row beside it', (change, field, says) => {
    const result = read(good, { ...good, reference: 'A-2', ...change });
    expect(ordersOf(result).map(({ reference }) => reference)).toEqual(['A-1']);
    expect(faultsOf(result)).toEqual([{ line: 3, field, message: expect.stringMatching(says) }]);
  });
  test('the same number twice, a column that is not known, one that is missing', () => {
    expect(faultsOf(read(good, good))[0]).toMatchObject({
      line: 3,
      message: expect.stringMatching(/already in line 2/),
    });
    expect(faultsOf(ordersFromTable(['reference', 'colour'], [])).map(({ field }) => field)).toEqual([
      'colour',
      'initials',
      'exam',
      'reason',
      'ward',
    ]);
  });
});

describe('FHIR', () => {
  const patient = {
    resourceType: 'Patient',
    id: 'p1',
    name: [{ given: ['Quill'], family: 'Zephyr' }],
    gender: 'male',
    birthDate: '1990-06-01',
  };
  const request = {
    resourceType: 'ServiceRequest',
    id: 'r1',
    identifier: [{ value: 'ORD-7' }],
    status: 'active',
    intent: 'order',
    priority: 'stat',
    code: { text: 'Ankle' },
    bodySite: [{ text: 'Right ankle' }],
    subject: { reference: 'Patient/p1' },
    reasonCode: [{ text: 'Twisted on a kerb' }],
    locationReference: [{ display: 'Emergency 4' }],
  };
  const measure = (code: string, value: number, unit: string) => ({
    resourceType: 'Observation',
    code: { coding: [{ system: 'http://loinc.org', code }] },
    subject: { reference: 'Patient/p1' },
    valueQuantity: { value, unit },
  });
  const bundle = (...resources: object[]) => ({
    resourceType: 'Bundle',
    type: 'collection',
    entry: resources.map((resource) => ({ resource })),
  });
  test('a bundle is read: initials, not names; age, not the birth date', () => {
    const result = ordersFromFhir(
      bundle(patient, request, measure('8302-2', 1.82, 'm'), measure('29463-7', 80, 'kg')),
      TODAY,
    );
    expect(ordersOf(result)).toEqual([
      {
        reference: 'ORD-7',
        ...{ system: '', patientNumber: null, requester: '', note: '', scheduled: null },
        bothSides: false,
        standing: 'ordered',
        initials: 'QZ',
        patient: { ageYears: 36, sex: 'male', statureMm: 1820, massKg: 80 },
        exam: 'Ankle',
        side: 'right',
        reason: 'Twisted on a kerb',
        urgency: 'now',
        ward: 'Emergency 4',
        situation: {},
      },
    ]);
    expect(JSON.stringify(result)).not.toMatch(/Zephyr|Quill|1990/);
  });
  test('one request with its patient contained', () => {
    const alone = { ...request, contained: [patient], subject: { reference: '#p1' }, priority: undefined };
    expect(ordersOf(ordersFromFhir(alone, TODAY))[0]).toMatchObject({ initials: 'QZ', urgency: 'routine' });
  });
  test('the age of an infant is counted in parts of a year', () => {
    const infant = { ...patient, birthDate: '2026-03-01' };
    expect(ordersOf(ordersFromFhir(bundle(infant, request), TODAY))[0].patient.ageYears).toBeCloseTo(0.25, 1);
  });
  test.each([
    ['nobody', { subject: { reference: 'Patient/p9' } }, 'initials', /the Patient “Patient\/p9” is not in the message/],
    ['an order that is over', { status: 'completed' }, 'status', /Only active orders/],
    ['an odd priority', { priority: 'someday' }, 'urgency', /routine, urgent, asap or stat/],
    ['no exam', { code: undefined }, 'exam', /must not be empty/],
    ['no reason', { reasonCode: [] }, 'reason', /must not be empty/],
    ['a wrong type', { priority: 3 }, 'priority', /expected string/],
  ])('%s is told with its place in the bundle', (_, change, field, says) => {
    const result = ordersFromFhir(
      bundle(patient, request, { ...request, identifier: [{ value: 'ORD-8' }], ...change }),
      TODAY,
    );
    expect(faultsOf(result)).toContainEqual({ line: 3, field, message: expect.stringMatching(says) });
  });
  test('a weight in an unknown unit is refused, not guessed', () =>
    expect(faultsOf(ordersFromFhir(bundle(patient, request, measure('29463-7', 160, 'lb')), TODAY))).toEqual([
      { line: 3, field: 'Weight', message: 'Weight needs a value in kg or g' },
    ]));
  test.each([[null], [{}], [{ resourceType: 'Patient' }], [{ resourceType: 'Bundle' }], [bundle()]])(
    '%j is no order',
    (document) => expect(faultsOf(ordersFromFhir(document, TODAY))).toHaveLength(1),
  );
});
