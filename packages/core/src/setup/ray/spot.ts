/** Whether the focal spot may stand where the ray wants it. */
import { distance, dot, subtract, type Vec3 } from '../../geometry/vector';
import type { LengthUnit } from '../../quantity/length';
import type { Room } from '../../room/room';
import type { AimedRay } from '../placing/place';
import { problem, type Problem } from '../problem';

/** Short of what a tube reaches by less than this counts as reached. */
const REACH_SLACK_MM = 20;
/** Least distance from focal spot to skin: rule for mobile units; fixed ones want more. */
const SKIN_DISTANCE_MM = 300;
const LEAST_SID_MM = 300;

/**
 * @param mustReach a level ray of a way that was found, or to one who sits: the height of the tube is held against the room
 * @throws RangeError where the tube would stand inside the patient
 */
export function spotProblems(
  focal: Vec3,
  { direction, crossing }: AimedRay,
  { sidMm, mustReach }: { sidMm: number; mustReach: boolean },
  room: Room,
  unit: LengthUnit,
): Problem[] {
  const inFront = dot(subtract(crossing.entry, focal), direction) > 0;
  if (!inFront || sidMm < LEAST_SID_MM)
    throw new RangeError(`an SID of ${Math.round(sidMm)} mm puts the tube inside the patient`);
  const problems: Problem[] = [];
  const [lowestMm] = room.tube.focusHeightMm;
  if (mustReach && focal[2] < lowestMm - REACH_SLACK_MM)
    problems.push(problem('tube-low', { room: room.name, lowestMm, neededMm: Math.max(0, focal[2]) }, unit));
  const toSkinMm = distance(focal, crossing.entry);
  if (toSkinMm < SKIN_DISTANCE_MM)
    problems.push(problem('skin-near', { skinMm: toSkinMm, leastMm: SKIN_DISTANCE_MM }, unit));
  return problems;
}
