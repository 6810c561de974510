/** What of this patient may be posed for a picture. */
import type { PositionWay, Projection } from '../projections/schema';
import { isOfArm, isOfHead, isOfLeg, OF_THE_POSITION } from '../setup/placeGiven';
import { raisesArm } from '../setup/stillJoints';
import { isHipHurt } from '../setup/way';
import type { KeptStill, Situation, Worn } from '../setup/request';

export const ARM_OR_LEG_WORN: readonly Worn[] = ['splint', 'traction'];

export const isHeld = ({ keepStill, worn }: Situation, part: KeptStill): boolean =>
  keepStill.includes(part) || (part === 'neck' && worn.includes('collar'));

const SHOULDER = /^(scapula|clavicle)_/;
/** Whether the part, a segment of the body, may be bent or turned. */
export function mayPose(segment: string, situation: Situation): boolean {
  const side = segment.endsWith('_R') ? 'right' : 'left';
  if (isOfHead(segment)) return !situation.spineNotCleared && !isHeld(situation, 'neck');
  const bound = ARM_OR_LEG_WORN.some((worn) => situation.worn.includes(worn));
  if (isOfArm(segment) || SHOULDER.test(segment))
    return !bound && !isHeld(situation, `${side} arm`) && (isOfArm(segment) || raisesArm(situation, side));
  const hip = isHipHurt(situation) || isHeld(situation, 'hip') || isHeld(situation, 'pelvis');
  if (isOfLeg(segment)) return !bound && !isHeld(situation, `${side} leg`) && !hip;
  // Of the trunk only the legs are turned, and only for hip and pelvis.
  return segment !== 'pelvis' || (!hip && !situation.spineNotCleared);
}

/** Whether a way of an entry bends or turns the part itself. */
export const asksPosing = (projection: Projection, way: PositionWay): boolean =>
  way.partFrame !== undefined ||
  projection.headLine !== undefined ||
  Object.keys(projection.joints).length + Object.keys(way.joints).length > 0 ||
  [...projection.pose, ...way.pose].some((name) => !OF_THE_POSITION.has(name));

const NECK_POSES = /^(chin|neck|head|mouth)/;
/** Whether a way of an entry moves head or neck, which must stay. */
export const movesNeck = (projection: Projection, way: PositionWay): boolean =>
  projection.headLine !== undefined ||
  [...projection.pose, ...way.pose].some((name) => NECK_POSES.test(name)) ||
  [projection.joints, way.joints].some((joints) => Object.keys(joints).some((motion) => /^(neck|head)/.test(motion)));

export const neckStays = (situation: Situation): boolean => situation.spineNotCleared || isHeld(situation, 'neck');
