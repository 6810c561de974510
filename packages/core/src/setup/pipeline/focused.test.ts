/** A grid that is focused farther away is used from farther away, as far as view and room allow. */
import { inches, toInches } from '../../quantity/length';
import { projectionOf } from '../../projections/catalogue';
import { ROOM_ONE, ROOM_TWO } from '../../room/demoRooms';
import type { Room } from '../../room/room';
import { computeSetup } from '../computeSetup';
import { EDGE_SHARE } from '../technique/gridCheck';

const skull = { projectionId: 'skull-lateral', patient: { ageYears: 40, sex: 'male' as const } };
const edgeLoss = (setup: ReturnType<typeof computeSetup>) => setup.image.grid?.worseEdge ?? 0;
const forGrid = (setup: ReturnType<typeof computeSetup>) =>
  setup.assumptions.filter(({ field }) => field === 'overrides.sidMm').map(({ value }) => value);
const focused = (focusMm: number): Room => ({
  ...ROOM_ONE,
  holders: ROOM_ONE.holders.map((holder) =>
    holder.kind === 'wall' && holder.grid ? { ...holder, grid: { ...holder.grid, focusMm } } : holder,
  ),
});

test('the SID goes up in whole steps until the edge bears it, and it says why', () => {
  const setup = computeSetup({ ...skull, room: ROOM_ONE });
  const inchesUsed = toInches(setup.tube.sidMm);
  expect([Math.round(inchesUsed) % 2, inchesUsed > 40, inchesUsed <= 48]).toEqual([0, true, true]);
  expect(edgeLoss(setup)).toBeLessThan(EDGE_SHARE);
  expect(forGrid(setup)).toEqual([expect.stringMatching(/^SID .* for the grid, which is focused to 72 in.*at 40 in/)]);
  // One step nearer it is not borne: no farther than needed.
  const nearer = computeSetup({ ...skull, room: ROOM_ONE, overrides: { sidMm: setup.tube.sidMm - inches(2) } });
  expect(edgeLoss(nearer)).toBeGreaterThanOrEqual(EDGE_SHARE);
  expect(forGrid(nearer)).toEqual([]);
});

test('in centimetres the steps are of five', () => {
  const setup = computeSetup({ ...skull, room: ROOM_ONE, rules: { unit: 'cm' } });
  expect(Math.round(setup.tube.sidMm) % 50).toBe(0);
  expect(edgeLoss(setup)).toBeLessThan(EDGE_SHARE);
});

test('a grid made for the distance of the view leaves it alone, and so does a receptor without one', () => {
  const near = computeSetup({ ...skull, room: focused(inches(40)) });
  expect([Math.round(toInches(near.tube.sidMm)), forGrid(near)]).toEqual([40, []]);
  const bare = computeSetup({ ...skull, room: ROOM_ONE, overrides: { grid: false } });
  expect([Math.round(toInches(bare.tube.sidMm)), forGrid(bare)]).toEqual([40, []]);
});

test('never farther than the view is taught, and what is lost there is told', () => {
  const { rangeMm } = projectionOf('skull-lateral').sid;
  const far = computeSetup({ ...skull, room: focused(inches(120)) });
  expect(far.tube.sidMm).toBeLessThanOrEqual(rangeMm[1] + 1);
  expect(far.problems.map(({ code }) => code)).toContain('grid-cut-off');
});

test('the technique follows: farther away more mAs, and less magnification', () => {
  const asTaught = computeSetup({ ...skull, room: ROOM_ONE, overrides: { sidMm: inches(40) } });
  const setup = computeSetup({ ...skull, room: ROOM_ONE });
  expect(setup.exposure.wantedMas).toBeGreaterThan(asTaught.exposure.wantedMas);
  expect(setup.image.magnification).toBeLessThan(asTaught.image.magnification);
});

test('a room whose tube does not go so far is used as far as it goes, without a complaint about the view', () => {
  const low: Room = { ...ROOM_TWO, tube: { ...ROOM_TWO.tube, wallSidMm: [1000, 1050] } };
  const setup = computeSetup({ projectionId: 'abdomen-ap-upright', patient: skull.patient, room: low });
  expect(setup.tube.sidMm).toBeLessThanOrEqual(1050);
  expect(setup.problems.map(({ code }) => code)).not.toContain('sid-reduced');
});
