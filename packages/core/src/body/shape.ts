/**
 * The convex pieces of the mannequin, and what geometry asks of them: support points (for outlines and contact) and
 * intervals along a ray (for entry, exit and thickness). Millimetres.
 */
import { applyToDirection, applyToPoint, type Frame } from '../geometry/frame';
import {
  add,
  addScaled,
  cross,
  dot,
  length,
  midpoint,
  multiply,
  normalize,
  scale,
  subtract,
  type Vec3,
} from '../geometry/vector';

/** Ellipsoid c + a·i + b·j + c·k over the unit ball; the semi-axis vectors need not be square to each other once scaled. */
export type Ellipsoid = { kind: 'ellipsoid'; c: Vec3; axes: readonly [Vec3, Vec3, Vec3] };
/** Elliptic cylinder: axes[0], axes[1] span the cross-section, ±axes[2] the length. */
export type Cylinder = { kind: 'cylinder'; c: Vec3; axes: readonly [Vec3, Vec3, Vec3] };
/** Union of spheres and the cones between successive ones. */
export type Tube = { kind: 'tube'; pts: readonly Vec3[]; r: readonly number[] };
/** Convex flat polygon of thickness t. */
export type Plate = { kind: 'plate'; pts: readonly Vec3[]; t: number };
/** Ring, used for outlines only. */
export type Torus = { kind: 'torus'; c: Vec3; n: Vec3; ring: number; tube: number };
export type Shape = Ellipsoid | Cylinder | Tube | Plate | Torus;

/** The middle of a shape. */
export function shapeCentre(shape: Shape): Vec3 {
  if (shape.kind === 'tube') return midpoint(shape.pts[0], shape.pts[shape.pts.length - 1]);
  if (shape.kind !== 'plate') return shape.c;
  return scale(
    shape.pts.reduce((sum, p) => add(sum, p)),
    1 / shape.pts.length,
  );
}

/** A ball that holds all of a shape: asked first, it spares most shapes the exact question. */
export type Bound = { middle: Vec3; radiusMm: number };

/** The ball round a shape; a rigid frame carries its middle and leaves its radius. */
export function boundOf(shape: Shape): Bound {
  switch (shape.kind) {
    case 'ellipsoid':
      return { middle: shape.c, radiusMm: longestAxis(shape.axes) };
    case 'cylinder':
      return { middle: shape.c, radiusMm: longestAxis(shape.axes) + length(shape.axes[2]) };
    case 'torus':
      return { middle: shape.c, radiusMm: shape.ring + shape.tube };
    case 'tube':
    case 'plate': {
      const middle = scale(shape.pts.reduce(add), 1 / shape.pts.length);
      const wide = (i: number) => (shape.kind === 'tube' ? shape.r[i] : shape.t);
      return { middle, radiusMm: Math.max(...shape.pts.map((p, i) => length(subtract(p, middle)) + wide(i))) };
    }
  }
}

/** No point of the unit ball is carried further by three vectors than this, be they square to each other or not. */
const longestAxis = (axes: readonly [Vec3, Vec3, Vec3]): number =>
  Math.sqrt(Math.max(...axes.map((a) => axes.reduce((sum, b) => sum + Math.abs(dot(a, b)), 0))));

/** The point of a shape that lies furthest along a direction. @param d unit vector */
export function supportPoint(shape: Shape, d: Vec3): Vec3 {
  switch (shape.kind) {
    case 'ellipsoid': {
      const [a, b, c] = shape.axes;
      const [x, y, z] = [dot(a, d), dot(b, d), dot(c, d)];
      const size = Math.sqrt(x * x + y * y + z * z) || 1;
      return addScaled(addScaled(addScaled(shape.c, a, x / size), b, y / size), c, z / size);
    }
    case 'cylinder': {
      const [a, b, h] = shape.axes;
      const wa = dot(a, d);
      const wb = dot(b, d);
      const size = Math.hypot(wa, wb) || 1;
      const rim = addScaled(addScaled(shape.c, a, wa / size), b, wb / size);
      return addScaled(rim, h, dot(h, d) >= 0 ? 1 : -1);
    }
    case 'tube': {
      let best = addScaled(shape.pts[0], d, shape.r[0]);
      for (let i = 1; i < shape.pts.length; i += 1) {
        const p = addScaled(shape.pts[i], d, shape.r[i]);
        if (dot(p, d) > dot(best, d)) best = p;
      }
      return best;
    }
    case 'plate': {
      let best = shape.pts[0];
      for (const p of shape.pts) if (dot(p, d) > dot(best, d)) best = p;
      return addScaled(best, d, shape.t / 2);
    }
    case 'torus': {
      const inPlane = addScaled(d, shape.n, -dot(d, shape.n));
      const size = length(inPlane);
      const rim = size > 1e-9 ? addScaled(shape.c, inPlane, shape.ring / size) : shape.c;
      return addScaled(rim, d, shape.tube);
    }
  }
}

