/** Joints that are not moved for a picture because of what is known of the patient, as limits of those joints. */
import { movementOf, type JointLimits, type Motion } from '../../body/joints';
import type { BodyPosition } from '../../projections/vocabulary';
import type { Reason } from '../../words/reasonWords';
import type { Situation } from '../request';
import { isBroken, isHipHurt, legsKept, neckStays } from './kept';

const NECK: JointLimits = {
  neckExtension: [0, 0],
  neckSideBend: [0, 0],
  neckRotation: [0, 0],
  headExtension: [0, 0],
  headSideBend: [0, 0],
  headRotation: [0, 0],
};
/** A hip lies as it lies: rolled out a little, neither turned in nor raised nor spread. */
const HIP = { hipMedialRotation: [-30, 0], hipFlexion: [-10, 20], hipAbduction: [-10, 15] } as const;
/** Knee and ankle of a leg that stays lie nearly straight, the foot as it falls [typical]. */
const LEG = { ...HIP, kneeFlexion: [-5, 20], anklePlantarFlexion: [10, 45], footInversion: [-10, 20] } as const;
/** The same of one who stays in a chair: bent as the seat has it. */
const SEATED_LEG = { ...LEG, hipFlexion: [-10, 95], kneeFlexion: [-5, 95] } as const;
/** Of a broken ankle or foot only what turns or bends it is held. */
const ANKLE = { hipMedialRotation: [-60, 5], anklePlantarFlexion: [-10, 45], footInversion: [-10, 20] } as const;

/** An arm that is not raised comes no higher than what it rests on. */
const MOST_LOW_ARM_DEG = 60;
const ARM = { shoulderFlexion: [-60, MOST_LOW_ARM_DEG], shoulderAbduction: [-45, MOST_LOW_ARM_DEG] } as const;
/** An arm that stays hangs or lies beside the body, the elbow bent no further than on a table top. */
const KEPT_ARM = { ...ARM, elbowFlexion: [-5, 60], wristFlexion: [-30, 30], wristUlnarDeviation: [-12, 12] } as const;

/** An arm that is to be kept is not supinated for the picture, nor rotated further than it lies across the body [typical]. */
const IMMOBILIZED_ARM = { ...KEPT_ARM, shoulderMedialRotation: [-10, 70], forearmPronation: [60, 175] } as const;

const sided = (ranges: Readonly<Record<string, readonly [number, number]>>, side: 'L' | 'R'): JointLimits =>
  Object.fromEntries(
    Object.entries(ranges).map(([movement, range]) => [`${movement}_${side}`, [...range]]),
  ) as JointLimits;

/** Whether an arm may be raised above the shoulder. */
export const raisesArm = ({ canRaiseArm, keepStill }: Situation, side: 'left' | 'right'): boolean =>
  (canRaiseArm === 'both' || canRaiseArm === side) && !keepStill.includes(`${side} arm`);

/** A hurt shoulder or upper arm is carried beside or across the body, the elbow as a sling has it: rotated no further [typical]. */
const CARRIED_ARM = {
  ...ARM,
  shoulderAbduction: [-45, 30],
  shoulderMedialRotation: [0, 70],
  elbowFlexion: [-5, 110],
} as const;

/** Joints that stay, why, and within which angles. */
export type ImmobilizedJoints = { limits: JointLimits; why: Reason };
const because = (code: Reason['code'], side?: Reason['side']): Reason => ({ code, ...(side && { side }) });

const LETTER = { left: 'L', right: 'R' } as const;
const SIDES = ['left', 'right'] as const;

/** Everything that must not be moved. @param part segment that is examined: of a hurt hip that is looked at, the other leg may be raised */
function immobilizedJoints(situation: Situation, part: string): ImmobilizedJoints[] {
  const { keepStill, place, canStand } = situation;
  const hipKept = keepStill.includes('hip') || keepStill.includes('pelvis');
  const other = THIGH.test(part) ? (part.endsWith('_L') ? 'right' : 'left') : null;
  const seated = place === 'chair' && !canStand;
  const kept = legsKept(situation);
  return [
    ...(neckStays(situation) ? [{ limits: NECK, why: because('neck-stays') }] : []),
    ...SIDES.flatMap((side): ImmobilizedJoints[] => {
      const arm = keepStill.includes(`${side} arm`);
      return [
        ...(arm
          ? [{ limits: sided(IMMOBILIZED_ARM, LETTER[side]), why: because('arm-stays', side) }]
          : raisesArm(situation, side)
            ? []
            : [{ limits: sided(ARM, LETTER[side]), why: because('arm-not-raised', side) }]),
        ...(kept.includes(side)
          ? [{ limits: sided(seated ? SEATED_LEG : LEG, LETTER[side]), why: because('leg-stays', side) }]
          : hipKept || (isHipHurt(situation) && side !== other)
            ? [{ limits: sided(HIP, LETTER[side]), why: because('hip-stays') }]
            : []),
      ];
    }),
  ];
}

