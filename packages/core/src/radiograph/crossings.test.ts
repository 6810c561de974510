/** Rays of a run against the intervals of the same shapes one ray at a time: lengths to two thousandths of a millimetre. */
import fc from 'fast-check';
import { rayIntervals } from '../body/intervals';
import type { Shape } from '../body/shape';
import type { Solid } from '../body/surface';
import { addScaled, distance, dot, normalize, scale, subtract, type Vec3 } from '../geometry/vector';
import { ENERGIES, materialIndex, MU_PER_MM } from './attenuation';
import { castRays } from './castRays';
import { RUN } from './crossings';
import { piecesFrom, rankedElements } from './pieces';
import type { Detector } from './shadow';

/** More than two runs across, and a remainder. */
const COLUMNS = 2 * RUN + 5;
const ROWS = 3;
const detectorAt = (focal: Vec3): Detector => ({
  focal,
  origin: [-1.5 * (COLUMNS / 2), 12, -200],
  stepU: [1.5, 0, 0],
  stepV: [0, -9, 1],
  columns: COLUMNS,
  rows: ROWS,
});
const FOCAL: Vec3 = [3, -2, 900];
/** Intervals of a thousandth are left out of the slow count. */
const LEAST_MM = 2e-3;

/** One energy alone: what comes through is exp of minus a length. */
const ONE = new Float64Array(ENERGIES);
const ENERGY = 4;
ONE[ENERGY] = 1;
const MATERIAL = 'muscle';
const MU = MU_PER_MM[materialIndex(MATERIAL) * ENERGIES + ENERGY];

const endOf = ({ origin, stepU, stepV }: Detector, x: number, y: number): Vec3 =>
  addScaled(addScaled(origin, stepU, x), stepV, y);

/** Length of a ray in a shape between focal spot and receptor, by the intervals of the body. */
function lengthIn({ shape, under }: Solid, focal: Vec3, to: Vec3): number {
  const d = normalize(subtract(to, focal));
  const far = distance(to, focal);
  return rayIntervals(shape, focal, d).reduce((sum, [a, b]) => {
    let [from, end] = [Math.max(0, a), Math.min(far, b)];
    if (under) {
      const speed = dot(under.normal, d);
      const at = (under.mm - dot(under.normal, focal)) / speed;
      if (speed > 0) end = Math.min(end, at);
      else from = Math.max(from, at);
    }
    return sum + Math.max(0, end - from);
  }, 0);
}

function worst(solid: Solid, focal: Vec3 = FOCAL): number {
  const detector = detectorAt(focal);
  const { through } = castRays(piecesFrom(rankedElements([solid]), detector), detector, ONE, () => true);
  let most = 0;
  for (let y = 0; y < ROWS; y += 1)
    for (let x = 0; x < COLUMNS; x += 1) {
      const cast = -Math.log(through[y * COLUMNS + x]) / MU;
      most = Math.max(most, Math.abs(cast - lengthIn(solid, focal, endOf(detector, x, y))));
    }
  return most;
}
const of = (shape: Shape, under?: Solid['under']): Solid => ({
  shape,
  material: MATERIAL,
  priority: 1,
  ...(under && { under }),
});

const mm = (most: number) => fc.double({ min: -most, max: most, noNaN: true });
const size = fc.double({ min: 3, max: 45, noNaN: true });
const place = fc.tuple(mm(50), mm(14), mm(60)) as fc.Arbitrary<Vec3>;
const direction = fc
  .tuple(mm(1), mm(1), mm(1))
  .filter((d) => Math.hypot(...d) > 0.2)
  .map((d) => normalize(d as unknown as Vec3));
