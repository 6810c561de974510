/**
 * Outlines of the posed mannequin as SVG paths. The skin is a field: every piece gives its depth below its own
 * surface at each point of a grid, the depths are joined by a soft maximum so that limbs run into each other as skin
 * does, and the line of depth 0 is the outline.
 */
import { contours } from 'd3-contour';
import { convexHull } from '../geometry/hull';
import { addScaled, cross, dot, scale, subtract, type Vec2, type Vec3 } from '../geometry/vector';
import { supportPoint, type Ellipsoid, type Shape } from './shape';

/**
 * A drawing plane: right and up as seen by the viewer; y of the drawing runs down. With an eye, points are seen in
 * perspective and scaled to their size at `at`.
 */
export type DrawingPlane = { right: Vec3; up: Vec3; eye?: { from: Vec3; at: Vec3 } };
export type DrawingBox = { x: number; y: number; width: number; height: number };

/** Size of a thing at this point against its size in the drawing. */
function enlargement({ right, up, eye }: DrawingPlane, p: Vec3): number {
  if (!eye) return 1;
  const depth = cross(right, up);
  const reach = dot(subtract(eye.at, eye.from), depth);
  const own = dot(subtract(p, eye.from), depth);
  return reach / (Math.abs(own) < 1 ? 1 : own);
}

export function toDrawing(plane: DrawingPlane, p: Vec3): Vec2 {
  const { right, up, eye } = plane;
  if (!eye) return [dot(p, right), -dot(p, up)];
  const seen = addScaled(eye.from, subtract(p, eye.from), enlargement(plane, p));
  return [dot(seen, right), -dot(seen, up)];
}

/** Depth of a point of the drawing below the edge of one piece, mm; negative outside. */
type Depth = { reach: readonly [number, number, number, number]; at: (x: number, y: number) => number };

function coneDepth([x0, y0]: Vec2, [x1, y1]: Vec2, r0: number, r1: number): Depth {
  const dx = x1 - x0;
  const dy = y1 - y0;
  const size2 = dx * dx + dy * dy || 1;
  return {
    reach: [
      Math.min(x0 - r0, x1 - r1),
      Math.min(y0 - r0, y1 - r1),
      Math.max(x0 + r0, x1 + r1),
      Math.max(y0 + r0, y1 + r1),
    ],
    at: (x, y) => {
      const t = Math.min(1, Math.max(0, ((x - x0) * dx + (y - y0) * dy) / size2));
      return r0 + (r1 - r0) * t - Math.hypot(x - x0 - dx * t, y - y0 - dy * t);
    },
  };
}

/** Shadow of an ellipsoid: the ellipse of the projected semi-axes; depth to first order. */
function ellipseDepth(shape: Ellipsoid, plane: DrawingPlane): Depth {
  const size = enlargement(plane, shape.c);
  const [cx, cy] = toDrawing(plane, shape.c);
  let a = 0;
  let b = 0;
  let c = 0;
  for (const axis of shape.axes) {
    const u = dot(axis, plane.right) * size;
    const v = -dot(axis, plane.up) * size;
    a += u * u;
    b += u * v;
    c += v * v;
  }
  const determinant = a * c - b * b || 1e-9;
  const [ia, ib, ic] = [c / determinant, -b / determinant, a / determinant];
  const [w, h] = [Math.sqrt(a), Math.sqrt(c)];
  return {
    reach: [cx - w, cy - h, cx + w, cy + h],
    at: (px, py) => {
      const x = px - cx;
      const y = py - cy;
      const gx = ia * x + ib * y;
      const gy = ib * x + ic * y;
      const q = Math.sqrt(x * gx + y * gy);
      return q < 1e-6 ? Math.min(w, h) : ((1 - q) * q) / Math.hypot(gx, gy);
    },
  };
}

function depthsOf(shape: Shape, plane: DrawingPlane): Depth[] {
  if (shape.kind === 'ellipsoid') return [ellipseDepth(shape, plane)];
  if (shape.kind !== 'tube') return [];
  const at = shape.pts.map((p) => toDrawing(plane, p));
  const r = shape.pts.map((p, i) => shape.r[i] * enlargement(plane, p));
  return at.length === 1
    ? [coneDepth(at[0], at[0], r[0], r[0])]
    : at.slice(1).map((p, i) => coneDepth(at[i], p, r[i], r[i + 1]));
}

const OUTSIDE = -1e3;
const round = (value: number): string => (Math.round(value * 10) / 10).toString();

