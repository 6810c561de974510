import { projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import { dragField, dragTube } from './drag';
import { drawStage } from './stage';

const setupOf = (id: string) =>
  computeSetup({
    projectionId: id,
    side: projections.find((entry) => entry.id === id)?.sided === 'each' ? 'right' : undefined,
    patient: { ageYears: 40, sex: 'male', statureMm: 1750, massKg: 75 },
  });

/** Fields of more than one exposure are not drawn as one; of all others a corner can be held. */
let count = 0;
afterAll(() => expect(count).toBeGreaterThan(projections.length * 0.9));

describe.each(projections.map(({ id }) => id))('%s', (id) => {
  const setup = setupOf(id);
  it('a tube left where it is asks for what is set', () => {
    const drawing = drawStage(setup, 'side', 1);
    const { sidMm, angleDeg } = dragTube(setup, drawing, drawing.focal);
    expect(Math.abs(sidMm! - setup.tube.sidMm)).toBeLessThanOrEqual(6);
    const signed = setup.tube.angleToward === 'feet' ? -setup.tube.angleDeg : setup.tube.angleDeg;
    expect(angleDeg).toBe(Math.abs(signed) <= 2 ? 0 : signed);
  });
  it('a corner left where it is asks for the field that is open', () => {
    const drawing = drawStage(setup, 'ray', 1);
    const [width, height] = dragField(setup, drawing, drawing.lightField[0][2]).fieldMm!;
    const tolerance = Math.abs(setup.field.rotationDeg) > 0.5 || setup.tube.angleDeg > 0 ? 0.12 : 0.03;
    if (setup.receptor.exposures > 1) return;
    count += 1;
    expect(Math.abs(width - setup.field.atReceptorMm.width)).toBeLessThanOrEqual(
      setup.field.atReceptorMm.width * tolerance,
    );
    expect(Math.abs(height - setup.field.atReceptorMm.height)).toBeLessThanOrEqual(
      setup.field.atReceptorMm.height * tolerance,
    );
  });
});

test('dragged toward the feet’s side the ray points to the head, and the set-up follows', () => {
  const setup = setupOf('pelvis-ap');
  const drawing = drawStage(setup, 'side', 1);
  const pulled = dragTube(setup, drawing, [drawing.focal[0] + 250, drawing.focal[1]]);
  expect(pulled.angleDeg).toBeGreaterThan(10);
  const moved = computeSetup({ projectionId: 'pelvis-ap', patient: setup.patient, overrides: pulled });
  expect(moved.tube.angleToward).toBe('head');
  expect(moved.scene.focal[0]).toBeLessThan(setup.scene.focal[0]);
  const level = setupOf('chest-pa');
  const wall = drawStage(level, 'side', 1);
  const lowered = dragTube(level, wall, [wall.focal[0], wall.focal[1] + 300]);
  expect(
    computeSetup({ projectionId: 'chest-pa', patient: level.patient, overrides: lowered }).scene.focal[2],
  ).toBeLessThan(level.scene.focal[2]);
});

test('a drag never asks for more than may be pulled', () => {
  const setup = setupOf('pelvis-ap');
  const side = drawStage(setup, 'side', 1);
  expect(dragTube(setup, side, [side.entry[0] + 9000, side.entry[1] - 10])).toEqual({ sidMm: 3000, angleDeg: 45 });
  const ray = drawStage(setup, 'ray', 1);
  expect(dragField(setup, ray, [ray.hit[0] + 9000, ray.hit[1] + 1]).fieldMm).toEqual([450, 30]);
});
