/** The thickness that the technique is chosen by grows with the body; it never leaps to what merely lies beside the part. */
import { projections } from '../../projections/catalogue';
import { ROOM_ONE } from '../../room/demoRooms';
import { computeSetup } from '../computeSetup';

const thicknessOf = (projectionId: string, patient: { ageYears: number; massKg?: number }): number => {
  const { sided } = projections.find(({ id }) => id === projectionId)!;
  return computeSetup({ projectionId, side: sided === 'each' ? 'left' : undefined, patient, room: ROOM_ONE }).exposure
    .thicknessMm;
};

const MASSES = [55, 70, 85, 100, 115, 130];
const AGES = [1, 3, 6, 9, 12, 15, 18];
/** From one step to the next. */
const MOST = 1.4;
const LEAST = 0.7;
/** A ray that skims the skin meets more of the foot or the face from one weight to the next. */
const SKIMS = /^(sesamoids|nasal-bones)-tangential$/;
const MOST_SKIMMING = 1.7;

test.each(projections.map(({ id }) => id))('%s', (id) => {
  for (const steps of [
    MASSES.map((massKg) => thicknessOf(id, { ageYears: 40, massKg })),
    AGES.map((ageYears) => thicknessOf(id, { ageYears })),
  ])
    steps.slice(1).forEach((now, i) => {
      expect(now / steps[i]).toBeLessThan(SKIMS.test(id) ? MOST_SKIMMING : MOST);
      expect(now / steps[i]).toBeGreaterThan(LEAST);
    });
});

test('the nose of the heavy is a nose', () => {
  const slight = thicknessOf('nasal-bones-lateral', { ageYears: 40, massKg: 60 });
  expect(thicknessOf('nasal-bones-lateral', { ageYears: 40, massKg: 130 })).toBeLessThan(slight + 5);
});
