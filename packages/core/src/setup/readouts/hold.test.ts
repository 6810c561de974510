import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import { situationFor, type Situation } from '../request';
import { holdOf } from './hold';

test.each([
  [0.3, {}, { who: 'nobody', by: 'swaddling' }],
  [3, { holder: 'someone' }, { who: 'adult', by: 'wrapping' }],
  [3, { holder: 'may be pregnant' }, { who: 'not-pregnant', by: 'wrapping' }],
  [40, { holdsStill: false }, { who: 'nobody', by: 'bands' }],
  [40, { holder: 'someone' }, null],
  [8, {}, null],
] as const)('at %d years, %j', (ageYears, known, fact) =>
  expect(holdOf({ patient: { ageYears }, situation: situationFor(ageYears, known as Partial<Situation>) })).toEqual(
    fact,
  ),
);

test('of the whole catalogue: said once to who does not keep still, never to others, and nobody pregnant holds', () => {
  let said = 0;
  for (const { id, sided, nearSide } of projections)
    for (const [holder, ageYears] of [
      ['someone', 2],
      ['may be pregnant', 2],
      ['none', 0.3],
      ['someone', 40],
    ] as const) {
      const side = sided === 'each' || nearSide ? 'left' : undefined;
      const { steps } = computeSetup({ projectionId: id, side, patient: { ageYears }, situation: { holder } });
      const holds = steps.filter(({ code }) => code === 'step-hold');
      if (steps.length === 0) continue;
      expect([id, holds.length]).toEqual([id, ageYears === 40 ? 0 : 1]);
      if (holder === 'may be pregnant') expect(holds[0]!.text).toMatch(/does not hold/);
      said += holds.length;
    }
  expect(said).toBeGreaterThan(400);
});
