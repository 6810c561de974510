import fc from 'fast-check';
import { hl7Escaped, hl7Header, hl7Line, hl7Segments } from './hl7Text';
import type { IncomingFault, IncomingOrder } from './incomingOrder';
import { ordersFromHl7 } from './orderHl7';

const TODAY = '2026-06-01';
const HEADER = 'MSH|^~\\&|RIS|HOSPITAL|TAKTIK|XR|20260601093000||ORM^O01^ORM_O01|42|P|2.5.1||||||UNICODE UTF-8';
const PERSON = 'PID|1||7^^^H^MR~8^^^H^PI||Zeller^Quin~Other^Name||19810312|F';
const VISIT = 'PV1|1|I|Ward 3^12^2';
const order = (change: { orc?: string; obr?: string; more?: string[] } = {}): string[] => [
  change.orc ?? 'ORC|NW|A-1^RIS',
  change.obr ?? 'OBR|1|A-1^RIS||900^Ankle 2 views^L|||||||||Twisted||^^^Right ankle||||||||||||||||^Cannot walk',
  ...(change.more ?? []),
];
const read = (...lines: string[]) =>
  ordersFromHl7(hl7Segments([HEADER, PERSON, VISIT, ...lines].join('\r')) ?? [], TODAY);
const one = (...lines: string[]): IncomingOrder => {
  const found = read(...lines);
  if ('faults' in found) throw new Error(JSON.stringify(found.faults));
  expect(found.orders).toHaveLength(1);
  return found.orders[0]!.order;
};
const faults = (...lines: string[]): IncomingFault[] => {
  const found = read(...lines);
  return 'faults' in found ? found.faults : [];
};

describe('the text of a message', () => {
  test('whatever stands in a field comes back as it was, between the ends', () => {
    const words = fc.string({ unit: fc.constantFrom('a', '|', '^', '~', '\\', '&', 'é', 'F', '.') });
    fc.assert(
      fc.property(words, words, (left, right) => {
        const [, segment] = hl7Segments([hl7Header(['a']), hl7Line('ZZZ', ['1', [left, right], 'end'])].join('\r'))!;
        expect([segment!.at(2, 1), segment!.at(2, 2), segment!.at(3)]).toEqual([left, right, 'end']);
      }),
      { numRuns: 500 },
    );
  });
  test('other signs than the usual, ends of lines of both kinds, numbers for characters, and what is taken away', () => {
    const [header, segment] = hl7Segments('MSH#!@?%#RIS#X\nPID#1##7!a@8#?F??S?#?X4142?#""#a%b\n\n')!;
    expect([header!.at(1), header!.at(2), header!.at(3)]).toEqual(['#', '!@?%', 'RIS']);
    expect([3, 4, 5, 6, 7, 99].map((field) => segment!.at(field))).toEqual(['7', '#!', 'AB', '', 'a', '']);
  });
  test.each(['', 'hello', 'MSH', 'PID|1', 'MSH|||||x', 'MSHabcdef', 'MSH|^^\\&|x'])('%j is no message', (text) =>
    expect(hl7Segments(text)).toBeNull(),
  );
  test('an end of line in a text is one space when it is read', () => {
    expect(hl7Escaped('a\nb')).toBe('a\\.br\\b');
    expect(hl7Segments(`MSH|^~\\&|${hl7Escaped('a\nb')}`)![0]!.at(3)).toBe('a b');
  });
});

test('an order is read whole, and of the person no more than is needed', () => {
  const found = one(
    'OBX|1|NM|8302-2^Height^LN||168|cm',
    ...order({ more: ['NTE|1||Door code 4', 'OBX|1|NM|29463-7^Weight^LN||64|kg', 'OBX|2|CE|82810-3^^LN||LA15173-0'] }),
  );
  expect(found).toEqual({
    reference: 'A-1',
    system: 'RIS',
    initials: 'QZ',
    patientNumber: { value: '7', issuer: 'H' },
    ...{ requester: '', note: '', scheduled: null },
    patient: { ageYears: 45.22, sex: 'female', statureMm: 1680, massKg: 64 },
    exam: 'Ankle 2 views',
    side: 'right',
    bothSides: false,
    standing: 'ordered',
    reason: 'Cannot walk; Twisted; Door code 4',
    urgency: 'routine',
    ward: 'Ward 3 12 2',
    situation: { canStand: false, pregnancy: 'possible' },
  });
  expect(JSON.stringify(found)).not.toMatch(/Zeller|1981/);
});

test('several orders of one patient, each with what is behind it', () => {
  const found = read(
    ...order(),
    'ORC|NW|A-2',
    'OBR|2|A-2||901^Chest PA and lateral||||||||||||||||||||RAD',
    'NTE|1||Cough',
  );
  expect(
    'orders' in found &&
      found.orders.map(({ order: { reference, exam, side, reason } }) => [reference, exam, side, reason]),
  ).toEqual([
    ['A-1', 'Ankle 2 views', 'right', 'Cannot walk; Twisted'],
    ['A-2', 'Chest PA and lateral', null, 'Cough'],
  ]);
});

