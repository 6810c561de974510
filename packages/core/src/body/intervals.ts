/**
 * Where a line runs inside a shape, exactly: a bent rib may be crossed twice. Positions are multiples of the unit
 * direction, mm.
 */
import { add, cross, dot, length, normalize, scale, subtract, type Vec3 } from '../geometry/vector';
import { rayInterval, type Cylinder, type Interval, type Plate, type Shape, type Torus, type Tube } from './shape';

/** Overlapping intervals made one. */
export function merged(intervals: readonly Interval[]): Interval[] {
  const sorted = [...intervals].sort((a, b) => a[0] - b[0]);
  const result: [number, number][] = [];
  for (const [near, far] of sorted) {
    const last = result[result.length - 1];
    if (last && near <= last[1]) last[1] = Math.max(last[1], far);
    else result.push([near, far]);
  }
  return result;
}

const only = (interval: Interval | null): Interval[] => (interval ? [interval] : []);

/** All intervals of a line inside a shape, in order. @param d unit vector */
export function rayIntervals(shape: Shape, from: Vec3, d: Vec3): Interval[] {
  switch (shape.kind) {
    case 'ellipsoid':
      return only(rayInterval(shape, from, d));
    case 'tube':
      return tubeIntervals(shape, from, d);
    case 'cylinder':
      return only(cylinderInterval(shape, from, d));
    case 'plate':
      return only(plateInterval(shape, from, d));
    case 'torus':
      return tubeIntervals(ringOf(shape), from, d);
  }
}

function tubeIntervals({ pts, r }: Tube, from: Vec3, d: Vec3): Interval[] {
  if (pts.length === 1) return only(rayInterval({ kind: 'tube', pts, r }, from, d));
  return merged(
    pts.slice(1).flatMap((p, i) => only(rayInterval({ kind: 'tube', pts: [pts[i], p], r: [r[i], r[i + 1]] }, from, d))),
  );
}

/** The part of a line on the inner side of a plane through `at` with outward normal `n`. */
function halfSpace(span: Interval, from: Vec3, d: Vec3, at: Vec3, n: Vec3): Interval | null {
  const speed = dot(d, n);
  const gap = dot(subtract(at, from), n);
  if (Math.abs(speed) < 1e-12) return gap >= 0 ? span : null;
  const t = gap / speed;
  const cut: Interval = speed > 0 ? [span[0], Math.min(span[1], t)] : [Math.max(span[0], t), span[1]];
  return cut[0] < cut[1] ? cut : null;
}

const WHOLE_LINE: Interval = [-1e6, 1e6];

function cylinderInterval({ c, axes }: Cylinder, from: Vec3, d: Vec3): Interval | null {
  const [a, b, h] = axes;
  const top = normalize(cross(a, b));
  const up = dot(top, h) >= 0 ? top : scale(top, -1);
  const slab = halfSpace(WHOLE_LINE, from, d, add(c, h), up);
  const both = slab && halfSpace(slab, from, d, subtract(c, h), scale(up, -1));
  if (!both) return null;
  // In the coordinates of the cross-section's semi-axes, with the long axis divided out, the wall is the unit circle.
  const volume = dot(a, cross(b, h));
  const rowA = scale(cross(b, h), 1 / volume);
  const rowB = scale(cross(h, a), 1 / volume);
  const o = subtract(from, c);
  const [px, py] = [dot(rowA, o), dot(rowB, o)];
  const [qx, qy] = [dot(rowA, d), dot(rowB, d)];
  const A = qx * qx + qy * qy;
  const B = px * qx + py * qy;
  const C = px * px + py * py - 1;
  if (A < 1e-15) return C < 0 ? both : null;
  const under = B * B - A * C;
  if (under <= 0) return null;
  const root = Math.sqrt(under);
  const near = Math.max(both[0], (-B - root) / A);
  const far = Math.min(both[1], (-B + root) / A);
  return near < far ? [near, far] : null;
}

