/**
 * Solids taken apart into convex pieces as plain numbers, made for one focal spot and receptor: everything that is the
 * same for all rays is worked out once, and what casts no shadow there is left out. The highest rank wins at every
 * point, as among solids.
 */
import { plateNormal, ringOf } from '../body/intervals';
import type { Shape } from '../body/shape';
import type { Solid } from '../body/surface';
import { add, cross, dot, length, scale, subtract, type Vec3 } from '../geometry/vector';
import { materialIndex } from './attenuation';
import { shadowIn, type Detector } from './shadow';

export const BALL = 0;
export const CYLINDER = 1;
export const CONE = 2;
export const PLATE = 3;

/** Numbers of a piece; a plate has more, in `faces`. */
export const STRIDE = 20;
const FACE = 4;

export type Pieces = {
  count: number;
  kind: Uint8Array;
  material: Uint16Array;
  /** `STRIDE` numbers a piece. */
  numbers: Float64Array;
  /** Half spaces of plates: normal and the distance along it from the focal spot, `FACE` numbers each. */
  faces: Float64Array;
  /** Where in `faces` the plane is that a piece lies under; -1 for none. */
  under: Int32Array;
  /** First and last column, first and last row of each shadow. */
  bounds: Float64Array;
};

type Balls = [Vec3, number][];

/** Rows of the inverse of a matrix with the columns a, b, c. */
function inverse([a, b, c]: readonly [Vec3, Vec3, Vec3]): Vec3[] {
  const volume = dot(a, cross(b, c));
  return [scale(cross(b, c), 1 / volume), scale(cross(c, a), 1 / volume), scale(cross(a, b), 1 / volume)];
}

const SIGNS = [-1, 1].flatMap((i) => [-1, 1].flatMap((j) => [-1, 1].map((k) => [i, j, k] as const)));
const boxOf = (c: Vec3, [a, b, h]: readonly [Vec3, Vec3, Vec3]): Balls =>
  SIGNS.map(([i, j, k]) => [
    [
      c[0] + a[0] * i + b[0] * j + h[0] * k,
      c[1] + a[1] * i + b[1] * j + h[1] * k,
      c[2] + a[2] * i + b[2] * j + h[2] * k,
    ],
    0,
  ]);

/** A ball and a cylinder are a unit one in coordinates of their own. */
function affineNumbers(c: Vec3, axes: readonly [Vec3, Vec3, Vec3], focal: Vec3): number[] {
  const rows = inverse(axes);
  const o = subtract(focal, c);
  return [...rows[0], ...rows[1], ...rows[2], dot(rows[0], o), dot(rows[1], o), dot(rows[2], o)];
}

/** Two balls and the cone that touches both. The balls must not lie in each other. */
function rodNumbers(p0: Vec3, p1: Vec3, r0: number, r1: number, focal: Vec3): number[] {
  const axis = subtract(p1, p0);
  const L = length(axis);
  const [o0, o1] = [subtract(focal, p0), subtract(focal, p1)];
  const w = scale(axis, 1 / L);
  const sin = (r0 - r1) / L;
  const cos = Math.sqrt(1 - sin * sin);
  const z0 = r0 * sin;
  const z1 = L + r1 * sin;
  const radius0 = r0 * cos;
  const slope = (r1 * cos - radius0) / (z1 - z0);
  const oz = dot(o0, w);
  const rho = radius0 + slope * (oz - z0);
  const squared = dot(o0, o0);
  return [
    ...o0,
    squared - r0 * r0,
    ...o1,
    dot(o1, o1) - r1 * r1,
    ...w,
    oz,
    z0 - oz,
    z1 - oz,
    rho * slope,
    1 + slope * slope,
    squared - oz * oz - rho * rho,
  ];
}

