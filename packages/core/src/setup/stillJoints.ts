/** Joints that are not moved for a picture because of what is known of the patient, as limits of those joints. */
import { movementOf, type JointLimits, type Motion } from '../body/joints';
import type { BodyPosition } from '../projections/vocabulary';
import type { Situation } from './request';
import { isHipHurt } from './way';

const NECK: JointLimits = {
  neckExtension: [0, 0],
  neckSideBend: [0, 0],
  neckRotation: [0, 0],
  headExtension: [0, 0],
  headSideBend: [0, 0],
  headRotation: [0, 0],
};
/** A hip lies as it lies: rolled out a little, neither turned in nor raised nor spread. */
const HIP = { hipMedialRotation: [-60, 0], hipFlexion: [-10, 20], hipAbduction: [-10, 15] } as const;

/** An arm that is not raised comes no higher than what it rests on. */
export const MOST_LOW_ARM_DEG = 60;
const ARM = { shoulderFlexion: [-60, MOST_LOW_ARM_DEG], shoulderAbduction: [-45, MOST_LOW_ARM_DEG] } as const;

const sided = (ranges: Readonly<Record<string, readonly [number, number]>>, side: 'L' | 'R'): JointLimits =>
  Object.fromEntries(
    Object.entries(ranges).map(([movement, range]) => [`${movement}_${side}`, [...range]]),
  ) as JointLimits;

/** Whether an arm may be raised above the shoulder. */
export const raisesArm = ({ canRaiseArm, keepStill }: Situation, side: 'left' | 'right'): boolean =>
  (canRaiseArm === 'both' || canRaiseArm === side) && !keepStill.includes(`${side} arm`);

export function stillJoints(situation: Situation): JointLimits {
  const { keepStill, worn, spineNotCleared } = situation;
  const both = isHipHurt(situation) || keepStill.includes('hip') || keepStill.includes('pelvis');
  return {
    ...(spineNotCleared || keepStill.includes('neck') || worn.includes('collar') ? NECK : {}),
    ...(raisesArm(situation, 'left') ? {} : sided(ARM, 'L')),
    ...(raisesArm(situation, 'right') ? {} : sided(ARM, 'R')),
    ...(both || keepStill.includes('left leg') ? sided(HIP, 'L') : {}),
    ...(both || keepStill.includes('right leg') ? sided(HIP, 'R') : {}),
  };
}

/** Whether a limit was told for this joint. */
export const isLimited = (motion: Motion, joints: JointLimits): boolean =>
  joints[motion] !== undefined || joints[movementOf(motion)] !== undefined;

/** A spine board with what holds the head on it, mm [typical]. */
const BOARD_MM = 45;

/** Thickness of the board between a patient and the table or bed, mm. */
export const boardOf = ({ worn }: Situation, body: BodyPosition): number =>
  worn.includes('board') && body === 'supine' ? BOARD_MM : 0;
