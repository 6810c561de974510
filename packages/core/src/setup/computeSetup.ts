/**
 * The set-up of one projection for one patient in one room, in the order of the work: what is asked, pose and place, ray
 * and holder, the room, the light, the exposure, and what is told of it. Each step adds to what the one before found.
 */
import { aimAndHold } from './pipeline/aimed';
import { readRequest } from './pipeline/asked';
import { describe } from './pipeline/described';
import { chooseExposure } from './pipeline/exposed';
import { standForGrid } from './pipeline/focused';
import { poseAndPlace } from './pipeline/posed';
import { standOrSit } from './pipeline/seated';
import { standInRoom } from './pipeline/stood';
import type { Known } from './placing/placeAdapted';
import { blocks, type Problem } from './problem';
import type { SetupRequest } from './request';
import type { Setup } from './setup';

/** What a step found out against the set-up: the next ones have nothing to add to it. */
const isBlocked = ({ problems }: { problems: readonly Problem[] }): boolean => problems.some(blocks);

/**
 * For a search, which has worked out body and place before for the same entry, patient and side.
 * @returns the set-up; null as soon as a step finds that it cannot, or must not, be done so
 * @throws RangeError as `computeSetup`
 */
export function computeFeasible(request: SetupRequest, known: Known): Setup | null {
  const posed = poseAndPlace(readRequest(request, known));
  if (isBlocked(posed)) return null;
  const aimed = standOrSit(aimAndHold(posed));
  const stood = standInRoom(aimed);
  if (isBlocked(stood)) return null;
  const collimated = standForGrid(stood, aimed);
  if (isBlocked(collimated)) return null;
  const exposed = chooseExposure(collimated);
  return isBlocked(exposed) ? null : describe(exposed);
}

/**
 * Computes the set-up.
 * @param request a request that passed `setupRequestSchema`, or one that is known to be sound
 * @returns a Setup; `feasible` is false, with `problems`, when it cannot or must not be done so
 * @throws RangeError for an unknown projection, a missing side, or a patient outside the model
 * @example computeSetup({ projectionId: 'knee-ap', side: 'left', patient: { ageYears: 40 } }).tube.sidMm // 1016
 */
export function computeSetup(request: SetupRequest): Setup {
  const aimed = standOrSit(aimAndHold(poseAndPlace(readRequest(request, {}))));
  return describe(chooseExposure(standForGrid(standInRoom(aimed), aimed)));
}
