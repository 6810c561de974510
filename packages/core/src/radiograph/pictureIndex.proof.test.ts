/**
 * What the technique expects at the receptor against what the simulated picture reads, entry by entry: one number for
 * nine of ten adults of usual build. Where builds are far from the median the two still differ; how often is held here,
 * so that it only gets better.
 */
import type { PatientInput } from '../body/patient';
import { projections } from '../projections/catalogue';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { simulateRadiograph } from './simulateRadiograph';

/** Enough for a median. */
const PIXELS = 32;
/** Deviation indices between the two that count as one number. */
const ALIKE_DI = 1.5;

/** Deviation index of the picture less that of the technique; null where a view cannot be taken of this patient. */
function differenceOf(projectionId: string, patient: PatientInput, side: 'left' | undefined): number | null {
  const setup = computeSetup({ projectionId, side, patient, room: ROOM_ONE });
  const { expected, inModel } = setup.exposure;
  if (!setup.feasible || !expected || !inModel) return null;
  const { deviation } = simulateRadiograph(setup, ROOM_ONE, { pixels: PIXELS, seed: null });
  return deviation === null ? null : deviation - expected.deviation;
}

const PATIENTS: readonly [name: string, patient: PatientInput, share: number][] = [
  ['a median man', { ageYears: 40, sex: 'male' }, 0.95],
  ['a median woman', { ageYears: 40, sex: 'female' }, 0.95],
  ['a man of 120 kg', { ageYears: 40, sex: 'male', massKg: 120 }, 0.72],
  ['a child of four', { ageYears: 4 }, 0.75],
];

test.each(PATIENTS)('%s', (_, patient, share) => {
  const differences = projections.flatMap(({ id, sided }) => {
    const difference = differenceOf(id, patient, sided === 'each' ? 'left' : undefined);
    return difference === null ? [] : [{ id, difference }];
  });
  expect(differences.length).toBeGreaterThan(200);
  const apart = differences.filter(({ difference }) => Math.abs(difference) > ALIKE_DI);
  const alike = 1 - apart.length / differences.length;
  expect({ alike, apart: alike < share ? apart : [] }).toEqual({ alike: expect.any(Number), apart: [] });
  // Neither side of the balance is favoured: a technique that is always short would show here.
  const sorted = differences.map(({ difference }) => difference).sort((a, b) => a - b);
  expect(Math.abs(sorted[sorted.length >> 1]!)).toBeLessThan(0.6);
});
