/**
 * The set-up of one projection for one patient in one room, in the order of the work: what is asked, pose and place, ray
 * and holder, the room, the light, the exposure, and what is told of it. Each step adds to what the one before found.
 */
import { aimAndHold } from './pipeline/aimed';
import { readRequest } from './pipeline/asked';
import { describe } from './pipeline/described';
import { chooseExposure } from './pipeline/exposed';
import { openCollimator } from './pipeline/collimated';
import { poseAndPlace } from './pipeline/posed';
import { standInRoom } from './pipeline/stood';
import type { Known } from './placing/placeAdapted';
import type { SetupRequest } from './request';
import type { Setup } from './setup';

/**
 * For a search, which has worked out body and place before for the same entry, patient and side.
 * @throws RangeError as `computeSetup`
 */
export const computeSetupWith = (request: SetupRequest, known: Known): Setup =>
  describe(chooseExposure(openCollimator(standInRoom(aimAndHold(poseAndPlace(readRequest(request, known)))))));

/**
 * Computes the set-up.
 * @param request a request that passed `setupRequestSchema`, or one that is known to be sound
 * @returns a Setup; `feasible` is false, with `problems`, when it cannot or must not be done so
 * @throws RangeError for an unknown projection, a missing side, or a patient outside the model
 * @example computeSetup({ projectionId: 'knee-ap', side: 'left', patient: { ageYears: 40 } }).tube.sidMm // 1016
 */
export const computeSetup = (request: SetupRequest): Setup => computeSetupWith(request, {});