function plateInterval({ pts, t }: Plate, from: Vec3, d: Vec3): Interval | null {
  const n = plateNormal(pts);
  let span: Interval | null = WHOLE_LINE;
  for (const sign of [1, -1]) {
    span = span && halfSpace(span, from, d, add(pts[0], scale(n, (sign * t) / 2)), scale(n, sign));
  }
  for (let i = 0; i < pts.length && span; i += 1) {
    const side = subtract(pts[(i + 1) % pts.length], pts[i]);
    span = halfSpace(span, from, d, pts[i], normalize(cross(side, n)));
  }
  return span;
}

/** Unit normal of a flat polygon, right-handed to the order of its corners. Newell's method, good for any corner. */
export function plateNormal(pts: readonly Vec3[]): Vec3 {
  let n: Vec3 = [0, 0, 0];
  pts.forEach((p, i) => {
    const q = pts[(i + 1) % pts.length];
    n = add(n, cross(p, q));
  });
  return normalize(n);
}

const RING_PIECES = 24;
/** A ring as a closed chain of rods; the chord's sag is made up for in the radius of the chain. */
export function ringOf({ c, n, ring, tube }: Torus): Tube {
  const any: Vec3 = Math.abs(n[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const u = normalize(cross(n, any));
  const v = cross(n, u);
  const radius = ring / Math.sqrt(Math.cos(Math.PI / RING_PIECES));
  const pts = Array.from({ length: RING_PIECES + 1 }, (_, i): Vec3 => {
    const t = (2 * Math.PI * i) / RING_PIECES;
    return add(add(c, scale(u, radius * Math.cos(t))), scale(v, radius * Math.sin(t)));
  });
  return { kind: 'tube', pts, r: pts.map(() => tube) };
}

/**
 * The same shape shrunk by so much everywhere: a cavity under a wall of thickness `t`.
 * @param t mm, or one for each point of a tube
 * @returns the cavities; none where the wall is as thick as the shape
 */
export function shrunk(shape: Shape, t: number | readonly number[]): Shape[] {
  const wall = typeof t === 'number' ? t : t[0];
  switch (shape.kind) {
    case 'ellipsoid':
    case 'cylinder': {
      const sizes = shape.axes.map(length);
      if (sizes.some((size) => size <= wall + LEAST_CAVITY_MM)) return [];
      const [a, b, h] = shape.axes.map((axis, i) => scale(axis, (sizes[i] - wall) / sizes[i]));
      return [{ ...shape, axes: [a, b, h] }];
    }
    case 'tube':
      return tubeCavities(shape, t);
    case 'plate': {
      if (shape.t <= 2 * wall) return [];
      return [{ kind: 'plate', pts: inset(shape.pts, wall), t: shape.t - 2 * wall }];
    }
    case 'torus':
      return shape.tube > wall + LEAST_CAVITY_MM ? [{ ...shape, tube: shape.tube - wall }] : [];
  }
}
const LEAST_CAVITY_MM = 0.3;

/** A tube may close and open again: one cavity for each run of points that are wide enough. */
function tubeCavities({ pts, r }: Tube, t: number | readonly number[]): Tube[] {
  const inner = r.map((radius, i) => radius - (typeof t === 'number' ? t : t[Math.min(i, t.length - 1)]));
  const cavities: Tube[] = [];
  let start = -1;
  for (let i = 0; i <= pts.length; i += 1) {
    const open = i < pts.length && inner[i] > LEAST_CAVITY_MM;
    if (open && start < 0) start = i;
    if (!open && start >= 0) {
      cavities.push({ kind: 'tube', pts: pts.slice(start, i), r: inner.slice(start, i) });
      start = -1;
    }
  }
  return cavities;
}

/** Corners of a flat convex polygon drawn in by so much from each side. */
function inset(pts: readonly Vec3[], by: number): Vec3[] {
  const n = plateNormal(pts);
  return pts.map((p, i) => {
    const before = normalize(subtract(p, pts[(i + pts.length - 1) % pts.length]));
    const after = normalize(subtract(pts[(i + 1) % pts.length], p));
    const inA = cross(n, before);
    const inB = cross(n, after);
    const half = add(inA, inB);
    const size = dot(half, half);
    return size < 1e-9 ? add(p, scale(inA, by)) : add(p, scale(half, (2 * by) / size));
  });
}
