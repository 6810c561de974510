/**
 * A measured part thickness overrides the body: flesh along the beam is stretched until the ray crosses what the
 * caliper said, so that skin distance, object distances and exposure all follow it.
 */
import type { BodyAdapt } from '../body/adapt';
import type { Body } from '../body/body';
import type { JointLimits } from '../body/joints';
import { crossSkin } from '../body/posed';
import type { Projection } from '../projections/schema';
import { aimRay, type AimedRay, type NeckPosed, type PlacedBody } from './place';
import { placeInWay, type Known } from './placeGiven';
import type { SideView } from './side';
import type { TakenWay } from './way';

const HEAD = ['head', 'mandible'];
const NECK = ['neck'];
const TRUNK = ['pelvis', 'lumbar', 'thorax', 'scapula_L', 'scapula_R', 'clavicle_L', 'clavicle_R'];
/** The mannequin is stretched no further than this; the caliper's thickness still counts for the exposure. */
const FACTOR_RANGE = [0.5, 2] as const;
const ROUNDS = 3;

/** The part of the body that the ray crosses most of. */
function partAlong(placed: PlacedBody, { through, direction }: AimedRay, limb?: readonly string[]): readonly string[] {
  if (limb) return limb;
  const across = (part: readonly string[]) => crossSkin(placed.posed, through, direction, part)?.thicknessMm ?? 0;
  return [TRUNK, HEAD, NECK].reduce((most, part) => (across(part) > across(most) ? part : most));
}

/**
 * Places the patient so that the straight ray at the aim crosses `wantedMm`.
 * @param limb segments of the examined limb, when it is one
 * @returns `straight`: the ray without any angle; `thicknessMm`: as measured, or as the body gives it; `factor`: measured against computed, null when not measured
 */
export function placeMeasured(
  projection: Projection,
  way: TakenWay,
  body: Body,
  view: SideView,
  limb: readonly string[] | undefined,
  {
    wantedMm,
    ...options
  }: { wantedMm?: number; limits?: JointLimits; boardMm?: number; neck?: NeckPosed; known?: Known },
): { placed: PlacedBody; straight: AimedRay; thicknessMm: number; factor: number | null } {
  let girth: BodyAdapt['girth'] = null;
  let placed = placeInWay(projection, way, body, view, { girth, ...options });
  let straight = aimRay(projection, placed, view, 0, limb);
  const computed = straight.crossing.thicknessMm;
  if (wantedMm === undefined) return { placed, straight, thicknessMm: computed, factor: null };
  const segments = partAlong(placed, straight, limb);
  const axis = projection.ray.view === 'lateral' || projection.ray.view === 'medial' ? 0 : 1;
  let factor = 1;
  for (let i = 0; i < ROUNDS && Math.abs(straight.crossing.thicknessMm - wantedMm) > 1; i += 1) {
    const next = factor * (wantedMm / straight.crossing.thicknessMm);
    factor = Math.min(FACTOR_RANGE[1], Math.max(FACTOR_RANGE[0], next));
    girth = { segments, axis, factor };
    placed = placeInWay(projection, way, body, view, { girth, ...options });
    straight = aimRay(projection, placed, view, 0, limb);
  }
  return { placed, straight, thicknessMm: wantedMm, factor: wantedMm / computed };
}
