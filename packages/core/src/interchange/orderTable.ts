/** Orders as a table (CSV with a head line). Reading the text into rows is the reader's; what the rows mean is here. */
import { centimetres } from '../quantity/length';
import { readSides, sideMentions, sidesIn } from './orderGuard';
import { sortIncoming, type IncomingFault, type SortedOrders } from './incomingOrder';

export const ORDER_COLUMNS = [
  'reference',
  'initials',
  'age_years',
  'sex',
  'height_cm',
  'weight_kg',
  'exam',
  'side',
  'reason',
  'urgency',
  'ward',
  'situation',
  'requester',
  'note',
  'patient_number',
] as const;
type Column = (typeof ORDER_COLUMNS)[number];
export type OrderRow = { line: number; cells: Partial<Record<string, string>> };

/** Words of the situation column, several parted by semicolons. */
export const SITUATION_WORDS: Record<string, object> = {
  bedside: { place: 'bedside' },
  'resuscitation bay': { place: 'resuscitation bay' },
  'in a chair': { place: 'chair', canStand: false },
  'in an incubator': { place: 'incubator', canStand: false, canSit: false },
  'cannot stand': { canStand: false },
  'cannot lie flat': { canLieFlat: false },
  'cannot lie on the front': { canProne: false },
  'cannot sit': { canSit: false },
  'cannot kneel': { canKneel: false },
  'cannot turn': { canTurn: 'none' },
  'turns left only': { canTurn: 'left' },
  'turns right only': { canTurn: 'right' },
  'spine not cleared': { spineNotCleared: true },
  'fracture suspected': { fractureSuspected: true },
  'pregnancy possible': { pregnancy: 'possible' },
};

const FIELDS: Partial<Record<Column, string>> = {
  age_years: 'patient.ageYears',
  sex: 'patient.sex',
  height_cm: 'patient.statureMm',
  weight_kg: 'patient.massKg',
};

const PLAIN_NUMBER = /^\d{1,6}([.,]\d{1,4})?$/;

function draftOf({ line, cells }: OrderRow): { line: number; order: unknown; faults: IncomingFault[] } {
  const faults: IncomingFault[] = [];
  const cell = (column: Column): string => (cells[column] ?? '').trim();
  const number = (column: Column, per = 1): number | undefined => {
    const text = cell(column);
    if (text === '') return undefined;
    // A number as people write it: no hexadecimal, no exponent.
    if (PLAIN_NUMBER.test(text)) return Number(text.replace(',', '.')) * per;
    faults.push({
      line,
      field: FIELDS[column] ?? column,
      message: `${column} must be a number, not “${text.slice(0, 40)}”`,
    });
    return undefined;
  };
  const column = cell('side').toLowerCase();
  const sidesRead = readSides([
    ...sideMentions(cell('exam'), 'exam'),
    { from: 'side', sides: /^(both|bilateral)$/.test(column) ? new Set(['left', 'right']) : sidesIn(column) },
  ]);
  if (sidesRead.contradiction) faults.push({ line, field: 'side', message: sidesRead.contradiction });
  const sex = cell('sex').toLowerCase();
  if (sex !== '' && sex !== 'female' && sex !== 'male')
    faults.push({ line, field: 'patient.sex', message: 'sex must be female, male or empty' });
  const situation: Record<string, unknown> = {};
  for (const word of cell('situation')
    .split(';')
    .map((each) => each.trim().toLowerCase())) {
    if (word === '') continue;
    const part = SITUATION_WORDS[word];
    if (part) Object.assign(situation, part);
    else
      faults.push({
        line,
        field: 'situation',
        message: `situation “${word.slice(0, 40)}” is not known; known: ${Object.keys(SITUATION_WORDS).join(', ')}`,
      });
  }
  const patient = {
    ageYears: number('age_years'),
    ...(sex === 'female' || sex === 'male' ? { sex } : {}),
    statureMm: number('height_cm', centimetres(1)),
    massKg: number('weight_kg'),
  };
  return {
    line,
    faults,
    order: {
      reference: cell('reference'),
      initials: cell('initials'),
      patient: Object.fromEntries(Object.entries(patient).filter(([, value]) => value !== undefined)),
      exam: cell('exam'),
      // A word that is no side is refused with those that are.
      side: sidesRead.bothSides || sidesRead.contradiction ? null : (sidesRead.side ?? (column || null)),
      bothSides: sidesRead.bothSides,
      reason: cell('reason'),
      urgency: cell('urgency').toLowerCase() || 'routine',
      ward: cell('ward'),
      requester: cell('requester'),
      note: cell('note'),
      patientNumber: cell('patient_number') === '' ? null : { value: cell('patient_number'), issuer: '' },
      situation,
    },
  };
}

/** What a list of refused rows says of each; read over when the list comes back mended. */
export const WHY_COLUMN = 'why';

/**
 * Each row for itself: the good ones are taken, of the others every fault is told with its line.
 * @param columns of the head line; each must be one of ORDER_COLUMNS, and what an order needs must be there
 * @param headLine line of the file in which they stand
 */
export function ordersFromTable(columns: readonly string[], rows: readonly OrderRow[], headLine = 1): SortedOrders {
  const needed: readonly Column[] = ['reference', 'initials', 'exam', 'reason', 'ward'];
  const known: readonly string[] = [...ORDER_COLUMNS, WHY_COLUMN];
  const put = (field: string, message: string): IncomingFault => ({ line: headLine, field, message });
  const head: IncomingFault[] = [
    ...columns
      .filter((column) => !known.includes(column))
      .map((column) =>
        put(column, `There is no column “${column.slice(0, 40)}”; columns: ${ORDER_COLUMNS.join(', ')}`),
      ),
    ...needed
      .filter((column) => !columns.includes(column))
      .map((column) => put(column, `The column ${column} is missing`)),
  ];
  return head.length > 0 ? { orders: [], faults: head } : sortIncoming(rows.map(draftOf));
}
