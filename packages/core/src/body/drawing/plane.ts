/**
 * The plane that a figure is drawn on. Millimetres; right and up as seen by the viewer; y of the drawing runs down.
 * With an eye, points are seen in perspective and scaled to their size at `at`.
 */
import { addScaled, cross, dot, subtract, type Vec2, type Vec3 } from '../../geometry/vector';

export type DrawingPlane = { right: Vec3; up: Vec3; eye?: { from: Vec3; at: Vec3 } };
export type DrawingBox = { x: number; y: number; width: number; height: number };

/** Size of a thing at this point against its size in the drawing. */
export function enlargement({ right, up, eye }: DrawingPlane, p: Vec3): number {
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

/** Away from the viewer, mm: the larger, the further back. */
export const depthOf = (plane: DrawingPlane, p: Vec3): number => -dot(p, cross(plane.right, plane.up));

/** Unit vector from a point to the viewer. */
export function towardViewer(plane: DrawingPlane, p: Vec3): Vec3 {
  if (!plane.eye) return cross(plane.right, plane.up);
  const d = subtract(plane.eye.from, p);
  const size = Math.sqrt(dot(d, d)) || 1;
  return [d[0] / size, d[1] / size, d[2] / size];
}
