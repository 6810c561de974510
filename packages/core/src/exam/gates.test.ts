import { projectionOf, projections } from '../projections/catalogue';
import { exams } from '../projections/exams';
import { defaultRules } from '../room/houseRules';
import { openGates } from './gates';

const plan = (...ids: string[]) => ids.map((id) => projectionOf(id));
const gates = (ids: string[], place: number, accepted: number[], decisions = {}, situation = {}) =>
  openGates(plan(...ids), place, { accepted: new Set(accepted), decisions }, situation, defaultRules);

test('no weight is given before the first picture was read, and who read it is written down', () => {
  const ids = ['acromioclavicular-ap', 'acromioclavicular-ap-weights'];
  const [gate] = gates(ids, 1, []);
  expect(gate).toMatchObject({ asks: 'read', waitsFor: [0], missing: [0] });
  expect(gate!.why).toMatch(/read before any weight is given/);
  // Accepted is not read.
  expect(gates(ids, 1, [0])).toMatchObject([{ missing: [] }]);
  expect(gates(ids, 1, [0], { [gate!.id]: '  ' })).toHaveLength(1);
  expect(gates(ids, 1, [0], { [gate!.id]: 'Dr. on call: no fracture, go on' })).toEqual([]);
  expect(gates(ids, 0, [])).toEqual([]);
});

test('with a spine that is not cleared everything waits for the lateral neck; cleared, nothing does', () => {
  const ids = ['cervical-lateral', 'chest-ap', 'pelvis-ap'];
  expect(gates(ids, 2, [0], {}, { spineNotCleared: true })).toMatchObject([{ asks: 'read', waitsFor: [0] }]);
  expect(gates(ids, 2, [])).toEqual([]);
});

test('before it is emptied every filled picture has been looked at; then nobody needs to write', () => {
  const filled = projections.filter(({ study }) => study?.of === 'large bowel' && study.as === 'filled').slice(0, 3);
  const emptied = projections.find(({ study }) => study?.of === 'large bowel' && study.as === 'emptied')!;
  const ids = [...filled, emptied].map(({ id }) => id);
  const last = ids.length - 1;
  expect(gates(ids, last, [0])).toMatchObject([
    { asks: 'looked at', waitsFor: filled.map((_, i) => i), missing: [1, 2] },
  ]);
  expect(gates(ids, last, [0, 1, 2])).toEqual([]);
});

test('a decision is kept under a name that the record takes, one for each gate of every shipped exam', () => {
  let checked = 0;
  for (const exam of exams) {
    const entries = exam.projections.map((id) => projectionOf(id));
    for (const place of entries.keys())
      for (const { id } of openGates(
        entries,
        place,
        { accepted: new Set(), decisions: {} },
        { spineNotCleared: true },
        defaultRules,
      )) {
        expect(id).toMatch(/^[a-z0-9-]{1,64}$/);
        checked += 1;
      }
  }
  expect(checked).toBeGreaterThan(10);
});
