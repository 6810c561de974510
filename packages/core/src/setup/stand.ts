/** Where body and surface stand in the room. */
import { furthestSkin } from '../body/posed';
import type { Vec3 } from '../geometry/vector';
import type { Room } from '../room/room';
import type { PlacedBody } from './place';

/** Puts a standing patient's feet on the floor, on a block when the tube does not go low enough; a lying one on the surface. */
export function standingLift(
  placed: PlacedBody,
  through: Vec3,
  horizontal: boolean,
  room: Room,
  surfaceMm: number,
): { shift: Vec3; blockMm: number } {
  if (!horizontal) return { shift: [-through[0], -through[1], surfaceMm], blockMm: 0 };
  // A lying body rests at height 0 of its own room.
  if (placed.placement.lies) return { shift: [0, -through[1], room.surfaceHeightMm], blockMm: 0 };
  const sole = lowest(placed);
  const aimHeight = through[2] - sole;
  const blockMm = Math.max(0, Math.ceil((room.tube.focusHeightMm[0] - aimHeight) / 10) * 10);
  return { shift: [0, -through[1], blockMm - sole], blockMm };
}

const DOWN: Vec3 = [0, 0, -1];
const lowest = (placed: PlacedBody): number => -furthestSkin(placed.posed, DOWN).reachMm;
