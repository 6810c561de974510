/**
 * Bones as SVG paths of lines and arcs: the exact shadows of rods, cones and ellipsoids in few figures. All run the same
 * way round, so that pieces of one path lie on each other without holes.
 */
import { convexHull } from '../../geometry/hull';
import { addScaled, scale, type Vec2, type Vec3 } from '../../geometry/vector';
import { supportPoint, type Ellipsoid, type Shape, type Tube } from '../shape';
import { shadowEllipse } from './field';
import { enlargement, toDrawing, type DrawingBox, type DrawingPlane } from './plane';

type Outline = { path: string; left: number; top: number; right: number; bottom: number };

/** Figures are rounded to a fraction of the picture: more would not be seen. */
type Print = (value: number) => string;

function coneOutline(c0: Vec2, c1: Vec2, r0: number, r1: number, print: Print): Outline {
  const at = (p: Vec2) => `${print(p[0])} ${print(p[1])}`;
  const reach = {
    left: Math.min(c0[0] - r0, c1[0] - r1),
    top: Math.min(c0[1] - r0, c1[1] - r1),
    right: Math.max(c0[0] + r0, c1[0] + r1),
    bottom: Math.max(c0[1] + r0, c1[1] + r1),
  };
  const dx = c1[0] - c0[0];
  const dy = c1[1] - c0[1];
  const size = Math.sqrt(dx * dx + dy * dy);
  // One circle inside the other: the larger is all there is to see.
  if (size <= Math.abs(r1 - r0) + 1e-6) {
    const [c, r] = r0 > r1 ? [c0, r0] : [c1, r1];
    const arc = `A${print(r)} ${print(r)} 0 1 0 `;
    return { ...reach, path: `M${at([c[0] - r, c[1]])}${arc}${at([c[0] + r, c[1]])}${arc}${at([c[0] - r, c[1]])}Z` };
  }
  const [ux, uy] = [dx / size, dy / size];
  const cos = (r0 - r1) / size;
  const sin = Math.sqrt(1 - cos * cos);
  const edge = (c: Vec2, r: number, side: 1 | -1): Vec2 => [
    c[0] + r * (ux * cos - uy * sin * side),
    c[1] + r * (uy * cos + ux * sin * side),
  ];
  const cap = (r: number, large: boolean) => `A${print(r)} ${print(r)} 0 ${large ? 1 : 0} 0 `;
  const path = `M${at(edge(c0, r0, 1))}L${at(edge(c1, r1, 1))}${cap(r1, cos < 0)}${at(edge(c1, r1, -1))}L${at(edge(c0, r0, -1))}${cap(r0, cos > 0)}${at(edge(c0, r0, 1))}Z`;
  return { ...reach, path };
}

function tubeOutlines({ pts, r }: Tube, plane: DrawingPlane, print: Print): Outline[] {
  const at = pts.map((p) => toDrawing(plane, p));
  const radii = pts.map((p, i) => r[i] * enlargement(plane, p));
  if (at.length === 1) return [coneOutline(at[0], at[0], radii[0], radii[0], print)];
  return at.slice(1).map((p, i) => coneOutline(at[i], p, radii[i], radii[i + 1], print));
}

function ellipseOutline(shape: Ellipsoid, plane: DrawingPlane, print: Print): Outline {
  const { cx, cy, a, b, c } = shadowEllipse(shape, plane);
  const middle = (a + c) / 2;
  const spread = Math.sqrt(((a - c) / 2) ** 2 + b * b);
  const long = Math.sqrt(middle + spread);
  const short = Math.sqrt(Math.max(0, middle - spread));
  const turn = Math.atan2(2 * b, a - c) / 2;
  const [ex, ey] = [long * Math.cos(turn), long * Math.sin(turn)];
  const start = `${print(cx - ex)} ${print(cy - ey)}`;
  const arc = `A${print(long)} ${print(short)} ${print((turn * 180) / Math.PI)} 1 0 `;
  return {
    path: `M${start}${arc}${print(cx + ex)} ${print(cy + ey)}${arc}${start}Z`,
    left: cx - Math.sqrt(a),
    right: cx + Math.sqrt(a),
    top: cy - Math.sqrt(c),
    bottom: cy + Math.sqrt(c),
  };
}

const DIRECTIONS = 11;

/** Anything else by the hull of its furthest points. */
function hullOutline(shape: Shape, plane: DrawingPlane, print: Print): Outline[] {
  const points = Array.from({ length: DIRECTIONS }, (_, i) => {
    const t = (i / DIRECTIONS) * 2 * Math.PI;
    const d: Vec3 = addScaled(scale(plane.right, Math.cos(t)), plane.up, Math.sin(t));
    return toDrawing(plane, supportPoint(shape, d));
  });
  const ring = convexHull(points);
  if (ring.length < 3) return [];
  const area = ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length];
    return sum + x * ny - nx * y;
  }, 0);
  const ordered = area > 0 ? [...ring].reverse() : ring;
  const xs = ring.map(([x]) => x);
  const ys = ring.map(([, y]) => y);
  return [
    {
      path: `M${ordered.map(([x, y]) => `${print(x)} ${print(y)}`).join('L')}Z`,
      left: Math.min(...xs),
      right: Math.max(...xs),
      top: Math.min(...ys),
      bottom: Math.max(...ys),
    },
  ];
}

function outlinesOf(shape: Shape, plane: DrawingPlane, print: Print): Outline[] {
  if (shape.kind === 'tube') return tubeOutlines(shape, plane, print);
  if (shape.kind === 'ellipsoid') return [ellipseOutline(shape, plane, print)];
  return hullOutline(shape, plane, print);
}

/** Bones one by one, not united: only those that reach into the box. */
export function bonePaths(shapes: readonly Shape[], plane: DrawingPlane, box: DrawingBox): string {
  const grain = Math.max(box.width, box.height) / 1600;
  const per = grain > 1 ? 1 : grain > 0.1 ? 10 : 100;
  const print: Print = (value) => (Math.round(value * per) / per).toString();
  let path = '';
  for (const shape of shapes)
    for (const each of outlinesOf(shape, plane, print))
      if (each.right > box.x && each.left < box.x + box.width && each.bottom > box.y && each.top < box.y + box.height)
        path += each.path;
  return path;
}
