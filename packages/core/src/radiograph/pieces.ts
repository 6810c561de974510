/**
 * Solids taken apart into convex elements, once for a body; and those of them that cast a shadow on one receptor as plain
 * numbers, for one focal spot: everything that is the same for all rays is worked out once. The highest rank wins at
 * every point, as among solids.
 */
import { plateNormal, ringOf } from '../body/intervals';
import { shapeCentre } from '../body/shape';
import type { Solid } from '../body/surface';
import { add, cross, dot, length, midpoint, scale, subtract, type Vec3 } from '../geometry/vector';
import { materialIndex } from './attenuation';
import { shadowIn, type Detector } from './shadow';

export const BALL = 0;
export const CYLINDER = 1;
export const CONE = 2;
const PLATE = 3;

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
function plateFaces(pts: readonly Vec3[], t: number, focal: Vec3): number[] {
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

/** A convex piece where it stands, with a ball round it. */
export type Element = {
  kind: number;
  material: number;
  priority: number;
  under: Solid['under'];
  middle: Vec3;
  reach: number;
  /** Balls and cylinders: middle and axes. Rods: both ends. Plates: their corners. */
  at: readonly Vec3[];
  /** Rods: both radii. Plates: the thickness. */
  sizes: readonly number[];
};

const furthest = (middle: Vec3, points: readonly (readonly [Vec3, number])[]): number =>
  Math.max(...points.map(([p, r]) => length(subtract(p, middle)) + r));

/** What an element has of its solid. */
type Own = Pick<Element, 'material' | 'priority' | 'under'>;

// A body is tens of thousands of these: written out, they are made several times as fast as spread from their solid.
const elementFrom = (
  { material, priority, under }: Own,
  kind: number,
  middle: Vec3,
  reach: number,
  at: readonly Vec3[],
  sizes: readonly number[],
): Element => ({ kind, material, priority, under, middle, reach, at, sizes });

const ball = (own: Own, c: Vec3, r: number): Element =>
  elementFrom(own, BALL, c, r, [c, [r, 0, 0], [0, r, 0], [0, 0, r]], NO_SIZES);
const NO_SIZES: readonly number[] = [];

function rod(own: Own, p0: Vec3, p1: Vec3, r0: number, r1: number): Element {
  const L = Math.hypot(p1[0] - p0[0], p1[1] - p0[1], p1[2] - p0[2]);
  // A ball within the other one adds nothing to it.
  if (L <= Math.abs(r1 - r0) + 1e-9) return r0 > r1 ? ball(own, p0, r0) : ball(own, p1, r1);
  return elementFrom(own, CONE, midpoint(p0, p1), L / 2 + Math.max(r0, r1), [p0, p1], [r0, r1]);
}

function putElements({ shape, material: name, priority, under }: Solid, all: Element[]): void {
  const own: Own = { material: materialIndex(name), priority, under };
  switch (shape.kind) {
    case 'ellipsoid':
    case 'cylinder': {
      const reach = Math.sqrt(shape.axes.reduce((sum, axis) => sum + dot(axis, axis), 0));
      const kind = shape.kind === 'cylinder' ? CYLINDER : BALL;
      const [a, b, c] = shape.axes;
      all.push(elementFrom(own, kind, shape.c, reach, [shape.c, a, b, c], NO_SIZES));
      return;
    }
    case 'tube':
    case 'torus': {
      const { pts, r } = shape.kind === 'torus' ? ringOf(shape) : shape;
      if (pts.length === 1) all.push(ball(own, pts[0], r[0]));
      for (let i = 1; i < pts.length; i += 1) all.push(rod(own, pts[i - 1], pts[i], r[i - 1], r[i]));
      return;
    }
    case 'plate': {
      const middle = shapeCentre(shape);
      const reach = furthest(
        middle,
        shape.pts.map((p) => [p, shape.t / 2]),
      );
      all.push(elementFrom(own, PLATE, middle, reach, shape.pts, [shape.t]));
    }
  }
}

/** Elements of solids by rank, the winning ones first; the later solid wins among equals. */
export function rankedElements(solids: readonly Solid[]): Element[] {
  const order = solids.map((_, i) => i);
  order.sort((a, b) => solids[b].priority - solids[a].priority || b - a);
  const all: Element[] = [];
  for (const at of order) putElements(solids[at], all);
  return all;
}

/** Two lists by rank as one; those of the second win among equals. */
export function mergedElements(first: readonly Element[], second: readonly Element[]): Element[] {
  const all: Element[] = [];
  let i = 0;
  for (const element of second) {
    while (i < first.length && first[i].priority > element.priority) all.push(first[i++]);
    all.push(element);
  }
  while (i < first.length) all.push(first[i++]);
  return all;
}

/** Balls that hold an element between them. */
function ballsRound({ kind, at, sizes }: Element): Balls {
  if (kind === CONE)
    return [
      [at[0], sizes[0]],
      [at[1], sizes[1]],
    ];
  if (kind !== PLATE) return boxOf(at[0], [at[1], at[2], at[3]]);
  const half = scale(plateNormal(at), sizes[0] / 2);
  return at.flatMap((p): Balls => [
    [add(p, half), 0],
    [subtract(p, half), 0],
  ]);
}

/** @param elements by rank, in the frame of the detector */
export function piecesFrom(elements: readonly Element[], detector: Detector): Pieces {
  const { focal } = detector;
  const seen = shadowIn(detector);
  const kinds: number[] = [];
  const materials: number[] = [];
  const unders: number[] = [];
  const numbers: number[] = [];
  const faces: number[] = [];
  const bounds: number[] = [];
  for (const element of elements) {
    const { kind, material, at, sizes, under } = element;
    if (!seen.maySee(element.middle, element.reach)) continue;
    const shadow = seen.bounds(ballsRound(element));
    if (!shadow) continue;
    unders.push(under ? faces.length : -1);
    if (under) faces.push(...under.normal, under.mm - dot(under.normal, focal));
    kinds.push(kind);
    materials.push(material);
    bounds.push(shadow[0], shadow[1], shadow[2], shadow[3]);
    let own: number[];
    if (kind === CONE) own = rodNumbers(at[0], at[1], sizes[0], sizes[1], focal);
    else if (kind === PLATE) {
      const sides = plateFaces(at, sizes[0], focal);
      own = [faces.length, sides.length / FACE];
      faces.push(...sides);
    } else own = affineNumbers(at[0], [at[1], at[2], at[3]], focal);
    for (let k = 0; k < STRIDE; k += 1) numbers.push(k < own.length ? own[k] : 0);
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
