/**
 * Skin as a field on the drawing plane: how deep a point lies inside the shadow of each piece. Pieces are joined by a
 * soft maximum, so that limbs run into each other as skin does; where the field is 0 the outline runs.
 */
import { dot, type Vec2, type Vec3 } from '../../geometry/vector';
import type { Ellipsoid, Shape, Tube } from '../shape';
import { depthOf, enlargement, toDrawing, type DrawingPlane } from './plane';

/** Softness of a join: a share of the smaller piece's size, so that fingers stay apart and thighs flow into the trunk. */
const BLEND_SHARE = 0.42;
const BLEND_MOST_MM = 30;

/**
 * Shadow of one convex piece: a cone between two circles, or an ellipse. One class for both, because the field asks it
 * tens of thousands of times a drawing.
 */
export class Shadow {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  /** Mean radius of the piece that it is part of. */
  readonly size: number;
  /** Within how much of another's depth the two flow into each other, mm. */
  readonly blend: number;

  /**
   * @param x start of the cone, or middle of the ellipse
   * @param a cone: to its end along x; ellipse: inverse matrix [a b; b c]
   * @param b cone: to its end along y
   * @param c cone: 1 / length²
   * @param r radius at the start, or least radius; `grow` more of it at the end
   * @param z distance from the viewer at the start; `deepen` more of it at the end
   */
  private constructor(
    /** Depth is exact: a cone; of an ellipse it is of first order. */
    readonly exact: boolean,
    private readonly x: number,
    private readonly y: number,
    private readonly a: number,
    private readonly b: number,
    private readonly c: number,
    private readonly r: number,
    private readonly grow: number,
    private readonly z: number,
    private readonly deepen: number,
    reach: readonly [number, number, number, number],
    size: number,
    /** Shadows of one piece of skin: they meet without a seam, so nothing is softened between them. */
    readonly piece: number,
  ) {
    [this.left, this.top, this.right, this.bottom] = reach;
    this.size = size;
    this.blend = Math.min(BLEND_MOST_MM, this.size * BLEND_SHARE);
  }

  /** @param ends of the cone on the drawing, radii and distances there */
  static ofCone(
    [[x0, y0], [x1, y1]]: readonly [Vec2, Vec2],
    [r0, r1]: readonly [number, number],
    [z0, z1]: readonly [number, number],
    size: number,
    piece: number,
  ): Shadow {
    const dx = x1 - x0;
    const dy = y1 - y0;
    const reach = [
      Math.min(x0 - r0, x1 - r1),
      Math.min(y0 - r0, y1 - r1),
      Math.max(x0 + r0, x1 + r1),
      Math.max(y0 + r0, y1 + r1),
    ] as const;
    const inverse = 1 / (dx * dx + dy * dy || 1);
    return new Shadow(true, x0, y0, dx, dy, inverse, r0, r1 - r0, z0, z1 - z0, reach, size, piece);
  }

  static ofEllipsoid(shape: Ellipsoid, plane: DrawingPlane, piece: number): Shadow {
    const { cx, cy, a, b, c } = shadowEllipse(shape, plane);
    const determinant = a * c - b * b || 1e-9;
    const [w, h] = [Math.sqrt(a), Math.sqrt(c)];
    return new Shadow(
      false,
      cx,
      cy,
      c / determinant,
      -b / determinant,
      a / determinant,
      Math.min(w, h),
      0,
      depthOf(plane, shape.c),
      0,
      [cx - w, cy - h, cx + w, cy + h],
      Math.min(w, h),
      piece,
    );
  }

  /** Depth inside the edge, mm; negative outside. Exact for cones, to first order for ellipses. */
  at(px: number, py: number): number {
    const dx = px - this.x;
    const dy = py - this.y;
    if (this.exact) {
      // Written out rather than called: this line runs tens of thousands of times before the engine has warmed up.
      let t = (dx * this.a + dy * this.b) * this.c;
      t = t < 0 ? 0 : t > 1 ? 1 : t;
      const ex = dx - this.a * t;
      const ey = dy - this.b * t;
      return this.r + this.grow * t - Math.sqrt(ex * ex + ey * ey);
    }
    const gx = this.a * dx + this.b * dy;
    const gy = this.b * dx + this.c * dy;
    const q = Math.sqrt(dx * gx + dy * gy);
    return q < 1e-6 ? this.r : ((1 - q) * q) / Math.sqrt(gx * gx + gy * gy);
  }

  /** How far from the viewer its middle is there, mm. */
  away(px: number, py: number): number {
    if (!this.exact) return this.z;
    const t = ((px - this.x) * this.a + (py - this.y) * this.b) * this.c;
    return this.z + this.deepen * (t < 0 ? 0 : t > 1 ? 1 : t);
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

/** Thinner tubes, and those of a small child, show no corners. */
const LIMB_MM = 22;

/** A tube with a point between each two, on a curve through them all: limbs swell and taper without corners. */
function rounded({ pts, r }: Tube): Tube {
  const n = pts.length;
  if (n < 3 || r[0] < LIMB_MM) return { kind: 'tube', pts, r };
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
 * Shadows of one piece of skin; only of those kinds that skin is made of.
 * @param piece a number of its own
 * @param round draw the curve through a limb's points instead of the straight pieces between them
 */
export function shadowsOf(skin: Shape, plane: DrawingPlane, piece: number, round = false): Shadow[] {
  if (skin.kind === 'ellipsoid') return [Shadow.ofEllipsoid(skin, plane, piece)];
  if (skin.kind !== 'tube') return [];
  const shape = round ? rounded(skin) : skin;
  const at = shape.pts.map((p) => toDrawing(plane, p));
  const r = shape.pts.map((p, i) => shape.r[i] * enlargement(plane, p));
  const z = shape.pts.map((p) => depthOf(plane, p));
  const size = r.reduce((sum, each) => sum + each, 0) / r.length;
  const cone = (i: number, j: number) => Shadow.ofCone([at[i], at[j]], [r[i], r[j]], [z[i], z[j]], size, piece);
  return at.length === 1 ? [cone(0, 0)] : at.slice(1).map((_, i) => cone(i, i + 1));
}

/** Large pieces first, all shadows of one together: the order in which they are joined. */
export const inJoiningOrder = (a: Shadow, b: Shadow): number => b.size - a.size || a.piece - b.piece;

export const OUTSIDE = -1e3;

/** Joins two depths within `blend` mm of each other as skin would. */
export function join(a: number, b: number, blend: number): number {
  const gap = a > b ? a - b : b - a;
  const most = a > b ? a : b;
  if (gap >= blend) return most;
  const overlap = 1 - gap / blend;
  return most + (overlap * overlap * blend) / 4;
}

/** Joined depth of shadows at a point. @param shadows in joining order */
export function depthAt(shadows: readonly Shadow[], x: number, y: number): number {
  let depth = OUTSIDE;
  let i = 0;
  while (i < shadows.length) {
    const first = shadows[i];
    let own = first.at(x, y);
    for (i += 1; i < shadows.length && shadows[i].piece === first.piece; i += 1) {
      const value = shadows[i].at(x, y);
      if (value > own) own = value;
    }
    // Mostly they are too far apart to be joined at all.
    if (own - depth >= first.blend) depth = own;
    else if (depth - own < first.blend) depth = join(depth, own, first.blend);
  }
  return depth;
}
