/** Where the receptor lies: across the straight beam, or square to the angled ray where the part touches it. */
import { furthestSkin } from '../../body/posed';
import { rayPlane, type PlaneFrame } from '../../geometry/projection';
import { addScaled, cross, dot, negate, scale, subtract, type InRoom, type Vec3 } from '../../geometry/vector';
import type { AimedRay, PlacedBody } from '../placing/place';
import { squared } from '../placing/relation';

export type ReceptorPlane = PlaneFrame & {
  /** The beam of a tube that does not lean. */
  straight: Vec3<InRoom>;
  /** How far the slanting ray meets it from where the straight one would, along and across it, mm. */
  alongMm: number;
  acrossMm: number;
};

type PlaneRequest = {
  /** Square to the ray however it slants. */
  square: boolean;
  /** Where the part touches what the receptor lies in, and how far under that it lies. */
  contactPoint: Vec3<InRoom>;
  gapMm: number;
  angleDeg: number;
};

/** @throws RangeError for a ray that runs along the receptor */
export function receptorPlane(
  { posed, placement, contact }: PlacedBody,
  { through, direction, crossing }: AimedRay,
  { square, contactPoint, gapMm, angleDeg }: PlaneRequest,
): ReceptorPlane {
  const straight = square ? direction : placement.beam;
  const v = square ? squared(placement.toHead, straight) : placement.toHead;
  const n = negate(straight);
  const touching = square ? scale(straight, furthestSkin(posed, straight, contact).reachMm) : contactPoint;
  // Whatever was named as touching: the receptor never stands inside what the ray still has to leave.
  const behindExit = addScaled(crossing.exit, straight, gapMm);
  const asNamed = addScaled(touching, straight, gapMm);
  const planePoint = dot(behindExit, straight) > dot(asNamed, straight) ? behindExit : asNamed;
  const toPlane = rayPlane(through, direction, planePoint, n);
  if (toPlane === null) throw new RangeError(`a ray tilted ${angleDeg}° never meets the receptor`);
  const hit = addScaled(through, direction, toPlane);
  const u = cross(v, n);
  const straightHit = addScaled(through, straight, dot(subtract(planePoint, through), straight));
  const off = subtract(hit, straightHit);
  return { origin: hit, u, v, n, straight, alongMm: square ? 0 : dot(off, v), acrossMm: square ? 0 : dot(off, u) };
}
