/**
 * Outlines of the posed mannequin as SVG paths: every piece projected, its hull taken, the hulls united, the edge
 * smoothed so that limbs run into each other as skin does.
 */
import polygonClipping, { type MultiPolygon, type Polygon } from 'polygon-clipping';
import { convexHull } from '../geometry/hull';
import { addScaled, dot, scale, type Vec2, type Vec3 } from '../geometry/vector';
import { supportPoint, type Shape } from './shape';

/** A drawing plane: right and up as seen by the viewer; y of the drawing runs down. */
export type DrawingPlane = { right: Vec3; up: Vec3 };

const DIRECTIONS = 18;

const spread = ({ right, up }: DrawingPlane): Vec3[] =>
  Array.from({ length: DIRECTIONS }, (_, i) => {
    const t = (i / DIRECTIONS) * 2 * Math.PI;
    return addScaled(scale(right, Math.cos(t)), up, Math.sin(t));
  });

export const toDrawing = ({ right, up }: DrawingPlane, p: Vec3): Vec2 => [dot(p, right), -dot(p, up)];

/** Points between the given ones on a smooth curve, so that a bent limb is drawn without corners. */
function finer(pts: readonly Vec3[], r: readonly number[]): { pts: Vec3[]; r: number[] } {
  if (pts.length < 3) return { pts: [...pts], r: [...r] };
  const outPts: Vec3[] = [];
  const outR: number[] = [];
  const curve = (p0: number, p1: number, p2: number, p3: number, t: number) =>
    0.5 * (2 * p1 + (p2 - p0) * t + (2 * p0 - 5 * p1 + 4 * p2 - p3) * t * t + (3 * p1 - p0 - 3 * p2 + p3) * t * t * t);
  for (let i = 0; i < pts.length - 1; i += 1) {
    const [a, b, c, d] = [Math.max(0, i - 1), i, i + 1, Math.min(pts.length - 1, i + 2)];
    for (const t of [0, 0.5]) {
      outPts.push([0, 1, 2].map((k) => curve(pts[a][k], pts[b][k], pts[c][k], pts[d][k], t)) as unknown as Vec3);
      outR.push(Math.max(1, curve(r[a], r[b], r[c], r[d], t)));
    }
  }
  outPts.push(pts[pts.length - 1]);
  outR.push(r[r.length - 1]);
  return { pts: outPts, r: outR };
}

/** Hulls of one shape in the drawing; a tube gives one for each of its pieces. */
function silhouettes(shape: Shape, plane: DrawingPlane, directions: readonly Vec3[]): Vec2[][] {
  const hullOf = (s: Shape) => convexHull(directions.map((d) => toDrawing(plane, supportPoint(s, d))));
  if (shape.kind !== 'tube' || shape.pts.length < 3) return [hullOf(shape)];
  const { pts, r } = finer(shape.pts, shape.r);
  return pts.slice(1).map((p, i) => hullOf({ kind: 'tube', pts: [pts[i], p], r: [r[i], r[i + 1]] }));
}

/** Coordinates on a grid of a fiftieth of a millimetre: near-coincident edges would trip the union. */
const snap = (value: number): number => Math.round(value * 50) / 50;

function unite(rings: readonly Vec2[][]): Vec2[][] {
  const polygons = rings.filter((ring) => ring.length >= 3).map((ring): Polygon => [ring.map(([x, y]): [number, number] => [snap(x), snap(y)])]);
  if (polygons.length === 0) return [];
  const joined: MultiPolygon = polygonClipping.union(polygons[0], ...polygons.slice(1));
  return joined.flatMap((polygon) => polygon.map((ring) => ring.slice(0, -1) as Vec2[]));
}

const area = (ring: readonly Vec2[]): number =>
  Math.abs(ring.reduce((sum, [x, y], i) => { const [nx, ny] = ring[(i + 1) % ring.length]; return sum + x * ny - nx * y; }, 0) / 2);

/** Even steps along a closed line. */
function resample(ring: readonly Vec2[], step: number): Vec2[] {
  const result: Vec2[] = [];
  let carry = 0;
  for (let i = 0; i < ring.length; i += 1) {
    const [x0, y0] = ring[i];
    const [x1, y1] = ring[(i + 1) % ring.length];
    const length = Math.hypot(x1 - x0, y1 - y0);
    let at = carry;
    while (at < length) {
      result.push([x0 + ((x1 - x0) * at) / length, y0 + ((y1 - y0) * at) / length]);
      at += step;
    }
    carry = at - length;
  }
  return result;
}

/** Rounds creases: a few passes of a three-point average that do not shrink the whole (Taubin's two signs). */
function soften(ring: readonly Vec2[], passes: number): Vec2[] {
  let line = [...ring];
  for (let pass = 0; pass < passes; pass += 1) {
    for (const weight of [0.5, -0.52]) {
      line = line.map(([x, y], i) => {
        const [ax, ay] = line[(i + line.length - 1) % line.length];
        const [bx, by] = line[(i + 1) % line.length];
        return [x + weight * ((ax + bx) / 2 - x), y + weight * ((ay + by) / 2 - y)];
      });
    }
  }
  return line;
}

const round = (value: number): string => (Math.round(value * 10) / 10).toString();

/** A closed curve through the middles of the sides. */
function pathOf(ring: readonly Vec2[]): string {
  const middle = (i: number): Vec2 => {
    const [x0, y0] = ring[i % ring.length];
    const [x1, y1] = ring[(i + 1) % ring.length];
    return [(x0 + x1) / 2, (y0 + y1) / 2];
  };
  const [sx, sy] = middle(ring.length - 1);
  let path = `M${round(sx)} ${round(sy)}`;
  for (let i = 0; i < ring.length; i += 1) {
    const [x, y] = middle(i);
    path += `Q${round(ring[i][0])} ${round(ring[i][1])} ${round(x)} ${round(y)}`;
  }
  return `${path}Z`;
}

/**
 * One path round all shapes.
 * @param grainMm size of the finest detail that is kept: steps along the edge, and a hole or speck below its square is dropped
 */
export function outlineOf(shapes: readonly Shape[], plane: DrawingPlane, grainMm: number): string {
  const directions = spread(plane);
  const rings = unite(shapes.flatMap((shape) => silhouettes(shape, plane, directions)));
  return rings
    .filter((ring) => area(ring) > 16 * grainMm * grainMm)
    .map((ring) => pathOf(soften(resample(ring, grainMm), 6)))
    .join('');
}

/** Bones one by one, not united: overlaps may show, and hundreds of them cost little. */
export function bonePaths(shapes: readonly Shape[], plane: DrawingPlane): string {
  const directions = spread(plane);
  return shapes
    .flatMap((shape) => silhouettes(shape, plane, directions))
    .filter((ring) => ring.length >= 3)
    .map((ring) => `M${ring.map(([x, y]) => `${round(x)} ${round(y)}`).join('L')}Z`)
    .join('');
}
