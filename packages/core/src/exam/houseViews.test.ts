import { projections } from '../projections/catalogue';
import { exams } from '../projections/exams';
import { RULES, withDefaults, type RuleId } from '../room/houseRules';
import { asTakenHere } from './houseViews';
import { checkPlan } from './checkPlan';
import { orderedExam, plannedFor } from './orderedExam';

const none = { named: [], sideOrdered: false };
const exam = (id: string) => exams.find((each) => each.id === id)!.projections;
const under = (rules: Parameters<typeof withDefaults>[0], ageYears = 40) => ({ rules: withDefaults(rules), ageYears });

test('without a choice of the house an exam is as it is', () => {
  for (const { projections: ids } of exams)
    expect(asTakenHere(ids, under({}), none)).toEqual({ ids: [...ids], changes: [] });
});

test('sacrum and coccyx in two laterals, and it is said which rule that is', () => {
  const { ids, changes } = asTakenHere(exam('sacrum-coccyx'), under({ sacrumCoccyxLateral: 'separate' }), none);
  expect(ids).toEqual(['sacrum-ap-axial', 'coccyx-ap-axial', 'sacrum-lateral', 'coccyx-lateral']);
  expect(changes).toEqual([expect.objectContaining({ title: 'Sacrum and coccyx lateral', choice: 'two exposures' })]);
});

test('a view that is named stays', () => {
  const named = { named: ['sacrum-coccyx-lateral'], sideOrdered: false };
  expect(asTakenHere(['sacrum-coccyx-lateral'], under({ sacrumCoccyxLateral: 'separate' }), named).ids).toEqual([
    'sacrum-coccyx-lateral',
  ]);
});

test('a small child faces the tube, unless the house has it otherwise', () => {
  const chest = exam('chest-two');
  expect(asTakenHere(chest, under({}, 2), none).ids).toEqual(['chest-ap', 'chest-lateral']);
  expect(asTakenHere(chest, under({}, 9), none).ids).toEqual([...chest]);
  expect(asTakenHere(chest, under({ paediatricChestFacing: 'PA' }, 2), none).ids).toEqual([...chest]);
});

test('nasal bones of one side where one was ordered', () => {
  const one = under({ nasalSides: 'one' });
  expect(asTakenHere(exam('nasal'), one, { named: [], sideOrdered: true }).ids).toEqual([
    'nasal-bones-lateral',
    'face-parietoacanthial',
  ]);
  expect(asTakenHere(exam('nasal'), one, none).ids).toEqual([...exam('nasal')]);
});

test('the mirror pair of an enema', () => {
  const { ids } = asTakenHere(['colon-rpo', 'colon-lpo'], under({ enemaObliques: 'anterior' }), none);
  expect(ids).toEqual(['colon-lao', 'colon-rao']);
});

test('what takes the place of another is an entry of its own, and is not taken twice', () => {
  let tried = 0;
  for (const { id, variants } of projections)
    for (const { rule, choice, takes = [], oneSide } of variants) {
      if (takes.length === 0 && !oneSide) continue;
      tried += 1;
      expect(RULES[rule as RuleId].choices).toHaveProperty(choice);
      for (const other of takes) expect([id, projections.some((each) => each.id === other)]).toEqual([id, true]);
      const { ids } = asTakenHere([id, ...takes], under({ [rule]: choice }, 1), none);
      expect([id, ids]).toEqual([id, takes.length > 0 ? [...takes] : [id]]);
    }
  expect(tried).toBeGreaterThan(14);
});

test('a plan by the rule of the house is no less and no more than was ordered', () => {
  const house = under({ sacrumCoccyxLateral: 'separate' });
  const order = { exam: 'Sacrum and coccyx', side: null };
  const { ids } = asTakenHere(orderedExam(order.exam)!.projections, house, none);
  expect(checkPlan(order, plannedFor(ids, null), exams, [], house)).toEqual([]);
});
