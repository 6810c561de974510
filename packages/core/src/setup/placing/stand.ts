/** Where body and surface stand in the room. */
import { furthestSkin } from '../../body/posed';
import type { Vec3 } from '../../geometry/vector';
import type { Room } from '../../room/room';
import type { PlacedBody } from './place';

/** The ray of an upright view: where it passes, its way, and how far up it the tube is wanted. */
type LevelRay = { through: Vec3; direction: Vec3; sidMm: number };

/**
 * Puts the feet of who stands or sits on the floor, on a block when the tube does not go low enough; a lying patient on
 * the surface.
 * @param liftMm how far above the floor the feet of one who sits are
 * @returns `tooHighMm`: by how much the tube does not go high enough for a slanted ray to one who stands so
 */
export function standingLift(
  placed: PlacedBody,
  { through, direction, sidMm }: LevelRay,
  horizontal: boolean,
  room: Room,
  surfaceMm: number,
  liftMm: number,
): { shift: Vec3; blockMm: number; tooHighMm: number } {
  if (!horizontal) return { shift: [-through[0], -through[1], surfaceMm], blockMm: 0, tooHighMm: 0 };
  if (placed.placement.settled)
    return { shift: [0, -through[1], placed.placement.lies ? surfaceMm : 0], blockMm: 0, tooHighMm: 0 };
  // A lying body rests at height 0 of its own room.
  if (placed.placement.lies) return { shift: [0, -through[1], room.surfaceHeightMm], blockMm: 0, tooHighMm: 0 };
  const sole = lowest(placed);
  const aimHeight = through[2] - sole + liftMm;
  const blockMm = Math.max(0, Math.ceil((room.tube.focusHeightMm[0] - aimHeight) / 10) * 10);
  // Up the ray from the part: a little more than from the receptor, which lies beyond it.
  const focusHeight = aimHeight - direction[2] * sidMm;
  const tooHighMm = Math.max(0, focusHeight - room.tube.focusHeightMm[1]);
  return { shift: [0, -through[1], blockMm - sole + liftMm], blockMm, tooHighMm };
}

const DOWN: Vec3 = [0, 0, -1];
const lowest = (placed: PlacedBody): number => -furthestSkin(placed.posed, DOWN).reachMm;
