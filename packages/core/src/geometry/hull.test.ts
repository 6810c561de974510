import fc from 'fast-check';
import { convexHull } from './hull';
import type { Vec2 } from './vector';

test('the hull of a square with a point inside is the square', () => {
  expect(
    convexHull([
      [0, 0],
      [2, 0],
      [1, 1],
      [2, 2],
      [0, 2],
    ]),
  ).toHaveLength(4);
});

test('every point lies on the inner side of every edge', () => {
  const coordinate = fc.integer({ min: -50, max: 50 });
  fc.assert(
    fc.property(fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 30 }), (points) => {
      const hull = convexHull(points as Vec2[]);
      if (hull.length < 3) return;
      hull.forEach(([ax, ay], i) => {
        const [bx, by] = hull[(i + 1) % hull.length];
        for (const [x, y] of points) expect((bx - ax) * (y - ay) - (by - ay) * (x - ax)).toBeGreaterThanOrEqual(0);
      });
    }),
  );
});
