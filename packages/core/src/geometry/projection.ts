/**
 * The pinhole map: from the focal spot through a point onto the receptor plane.
 * Exact perspective; source: PHYSICS of projection, any textbook of radiographic imaging.
 */
import { addScaled, dot, subtract, type InReceptor, type InRoom, type Vec2, type Vec3 } from './vector';

/** A plane with its own axes; `n` = u × v points to the tube. */
export type PlaneFrame<A = InRoom> = { origin: Vec3<A>; u: Vec3<A>; v: Vec3<A>; n: Vec3<A> };

/**
 * Where a ray meets a plane, as a multiple of `direction`, or null when it runs along the plane.
 */
export function rayPlane<A>(
  from: Vec3<A>,
  direction: Vec3<A>,
  planePoint: Vec3<A>,
  planeNormal: Vec3<A>,
): number | null {
  const along = dot(planeNormal, direction);
  if (Math.abs(along) < 1e-9) return null;
  return dot(planeNormal, subtract(planePoint, from)) / along;
}

export type Shadow = { u: number; v: number; magnification: number };

/**
 * Where the line from the source through a point meets the plane, on either side of it: for what is measured while a
 * part is pushed about without regard for what it rests on.
 * @throws RangeError when the point is at, behind or level with the source
 */
export function throughPoint<A>(source: Vec3<A>, plane: PlaneFrame<A>, point: Vec3<A>): Shadow {
  const height = dot(plane.n, subtract(source, plane.origin));
  const depth = dot(plane.n, subtract(source, point));
  if (!(depth > 1e-6)) throw new RangeError('the point lies level with or behind the focal spot');
  const magnification = height / depth;
  const hit = subtract(addScaled(source, subtract(point, source), magnification), plane.origin);
  return { u: dot(hit, plane.u), v: dot(hit, plane.v), magnification };
}

/**
 * Projects a point from the source onto the plane.
 * @returns u, v in mm on the plane and the magnification of a small object there
 * @throws RangeError when the point is at, behind or level with the source, or behind the plane (beyond 1 mm)
 */
export function projectPoint<A>(source: Vec3<A>, plane: PlaneFrame<A>, point: Vec3<A>): Shadow {
  const shadow = throughPoint(source, plane, point);
  const height = dot(plane.n, subtract(source, plane.origin));
  if (shadow.magnification < 1 - 1 / Math.max(height, 1)) throw new RangeError('the point lies behind the receptor');
  return shadow;
}

/** A point of the plane back in space. */
export const onPlane = <A>(plane: PlaneFrame<A>, [u, v]: Vec2<InReceptor>): Vec3<A> =>
  addScaled(addScaled(plane.origin, plane.u, u), plane.v, v);