/** Half spaces of a flat convex polygon of some thickness. */
function plateFaces({ pts, t }: Extract<Shape, { kind: 'plate' }>, focal: Vec3): number[] {
  const n = plateNormal(pts);
  const half = scale(n, t / 2);
  const face = (normal: Vec3, at: Vec3): number[] => [...normal, dot(subtract(at, focal), normal)];
  return [
    ...face(n, add(pts[0], half)),
    ...face(scale(n, -1), subtract(pts[0], half)),
    ...pts.flatMap((p, i) => {
      const side = subtract(pts[(i + 1) % pts.length], p);
      return face(scale(cross(side, n), 1 / (length(cross(side, n)) || 1)), p);
    }),
  ];
}

/** @param solids where they stand, the later winning among equals; @param detector in the same frame */
export function piecesFrom(solids: readonly Solid[], detector: Detector): Pieces {
  const { focal } = detector;
  const seen = shadowIn(detector);
  const order = solids.map((_, i) => i);
  order.sort((a, b) => solids[b].priority - solids[a].priority || b - a);
  const kinds: number[] = [];
  const materials: number[] = [];
  const numbers: number[] = [];
  const faces: number[] = [];
  const bounds: number[] = [];
  const unders: number[] = [];
  let material = 0;
  let under = -1;
  const keep = (kind: number, shadow: readonly number[], own: readonly number[]) => {
    kinds.push(kind);
    materials.push(material);
    unders.push(under);
    bounds.push(shadow[0], shadow[1], shadow[2], shadow[3]);
    for (let k = 0; k < STRIDE; k += 1) numbers.push(k < own.length ? own[k] : 0);
  };
  const ball = (c: Vec3, r: number) => {
    const shadow = seen([[c, r]]);
    if (shadow)
      keep(
        BALL,
        shadow,
        affineNumbers(
          c,
          [
            [r, 0, 0],
            [0, r, 0],
            [0, 0, r],
          ],
          focal,
        ),
      );
  };
  const rod = (p0: Vec3, p1: Vec3, r0: number, r1: number) => {
    const L = length(subtract(p1, p0));
    if (L <= Math.abs(r1 - r0) + 1e-9) return r0 > r1 ? ball(p0, r0) : ball(p1, r1);
    const shadow = seen([
      [p0, r0],
      [p1, r1],
    ]);
    if (shadow) keep(CONE, shadow, rodNumbers(p0, p1, r0, r1, focal));
  };
  for (const at of order) {
    const { shape, material: name, under: plane } = solids[at];
    material = materialIndex(name);
    under = plane ? faces.length : -1;
    if (plane) faces.push(...plane.normal, plane.mm - dot(plane.normal, focal));
    switch (shape.kind) {
      case 'ellipsoid':
      case 'cylinder': {
        const shadow = seen(boxOf(shape.c, shape.axes));
        if (shadow)
          keep(shape.kind === 'cylinder' ? CYLINDER : BALL, shadow, affineNumbers(shape.c, shape.axes, focal));
        break;
      }
      case 'tube':
      case 'torus': {
        const { pts, r } = shape.kind === 'torus' ? ringOf(shape) : shape;
        if (pts.length === 1) ball(pts[0], r[0]);
        for (let i = 1; i < pts.length; i += 1) rod(pts[i - 1], pts[i], r[i - 1], r[i]);
        break;
      }
      case 'plate': {
        const half = scale(plateNormal(shape.pts), shape.t / 2);
        const shadow = seen(
          shape.pts.flatMap((p): Balls => [
            [add(p, half), 0],
            [subtract(p, half), 0],
          ]),
        );
        if (shadow) {
          const own = plateFaces(shape, focal);
          keep(PLATE, shadow, [faces.length, own.length / FACE]);
          faces.push(...own);
        }
      }
    }
  }
  return {
    count: kinds.length,
    kind: Uint8Array.from(kinds),
    material: Uint16Array.from(materials),
    under: Int32Array.from(unders),
    numbers: Float64Array.from(numbers),
    faces: Float64Array.from(faces),
    bounds: Float64Array.from(bounds),
  };
}
