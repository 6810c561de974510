/**
 * Orders as HL7 v2: ORM^O01, OMI^O23 and OMG^O19, one patient and any number of orders. Source: HL7 v2.5.1, chapters 3, 4
 * and 7.
 */
import type { Hl7Segment } from './hl7Text';
import { HEIGHT, LENGTH_TO_MM, MASS_TO_KG, PREGNANCY, PREGNANCY_ANSWERS, WEIGHT } from './measuredCodes';
import { takeIncoming, type Draft, type Incoming, type IncomingFault, type PatientNumber } from './incomingOrder';
import { notXray, readSides, sidesOfTexts, sidesIn } from './orderGuard';
import { isoDate, yearsBetween } from './yearsBetween';

/** Messages that bring orders. Source: HL7 table 0354. */
const ORDERS: ReadonlySet<string> = new Set(['ORM^O01', 'OMI^O23', 'OMG^O19']);

/** What an order control makes of an order. Source: HL7 table 0119; others ask for nothing that is done here. */
const STANDING_OF: Readonly<Record<string, 'ordered' | 'cancelled' | 'on hold' | undefined>> = {
  NW: 'ordered',
  XO: 'ordered',
  RP: 'ordered',
  RL: 'ordered',
  CA: 'cancelled',
  OC: 'cancelled',
  DC: 'cancelled',
  OD: 'cancelled',
  HD: 'on hold',
  OH: 'on hold',
};
/** Source: HL7 table 0485, and 0027 before it. */
const URGENCY: Readonly<Record<string, 'now' | 'today' | 'routine' | undefined>> = {
  '': 'routine',
  R: 'routine',
  PRN: 'routine',
  S: 'now',
  T: 'now',
  A: 'today',
  C: 'today',
  P: 'today',
  UR: 'today',
};
/** How the patient comes. Source: HL7 table 0124. */
const COMES: Readonly<Record<string, object | undefined>> = {
  PORT: { place: 'bedside' },
  WHLC: { place: 'chair', canStand: false },
};
/** Sections of diagnostics whose orders are no x-rays. Source: HL7 table 0074. */
const OTHER_SECTIONS: Readonly<Record<string, string | undefined>> = {
  CT: 'CT',
  NMR: 'MRI',
  NMS: 'nuclear medicine',
  RUS: 'ultrasound',
  VUS: 'ultrasound',
  CUS: 'ultrasound',
  OUS: 'ultrasound',
  LAB: 'a laboratory test',
};
const SEX: Readonly<Record<string, 'female' | 'male' | undefined>> = { F: 'female', M: 'male' };
const LONGEST_REASON = 500;
const LONGEST_NAME = 80;

type Group = { control: Hl7Segment; line: number; rest: Hl7Segment[] };

/** Each order begins with its control segment; what comes before the first is of the patient. */
function groupsOf(segments: readonly Hl7Segment[]): { common: Hl7Segment[]; groups: Group[] } {
  const common: Hl7Segment[] = [];
  const groups: Group[] = [];
  segments.forEach((segment, i) => {
    if (segment.name === 'ORC') groups.push({ control: segment, line: i + 1, rest: [] });
    else (groups.at(-1)?.rest ?? common).push(segment);
  });
  return { common, groups };
}

/** Words of a coded entry: its own text, else that of the other code, else the code; and all of them. */
const wordsAt = ({ at }: Hl7Segment, field: number): string => at(field, 2) || at(field, 5) || at(field, 1);
const textsAt = ({ at }: Hl7Segment, field: number): string[] => [at(field, 2), at(field, 5)].filter(Boolean);
const allWordsAt = (segment: Hl7Segment, field: number): string => textsAt(segment, field).join('; ');

const named = (segments: readonly Hl7Segment[], name: string): Hl7Segment[] =>
  segments.filter((segment) => segment.name === name);
const NOTHING: Hl7Segment = { name: '', at: () => '' };

/** A person as people write it: given name before the family's. Source: HL7 v2.5.1, data type XCN. */
const personAt = ({ at }: Hl7Segment, field: number): string =>
  [at(field, 6), at(field, 3), at(field, 2)].filter(Boolean).join(' ').slice(0, LONGEST_NAME);
/** A number of a patient, with who gives it. Source: HL7 v2.5.1, data type CX. */
export const numberAt = ({ at }: Hl7Segment, field: number): PatientNumber | null =>
  at(field, 1) === '' ? null : { value: at(field, 1), issuer: at(field, 4) };

/** What was measured or told of the patient; a value that cannot be read is a fault. */
function observed(observations: readonly Hl7Segment[], put: (field: string, message: string) => void) {
  const find = (code: string) => observations.find(({ at }) => at(3, 1) === code || at(3, 4) === code);
  const measured = (code: string, units: Readonly<Record<string, number>>, what: string): number | undefined => {
    const seen = find(code);
    if (!seen) return undefined;
    const [value, unit] = [seen.at(5), seen.at(6, 1)];
    const per = units[unit];
    if (/^\d{1,6}(\.\d{1,4})?$/.test(value) && per !== undefined) return Math.round(Number(value) * per * 1000) / 1000;
    put(what, `${what} needs a value in ${Object.keys(units).join(' or ')}, not “${`${value} ${unit}`.slice(0, 40)}”`);
    return undefined;
  };
  return {
    statureMm: measured(HEIGHT, LENGTH_TO_MM, 'Height'),
    massKg: measured(WEIGHT, MASS_TO_KG, 'Weight'),
    pregnancy: PREGNANCY_ANSWERS[find(PREGNANCY)?.at(5, 1) ?? ''],
  };
}

