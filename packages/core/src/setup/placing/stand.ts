/** Where body and surface stand in the room. */
import { furthestSkin } from '../../body/posed';
import type { Vec3 } from '../../geometry/vector';
import type { Room } from '../../room/room';
import type { PlacedBody } from './place';

/** A low stool brings the head down by this share of the stature: it lacks the thighs, less the stool [typical]. */
const STOOL_SHARE = 0.22;

/** The ray of an upright view: where it passes, its way, and how far up it the tube is wanted. */
type LevelRay = { through: Vec3; direction: Vec3; sidMm: number };

/**
 * Puts a standing patient's feet on the floor, on a block when the tube does not go low enough; seats one who may sit
 * when it does not go high enough for a slanted ray; a lying one on the surface.
 * @param seat how far sitting brings this patient down, 0 where the view is not done sitting; and how far above the floor
 *   the feet of one who sits are
 */
export function standingLift(
  placed: PlacedBody,
  { through, direction, sidMm }: LevelRay,
  horizontal: boolean,
  room: Room,
  surfaceMm: number,
  { mayLowerMm, liftMm }: { mayLowerMm: number; liftMm: number },
): { shift: Vec3; blockMm: number; seatedMm: number } {
  if (!horizontal) return { shift: [-through[0], -through[1], surfaceMm], blockMm: 0, seatedMm: 0 };
  if (placed.placement.settled)
    return { shift: [0, -through[1], placed.placement.lies ? surfaceMm : 0], blockMm: 0, seatedMm: 0 };
  // A lying body rests at height 0 of its own room.
  if (placed.placement.lies) return { shift: [0, -through[1], room.surfaceHeightMm], blockMm: 0, seatedMm: 0 };
  const sole = lowest(placed);
  const aimHeight = through[2] - sole + liftMm;
  const blockMm = Math.max(0, Math.ceil((room.tube.focusHeightMm[0] - aimHeight) / 10) * 10);
  // Up the ray from the part: a little more than from the receptor, which lies beyond it.
  const focusHeight = aimHeight - direction[2] * sidMm;
  const tooHigh = Math.ceil((focusHeight - room.tube.focusHeightMm[1]) / 10) * 10;
  const seatedMm = blockMm > 0 ? 0 : Math.min(Math.max(0, tooHigh), Math.floor(mayLowerMm));
  return { shift: [0, -through[1], blockMm - seatedMm - sole + liftMm], blockMm, seatedMm };
}

/** How far sitting brings the head of this patient down, mm. */
export const sittingLowers = (statureMm: number): number => STOOL_SHARE * statureMm;

const DOWN: Vec3 = [0, 0, -1];
const lowest = (placed: PlacedBody): number => -furthestSkin(placed.posed, DOWN).reachMm;
