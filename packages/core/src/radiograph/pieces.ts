/**
 * Solids taken apart into convex pieces as plain numbers, made for one focal spot: everything that is the same for all
 * rays is worked out once. The highest rank wins at every point, as among solids.
 */
import type { Solid } from '../body/surface';
import { plateNormal } from '../body/intervals';
import type { Shape } from '../body/shape';
import { add, cross, dot, length, scale, subtract, type Vec3 } from '../geometry/vector';
import { materialIndex } from './attenuation';

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
  /** Corners of a box round each piece, for finding where it falls: eight points of three numbers. */
  corners: Float64Array;
};

type Piece = { kind: number; material: number; numbers: number[]; faces: number[]; corners: Vec3[] };

/** Rows of the inverse of a matrix with the columns a, b, c. */
function inverse([a, b, c]: readonly [Vec3, Vec3, Vec3]): Vec3[] {
  const volume = dot(a, cross(b, c));
  return [scale(cross(b, c), 1 / volume), scale(cross(c, a), 1 / volume), scale(cross(a, b), 1 / volume)];
}

const SIGNS = [-1, 1].flatMap((i) => [-1, 1].flatMap((j) => [-1, 1].map((k) => [i, j, k] as const)));
const boxOf = (c: Vec3, [a, b, h]: readonly [Vec3, Vec3, Vec3]): Vec3[] =>
  SIGNS.map(([i, j, k]) => add(add(add(c, scale(a, i)), scale(b, j)), scale(h, k)));
const cubeOf = (c: Vec3, r: number): Vec3[] =>
  boxOf(c, [
    [r, 0, 0],
    [0, r, 0],
    [0, 0, r],
  ]);

/** A ball and a cylinder are a unit one in coordinates of their own. */
function affine(kind: number, c: Vec3, axes: readonly [Vec3, Vec3, Vec3], material: number, focal: Vec3): Piece {
  const rows = inverse(axes);
  const o = subtract(focal, c);
  return {
    kind,
    material,
    numbers: [...rows.flat(), ...rows.map((row) => dot(row, o))],
    faces: [],
    corners: boxOf(c, axes),
  };
}

/** Two balls and the cone between them that touches both. */
function rod(p0: Vec3, p1: Vec3, r0: number, r1: number, material: number, focal: Vec3): Piece {
  const axis = subtract(p1, p0);
  const L = length(axis);
  const [o0, o1] = [subtract(focal, p0), subtract(focal, p1)];
  const apart = L > Math.abs(r1 - r0) && L > 1e-9;
  const w = apart ? scale(axis, 1 / L) : ([0, 0, 1] as Vec3);
  const sin = apart ? (r0 - r1) / L : 0;
  const cos = Math.sqrt(1 - sin * sin);
  const z0 = r0 * sin;
  const z1 = L + r1 * sin;
  const radius0 = r0 * cos;
  const slope = apart ? (r1 * cos - radius0) / (z1 - z0) : 0;
  return {
    kind: CONE,
    material,
    numbers: [
      ...o0,
      dot(o0, o0) - r0 * r0,
      ...o1,
      dot(o1, o1) - r1 * r1,
      ...w,
      dot(o0, w),
      z0,
      z1,
      radius0,
      slope,
      dot(o0, o0),
      apart ? 1 : 0,
    ],
    faces: [],
    corners: [...cubeOf(p0, r0), ...cubeOf(p1, r1)],
  };
}

const RING_PIECES = 24;
function piecesOf(shape: Shape, material: number, focal: Vec3): Piece[] {
  switch (shape.kind) {
    case 'ellipsoid':
      return [affine(BALL, shape.c, shape.axes, material, focal)];
    case 'cylinder':
      return [affine(CYLINDER, shape.c, shape.axes, material, focal)];
    case 'tube': {
      const { pts, r } = shape;
      if (pts.length === 1) return [rod(pts[0], pts[0], r[0], r[0], material, focal)];
      return pts.slice(1).map((p, i) => rod(pts[i], p, r[i], r[i + 1], material, focal));
    }
    case 'plate': {
      const n = plateNormal(shape.pts);
      const half = scale(n, shape.t / 2);
      const face = (normal: Vec3, at: Vec3): number[] => [...normal, dot(subtract(at, focal), normal)];
      const sides = shape.pts.map((p, i) => {
        const side = subtract(shape.pts[(i + 1) % shape.pts.length], p);
        return face(scale(cross(side, n), 1 / (length(cross(side, n)) || 1)), p);
      });
      const faces = [
        ...face(n, add(shape.pts[0], half)),
        ...face(scale(n, -1), subtract(shape.pts[0], half)),
        ...sides.flat(),
      ];
      return [
        {
          kind: PLATE,
          material,
          numbers: [],
          faces,
          corners: shape.pts.flatMap((p) => [add(p, half), subtract(p, half)]),
        },
      ];
    }
    case 'torus': {
      const { c, n, ring, tube } = shape;
      const any: Vec3 = Math.abs(n[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
      const u = scale(cross(n, any), 1 / length(cross(n, any)));
      const v = cross(n, u);
      // The chord's sag is made up for in the radius of the chain.
      const radius = ring / Math.sqrt(Math.cos(Math.PI / RING_PIECES));
      const pts = Array.from({ length: RING_PIECES + 1 }, (_, i): Vec3 => {
        const t = (2 * Math.PI * i) / RING_PIECES;
        return add(add(c, scale(u, radius * Math.cos(t))), scale(v, radius * Math.sin(t)));
      });
      return pts.slice(1).map((p, i) => rod(pts[i], p, tube, tube, material, focal));
    }
  }
}

/** Corners of the least upright box round points. */
function around(points: readonly Vec3[]): number[] {
  const low = [0, 1, 2].map((k) => Math.min(...points.map((p) => p[k])));
  const high = [0, 1, 2].map((k) => Math.max(...points.map((p) => p[k])));
  return SIGNS.flatMap((signs) => signs.map((sign, k) => (sign < 0 ? low[k] : high[k])));
}

/** @param solids where they stand, the later winning among equals; @param focal the focal spot, in the same frame */
export function piecesFrom(solids: readonly Solid[], focal: Vec3): Pieces {
  const ranked = solids.map((solid, order) => ({ solid, order }));
  ranked.sort((a, b) => b.solid.priority - a.solid.priority || b.order - a.order);
  const list = ranked.flatMap(({ solid }) => piecesOf(solid.shape, materialIndex(solid.material), focal));
  const numbers = new Float64Array(list.length * STRIDE);
  const faces: number[] = [];
  list.forEach((piece, i) => {
    if (piece.kind === PLATE) {
      numbers[i * STRIDE] = faces.length;
      numbers[i * STRIDE + 1] = piece.faces.length / FACE;
      faces.push(...piece.faces);
    } else numbers.set(piece.numbers, i * STRIDE);
  });
  return {
    count: list.length,
    kind: Uint8Array.from(list, ({ kind }) => kind),
    material: Uint16Array.from(list, ({ material }) => material),
    numbers,
    faces: Float64Array.from(faces),
    // A box along the piece's own axes is tighter where there is one.
    corners: Float64Array.from(
      list.flatMap(({ corners }) => (corners.length === 8 ? corners.flat() : around(corners))),
    ),
  };
}