/** How far a shape reaches along a direction: the coordinate of its support point, without the point. @param d unit vector */
export function supportReach(shape: Shape, d: Vec3): number {
  switch (shape.kind) {
    case 'ellipsoid': {
      const [a, b, c] = shape.axes;
      const [x, y, z] = [dot(a, d), dot(b, d), dot(c, d)];
      return dot(shape.c, d) + Math.sqrt(x * x + y * y + z * z);
    }
    case 'tube': {
      let most = -Infinity;
      for (let i = 0; i < shape.pts.length; i += 1) {
        const reach = dot(shape.pts[i], d) + shape.r[i];
        if (reach > most) most = reach;
      }
      return most;
    }
    default:
      return dot(supportPoint(shape, d), d);
  }
}

/** A shape carried along by a rigid frame. */
export function moveShape(shape: Shape, frame: Frame): Shape {
  const point = (p: Vec3) => applyToPoint(frame, p);
  const direction = (p: Vec3) => applyToDirection(frame, p);
  switch (shape.kind) {
    case 'ellipsoid':
    case 'cylinder':
      return {
        ...shape,
        c: point(shape.c),
        axes: [direction(shape.axes[0]), direction(shape.axes[1]), direction(shape.axes[2])],
      };
    case 'tube':
    case 'plate':
      return { ...shape, pts: shape.pts.map(point) };
    case 'torus':
      return { ...shape, c: point(shape.c), n: direction(shape.n) };
  }
}

/**
 * A shape stretched along the patient axes about `from`, then set down at `to`.
 * Radii of tubes follow the mean stretch across the limb, since a tube has one radius a point.
 * @param by factors along x, y, z
 */
export function stretchShape(shape: Shape, by: Vec3, from: Vec3, to: Vec3): Shape {
  const point = (p: Vec3) => add(to, multiply(by, subtract(p, from)));
  const girth = (by[0] + by[1]) / 2;
  switch (shape.kind) {
    case 'ellipsoid':
    case 'cylinder':
      return {
        ...shape,
        c: point(shape.c),
        axes: [multiply(by, shape.axes[0]), multiply(by, shape.axes[1]), multiply(by, shape.axes[2])],
      };
    case 'tube':
      return { ...shape, pts: shape.pts.map(point), r: shape.r.map((r) => r * girth) };
    case 'plate':
      return { ...shape, pts: shape.pts.map(point), t: shape.t * girth };
    case 'torus':
      return {
        ...shape,
        c: point(shape.c),
        n: normalize(multiply([1 / by[0], 1 / by[1], 1 / by[2]], shape.n)),
        ring: shape.ring * Math.cbrt(by[0] * by[1] * by[2]),
        tube: shape.tube * girth,
      };
  }
}

/** Where a line is inside a shape: [near, far] in multiples of the unit direction, or null. */
export type Interval = readonly [number, number];

/**
 * Interval of a line inside one shape.
 * Tubes answer with the hull of their pieces' intervals, which is exact for the gently bent tubes of the skin.
 * @param d unit vector
 */
export function rayInterval(shape: Shape, from: Vec3, d: Vec3): Interval | null {
  switch (shape.kind) {
    case 'ellipsoid':
      return ellipsoidInterval(shape, from, d);
    case 'tube': {
      let span: Interval | null = null;
      for (let i = 0; i < shape.pts.length; i += 1) {
        span = join(span, sphereInterval(shape.pts[i], shape.r[i], from, d));
        if (i > 0) span = join(span, coneInterval(shape.pts[i - 1], shape.pts[i], shape.r[i - 1], shape.r[i], from, d));
      }
      return span;
    }
    default:
      return null;
  }
}

