/** The tube: SID along the ray, the height to set, what the room's limits leave of it. */
import { addScaled, dot, type InRoom, type Vec3 } from '../../geometry/vector';
import type { Room } from '../../room/room';
import type { LengthUnit } from '../../quantity/length';
import { problem, type Problem } from '../problem';

/** Short of the wanted SID by less than this counts as reached. */
const REACHED_MM = 10;

/** A ray that rises less than this over its length is level. */
const LEVEL = 0.01;

export type TubeReach = { sidMm: number; problems: Problem[] };

/**
 * The longest SID up to the wanted one that this room reaches along the ray.
 * @param level the ray runs level, to the wall stand or to a loose receptor
 * @param hit where the ray meets the receptor, room frame; @param direction unit, down the beam
 */
export function reachableSid(
  neededMm: number,
  acceptable: readonly [number, number],
  room: Room,
  hit: Vec3<InRoom>,
  direction: Vec3<InRoom>,
  level: 'no' | 'wall' | 'free',
  unit: LengthUnit,
): TubeReach {
  const { tube } = room;
  let longest = Infinity;
  if (level === 'wall') longest = tube.wallSidMm ? tube.wallSidMm[1] : Infinity;
  // A ray that comes from above ends where the tube goes no higher, whatever holds the receptor.
  if (direction[2] < -LEVEL) longest = Math.min(longest, (tube.focusHeightMm[1] - hit[2]) / -direction[2]);
  const sidMm = Math.min(neededMm, Math.floor(longest));
  const problems: Problem[] = [];
  if (sidMm < neededMm - REACHED_MM) {
    const values = { room: room.name, reachedMm: sidMm, neededMm };
    const usualFromMm = acceptable[0];
    problems.push(
      sidMm < usualFromMm
        ? problem('sid-too-short', { ...values, usualFromMm }, unit)
        : problem('sid-reduced', values, unit),
    );
  }
  return { sidMm, problems };
}

export const focalSpotAt = (hit: Vec3<InRoom>, direction: Vec3<InRoom>, sidMm: number): Vec3<InRoom> =>
  addScaled(hit, direction, -sidMm);

/** Horizontal when the ray runs closer to the floor than to the vertical. */
export const isHorizontal = (straight: Vec3<InRoom>): boolean => Math.abs(dot(straight, [0, 0, 1])) < 0.5;
