/** What stands beside an order in a FHIR message: read into it, or told. */
import type { IncomingOrder } from './incomingOrder';
import { ordersFromFhir } from './orderFhir';

const TODAY = '2026-06-01';
const patient = {
  resourceType: 'Patient',
  id: 'p1',
  identifier: [{ system: 'urn:hospital:patients', value: 'P-77' }],
  name: [{ given: ['Quill'], family: 'Zephyr' }],
};
const request = {
  resourceType: 'ServiceRequest',
  id: 'r1',
  identifier: [{ system: 'urn:ward:orders', value: 'ORD-7' }],
  status: 'active',
  intent: 'order',
  code: { text: 'Knee AP' },
  subject: { reference: 'Patient/p1' },
  reasonCode: [{ text: 'Fell' }],
  locationReference: [{ display: 'ED' }],
};
const read = (change: object, ...beside: object[]) =>
  ordersFromFhir(
    {
      resourceType: 'Bundle',
      type: 'transaction',
      entry: [patient, { bodySite: [{ text: 'left' }], ...request, ...change }, ...beside].map((resource) => ({
        resource,
      })),
    },
    TODAY,
  );
const one = (change: object, ...beside: object[]): IncomingOrder => {
  const found = read(change, ...beside);
  if ('faults' in found) throw new Error(JSON.stringify(found.faults));
  return found.orders[0]!.order;
};
const task = (status: string, more: object = {}) => ({
  resourceType: 'Task',
  status,
  intent: 'order',
  focus: { reference: 'ServiceRequest/r1' },
  ...more,
});
const seen = (code: string, value: object, more: object = {}) => ({
  resourceType: 'Observation',
  status: 'final',
  code: { coding: [{ code }] },
  subject: { reference: 'Patient/p1' },
  ...value,
  ...more,
});
const kg = (value: number, effectiveDateTime?: string, more: object = {}) =>
  seen('29463-7', { valueQuantity: { value, unit: 'kg' } }, { effectiveDateTime, ...more });

test('numbers come with who gives them', () => {
  expect(one({})).toMatchObject({
    reference: 'ORD-7',
    system: 'urn:ward:orders',
    patientNumber: { value: 'P-77', issuer: 'urn:hospital:patients' },
  });
});

test.each([
  ['requested', 'ordered'],
  ['in-progress', 'ordered'],
  ['cancelled', 'cancelled'],
  ['rejected', 'cancelled'],
  ['entered-in-error', 'cancelled'],
  ['on-hold', 'on hold'],
])('a task that is %s: the order is %s', (status, standing) => expect(one({}, task(status)).standing).toBe(standing));

test('a task of another order says nothing of this one, and an order that is called off stays so', () => {
  expect(one({}, task('cancelled', { focus: { reference: 'ServiceRequest/r2' } })).standing).toBe('ordered');
  expect(one({ status: 'revoked' }, task('requested')).standing).toBe('cancelled');
});

test('the priority of a task counts where the order has none', () => {
  expect(one({}, task('requested', { priority: 'stat' })).urgency).toBe('now');
  expect(one({ priority: 'routine' }, task('requested', { priority: 'stat' })).urgency).toBe('routine');
});

test('an appointment is in the note, and one who does not come is waited for', () => {
  const appointment = {
    resourceType: 'Appointment',
    status: 'booked',
    basedOn: [{ reference: 'ServiceRequest/r1' }],
    start: '2026-06-02T10:30:00+02:00',
    comment: 'Comes in a wheelchair',
  };
  expect(one({}, appointment)).toMatchObject({
    note: 'appointment 2026-06-02 10:30; Comes in a wheelchair',
    situation: { place: 'chair', canStand: false },
  });
  expect(one({}, { ...appointment, status: 'noshow' }).standing).toBe('on hold');
});

test('what stands behind a reference is read: condition, requester, place, structure of the body', () => {
  const order = one(
    {
      bodySite: undefined,
      reasonCode: undefined,
      locationReference: [{ reference: 'Location/l1' }],
      reasonReference: [{ reference: 'Condition/c1' }],
      requester: { reference: 'Practitioner/d1' },
      note: [{ text: 'Uses a cane' }],
      extension: [
        { url: 'http://hl7.org/fhir/StructureDefinition/bodySite', valueReference: { reference: 'BodyStructure/b1' } },
      ],
    },
    { resourceType: 'Condition', id: 'c1', code: { text: 'Pain after a fall' } },
    { resourceType: 'Practitioner', id: 'd1', name: [{ given: ['Mara'], family: 'Lind' }] },
    { resourceType: 'Location', id: 'l1', name: 'Ward 4' },
    { resourceType: 'BodyStructure', id: 'b1', location: { text: 'Knee' }, locationQualifier: [{ text: 'Right' }] },
  );
  expect(order).toMatchObject({
    side: 'right',
    reason: 'Pain after a fall',
    requester: 'Mara Lind',
    note: 'Uses a cane',
    ward: 'Ward 4',
  });
});

test('a structure of the body on the other side than the order’s own contradicts it', () => {
  const found = read(
    {
      extension: [
        { url: 'http://hl7.org/fhir/StructureDefinition/bodySite', valueReference: { reference: 'BodyStructure/b1' } },
      ],
    },
    { resourceType: 'BodyStructure', id: 'b1', locationQualifier: [{ text: 'Right' }] },
  );
  expect('faults' in found && found.faults.map(({ field }) => field)).toEqual(['side']);
});

test('the latest weight counts, whatever its place; one that was withdrawn does not', () => {
  const massOf = (...all: object[]) => one({}, ...all).patient.massKg;
  expect(massOf(kg(60, '2025-01-01'), kg(72, '2026-05-01'), kg(66, '2026-01-01'))).toBe(72);
  expect(massOf(kg(72, '2026-05-01'), kg(60, '2025-01-01'))).toBe(72);
  expect(massOf(kg(60, '2025-01-01'), kg(90, '2026-05-01', { status: 'entered-in-error' }))).toBe(60);
  expect(massOf(kg(61), kg(62))).toBe(61);
});

test('how a patient moves is in the situation, and what else was seen is told', () => {
  const mobility = seen('0', { valueString: 'cannot stand' }, { code: { text: 'Mobility' } });
  expect(one({}, mobility)).toMatchObject({ note: 'Mobility: cannot stand', situation: { canStand: false } });
});

test('a modifier that is not known is refused beside the order too', () => {
  const found = read({}, task('requested', { modifierExtension: [{ url: 'urn:x:not' }] }));
  expect('faults' in found && found.faults.map(({ message }) => message)).toEqual([
    expect.stringMatching(/^Task has a modifier that is not known here/),
  ]);
});