test.each([
  ['NW', 'ordered'],
  ['XO', 'ordered'],
  ['RP', 'ordered'],
  ['RL', 'ordered'],
  ['CA', 'cancelled'],
  ['DC', 'cancelled'],
  ['HD', 'on hold'],
])('order control %s: %s', (control, standing) =>
  expect(one(...order({ orc: `ORC|${control}|A-1` })).standing).toBe(standing),
);
test('what is called off needs no more than its number', () => {
  const found = ordersFromHl7(hl7Segments([HEADER, 'ORC|CA|A-1'].join('\r'))!, TODAY);
  expect('orders' in found && found.orders[0]!.order).toMatchObject({ reference: 'A-1', standing: 'cancelled' });
});

test.each([
  ['ORC|NW|A-1|||||^^^^^S', 'now'],
  ['ORC|NW|A-1|||||^^^^^A', 'today'],
  ['ORC|NW|A-1|||||^^^^^R', 'routine'],
])('priority of %s: %s', (orc, urgency) => expect(one(...order({ orc })).urgency).toBe(urgency));
test('priority of its own segment', () => expect(one(...order({ more: ['TQ1|1||||||||S'] })).urgency).toBe('now'));

test('how the patient comes', () => {
  const by = (way: string) =>
    one(...order({ obr: `OBR|1|A-1||1^Chest|||||||||Cough|||||||||||||||||${way}` })).situation;
  expect(by('PORT')).toEqual({ place: 'bedside' });
  expect(by('WHLC')).toEqual({ place: 'chair', canStand: false });
  expect(by('WALK')).toEqual({});
});

describe('is refused by name', () => {
  const obr = (exam: string, after = '') => order({ obr: `OBR|1|A-1||${exam}|||||||||Pain${after}` });
  test.each([
    ['an unknown control', order({ orc: 'ORC|ZZ|A-1' }), 'ORC-1', /“ZZ” is not taken; known: NW/],
    ['a completed order', order({ orc: 'ORC|NW|A-1|||CM' }), 'ORC-5', /completed/],
    ['no request', ['ORC|NW|A-1'], 'OBR', /no OBR segment/],
    ['another modality in its text', obr('1^CT head'), 'exam', /asks for CT, not for an x-ray/],
    ['another modality in its second code', obr('1^Knee^L^2^MRI knee^L'), 'exam', /A code of this order asks for MRI/],
    ['another section', obr('1^Knee', '|||||||||||NMR'), 'exam', /asks for MRI/],
    ['contradicting sides', obr('1^Left ankle', '||^^^Right ankle'), 'side', /left.*right|right.*left/i],
    ['an unknown priority', order({ orc: 'ORC|NW|A-1|||||^^^^^XX' }), 'urgency', /S, A, R or empty, not “XX”/],
    ['a weight in pounds', order({ more: ['OBX|1|NM|29463-7||140|lb'] }), 'Weight', /in kg or g, not “140 lb”/],
    ['a height that is no number', order({ more: ['OBX|1|NM|8302-2||1e3|cm'] }), 'Height', /not “1e3 cm”/],
    ['no number', order({ orc: 'ORC|NW', obr: 'OBR|1|||1^Knee|||||||||Pain' }), 'reference', /Order number/],
  ])('%s', (_, lines, field, message) =>
    expect(faults(...lines)).toContainEqual({ line: 4, field, message: expect.stringMatching(message) }),
  );
  test('a message of another kind, or without an order', () => {
    const of = (text: string) => ordersFromHl7(hl7Segments(text)!, TODAY);
    expect(of(HEADER.replace('ORM^O01^ORM_O01', 'ADT^A01'))).toEqual({
      faults: [
        { line: 1, field: 'MSH-9', message: expect.stringMatching(/“ADT\^A01” brings no orders; known: ORM\^O01/) },
      ],
    });
    expect(of(HEADER)).toEqual({ faults: [{ line: 1, field: 'ORC', message: expect.stringMatching(/no ORC/) }] });
  });
  test('a birth date that is none', () => {
    const found = ordersFromHl7(
      hl7Segments([HEADER, PERSON.replace('19810312', 'spring'), VISIT, ...order()].join('\r'))!,
      TODAY,
    );
    expect('faults' in found && found.faults.map(({ field }) => field)).toEqual(['patient.ageYears']);
  });
});

test('property: no text breaks it, and what it takes is an order', () => {
  const part = fc.string({
    unit: fc.constantFrom('|', '^', '~', '\\', '&', '\r', 'ORC', 'OBR', 'NW', 'A', '1', 'Knee', ' '),
  });
  let read = 0;
  fc.assert(
    fc.property(part, part, (a, b) => {
      const segments = hl7Segments([HEADER, PERSON, a, VISIT, b].join('\r'));
      const found = ordersFromHl7(segments!, TODAY);
      read += 1;
      if ('orders' in found) for (const { order } of found.orders) expect(order.reference).not.toBe('');
      else expect(found.faults.length).toBeGreaterThan(0);
    }),
    { numRuns: 500 },
  );
  expect(read).toBe(500);
});
