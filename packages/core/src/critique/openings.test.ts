/** Joints are open where teaching turns the patient to open them, closed where they lie the other way, and the picture agrees. */
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import { applyToPoint } from '../geometry/frame';
import { mannequin } from '../body/mannequin';
import { shapeCentre } from '../body/shape';
import { solidOf } from '../body/surface';
import { plateNormal } from '../body/intervals';
import { throughPoint } from '../geometry/projection';
import { addScaled, dot, type Vec3 } from '../geometry/vector';
import { standingOf } from '../radiograph/bodySolids';
import { pixelAt } from '../radiograph/detector';
import { prepareRadiograph } from '../radiograph/simulateRadiograph';
import { usualSetup } from './correctFault';
import { measureCriteria } from './criteria';
import { planeIn, withMotion } from './measure';
import { OPEN_SHARE, openingsOf } from './openings';

const open = (setup: Setup): string[] =>
  openingsOf(setup)
    .filter(({ mm, widestMm }) => mm >= widestMm * OPEN_SHARE)
    .map(({ id }) => id.replace('open ', ''));

const sides = (ids: readonly string[]) => [...new Set(ids.map((id) => id.slice(-1)))];

describe.each([
  ['lumbar-oblique-posterior', 'L', 3],
  ['thoracic-oblique', 'L', 8],
  ['sacroiliac-oblique', 'L', 1],
])('%s of the left', (projectionId, side, least) => {
  it('opens joints of that side alone', () => {
    const shown = open(computeSetup({ projectionId, side: 'left' }));
    expect(shown.length).toBeGreaterThanOrEqual(least);
    expect(sides(shown)).toEqual([side]);
  });
  it('of the right the same ones of the right', () => {
    const left = open(computeSetup({ projectionId, side: 'left' }));
    const right = open(computeSetup({ projectionId, side: 'right' }));
    expect(right.map((id) => id.replace(/R$/, 'L'))).toEqual(left);
  });
  it.each([20, -20])('closes them when turned %p° more', (rollDeg) => {
    const ideal = computeSetup({ projectionId, side: 'left' });
    const before = openingsOf(ideal).filter(({ id }) => open(ideal).includes(id.replace('open ', '')));
    const turned = openingsOf(withMotion(ideal, 'rollDeg', rollDeg));
    for (const { id, mm } of before) expect(turned.find((each) => each.id === id)!.mm).toBeLessThan(mm);
    const failed = measureCriteria(ideal, withMotion(ideal, 'rollDeg', rollDeg)).filter(
      ({ id, passes }) => id.startsWith('open ') && !passes,
    );
    expect(failed.length).toBeGreaterThanOrEqual(Math.ceil(before.length / 2));
  });
});

test('a lateral of the neck opens the joints of both sides, and without a turn all criteria of joints pass', () => {
  const ideal = usualSetup('cervical-lateral');
  expect(sides(open(ideal)).sort()).toEqual(['L', 'R']);
  const joints = measureCriteria(ideal, ideal).filter(({ id }) => id.startsWith('open '));
  expect(joints.length).toBeGreaterThanOrEqual(6);
  expect(joints.every(({ passes }) => passes)).toBe(true);
});

/** Light through the middle of a joint against the mean of what lies beside it, from the picture itself. */
function slitOf(setup: Setup, id: string): number {
  const primitive = mannequin.primitives.find((each) => each.id === id)!;
  const plate = solidOf(standingOf(setup), primitive)[0].shape;
  if (plate.kind !== 'plate') throw new Error(`${id} is not flat`);
  const { picture, castRows } = prepareRadiograph(setup, { pixels: 1024, seed: null });
  const at = (offMm: number): [number, number] => {
    const inBody = addScaled(shapeCentre(plate), plateNormal(plate.pts), offMm);
    const p = applyToPoint(setup.scene.place, inBody);
    const { u, v } = throughPoint(setup.scene.focal, planeIn(setup), p);
    const { u: across, v: up } = setup.scene.receptor;
    const onPlate: Vec3 = addScaled(addScaled(setup.scene.hit, across, u), up, v);
    return pixelAt(picture, onPlate);
  };
  const middle = at(0);
  const [first, end] = [Math.floor(middle[1]) - 20, Math.floor(middle[1]) + 20];
  const { through } = castRows(first, end);
  const read = ([x, y]: [number, number]) => through[(Math.round(y) - first) * picture.columns + Math.round(x)];
  const beside = [-2.6, -2.2, 2.2, 2.6].map((mm) => read(at(mm)));
  return read(middle) / (beside.reduce((sum, value) => sum + value, 0) / beside.length);
}

test.each([
  ['lumbar-oblique-posterior', 'L3_facet_L', 20],
  ['lumbar-oblique-posterior', 'L2_facet_L', 20],
  ['sacroiliac-oblique', 'sacroiliac_joint_L', 20],
  ['cervical-lateral', 'C4_facet_L', 25],
])('%s: on the picture %s is a dark slit that goes when the part is turned', (projectionId, id, turned) => {
  const ideal = computeSetup({ projectionId, side: projectionId.includes('oblique') ? 'left' : undefined });
  const slit = slitOf(ideal, id);
  expect(slit).toBeGreaterThan(1.1);
  for (const rollDeg of [turned, -turned])
    expect(slitOf(withMotion(ideal, 'rollDeg', rollDeg), id)).toBeLessThan(slit - 0.05);
});

test('the blade of the scapula stands on edge in its lateral views', () => {
  const blade = mannequin.primitives.find(({ id }) => id === 'scapula_body_L')!;
  for (const projectionId of ['shoulder-scapular-y', 'shoulder-outlet', 'scapula-lateral']) {
    const setup = computeSetup({ projectionId, side: 'left' });
    const plate = solidOf(standingOf(setup), blade)[0].shape;
    if (plate.kind !== 'plate') throw new Error('the blade is not flat');
    const [a, b] = [0, 10].map((mm) =>
      applyToPoint(setup.scene.place, addScaled(shapeCentre(plate), plateNormal(plate.pts), mm)),
    );
    const lean = Math.abs(dot([b[0] - a[0], b[1] - a[1], b[2] - a[2]], setup.scene.beam)) / 10;
    expect((Math.asin(lean) * 180) / Math.PI).toBeLessThan(3);
  }
});