const join = (a: Interval | null, b: Interval | null): Interval | null =>
  a && b ? [Math.min(a[0], b[0]), Math.max(a[1], b[1])] : (a ?? b);

function sphereInterval(c: Vec3, r: number, from: Vec3, d: Vec3): Interval | null {
  const o = subtract(from, c);
  const b = dot(o, d);
  const under = b * b - dot(o, o) + r * r;
  if (under <= 0) return null;
  const root = Math.sqrt(under);
  return [-b - root, -b + root];
}

function ellipsoidInterval({ c, axes }: Ellipsoid, from: Vec3, d: Vec3): Interval | null {
  // Solve in the space where the ellipsoid is the unit ball: x = M⁻¹ (p − c).
  const [a, b, e] = axes;
  const volume = dot(a, cross(b, e));
  const rows: Vec3[] = [scale(cross(b, e), 1 / volume), scale(cross(e, a), 1 / volume), scale(cross(a, b), 1 / volume)];
  const o = subtract(from, c);
  const p: Vec3 = [dot(rows[0], o), dot(rows[1], o), dot(rows[2], o)];
  const q: Vec3 = [dot(rows[0], d), dot(rows[1], d), dot(rows[2], d)];
  const A = dot(q, q);
  const B = dot(p, q);
  const under = B * B - A * (dot(p, p) - 1);
  if (under <= 0) return null;
  const root = Math.sqrt(under);
  return [(-B - root) / A, (-B + root) / A];
}

/** The frustum between two spheres, tangent to both. */
function coneInterval(p0: Vec3, p1: Vec3, r0: number, r1: number, from: Vec3, d: Vec3): Interval | null {
  const axis = subtract(p1, p0);
  const L = length(axis);
  if (L <= Math.abs(r1 - r0)) return null;
  const w = scale(axis, 1 / L);
  const sin = (r0 - r1) / L;
  const cos = Math.sqrt(1 - sin * sin);
  // Tangent circles of the two spheres: where the cone begins and ends along the axis, and its radii there.
  const z0 = r0 * sin;
  const z1 = L + r1 * sin;
  const radius0 = r0 * cos;
  const slope = (r1 * cos - radius0) / (z1 - z0);
  const o = subtract(from, p0);
  const oz = dot(o, w);
  const dz = dot(d, w);
  const rho = radius0 + slope * (oz - z0);
  const A = 1 - dz * dz - slope * slope * dz * dz;
  const B = dot(o, d) - oz * dz - rho * slope * dz;
  const C = dot(o, o) - oz * oz - rho * rho;
  let near: number;
  let far: number;
  if (Math.abs(A) < 1e-12) {
    if (Math.abs(dz) < 1e-12 || C > 0) return null;
    near = -Infinity;
    far = Infinity;
  } else {
    const under = B * B - A * C;
    if (A < 0) return steepInterval(A, B, under, (z0 - oz) / dz, (z1 - oz) / dz);
    if (under <= 0) return null;
    const root = Math.sqrt(under);
    near = (-B - root) / A;
    far = (-B + root) / A;
  }
  if (Math.abs(dz) > 1e-12) {
    const t0 = (z0 - oz) / dz;
    const t1 = (z1 - oz) / dz;
    near = Math.max(near, Math.min(t0, t1));
    far = Math.min(far, Math.max(t0, t1));
  } else if (oz < z0 || oz > z1) return null;
  return near < far ? [near, far] : null;
}

/** A line steeper than the wall of a cone: between the ends it is inside, but for the stretch between the roots. */
function steepInterval(A: number, B: number, under: number, end0: number, end1: number): Interval | null {
  const near = Math.min(end0, end1);
  const far = Math.max(end0, end1);
  if (under <= 0) return [near, far];
  const root = Math.sqrt(under);
  const first = (-B + root) / A;
  const second = (-B - root) / A;
  if (near < first) return [near, Math.min(far, first)];
  const from = Math.max(near, second);
  return from < far ? [from, far] : null;
}
