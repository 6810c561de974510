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
import { markIn, planeIn, withMotion } from './measure';
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

test('joints are called by the bones between which they lie', () => {
  const names = (projectionId: string) =>
    openingsOf(computeSetup({ projectionId, side: 'left' })).map(({ name }) => name);
  expect(names('sacroiliac-oblique')).toEqual(['Sacroiliac joint, left, open', 'Sacroiliac joint, right, open']);
  expect(names('lumbar-oblique-posterior')).toEqual(
    expect.arrayContaining(['Joint L1-L2, left, open', 'Joint L5-S1, right, open']),
  );
});

test('a lateral of the neck opens the joints of both sides, and without a turn all criteria of joints pass', () => {
  const ideal = usualSetup('cervical-lateral');
  expect(sides(open(ideal)).sort()).toEqual(['L', 'R']);
  const joints = measureCriteria(ideal, ideal).filter(({ id }) => id.startsWith('open '));
  expect(joints.length).toBeGreaterThanOrEqual(6);
  expect(joints.every(({ passes }) => passes)).toBe(true);
});

/** Reads the light that comes through where points of the room fall on the picture. */
function reader(setup: Setup): (p: Vec3) => number {
  const { picture, castRows } = prepareRadiograph(setup, { pixels: 1024, seed: null });
  return (p) => {
    const { u, v } = throughPoint(setup.scene.focal, planeIn(setup), p);
    const { u: across, v: up } = setup.scene.receptor;
    const [x, y] = pixelAt(picture, addScaled(addScaled(setup.scene.hit, across, u), up, v));
    return castRows(Math.round(y), Math.round(y) + 1).through[Math.round(x)];
  };
}

/** Light through the middle of a joint against the mean of what lies beside it. */
function slitOf(setup: Setup, id: string): number {
  const primitive = mannequin.primitives.find((each) => each.id === id)!;
  const plate = solidOf(standingOf(setup), primitive)[0].shape;
  if (plate.kind !== 'plate') throw new Error(`${id} is not flat`);
  const read = reader(setup);
  const at = (offMm: number) =>
    read(applyToPoint(setup.scene.place, addScaled(shapeCentre(plate), plateNormal(plate.pts), offMm)));
  const beside = [-2.6, -2.2, 2.2, 2.6].map(at);
  return at(0) / (beside.reduce((sum, value) => sum + value, 0) / beside.length);
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

/** Light in the gap between talus and a malleolus against the darkest edge of bone on either side of it. */
function mortise(setup: Setup, malleolus: string): number {
  const read = reader(setup);
  const [from, to] = ['talus_dome_L', malleolus].map((id) => markIn(setup, id));
  // At the height of the talus, on the line from the middle of its pulley to the ankle bone.
  const at = (share: number) =>
    read([
      from[0] + (to[0] - from[0]) * share,
      from[1] + (to[1] - from[1]) * share,
      from[2] + (to[2] - from[2]) * share,
    ]);
  const across = Array.from({ length: 41 }, (_, i) => at(0.45 + i * 0.01));
  return Math.max(
    ...across.map((value, i) => value / Math.max(Math.min(...across.slice(0, i + 1)), Math.min(...across.slice(i)))),
  );
}

test('the ankle is most open on both sides of the talus in the mortise view', () => {
  const ideal = usualSetup('ankle-mortise');
  const least = (setup: Setup) =>
    Math.min(...['med_malleolus_L', 'lat_malleolus_L'].map((malleolus) => mortise(setup, malleolus)));
  expect(least(ideal)).toBeGreaterThan(1.6);
  for (const rollDeg of [20, -20])
    expect(least(withMotion(ideal, 'rollDeg', rollDeg))).toBeLessThan(least(ideal) - 0.1);
});

test('with the mouth open teeth and mastoid tips stand in one line, and the dens between them and the lower teeth', () => {
  const ideal = usualSetup('cervical-ap-open-mouth');
  const height = (setup: Setup, id: string) => throughPoint(setup.scene.focal, planeIn(setup), markIn(setup, id)).v;
  expect(Math.abs(height(ideal, 'occlusal_edge') - height(ideal, 'mastoid_tip_L'))).toBeLessThan(3);
  expect(height(ideal, 'occlusal_edge')).toBeGreaterThan(height(ideal, 'C2_dens') + 5);
  expect(height(ideal, 'tooth_l1_L')).toBeLessThan(height(ideal, 'C2_body') - 10);
  // Chin down brings the teeth over the dens, chin up takes them off it.
  const [down, up] = [6, -6].map((tiltDeg) => height(withMotion(ideal, 'tiltDeg', tiltDeg), 'occlusal_edge'));
  expect([down, up].sort((a, b) => a - b)[0]).toBeLessThan(height(ideal, 'C2_dens') + 5);
});