const OF_ARM = /^forearm_([LR])$/;
const OF_SHOULDER = /^(upperarm|scapula|clavicle)_([LR])$/;
const THIGH = /^thigh_/;
const OF_LEG = /^(thigh|patella|shank)_([LR])$/;
const OF_ANKLE = /^talus_([LR])$/;

/** A limb that may be broken, is splinted or in a fixator, stays as it lies; hand and toes are laid by the patient, with care. */
export function hurtLimb(situation: Situation, part: string): ImmobilizedJoints[] {
  const splinted = situation.worn.includes('splint');
  const pinned = situation.worn.includes('external fixator');
  if (!isBroken(situation) && !splinted && !pinned) return [];
  const why: Reason = { code: splinted ? 'splinted-limb' : pinned ? 'limb-in-fixator' : 'broken-limb' };
  const put = (range: Readonly<Record<string, readonly [number, number]>>, side: string) => [
    { limits: sided(range, side as 'L' | 'R'), why },
  ];
  const arm = OF_ARM.exec(part);
  if (arm) return put(KEPT_ARM, arm[1]);
  const shoulder = OF_SHOULDER.exec(part);
  if (shoulder) return put(CARRIED_ARM, shoulder[2]);
  const leg = OF_LEG.exec(part);
  if (leg) return put(LEG, leg[2]);
  const ankle = OF_ANKLE.exec(part);
  return ankle ? put(ANKLE, ankle[1]) : [];
}

/** @param part segment, on its side */
const sparedJoints = (situation: Situation, part: string): ImmobilizedJoints[] => [
  ...immobilizedJoints(situation, part),
  ...hurtLimb(situation, part),
];

/** Where a joint that stays can be, of one that does not come there: as near as it comes. */
function within(range: readonly [number, number], known: readonly [number, number] | undefined): [number, number] {
  if (!known) return [range[0], range[1]];
  if (known[0] > range[1]) return [known[0], known[0]];
  if (known[1] < range[0]) return [known[1], known[1]];
  return [Math.max(range[0], known[0]), Math.min(range[1], known[1])];
}

/** What stays of this patient when this part is examined, each joint no further than what was told of it. */
export const immobilizedFor = (situation: Situation, part: string): ImmobilizedJoints[] =>
  sparedJoints(situation, part).map(({ limits, why }) => ({
    why,
    limits: Object.fromEntries(
      (Object.entries(limits) as [Motion, [number, number]][]).map(([motion, range]) => [
        motion,
        within(range, situation.joints[motion] ?? situation.joints[movementOf(motion)]),
      ]),
    ) as JointLimits,
  }));

/** While the spine is not cleared an arm is raised out of a beam across the trunk and no further: overhead it would extend the spine [typical]. */
const SPINE_ARMS = { shoulderFlexion: [-60, 110], shoulderAbduction: [-45, 110] } as const;

/** A hurt hand or wrist is laid beside the patient or on a table, never over the head. */
const HURT_HAND = { shoulderFlexion: [-60, 95], shoulderAbduction: [-45, 95] } as const;
const OF_HAND = /^(radius|hand|finger\d)_/;

/** Limits with which a found way is posed: what was told of each joint, and what stays. */
export const limitsFor = (situation: Situation, part: string): JointLimits =>
  Object.assign(
    {},
    isBroken(situation) && OF_HAND.test(part) && sided(HURT_HAND, part.endsWith('_R') ? 'R' : 'L'),
    situation.spineNotCleared && { ...sided(SPINE_ARMS, 'L'), ...sided(SPINE_ARMS, 'R') },
    situation.joints,
    ...immobilizedFor(situation, part).map(({ limits }) => limits),
  ) as JointLimits;

/** Whether a limit was told for this joint. */
export const isLimited = (motion: Motion, joints: JointLimits): boolean =>
  joints[motion] !== undefined || joints[movementOf(motion)] !== undefined;

/** A spine board with what holds the head on it, mm [typical]. */
const BOARD_MM = 45;

/** Thickness of the board between a patient and the table or bed, mm. */
export const boardOf = ({ worn }: Situation, body: BodyPosition): number =>
  worn.includes('board') && body === 'supine' ? BOARD_MM : 0;
