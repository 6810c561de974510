/** What of this patient may be posed for a picture. */
import { isOfArm, isOfHead, isOfLeg } from './placeGiven';
import { isHipHurt, legsKept, neckKept } from '../verdict/kept';
import type { KeptStill, Situation } from '../request';
import { hurtLimb, raisesArm } from '../verdict/stillJoints';

const isHeld = (situation: Situation, part: KeptStill): boolean =>
  part === 'neck' ? neckKept(situation) : situation.keepStill.includes(part);

const SHOULDER = /^(scapula|clavicle)_/;
/** Whether the part, a segment of the body, may be bent or turned. */
export function mayPose(segment: string, situation: Situation): boolean {
  const side = segment.endsWith('_R') ? 'right' : 'left';
  if (isOfHead(segment)) return !situation.spineNotCleared && !isHeld(situation, 'neck');
  if (hurtLimb(situation, segment).length > 0) return false;
  if (isOfArm(segment) || SHOULDER.test(segment))
    return !isHeld(situation, `${side} arm`) && (isOfArm(segment) || raisesArm(situation, side));
  const hip = isHipHurt(situation) || isHeld(situation, 'hip') || isHeld(situation, 'pelvis');
  if (isOfLeg(segment)) return !legsKept(situation).includes(side) && !hip;
  // Of the trunk only the legs are turned, and only for hip and pelvis.
  return segment !== 'pelvis' || (!hip && !situation.spineNotCleared);
}