/** Three axes square to each other. */
const frame = fc.tuple(direction, direction, size, size, size).map(([a, b, i, j, k]): [Vec3, Vec3, Vec3] => {
  const side: Vec3 = Math.abs(dot(a, b)) > 0.9 ? [a[1], a[2], a[0]] : b;
  const second = normalize(addScaled(side, a, -dot(a, side)));
  const third: Vec3 = [
    a[1] * second[2] - a[2] * second[1],
    a[2] * second[0] - a[0] * second[2],
    a[0] * second[1] - a[1] * second[0],
  ];
  return [scale(a, i), scale(second, j), scale(third, k)];
});
const rods = fc
  .tuple(place, place, size, size)
  .map(([a, b, ra, rb]): Shape => ({ kind: 'tube', pts: [a, b], r: [ra, rb] }));
const SHAPES: Record<string, fc.Arbitrary<Shape>> = {
  ball: fc.tuple(place, frame).map(([c, axes]): Shape => ({ kind: 'ellipsoid', c, axes })),
  cylinder: fc.tuple(place, frame).map(([c, axes]): Shape => ({ kind: 'cylinder', c, axes })),
  rod: rods,
  plate: fc.tuple(place, frame, size).map(([c, [a, b], t]): Shape => ({
    kind: 'plate',
    pts: [addScaled(c, a, 1), addScaled(c, b, 1), addScaled(c, a, -1), addScaled(c, b, -1)],
    t,
  })),
};

describe.each(Object.entries(SHAPES))('%s', (_, shape) => {
  it('is crossed where one ray at a time finds it', () =>
    fc.assert(
      fc.property(shape, (each) => expect(worst(of(each))).toBeLessThan(LEAST_MM)),
      { numRuns: 150 },
    ));
  it('is cut by a plane as one ray at a time is', () =>
    fc.assert(
      fc.property(shape, direction, mm(30), (each, normal, at) =>
        expect(worst(of(each, { normal, mm: at }))).toBeLessThan(LEAST_MM),
      ),
      { numRuns: 80 },
    ));
  it('holds the focal spot, or stands behind the receptor', () =>
    fc.assert(
      fc.property(shape, fc.constantFrom<Vec3>([0, 0, 10], [0, 0, -150], [20, 5, 30]), (each, focal) =>
        expect(worst(of(each), focal)).toBeLessThan(LEAST_MM),
      ),
      { numRuns: 80 },
    ));
});

test('rays along an axis, along a face and through the tip are no exception', () => {
  const straight: Vec3 = [0, 0, 1];
  const axes = [scale([1, 0, 0], 20), scale([0, 1, 0], 20), scale(straight, 20)] as const;
  // The ray of this column runs straight down.
  const focal = endOf(detectorAt(FOCAL), 10, 1);
  for (const shape of [
    { kind: 'cylinder', c: addScaled(focal, straight, 500), axes },
    { kind: 'cylinder', c: addScaled(focal, straight, 500), axes: [axes[2], axes[0], axes[1]] },
    { kind: 'tube', pts: [addScaled(focal, straight, 400), addScaled(focal, straight, 500)], r: [10, 10] },
    { kind: 'tube', pts: [addScaled(focal, straight, 400), addScaled(focal, straight, 420)], r: [3, 22] },
    { kind: 'tube', pts: [addScaled(focal, straight, 400), addScaled(focal, straight, 420)], r: [24, 5] },
  ] as Shape[])
    expect(worst(of(shape), addScaled(focal, straight, 1000))).toBeLessThan(LEAST_MM);
});

test('what is not asked for stays dark, and what is beside it does not change', () => {
  const solid = of({
    kind: 'ellipsoid',
    c: [0, 0, 0],
    axes: [scale([1, 0, 0], 30), scale([0, 1, 0], 20), scale([0, 0, 1], 25)],
  });
  const detector = detectorAt(FOCAL);
  const pieces = piecesFrom(rankedElements([solid]), detector);
  const whole = castRays(pieces, detector, ONE, () => true).through;
  const [from, to] = [7, COLUMNS - 3];
  const asked = (pixel: number) => pixel % COLUMNS >= from && pixel % COLUMNS < to;
  castRays(pieces, detector, ONE, asked).through.forEach((value, i) => expect(value).toBe(asked(i) ? whole[i] : 0));
});
