import fc from 'fast-check';
import { rotationAbout } from '../geometry/frame';
import { add, addScaled, cross, distance, dot, normalize, scale, subtract, type Vec3 } from '../geometry/vector';
import { moveShape, rayInterval, stretchShape, supportPoint, type Ellipsoid, type Shape, type Tube } from './shape';

const ball: Ellipsoid = {
  kind: 'ellipsoid',
  c: [10, -20, 30],
  axes: [
    [50, 0, 0],
    [0, 50, 0],
    [0, 0, 50],
  ],
};
const egg: Ellipsoid = {
  kind: 'ellipsoid',
  c: [0, 0, 0],
  axes: [
    [80, 20, 0],
    [-15, 40, 10],
    [0, -10, 60],
  ],
};
const limb: Tube = {
  kind: 'tube',
  pts: [
    [0, 0, 0],
    [10, 0, -120],
    [5, 8, -260],
  ],
  r: [50, 42, 30],
};

/** Is the point inside, by definition and without the ray code? */
function inside(shape: Shape, p: Vec3): boolean {
  if (shape.kind === 'ellipsoid') {
    const [a, b, c] = shape.axes;
    const o = subtract(p, shape.c);
    const volume = dot(a, cross(b, c));
    const x = [dot(cross(b, c), o) / volume, dot(cross(c, a), o) / volume, dot(cross(a, b), o) / volume];
    return x[0] ** 2 + x[1] ** 2 + x[2] ** 2 < 1;
  }
  if (shape.kind !== 'tube') return false;
  // The union of all spheres between neighbouring ones.
  return shape.pts.some((end, i) => {
    if (i === 0) return distance(p, end) < shape.r[0];
    for (let k = 0; k <= 200; k += 1) {
      const t = k / 200;
      const centre = addScaled(shape.pts[i - 1], subtract(end, shape.pts[i - 1]), t);
      if (distance(p, centre) < shape.r[i - 1] + (shape.r[i] - shape.r[i - 1]) * t) return true;
    }
    return false;
  });
}

const coordinate = fc.double({ min: -60, max: 60, noNaN: true });
const direction = fc
  .tuple(coordinate, coordinate, coordinate)
  .filter(([x, y, z]) => Math.hypot(x, y, z) > 5)
  .map((d) => normalize(d as unknown as Vec3));

describe.each([
  ['a ball', ball],
  ['a slanted ellipsoid', egg],
  ['a limb', limb],
] as const)('a ray through %s', (_name, shape) => {
  it('is inside as far as stepping along it says', () => {
    const centre: Vec3 = shape.kind === 'tube' ? [5, 0, -120] : shape.c;
    fc.assert(
      fc.property(coordinate, coordinate, coordinate, direction, (x, y, z, d) => {
        // Along a bent limb the one interval bridges the bend, as its docstring says; rays cross limbs.
        if (shape.kind === 'tube' && Math.abs(d[2]) > 0.7) return;
        const from = add(centre, [x / 2, y / 2, z / 2]);
        const span = rayInterval(shape, from, d);
        let stepped = 0;
        for (let t = -400; t <= 400; t += 2) if (inside(shape, addScaled(from, d, t))) stepped += 2;
        expect(Math.abs((span ? span[1] - span[0] : 0) - stepped)).toBeLessThan(9);
      }),
      { numRuns: 60 },
    );
  });

  it('reaches nowhere beyond the support point', () => {
    fc.assert(
      fc.property(direction, direction, (d, along) => {
        const furthest = dot(supportPoint(shape, d), d);
        const from: Vec3 = shape.kind === 'tube' ? [5, 0, -120] : shape.c;
        const span = rayInterval(shape, from, along);
        if (!span) return;
        for (const t of span) expect(dot(addScaled(from, along, t), d)).toBeLessThanOrEqual(furthest + 1e-6);
      }),
    );
  });
});

test('a ray beside a shape misses it', () => {
  expect(rayInterval(ball, [10, 40, 30], [1, 0, 0])).toBeNull();
  expect(rayInterval(limb, [200, 0, 0], [0, 0, 1])).toBeNull();
});

test('a chord of the ball is what geometry says', () => {
  const [near, far] = rayInterval(ball, [10, -20, 70], [1, 0, 0])!;
  expect(far - near).toBeCloseTo(2 * Math.sqrt(50 ** 2 - 40 ** 2), 9);
});

describe('support points', () => {
  it('of a cylinder lie on its rim, of a plate half its thickness off, of a ring on its outer edge', () => {
    const cylinder: Shape = {
      kind: 'cylinder',
      c: [0, 0, 0],
      axes: [
        [20, 0, 0],
        [0, 10, 0],
        [0, 0, 5],
      ],
    };
    expect(supportPoint(cylinder, [1, 0, 0])).toEqual([20, 0, 5]);
    expect(supportPoint(cylinder, [0, 0, -1])[2]).toBe(-5);
    const plate: Shape = {
      kind: 'plate',
      pts: [
        [0, 0, 0],
        [10, 0, 0],
        [0, 10, 0],
      ],
      t: 4,
    };
    expect(supportPoint(plate, [0, 0, 1])[2]).toBe(2);
    expect(supportPoint(plate, [1, 0, 0])[0]).toBe(12);
    const ring: Shape = { kind: 'torus', c: [0, 0, 0], n: [0, 0, 1], ring: 30, tube: 4 };
    expect(supportPoint(ring, [1, 0, 0])[0]).toBeCloseTo(34, 9);
    expect(supportPoint(ring, [0, 0, 1])[2]).toBeCloseTo(4, 9);
  });
});

describe('moving and stretching', () => {
  it('a moved shape is met where the moved ray meets it', () => {
    const frame = rotationAbout([5, 5, 5], [0, 0, 1], 33);
    const moved = moveShape(egg, frame);
    fc.assert(
      fc.property(direction, (d) => {
        const span = rayInterval(egg, egg.c, d)!;
        const turned = normalize(subtract(supportTurn(frame, d), supportTurn(frame, [0, 0, 0])));
        const again = rayInterval(moved, (moved as Ellipsoid).c, turned)!;
        expect(again[1] - again[0]).toBeCloseTo(span[1] - span[0], 6);
      }),
    );
  });
  it('a stretched shape grows by the factor along each axis, from the point that stays', () => {
    const stretched = stretchShape(ball, [2, 1, 0.5], ball.c, [0, 0, 0]) as Ellipsoid;
    expect(stretched.c).toEqual([0, 0, 0]);
    expect([
      supportPoint(stretched, [1, 0, 0])[0],
      supportPoint(stretched, [0, 1, 0])[1],
      supportPoint(stretched, [0, 0, 1])[2],
    ]).toEqual([100, 50, 25]);
    const longer = stretchShape(limb, [1.2, 1, 2], [0, 0, 0], [0, 0, 0]) as Tube;
    expect(longer.pts[1]).toEqual([12, 0, -240]);
    expect(longer.r[0]).toBeCloseTo(55, 9);
  });
});

/** A point carried by a column-major frame, written out once more for the check. */
function supportTurn(m: readonly number[], p: Vec3): Vec3 {
  return add(
    add(scale([m[0], m[1], m[2]], p[0]), scale([m[4], m[5], m[6]], p[1])),
    add(scale([m[8], m[9], m[10]], p[2]), [m[12], m[13], m[14]]),
  );
}
