/** Ways inside the bones, against rays that are cut with every triangle; and what a picture makes of them. */
import { inverse } from '../geometry/frame';
import { addScaled, cross, distance, dot, subtract, type Vec3 } from '../geometry/vector';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { trueBones } from '../testing/trueBones';
import type { BoneSurface, TrueBone } from '../body/skeleton';
import { patientBones, patientSolids } from './bodySolids';
import { boneLengths } from './boneLengths';
import { carriedBy } from './detector';
import { grainAt } from './grain';
import { prepareRadiograph, simulateRadiograph } from './simulateRadiograph';

const skeleton = trueBones();

/** A box of bone between a focal spot and a receptor: what comes out can be worked out by hand. */
function boxBone(low: Vec3, high: Vec3): TrueBone {
  const points = Float32Array.from(
    [0, 1, 2, 3, 4, 5, 6, 7].flatMap((i) => [0, 1, 2].map((k) => ((i >> k) & 1 ? high[k] : low[k]))),
  );
  const quads = [
    [0, 2, 3, 1],
    [4, 5, 7, 6],
    [0, 1, 5, 4],
    [2, 6, 7, 3],
    [0, 4, 6, 2],
    [1, 3, 7, 5],
  ];
  const triangles = Uint16Array.from(quads.flatMap(([a, b, c, d]) => [a, b, c, a, c, d]));
  return { id: 'box', segment: 'hand_L', surfaces: [{ layer: 'wall', points, triangles, home: points }] };
}
const DETECTOR = {
  focal: [0, 0, 1000] as Vec3,
  origin: [-31, 31, 0] as Vec3,
  stepU: [2, 0, 0] as Vec3,
  stepV: [0, -2, 0] as Vec3,
  columns: 32,
  rows: 32,
};

it('a box of 20 mm takes 20 mm of the ray in its middle, more where the ray is oblique, nothing beside it', () => {
  const lengths = boneLengths([boxBone([-10, -10, 100], [10, 10, 120])], DETECTOR)!;
  const at = (column: number, row: number) => {
    const hit = addScaled(addScaled(DETECTOR.origin, DETECTOR.stepU, column), DETECTOR.stepV, row);
    return lengths.wall[row * DETECTOR.columns + column] * distance(DETECTOR.focal, hit);
  };
  expect(at(15, 15)).toBeCloseTo(20, 3);
  expect(at(19, 15)).toBeGreaterThan(20);
  expect(at(2, 15)).toBe(0);
  expect(at(15, 30)).toBe(0);
});

it.each([
  ['turned round', { ...DETECTOR, stepU: DETECTOR.stepV, stepV: DETECTOR.stepU }],
  ['as it is', DETECTOR],
])('what lies inside is counted as inside, the receptor %s', (_, detector) => {
  const { wall } = boneLengths([boxBone([-10, -10, 100], [10, 10, 120])], detector)!;
  expect(Math.min(...wall)).toBeGreaterThan(-1e-6);
  expect(Math.max(...wall)).toBeGreaterThan(0.019);
});

it('bones beside the picture, behind the receptor and at the focal spot cast no shadow', () => {
  expect(boneLengths([boxBone([400, 400, 100], [420, 420, 120])], DETECTOR)).toBeNull();
  expect(boneLengths([boxBone([-10, -10, -40], [10, 10, -20])], DETECTOR)).toBeNull();
  expect(boneLengths([boxBone([-10, -10, 990], [10, 10, 1010])], DETECTOR)).toBeNull();
});

/** Share of a ray inside a surface, triangle by triangle. */
function cutShare({ points, triangles }: BoneSurface, from: Vec3, d: Vec3): number {
  const point = (i: number): Vec3 => [points[3 * i], points[3 * i + 1], points[3 * i + 2]];
  let sum = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => point(triangles[t + k]));
    const [e1, e2] = [subtract(b, a), subtract(c, a)];
    const h = cross(d, e2);
    const det = dot(e1, h);
    if (Math.abs(det) < 1e-12) continue;
    const s = subtract(from, a);
    const u = dot(s, h) / det;
    const q = cross(s, e1);
    const v = dot(d, q) / det;
    if (u < 0 || v < 0 || u + v > 1) continue;
    // Against the outward normal a ray comes in, along it it goes out.
    // What lies behind the receptor does not count.
    sum += (det > 0 ? -1 : 1) * Math.min(1, dot(e2, q) / det);
  }
  return sum;
}

