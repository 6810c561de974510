import fc from 'fast-check';
import { frameFromPairs, applyToPoint, compose, rotationAbout } from './frame';
import { onPlane, projectPoint, rayPlane, type PlaneFrame } from './projection';
import { distance, type Vec3 } from './vector';

const plane: PlaneFrame = { origin: [0, 0, 0], u: [1, 0, 0], v: [0, 1, 0], n: [0, 0, 1] };
const source: Vec3 = [0, 0, 1000];

test('a point 100 mm above the receptor at 50 mm off the ray', () => {
  const { u, v, magnification } = projectPoint(source, plane, [50, 0, 100]);
  expect(u).toBeCloseTo(55.556, 3);
  expect(v).toBeCloseTo(0, 9);
  expect(magnification).toBeCloseTo(1000 / 900, 9);
});

test('a tilted ray moves what lies high', () => {
  const tilted: Vec3 = [Math.tan((20 * Math.PI) / 180) * 1000, 0, 1000];
  const foot = projectPoint(tilted, plane, [0, 0, 0]).u;
  const top = projectPoint([tilted[0] * 1e3, 0, 1e6], plane, [0, 0, 50]).u;
  expect(foot - top).toBeCloseTo(50 * Math.tan((20 * Math.PI) / 180), 1);
});

test('refuses points that cannot be projected', () => {
  expect(() => projectPoint(source, plane, [0, 0, 1000])).toThrow(/focal spot/);
  expect(() => projectPoint(source, plane, [0, 0, 1200])).toThrow(RangeError);
  expect(() => projectPoint(source, plane, [0, 0, -50])).toThrow(/behind the receptor/);
});

test('a ray along the plane never meets it', () => {
  expect(rayPlane([0, 0, 5], [1, 0, 0], [0, 0, 0], [0, 0, 1])).toBeNull();
  expect(rayPlane([0, 0, 5], [0, 0, -1], [0, 0, 0], [0, 0, 1])).toBeCloseTo(5);
});

test('the shadow lies on the line from the source through the point', () => {
  const coordinate = fc.double({ min: -300, max: 300, noNaN: true });
  fc.assert(
    fc.property(coordinate, coordinate, fc.double({ min: 0, max: 400, noNaN: true }), (x, y, z) => {
      const { u, v } = projectPoint(source, plane, [x, y, z]);
      const shadow = onPlane(plane, [u, v]);
      expect(distance(source, [x, y, z]) + distance([x, y, z], shadow)).toBeCloseTo(distance(source, shadow), 6);
    }),
  );
});

test('frames keep lengths, and rotations come back', () => {
  const there = rotationAbout([10, 20, 30], [1, 0, 0], 37);
  const back = rotationAbout([10, 20, 30], [1, 0, 0], -37);
  const p: Vec3 = [5, -7, 11];
  const round = applyToPoint(compose(back, there), p);
  round.forEach((value, i) => expect(value).toBeCloseTo(p[i], 9));
  const carried = applyToPoint(frameFromPairs([0, 0, 1], [0, 1, 0], [1, 0, 0], [0, 0, -1]), [0, 0, 3]);
  carried.forEach((value, i) => expect(value).toBeCloseTo([3, 0, 0][i], 9));
});
