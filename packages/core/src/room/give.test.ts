/** How far parts lie from the receptor when a body rests: held to what is measured on people, not to what the model gives. */
import type { BodyPosition } from '../projections/vocabulary';
import { computeSetup } from '../setup/computeSetup';
import { ROOM_ONE } from './demoRooms';

/** Object-to-receptor distances may be this far outside the range, mm. */
const SLACK_MM = 15;
const oidMm = (id: string, side: 'left' | undefined, position: BodyPosition): number => {
  const { image, tube } = computeSetup({
    projectionId: id,
    side,
    patient: { ageYears: 40, sex: 'male' },
    room: ROOM_ONE,
    overrides: { position },
  });
  return tube.sidMm * (1 - 1 / image.magnification);
};

/** Magnification of a median man as it is measured, at this SID. */
const MEASURED: readonly [string, 'left' | undefined, BodyPosition, sidMm: number, low: number, high: number][] = [
  ['knee-ap', 'left', 'supine', 1016, 1.1, 1.15],
  ['ankle-ap', 'left', 'supine', 1016, 1.05, 1.08],
  ['lumbar-lateral', undefined, 'lateral-recumbent', 1016, 1.25, 1.33],
  ['skull-ap', undefined, 'supine', 1016, 1.15, 1.2],
  ['chest-lateral', undefined, 'upright', 1829, 1.1, 1.14],
];

test.each(MEASURED)('%s: no further from the receptor than a man is', (id, side, position, sidMm, low, high) => {
  const found = oidMm(id, side, position);
  expect(found).toBeGreaterThan(sidMm * (1 - 1 / low) - SLACK_MM);
  expect(found).toBeLessThan(sidMm * (1 - 1 / high) + SLACK_MM);
});

test.each([
  ['fossa-supine', 'left', 'supine', 240],
  ['calcaneus-axial-dorsoplantar', 'left', 'prone', 100],
  ['scapula-lateral', 'left', 'upright', 260],
] as const)('%s: a loose receptor is where the words put it', (id, side, position, most) => {
  expect(oidMm(id, side, position)).toBeLessThan(most);
});
test('the receptor of a tangential patella stands a foot beyond the knees', () => {
  expect(oidMm('patella-tangential-flexed', 'left', 'supine')).toBeCloseTo(305, -1);
});
