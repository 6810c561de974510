/** Where on the receptor the shadow of a ball falls: for sorting pieces into tiles and for leaving out what casts none. */
import { cross, dot, length, scale, subtract, type Vec3 } from '../geometry/vector';

export type Detector = {
  focal: Vec3;
  /** Middle of the first pixel, and the steps to the next one along a row and to the next row; square to each other. */
  origin: Vec3;
  stepU: Vec3;
  stepV: Vec3;
  columns: number;
  rows: number;
};

/** First and last column, first and last row. */
export type Bounds = [number, number, number, number];
const NOWHERE: Readonly<Bounds> = [Infinity, -Infinity, Infinity, -Infinity];

/** Ends of the shadow of a circle at (side, ahead) on a line across at `plane`, or null where it reaches round. */
function spread(side: number, ahead: number, r: number, plane: number): [number, number] | null {
  const under = ahead * ahead - r * r;
  if (ahead <= r || under <= 1e-9) return null;
  const reach = r * Math.sqrt(side * side + under);
  return [((side * ahead - reach) / under) * plane, ((side * ahead + reach) / under) * plane];
}

export type ShadowTest = {
  /** False where a ball surely casts no shadow on the picture: quick, and on the safe side. */
  maySee: (middle: Vec3, reach: number) => boolean;
  /**
   * For balls (points have r 0) that together hold a convex piece: the pixels its shadow lies within, or null where none
   * of it falls on the picture.
   */
  bounds: (balls: readonly (readonly [Vec3, number])[]) => Bounds | null;
};

export function shadowIn({ focal, origin, stepU, stepV, columns, rows }: Detector): ShadowTest {
  const [du, dv] = [length(stepU), length(stepV)];
  const [u, v] = [scale(stepU, 1 / du), scale(stepV, 1 / dv)];
  const away = cross(u, v);
  const start = subtract(origin, focal);
  const n = dot(start, away) < 0 ? scale(away, -1) : away;
  const plane = dot(start, n);
  const [u0, v0] = [dot(start, u), dot(start, v)];
  // Planes through the focal spot and the edges of the picture, each with its normal pointing in.
  const edges = [
    { d: u, at: u0 - du / 2, sign: 1 },
    { d: u, at: u0 + du * (columns - 0.5), sign: -1 },
    { d: v, at: v0 - dv / 2, sign: 1 },
    { d: v, at: v0 + dv * (rows - 0.5), sign: -1 },
  ].map(({ d, at, sign }) => {
    const normal = scale(subtract(scale(d, plane), scale(n, at)), sign);
    return scale(normal, 1 / length(normal));
  });
  const maySee = (middle: Vec3, reach: number): boolean => {
    const x = middle[0] - focal[0];
    const y = middle[1] - focal[1];
    const z = middle[2] - focal[2];
    if (x * n[0] + y * n[1] + z * n[2] - reach >= plane) return false;
    for (const edge of edges) if (x * edge[0] + y * edge[1] + z * edge[2] < -reach) return false;
    return true;
  };
  const boundsOf: ShadowTest['bounds'] = (balls) => {
    const bounds: Bounds = [...NOWHERE];
    let inFront = false;
    for (const [p, r] of balls) {
      const x = p[0] - focal[0];
      const y = p[1] - focal[1];
      const z = p[2] - focal[2];
      const ahead = x * n[0] + y * n[1] + z * n[2];
      // What lies wholly behind the receptor casts no shadow on it.
      if (ahead - r < plane) inFront = true;
      const across = spread(x * u[0] + y * u[1] + z * u[2], ahead, r, plane);
      const down = spread(x * v[0] + y * v[1] + z * v[2], ahead, r, plane);
      // What stands beside or behind the focal spot may fall anywhere.
      if (!across || !down) return [0, columns - 1, 0, rows - 1];
      bounds[0] = Math.min(bounds[0], (across[0] - u0) / du);
      bounds[1] = Math.max(bounds[1], (across[1] - u0) / du);
      bounds[2] = Math.min(bounds[2], (down[0] - v0) / dv);
      bounds[3] = Math.max(bounds[3], (down[1] - v0) / dv);
    }
    const misses = bounds[1] < 0 || bounds[3] < 0 || bounds[0] > columns - 1 || bounds[2] > rows - 1;
    return misses || !inFront ? null : bounds;
  };
  return { maySee, bounds: boundsOf };
}
