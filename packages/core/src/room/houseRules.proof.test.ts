/** A rule that is saved acts: every choice changes a set-up, the routine of an exam or the order of a series. */
import { asTakenHere } from '../exam/houseViews';
import { exams } from '../projections/exams';
import { projections } from '../projections/catalogue';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import { planSeries } from '../series/planSeries';
import { demoRooms } from './demoRooms';
import { RULE_IDS, RULES, withDefaults, type RuleId } from './houseRules';

const PATIENTS = [
  { ageYears: 45 },
  { ageYears: 0.5 },
  { ageYears: 4 },
  { ageYears: 9 },
  { ageYears: 60, massKg: 130, statureMm: 1750 },
];
const SITUATIONS = [{}, { canStand: false }];
/** All but the line that says which school it is. */
const numbers = ({ schools: _, ...setup }: Setup): string => JSON.stringify(setup);
const boundTo = (rule: RuleId) => projections.filter(({ variants }) => variants.some((each) => each.rule === rule));

function changesSetups(rule: RuleId, choice: string): boolean {
  const bound = boundTo(rule);
  // What is of every entry shows in any of them.
  const entries = bound.length > 0 && bound.length < 60 ? bound : projections.slice(0, 12);
  for (const entry of entries)
    for (const patient of PATIENTS)
      for (const room of demoRooms.slice(0, 2))
        for (const situation of SITUATIONS) {
          const asked = {
            ...{ projectionId: entry.id, patient, room, situation },
            side: entry.sided === 'each' ? ('left' as const) : undefined,
          };
          const under = (rules: object) => numbers(computeSetup({ ...asked, rules }));
          if (under({ [rule]: choice }) !== under({ [rule]: RULES[rule].default })) return true;
        }
  return false;
}
/** Routines of one side and of none, of an adult and of a small child. */
function changesRoutine(rule: RuleId, choice: string): boolean {
  const under = (value: string, ageYears: number, sideOrdered: boolean): string =>
    JSON.stringify(
      [...exams.map(({ projections: ids }) => ids), ...projections.map(({ id }) => [id])].map(
        (ids) => asTakenHere(ids, { rules: withDefaults({ [rule]: value }), ageYears }, { named: [], sideOrdered }).ids,
      ),
    );
  return [40, 2].some((age) =>
    [true, false].some((one) => under(choice, age, one) !== under(RULES[rule].default, age, one)),
  );
}
/** The series of every exam that holds an entry of the rule. */
function changesOrder(rule: RuleId, choice: string): boolean {
  const bound = new Set(boundTo(rule).map(({ id }) => id));
  const orderUnder = (ids: readonly string[], value: string) =>
    planSeries({
      items: ids.map((projectionId) => ({ projectionId, side: 'left' as const })),
      rules: { [rule]: value },
    }).constraints;
  return exams
    .filter(({ projections: ids }) => ids.some((id) => bound.has(id)))
    .some(
      ({ projections: ids }) =>
        JSON.stringify(orderUnder(ids, choice)) !== JSON.stringify(orderUnder(ids, RULES[rule].default)),
    );
}

const cases = RULE_IDS.flatMap((rule) =>
  Object.keys(RULES[rule].choices)
    .filter((choice) => choice !== RULES[rule].default)
    .map((choice) => ({ rule, choice })),
);
test('there is something to try', () => expect(cases.length).toBeGreaterThan(50));
test.each(cases)('$rule: $choice', ({ rule, choice }) =>
  expect(changesSetups(rule, choice) || changesRoutine(rule, choice) || changesOrder(rule, choice)).toBe(true),
);

test('a choice that there no longer is counts as the default', () =>
  expect(withDefaults({ humerusCentring: 'shaft', kneeLateralAngle: '7' })).toEqual({
    ...withDefaults(),
    kneeLateralAngle: '7',
  }));