function draftOf({ control, line, rest }: Group, common: readonly Hl7Segment[], today: string): Draft {
  const faults: IncomingFault[] = [];
  const put = (field: string, message: string) => faults.push({ line, field, message });
  const request = named(rest, 'OBR')[0] ?? NOTHING;
  const person = named(common, 'PID')[0] ?? NOTHING;
  const visit = named(common, 'PV1')[0] ?? NOTHING;
  const code = control.at(1);
  const standing = STANDING_OF[code];
  if (standing === undefined)
    put('ORC-1', `Order control “${code.slice(0, 10)}” is not taken; known: ${Object.keys(STANDING_OF).join(', ')}`);
  if (control.at(5) === 'CM' && standing === 'ordered') put('ORC-5', 'This order says that it is completed');
  // What is called off is known by its number: nothing else of it is needed.
  const calledOff = standing === 'cancelled';
  if (!calledOff && request === NOTHING) put('OBR', 'There is no OBR segment behind this ORC');
  const priority =
    [named(rest, 'TQ1')[0]?.at(9, 1), request.at(27, 6), control.at(7, 6), request.at(5)].find(Boolean) ?? '';
  const urgency = URGENCY[priority.toUpperCase()];
  if (urgency === undefined) put('urgency', `Priority must be S, A, R or empty, not “${priority.slice(0, 20)}”`);
  const other = OTHER_SECTIONS[request.at(24)];
  if (other && standing === 'ordered') put('exam', `This order asks for ${other}, not for an x-ray`);
  const exam = wordsAt(request, 4);
  // A code that says more than the text is not passed over.
  const coded = notXray(allWordsAt(request, 4));
  if (coded !== null && notXray(exam) === null && standing === 'ordered')
    put('exam', `A code of this order asks for ${coded}, not for an x-ray: “${allWordsAt(request, 4).slice(0, 120)}”`);
  const site = [request.at(15, 4), request.at(15, 1), wordsAt(request, 44), wordsAt(request, 46)].join(' ');
  const sides = readSides([
    ...sidesOfTexts([...new Set([exam, ...textsAt(request, 4)])]),
    { from: 'the body site', sides: sidesIn(site) },
  ]);
  if (sides.contradiction) put('side', sides.contradiction);
  const birth = person.at(7);
  const birthDate = isoDate(birth);
  const ageYears = birthDate === null ? undefined : yearsBetween(birthDate, today);
  if (birth !== '' && ageYears === undefined)
    put('patient.ageYears', `Birth date “${birth.slice(0, 40)}” is not a date`);
  const { pregnancy, ...measures } = observed(named([...rest, ...common], 'OBX'), put);
  const notes = named(rest, 'NTE').map(({ at }) => at(3));
  const diagnosis = named(rest, 'DG1').map((each) => each.at(4) || wordsAt(each, 3));
  const reason = [wordsAt(request, 31), request.at(13), ...diagnosis, ...notes].filter((part) => part !== '');
  const body = { ageYears, sex: SEX[person.at(8)], ...measures };
  return {
    line,
    faults,
    order: {
      reference: control.at(2, 1) || request.at(2, 1),
      system: control.at(2, 2) || control.at(2, 3) || request.at(2, 2),
      patientNumber: numberAt(person, 3),
      initials: (person.at(5, 2).charAt(0) + person.at(5, 1).charAt(0)).toUpperCase() || (calledOff ? '–' : ''),
      patient: Object.fromEntries(Object.entries(body).filter(([, value]) => value !== undefined)),
      exam: exam || (calledOff ? 'called off' : ''),
      side: sides.side,
      bothSides: sides.bothSides,
      standing: standing ?? 'ordered',
      reason: reason.join('; ').slice(0, LONGEST_REASON) || (calledOff ? 'called off' : ''),
      urgency: urgency ?? 'routine',
      requester: personAt(control, 12) || personAt(request, 16),
      ward: [visit.at(3, 1), visit.at(3, 2), visit.at(3, 3)].filter(Boolean).join(' ') || (calledOff ? '–' : ''),
      situation: { ...COMES[request.at(30)], ...(pregnancy === undefined ? {} : { pregnancy }) },
    },
  };
}

/**
 * @param segments of one message, MSH first
 * @param today ISO date on which the age counts
 * Lines of faults are places of segments in the message, from 1.
 */
export function ordersFromHl7(segments: readonly Hl7Segment[], today: string): Incoming {
  const [header] = segments;
  const type = header ? `${header.at(9, 1)}^${header.at(9, 2)}` : '';
  if (!ORDERS.has(type))
    return {
      faults: [{ line: 1, field: 'MSH-9', message: `“${type}” brings no orders; known: ${[...ORDERS].join(', ')}` }],
    };
  const { common, groups } = groupsOf(segments);
  if (groups.length === 0)
    return { faults: [{ line: 1, field: 'ORC', message: 'There is no ORC segment: no order is in it' }] };
  return takeIncoming(groups.map((group) => draftOf(group, common, today)));
}
