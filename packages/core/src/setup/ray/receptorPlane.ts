/** Where the receptor lies: across the straight beam, or square to the angled ray where the part touches it. */
import { crossSkin, furthestSkin } from '../../body/posed';
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
  /** Leaned against what is before it, instead of standing clear of all that was named as touching. */
  propped: boolean;
  /** So far beyond the aim along the ray, whatever it touches; null where it touches. */
  beyondMm: number | null;
};

/** Half of a small receptor, up and across, and the lines along which what is before it is felt for, mm. */
const FELT_AT: readonly (readonly [number, number])[] = [-110, -55, 0, 55, 110].flatMap((along) =>
  [-80, 0, 80].map((across): [number, number] => [along, across]),
);

/** How far along a ray the body reaches before a receptor that is leaned against it; all of it where the ray passes between two limbs. */
function leanedMm(
  { posed, contact }: PlacedBody,
  through: Vec3<InRoom>,
  { n, u, v }: Pick<PlaneFrame, 'n' | 'u' | 'v'>,
): number {
  const d = negate(n);
  const exits = FELT_AT.flatMap(([along, across]) => {
    const felt = crossSkin(posed, addScaled(addScaled(through, v, along), u, across), d, contact);
    return felt ? [dot(felt.exit, d)] : [];
  });
  return exits.length > 0 ? Math.max(...exits) : furthestSkin(posed, d, contact).reachMm;
}

/** @throws RangeError for a ray that runs along the receptor */
export function receptorPlane(
  placed: PlacedBody,
  { through, target, direction, crossing }: AimedRay,
  { square, contactPoint, gapMm, angleDeg, propped, beyondMm }: PlaneRequest,
): ReceptorPlane {
  const { posed, placement, contact } = placed;
  const straight = square ? direction : placement.beam;
  const v = square ? squared(placement.toHead, straight) : placement.toHead;
  const n = negate(straight);
  const u = cross(v, n);
  const reach = (): number =>
    propped ? leanedMm(placed, through, { n, u, v }) : furthestSkin(posed, straight, contact).reachMm;
  const touching = square ? scale(straight, reach()) : contactPoint;
  // Whatever was named as touching: the receptor never stands inside what the ray still has to leave.
  const behindExit = addScaled(crossing.exit, straight, gapMm);
  const asNamed = addScaled(touching, straight, gapMm);
  const touchingAll = dot(behindExit, straight) > dot(asNamed, straight) ? behindExit : asNamed;
  const planePoint = beyondMm === null ? touchingAll : addScaled(target.p, straight, beyondMm);
  const toPlane = rayPlane(through, direction, planePoint, n);
  if (toPlane === null) throw new RangeError(`a ray tilted ${angleDeg}° never meets the receptor`);
  const hit = addScaled(through, direction, toPlane);
  const straightHit = addScaled(through, straight, dot(subtract(planePoint, through), straight));
  const off = subtract(hit, straightHit);
  return { origin: hit, u, v, n, straight, alongMm: square ? 0 : dot(off, v), acrossMm: square ? 0 : dot(off, u) };
}