/** A closed curve through the middles of the sides; the ring repeats its first point. */
function curvePath(
  ring: readonly (readonly number[])[],
  toX: (i: number) => number,
  toY: (j: number) => number,
): string {
  const points = ring.slice(0, -1).map(([i, j]): Vec2 => [toX(i), toY(j)]);
  const middle = (k: number): Vec2 => {
    const [x0, y0] = points[k % points.length];
    const [x1, y1] = points[(k + 1) % points.length];
    return [(x0 + x1) / 2, (y0 + y1) / 2];
  };
  const start = middle(points.length - 1);
  let path = `M${round(start[0])} ${round(start[1])}`;
  // Every second point carries the curve: half the size, no visible loss at this grain.
  for (let k = 0; k < points.length; k += 2) {
    const end = k + 2 >= points.length ? start : middle(k + 1);
    const bend = points[k + 1]
      ? ([(points[k][0] + points[k + 1][0]) / 2, (points[k][1] + points[k + 1][1]) / 2] as Vec2)
      : points[k];
    path += `Q${round(bend[0])} ${round(bend[1])} ${round(end[0])} ${round(end[1])}`;
  }
  return `${path}Z`;
}

/**
 * One path round all pieces of skin that show in the box.
 * @param cells grid cells along the longer side of the box: the finest detail is the box divided by this
 * @param blendMm over how much neighbouring pieces flow into each other
 */
export function skinOutline(
  shapes: readonly Shape[],
  plane: DrawingPlane,
  box: DrawingBox,
  cells = 150,
  blendMm = 14,
): string {
  const step = Math.max(box.width, box.height) / cells;
  const margin = 3 * step;
  const x0 = box.x - margin;
  const y0 = box.y - margin;
  const columns = Math.ceil((box.width + 2 * margin) / step) + 1;
  const rows = Math.ceil((box.height + 2 * margin) / step) + 1;
  const depth = new Float64Array(columns * rows).fill(OUTSIDE);
  for (const piece of shapes.flatMap((shape) => depthsOf(shape, plane))) {
    const [left, top, right, bottom] = piece.reach;
    const i0 = Math.max(0, Math.floor((left - blendMm - x0) / step));
    const i1 = Math.min(columns - 1, Math.ceil((right + blendMm - x0) / step));
    const j0 = Math.max(0, Math.floor((top - blendMm - y0) / step));
    const j1 = Math.min(rows - 1, Math.ceil((bottom + blendMm - y0) / step));
    for (let j = j0; j <= j1; j += 1) {
      for (let i = i0; i <= i1; i += 1) {
        const own = piece.at(x0 + i * step, y0 + j * step);
        const before = depth[j * columns + i];
        const overlap = Math.max(0, 1 - Math.abs(own - before) / blendMm);
        depth[j * columns + i] = Math.max(own, before) + (overlap * overlap * blendMm) / 4;
      }
    }
  }
  const lines = contours()
    .size([columns, rows])
    .smooth(true)
    .contour(depth as unknown as number[], 0);
  // d3 puts the value of a cell at its middle.
  const toX = (i: number) => x0 + (i - 0.5) * step;
  const toY = (j: number) => y0 + (j - 0.5) * step;
  return lines.coordinates
    .flatMap((polygon) => polygon.filter((ring) => ring.length > 8).map((ring) => curvePath(ring, toX, toY)))
    .join('');
}

const DIRECTIONS = 11;

function hullsOf(shape: Shape, plane: DrawingPlane, directions: readonly Vec3[]): Vec2[][] {
  const hullOf = (s: Shape) => convexHull(directions.map((d) => toDrawing(plane, supportPoint(s, d))));
  if (shape.kind !== 'tube' || shape.pts.length < 3) return [hullOf(shape)];
  return shape.pts
    .slice(1)
    .map((p, i) => hullOf({ kind: 'tube', pts: [shape.pts[i], p], r: [shape.r[i], shape.r[i + 1]] }));
}

/** Bones one by one, not united: overlaps may show. Only those that reach into the box. */
export function bonePaths(shapes: readonly Shape[], plane: DrawingPlane, box: DrawingBox): string {
  const directions = Array.from({ length: DIRECTIONS }, (_, i) => {
    const t = (i / DIRECTIONS) * 2 * Math.PI;
    return addScaled(scale(plane.right, Math.cos(t)), plane.up, Math.sin(t));
  });
  const grain = Math.max(box.width, box.height) / 900;
  const coarse = (value: number): string => (Math.round(Math.round(value / grain) * grain * 10) / 10).toString();
  const shows = (ring: readonly Vec2[]) =>
    ring.some(([x]) => x > box.x) &&
    ring.some(([x]) => x < box.x + box.width) &&
    ring.some(([, y]) => y > box.y) &&
    ring.some(([, y]) => y < box.y + box.height);
  return shapes
    .flatMap((shape) => hullsOf(shape, plane, directions))
    .filter((ring) => ring.length >= 3 && shows(ring))
    .map((ring) => `M${ring.map(([x, y]) => `${coarse(x)} ${coarse(y)}`).join('L')}Z`)
    .join('');
}
