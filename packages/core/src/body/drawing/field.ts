/**
 * Skin as a field on the drawing plane: how deep a point lies inside the shadow of each piece. Pieces are joined by a
 * soft maximum, so that limbs run into each other as skin does; where the field is 0 the outline runs.
 */
import { dot, type Vec3 } from '../../geometry/vector';
import type { Ellipsoid, Shape, Tube } from '../shape';
import { depthOf, enlargement, toDrawing, type DrawingPlane } from './plane';

/** Shadow of one convex piece. */
export type Shadow = {
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** Mean radius, from which the softness of its joins follows. */
  size: number;
  /** Within how much of another's depth the two flow into each other, mm. */
  blend: number;
  /** Depth inside the edge, mm; negative outside. Exact for cones, to first order for ellipses. */
  at(x: number, y: number): number;
  /** How far from the viewer its middle is there, mm. */
  away(x: number, y: number): number;
};

/** Softness of a join: a share of the smaller piece's size, so that fingers stay apart and thighs flow into the trunk. */
const BLEND_SHARE = 0.42;
const BLEND_MOST_MM = 30;
const blendFor = (size: number): number => Math.min(BLEND_MOST_MM, size * BLEND_SHARE);

class ConeShadow implements Shadow {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly size: number;
  readonly blend: number;
  private readonly dx: number;
  private readonly dy: number;
  private readonly inverse: number;

  constructor(
    private readonly x0: number,
    private readonly y0: number,
    x1: number,
    y1: number,
    private readonly r0: number,
    private readonly r1: number,
    private readonly z0: number,
    private readonly z1: number,
  ) {
    this.dx = x1 - x0;
    this.dy = y1 - y0;
    this.inverse = 1 / (this.dx * this.dx + this.dy * this.dy || 1);
    this.left = Math.min(x0 - r0, x1 - r1);
    this.right = Math.max(x0 + r0, x1 + r1);
    this.top = Math.min(y0 - r0, y1 - r1);
    this.bottom = Math.max(y0 + r0, y1 + r1);
    this.size = (r0 + r1) / 2;
    this.blend = blendFor(this.size);
  }

  private along(x: number, y: number): number {
    const t = ((x - this.x0) * this.dx + (y - this.y0) * this.dy) * this.inverse;
    return t < 0 ? 0 : t > 1 ? 1 : t;
  }

  at(x: number, y: number): number {
    const t = this.along(x, y);
    const ex = x - this.x0 - this.dx * t;
    const ey = y - this.y0 - this.dy * t;
    return this.r0 + (this.r1 - this.r0) * t - Math.sqrt(ex * ex + ey * ey);
  }

  away(x: number, y: number): number {
    return this.z0 + (this.z1 - this.z0) * this.along(x, y);
  }
}

/**
 * Shadow of an ellipsoid, from its projected semi-axes: the middle, and the matrix [a b; b c] of the ellipse whose
 * furthest points along x and y are √a and √c away.
 */
export function shadowEllipse(
  shape: Ellipsoid,
  plane: DrawingPlane,
): { cx: number; cy: number; a: number; b: number; c: number } {
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
  return { cx, cy, a, b, c };
}

class EllipseShadow implements Shadow {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly size: number;
  readonly blend: number;
  private readonly cx: number;
  private readonly cy: number;
  private readonly z: number;
  private readonly ia: number;
  private readonly ib: number;
  private readonly ic: number;

  constructor(shape: Ellipsoid, plane: DrawingPlane) {
    const { cx, cy, a, b, c } = shadowEllipse(shape, plane);
    this.cx = cx;
    this.cy = cy;
    this.z = depthOf(plane, shape.c);
    const determinant = a * c - b * b || 1e-9;
    this.ia = c / determinant;
    this.ib = -b / determinant;
    this.ic = a / determinant;
    const [w, h] = [Math.sqrt(a), Math.sqrt(c)];
    this.left = this.cx - w;
    this.right = this.cx + w;
    this.top = this.cy - h;
    this.bottom = this.cy + h;
    this.size = Math.min(w, h);
    this.blend = blendFor(this.size);
  }

  at(px: number, py: number): number {
    const x = px - this.cx;
    const y = py - this.cy;
    const gx = this.ia * x + this.ib * y;
    const gy = this.ib * x + this.ic * y;
    const q = Math.sqrt(x * gx + y * gy);
    return q < 1e-6 ? this.size : ((1 - q) * q) / Math.sqrt(gx * gx + gy * gy);
  }

  away(): number {
    return this.z;
  }
}

/** A tube with a point between each two, on a curve through them all: limbs swell and taper without corners. */
function rounded({ pts, r }: Tube): Tube {
  const n = pts.length;
  if (n < 3) return { kind: 'tube', pts, r };
  const points: Vec3[] = [];
  const radii: number[] = [];
  for (let i = 0; i < n; i += 1) {
    points.push(pts[i]);
    radii.push(r[i]);
    if (i === n - 1) break;
    const [a, d] = [Math.max(0, i - 1), Math.min(n - 1, i + 2)];
    // Middle of the cubic through four neighbours (Catmull and Rom's spline).
    const middle = (p: number, q: number, s: number, t: number) => (9 * (q + s) - p - t) / 16;
    const at = (k: 0 | 1 | 2) => middle(pts[a][k], pts[i][k], pts[i + 1][k], pts[d][k]);
    points.push([at(0), at(1), at(2)]);
    radii.push(middle(r[a], r[i], r[i + 1], r[d]));
  }
  return { kind: 'tube', pts: points, r: radii };
}

/**
 * Shadows of the pieces of one shape; only those kinds that skin is made of.
 * @param round draw the curve through a limb's points instead of the straight pieces between them
 */
export function shadowsOf(skin: Shape, plane: DrawingPlane, round = false): Shadow[] {
  if (skin.kind === 'ellipsoid') return [new EllipseShadow(skin, plane)];
  if (skin.kind !== 'tube') return [];
  const shape = round ? rounded(skin) : skin;
  const at = shape.pts.map((p: Vec3) => toDrawing(plane, p));
  const r = shape.pts.map((p: Vec3, i: number) => shape.r[i] * enlargement(plane, p));
  const z = shape.pts.map((p: Vec3) => depthOf(plane, p));
  const cone = (i: number, j: number) => new ConeShadow(at[i][0], at[i][1], at[j][0], at[j][1], r[i], r[j], z[i], z[j]);
  return at.length === 1 ? [cone(0, 0)] : at.slice(1).map((_, i) => cone(i, i + 1));
}

export const OUTSIDE = -1e3;

/** Joins two depths within `blend` mm of each other as skin would. */
export function join(a: number, b: number, blend: number): number {
  const gap = a > b ? a - b : b - a;
  const most = a > b ? a : b;
  if (gap >= blend) return most;
  const overlap = 1 - gap / blend;
  return most + (overlap * overlap * blend) / 4;
}

/** Joined depth of all the shadows at a point, the large ones first. */
export function depthAt(shadows: readonly Shadow[], x: number, y: number): number {
  let depth = OUTSIDE;
  for (const shadow of shadows) {
    if (x < shadow.left || x > shadow.right || y < shadow.top || y > shadow.bottom) continue;
    depth = join(depth, shadow.at(x, y), shadow.blend);
  }
  return depth;
}
