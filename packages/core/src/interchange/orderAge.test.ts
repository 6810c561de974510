import { sortIncoming } from './incomingOrder';
import { ageIn, isOfAge } from './orderAge';
import { orderedExam } from '../exam/orderedExam';
import { orderReadLines } from '../exam/orderReadLines';

test.each([
  ['Chest 2 views 3 mo old', 0.25],
  ['45 y/o right knee', 45],
  ['62yo hip', 62],
  ['6-month-old hips', 0.5],
  ['Hips, aged 6 weeks', 6 / 52.18],
  ['10 day old newborn chest', 10 / 365.25],
])('%s', (words, years) => expect(ageIn(words)?.years).toBeCloseTo(years, 3));
test.each([
  '6 month old fracture left wrist',
  'Wrist 3 views',
  'knee pain x 2 weeks',
  'KUB 10 min',
  'follow up in 3 months',
  'IVP 5 min, 10 min',
  'mother 30 y/o, child 3 y/o',
])('%s: no age', (words) => expect(ageIn(words)).toBeNull());
test('what is rounded, or has waited, is the same age', () => {
  const three = ageIn('3 mo old')!;
  expect(isOfAge(three, 0.3)).toBe(true);
  expect(isOfAge(three, 0.45)).toBe(true);
  expect(isOfAge(three, 3)).toBe(false);
  expect(isOfAge(ageIn('45 y/o')!, 46)).toBe(true);
  expect(isOfAge(ageIn('45 y/o')!, 54)).toBe(false);
});
test('an infant’s chest is taken as one, and its age is no word that is not understood', () => {
  const ordered = orderedExam('Chest 2 views 3 mo old')!;
  expect(ordered.exam?.id).toBe('chest-infant');
  expect(ordered.unread).toEqual([]);
  expect(orderedExam('Chest 2 views 3 year old')!.exam?.id).toBe('chest-two');
});

const draft = (exam: string, ageYears?: number, more: object = {}) => ({
  line: 1,
  order: {
    ...{ reference: 'A1', initials: 'AB', exam, side: null, reason: 'cough', urgency: 'routine', ward: 'ED' },
    ...{ patient: ageYears === undefined ? {} : { ageYears }, situation: {}, ...more },
  },
});
describe('taken in', () => {
  test('an age in the words that is not the patient’s is refused by name', () => {
    const { orders, faults } = sortIncoming([draft('Chest 2 views 3 mo old', 45)]);
    expect(orders).toEqual([]);
    expect(faults).toEqual([
      { line: 1, field: 'patient.ageYears', message: expect.stringMatching(/“3 mo old”.*45 years.*ask/) },
    ]);
    expect(sortIncoming([draft('Chest 2 views 3 mo old', 0.3)]).faults).toEqual([]);
  });
  test('where no birth date came it is the patient’s', () => {
    expect(sortIncoming([draft('Chest 2 views 3 mo old')]).orders[0]!.order.patient.ageYears).toBe(0.25);
    const fromReason = sortIncoming([draft('Chest', undefined, { reason: '7 y/o with cough' })]);
    expect(fromReason.orders[0]!.order.patient.ageYears).toBe(7);
  });
  test('how soon is read, and only ever made sooner', () => {
    const urgencyOf = (exam: string, urgency = 'routine') =>
      sortIncoming([draft(exam, 40, { urgency })]).orders[0]!.order.urgency;
    expect(urgencyOf('STAT portable chest')).toBe('now');
    expect(urgencyOf('Chest urgent')).toBe('today');
    expect(urgencyOf('Chest urgent', 'now')).toBe('now');
    expect(urgencyOf('Chest')).toBe('routine');
  });
});
test('more or fewer views than are counted, and what changes no view, are told', () => {
  const lines = (words: string) => orderReadLines(orderedExam(words)!);
  expect(lines('Skull 4 views')).toContainEqual({ text: '“4 views”: 3 views here; read the order', doubtful: true });
  expect(lines('Skull <4 views').filter(({ doubtful }) => doubtful)).toEqual([]);
  expect(lines('STAT right hand, glass')).toContainEqual({
    text: 'How soon, or why, and no view: “stat”, “glass”',
    doubtful: false,
  });
});
