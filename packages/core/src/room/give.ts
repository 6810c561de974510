/** Flesh gives way where the weight of the body lies on it: a body at rest sinks in, and does not stand on its skin. */
import { furthestSkin, type PosedBody } from '../body/posed';
import { applyToDirection } from '../geometry/frame';
import { dot, type InRoom, type Vec3 } from '../geometry/vector';

type Aspect = 'back' | 'front' | 'side';

/** How far the flesh of the reference adult gives way under the weight that lies on it, mm [typical]. */
const UNDER_WEIGHT: Readonly<Record<Aspect, Readonly<Record<string, number>>>> = {
  back: { pelvis: 25, lumbar: 20, thorax: 20, scapula: 20, thigh: 20, shank: 8, foot: 5 },
  front: { pelvis: 20, lumbar: 20, thorax: 15, scapula: 15, thigh: 15 },
  side: { pelvis: 18, lumbar: 10, thorax: 8, scapula: 32, upperarm: 32, clavicle: 32, thigh: 18 },
};
/** Against a wall stand nothing but a shoulder is pressed in, so that the chest touches. */
const AT_WALL: Readonly<Record<string, number>> = { scapula: 32, upperarm: 32, clavicle: 32 };

/** Which side of the trunk faces a direction of the room. */
function aspectOf(posed: PosedBody<InRoom>, d: Vec3<InRoom>): Aspect {
  const toward = (axis: Vec3): number => dot(applyToDirection(posed.place, axis as Vec3<never>), d);
  if (Math.abs(toward([1, 0, 0])) > SIDEWAYS) return 'side';
  return toward([0, 1, 0]) > 0 ? 'back' : 'front';
}
const SIDEWAYS = 0.75;

/** More flesh gives way further, up to this. */
const MOST_SHARE = 1.3;

function giveMm(posed: PosedBody<InRoom>, segment: string, gives: Readonly<Record<string, number>>): number {
  const { flesh } = posed.body.segments[segment]!.stretch;
  return (gives[segment.replace(/_[LR]$/, '')] ?? 0) * Math.min(MOST_SHARE, (flesh[0] + flesh[1]) / 2);
}

/**
 * How far a body that rests on some of its segments reaches in a direction, once their flesh has given way.
 * @param d unit direction toward what the body rests on
 * @param on `'weight'` where it lies on it; `'wall'` where it stands against it
 * @returns coordinate along `d`, mm; never further than the skin itself
 */
export function restingReachMm(
  posed: PosedBody<InRoom>,
  d: Vec3<InRoom>,
  segments: readonly string[],
  on: 'weight' | 'wall' = 'weight',
): number {
  const aspect = aspectOf(posed, d);
  const gives = on === 'weight' ? UNDER_WEIGHT[aspect] : aspect === 'side' ? AT_WALL : {};
  const known = segments.filter((id) => posed.skin.some(({ segment }) => segment === id));
  return Math.max(...known.map((id) => furthestSkin(posed, d, [id]).reachMm - giveMm(posed, id, gives)));
}