const SCENES = [
  'hand-pa',
  'hand-oblique',
  'hand-lateral-fan',
  'wrist-pa',
  'wrist-lateral',
  'wrist-ulnar-deviation',
  'forearm-ap',
  'forearm-lateral',
  'elbow-ap',
  'elbow-lateral',
  'thumb-ap',
  'carpal-canal-tangential',
];
it.each(SCENES)('%s: ways inside the bones are those of an independent cut', (projectionId) => {
  const setup = computeSetup({ projectionId, side: 'left', room: ROOM_ONE });
  const { picture } = prepareRadiograph(setup, { pixels: 96, seed: null });
  // In the frame of the patient, where the bones are.
  const bones = patientBones(setup, skeleton).filter(({ id }) => id.endsWith('_L'));
  const detector = carriedBy(picture, inverse(setup.scene.place));
  const lengths = boneLengths(bones, detector)!;
  let compared = 0;
  let off = 0;
  for (let pixel = 0; pixel < lengths.wall.length; pixel += 13) {
    const [x, y] = [pixel % picture.columns, Math.floor(pixel / picture.columns)];
    const hit = addScaled(addScaled(detector.origin, detector.stepU, x), detector.stepV, y);
    const d = subtract(hit, detector.focal);
    for (const layer of ['wall', 'spongy'] as const) {
      const cut = bones
        .flatMap(({ surfaces }) => surfaces.filter((surface) => surface.layer === layer))
        .reduce((sum, surface) => sum + cutShare(surface, detector.focal, d), 0);
      if (cut < 1e-6 && lengths[layer][pixel] < 1e-6) continue;
      compared += 1;
      if (Math.abs(cut - lengths[layer][pixel]) > 0.01 * cut + 2e-5) off += 1;
    }
  }
  expect(compared).toBeGreaterThan(20);
  expect(off / compared).toBeLessThan(0.01);
});

it('true bones take the place of the pieces they stand for, and no others', () => {
  const setup = computeSetup({ projectionId: 'hand-pa', side: 'left', room: ROOM_ONE });
  const [bare, covered] = [patientSolids(setup), patientSolids(setup, skeleton)];
  expect(bare.length - covered.length).toBeGreaterThan(60);
  const child = computeSetup({ projectionId: 'hand-pa', side: 'left', room: ROOM_ONE, patient: { ageYears: 8 } });
  expect(patientSolids(child, skeleton)).toHaveLength(patientSolids(child).length);
  expect(patientBones(child, skeleton)).toEqual([]);
});

it('rows that are cast apart are the rows of the whole picture', () => {
  const setup = computeSetup({ projectionId: 'wrist-pa', side: 'left', room: ROOM_ONE });
  const { picture, castRows } = prepareRadiograph(setup, { pixels: 120, seed: null, skeleton });
  const whole = castRows(0, picture.rows).through;
  const middle = Math.floor(picture.rows / 2);
  const parts = [castRows(0, middle), castRows(middle, picture.rows)].flatMap(({ through }) => [...through]);
  expect(parts).toHaveLength(whole.length);
  expect(Math.max(...parts.map((share, i) => Math.abs(share - whole[i])))).toBeLessThan(1e-5);
});

it('the index of a hand is as near its target with true bones as with the pieces', () => {
  for (const projectionId of ['hand-pa', 'wrist-pa', 'forearm-ap']) {
    const setup = computeSetup({ projectionId, side: 'left', room: ROOM_ONE });
    const { deviation } = simulateRadiograph(setup, ROOM_ONE, { pixels: 160, seed: null, skeleton });
    expect(Math.abs(deviation!)).toBeLessThan(1);
  }
});

it('grain is the same at the same point, as strong to one side as to the other, and repeats', () => {
  const values = Array.from({ length: 4000 }, (_, i) => grainAt(i * 0.37, i * 0.11, i * 0.73));
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  expect(Math.abs(mean)).toBeLessThan(0.02);
  expect(Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length)).toBeCloseTo(0.2, 1);
  expect(grainAt(1.1, 2.2, 3.3)).toBe(grainAt(1.1 + 64 * 0.3, 2.2, 3.3));
  expect(grainAt(-100, 0, -500)).not.toBeNaN();
});
