/**
 * Lays a limb for its picture: with elbow and wrist (or knee and ankle) bent as asked, finds how shoulder or hip must
 * stand so that the part lies as wanted while the trunk stays as it sits or lies.
 */
import type { Body } from '../../body/body';
import { addPoses, rangeOf, type JointLimits, type Motion, type Pose } from '../../body/joints';
import { poseBody } from '../../body/pose';
import { compose, inverse, rotationAbout, type Frame } from '../../geometry/frame';
import type { InPatient, InRoom, InSegment } from '../../geometry/vector';
import { clamp, toDegrees } from '../../quantity/angle';

/** Angles at which shoulder and hip are at ease when something lies on a table; others cost. */
const EASE = { shoulder: [45, 30, 0], hip: [45, 10, 0] } as const;
/** A degree past the joint's range weighs as much as this many of discomfort. */
const PAST_RANGE = 20;
const YAW_STEP_DEG = 15;
const FULL_TURN_DEG = 360;

const ARM = /^(upperarm|forearm|radius|hand|finger)/;

type Root = { segment: string; trunk: string; motions: readonly [Motion, Motion, Motion]; ease: readonly number[] };

/** The ball joint that carries the part, or null when the part is of the trunk. */
function rootOf(part: string): Root | null {
  const side = /_([LR])$/.exec(part)?.[1] as 'L' | 'R' | undefined;
  if (!side) return null;
  if (ARM.test(part))
    return {
      segment: `upperarm_${side}`,
      trunk: 'thorax',
      motions: [`shoulderFlexion_${side}`, `shoulderAbduction_${side}`, `shoulderMedialRotation_${side}`],
      ease: EASE.shoulder,
    };
  if (/^(scapula|clavicle)/.test(part)) return null;
  return {
    segment: `thigh_${side}`,
    trunk: 'pelvis',
    motions: [`hipFlexion_${side}`, `hipAbduction_${side}`, `hipMedialRotation_${side}`],
    ease: EASE.hip,
  };
}

/** Flexion, abduction and turn about the long axis that together make this rotation: two answers. */
function anglesOf(turn: Frame, right: boolean): number[][] {
  const at = (row: number, col: number) => turn[col * 4 + row];
  const beta = Math.asin(clamp(at(0, 2), -1, 1));
  const alpha = Math.atan2(-at(1, 2), at(2, 2));
  const gamma = Math.atan2(-at(0, 1), at(0, 0));
  const mirror = right ? -1 : 1;
  const wrap = (rad: number) => Math.atan2(Math.sin(rad), Math.cos(rad));
  return [
    [alpha, beta, gamma],
    [wrap(alpha + Math.PI), wrap(Math.PI - beta), wrap(gamma + Math.PI)],
  ].map(([a, b, c]) => [-toDegrees(a), -mirror * toDegrees(b), -mirror * toDegrees(c)]);
}

/**
 * @param pose what is asked of the other joints; angles of the ball joint in it are replaced
 * @param part segment that is laid; @param target its turn in the room
 * @param trunk turn of the patient frame in the room
 * @param mayFace the patient may face any way (on a stool)
 * @returns the whole pose and the way the patient faces, degrees about the vertical from `trunk`
 */
export function layLimb(
  body: Body,
  pose: Pose,
  part: string,
  target: Frame<InSegment, InRoom>,
  trunk: Frame<InPatient, InRoom>,
  mayFace: boolean,
  limits: JointLimits = {},
): { pose: Pose; yawDeg: number } {
  const root = rootOf(part);
  if (!root) return { pose, yawDeg: 0 };
  const free: Pose = Object.fromEntries(
    Object.entries(pose).filter(([motion]) => !(root.motions as readonly string[]).includes(motion)),
  );
  const posture = poseBody(body, free);
  const local = compose(inverse(onlyTurn(posture[root.segment])), onlyTurn(posture[part]));
  const onTrunk = onlyTurn(posture[root.trunk]);
  const right = part.endsWith('_R');
  let best: { cost: number; yawDeg: number; angles: number[] } | null = null;
  for (let yawDeg = 0; yawDeg < (mayFace ? FULL_TURN_DEG : YAW_STEP_DEG); yawDeg += YAW_STEP_DEG) {
    const frame = compose(rotationAbout([0, 0, 0], [0, 0, 1], yawDeg), onlyTurn(trunk));
    const turn = compose(inverse(compose(frame, onTrunk)), compose(target, inverse(local)));
    for (const angles of anglesOf(turn, right)) {
      const cost = angles.reduce((sum, angle, i) => {
        const [low, high] = rangeOf(root.motions[i], limits);
        const past = Math.max(0, low - angle, angle - high);
        return sum + PAST_RANGE * past + Math.abs(angle - root.ease[i]);
      }, 0);
      if (!best || cost < best.cost - 1e-6) best = { cost, yawDeg, angles };
    }
  }
  const laid = Object.fromEntries(root.motions.map((motion, i) => [motion, best!.angles[i]])) as Pose;
  return { pose: addPoses(free, laid), yawDeg: best!.yawDeg };
}

/** A frame without its shift. */
export function onlyTurn<From, To>(frame: Frame<From, To>): Frame<From, To> {
  const turn = [...frame];
  turn[12] = 0;
  turn[13] = 0;
  turn[14] = 0;
  return turn;
}
