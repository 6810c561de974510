/**
 * A stand-in for the order system: writes orders as FHIR R4 bundles or HL7 v2 messages, one after another. Invented
 * people; the same number always gives the same order.
 */
import { hl7Header, hl7Line } from '@taktik/core';
import { inTurn } from '../inTurn';

type Draft = {
  exam: string;
  site: string;
  reason: string;
  priority: 'routine' | 'urgent' | 'stat';
  place: string;
  gender: 'female' | 'male';
  ageYears: number;
  heightCm: number;
  weightKg: number;
};

const DRAFTS: readonly Draft[] = [
  {
    exam: 'Ankle',
    site: 'Right ankle',
    reason: 'Twisted on a wet step, cannot bear weight',
    priority: 'urgent',
    place: 'Emergency, cubicle 2',
    gender: 'female',
    ageYears: 33,
    heightCm: 168,
    weightKg: 64,
  },
  {
    exam: 'Chest, two views',
    site: 'Chest',
    reason: 'Cough for three weeks',
    priority: 'routine',
    place: 'Outpatients',
    gender: 'male',
    ageYears: 62,
    heightCm: 174,
    weightKg: 81,
  },
  {
    exam: 'Wrist',
    site: 'Left wrist',
    reason: 'Fell on the outstretched hand',
    priority: 'urgent',
    place: 'Emergency, cubicle 5',
    gender: 'male',
    ageYears: 11,
    heightCm: 145,
    weightKg: 38,
  },
  {
    exam: 'Lumbar spine, three views',
    site: 'Lumbar spine',
    reason: 'Pain after lifting, no weakness',
    priority: 'routine',
    place: 'Outpatients',
    gender: 'female',
    ageYears: 47,
    heightCm: 162,
    weightKg: 70,
  },
  {
    exam: 'Abdomen, acute, three views',
    site: 'Abdomen',
    reason: 'Vomiting, swollen belly, obstruction?',
    priority: 'stat',
    place: 'Surgical assessment',
    gender: 'female',
    ageYears: 71,
    heightCm: 158,
    weightKg: 55,
  },
  {
    exam: 'Shoulder, trauma',
    site: 'Right shoulder',
    reason: 'Fell from a bicycle, dislocated?',
    priority: 'stat',
    place: 'Emergency, cubicle 1',
    gender: 'male',
    ageYears: 26,
    heightCm: 183,
    weightKg: 78,
  },
  {
    exam: 'Foot',
    site: 'Left foot',
    reason: 'Dropped a box on it',
    priority: 'routine',
    place: 'Emergency, waiting room',
    gender: 'female',
    ageYears: 54,
    heightCm: 166,
    weightKg: 73,
  },
];
const FIRST_NAMES = ['Orla', 'Bram', 'Noor', 'Ivo', 'Tamsin', 'Lev', 'Sunniva', 'Pascoe'];
const FAMILY = ['Marlow', 'Fennick', 'Dovey', 'Harrow', 'Quillan', 'Ashby', 'Tolland'];

/** Before the year's day of this month and day, so that the age is whole. */
const birthDate = (ageYears: number, now: number): string => `${new Date(now).getUTCFullYear() - ageYears}-01-01`;

const orderNumber = (number: number): string => `SIM-${String(number + 1).padStart(4, '0')}`;

/** @param number of the order, from 0 */
export function orderBundle(number: number, now: number): object {
  const draft = inTurn(DRAFTS, number);
  const subject = { reference: `Patient/sim-p${number}` };
  const measure = (code: string, value: number, unit: string) => ({
    resource: {
      resourceType: 'Observation',
      status: 'final',
      code: { coding: [{ system: 'http://loinc.org', code }] },
      subject,
      valueQuantity: { value, unit },
    },
  });
  return {
    resourceType: 'Bundle',
    type: 'collection',
    entry: [
      {
        resource: {
          resourceType: 'Patient',
          id: `sim-p${number}`,
          identifier: [{ value: `sim-p${number}` }],
          name: [{ given: [inTurn(FIRST_NAMES, number)], family: inTurn(FAMILY, number) }],
          gender: draft.gender,
          birthDate: birthDate(draft.ageYears, now),
        },
      },
      measure('8302-2', draft.heightCm, 'cm'),
      measure('29463-7', draft.weightKg, 'kg'),
      {
        resource: {
          resourceType: 'ServiceRequest',
          id: `sim-r${number}`,
          identifier: [{ value: orderNumber(number) }],
          status: 'active',
          intent: 'order',
          priority: draft.priority,
          code: { text: draft.exam },
          bodySite: [{ text: draft.site }],
          subject,
          reasonCode: [{ text: draft.reason }],
          locationReference: [{ display: draft.place }],
        },
      },
    ],
  };
}

const HL7_PRIORITY = { routine: 'R', urgent: 'A', stat: 'S' } as const;

/**
 * The same order as an HL7 v2 message.
 * @param number of the order, from 0; @param control what becomes of it: NW new, XO changed, CA called off, HD on hold
 */
export function orderMessage(number: number, now: number, control: 'NW' | 'XO' | 'CA' | 'HD' = 'NW'): string {
  const draft = inTurn(DRAFTS, number);
  const time = new Date(now).toISOString().replace(/[-:T]|\.\d+Z/g, '');
  const reference = orderNumber(number);
  const none = (count: number): string[] => Array.from({ length: count }, () => '');
  const measure = (place: number, code: string, value: number, unit: string) =>
    hl7Line('OBX', [String(place), 'NM', [code, '', 'LN'], '', String(value), unit, ...none(4), 'F']);
  const [unit, place = ''] = draft.place.split(', ');
  return [
    hl7Header([
      ...['ORDERS', 'STAND-IN', 'TAKTIK', 'IMAGING', time, ''],
      ['ORM', 'O01', 'ORM_O01'],
      `${reference}-${control}`,
      ...['P', '2.5.1', ...none(5), 'UNICODE UTF-8'],
    ]),
    hl7Line('PID', [
      ...['1', '', `sim-p${number}`, ''],
      [inTurn(FAMILY, number), inTurn(FIRST_NAMES, number)],
      '',
      birthDate(draft.ageYears, now).replaceAll('-', ''),
      draft.gender === 'female' ? 'F' : 'M',
    ]),
    hl7Line('PV1', ['1', 'E', [unit!, place]]),
    hl7Line('ORC', [control, [reference, 'ORDERS']]),
    hl7Line('OBR', [
      ...['1', reference, ''],
      ['', draft.exam],
      HL7_PRIORITY[draft.priority],
      ...none(9),
      ['', '', '', draft.site],
      ...none(15),
      ['', draft.reason],
    ]),
    measure(1, '8302-2', draft.heightCm, 'cm'),
    measure(2, '29463-7', draft.weightKg, 'kg'),
    '',
  ].join('\r');
}
