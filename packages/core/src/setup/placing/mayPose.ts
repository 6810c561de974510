/** What of this patient may be posed for a picture. */
import { isOfArm, isOfHead, isOfLeg } from './placeAdapted';
import { isHipHurt, legsKept, neckKept } from '../verdict/kept';
import type { ImmobilizedRegion, Situation } from '../request';
import { hurtLimb, raisesArm } from '../verdict/immobilized';

const isImmobilized = (situation: Situation, part: ImmobilizedRegion): boolean =>
  part === 'neck' ? neckKept(situation) : situation.keepStill.includes(part);

const SHOULDER = /^(scapula|clavicle)_/;
/** Whether the part, a segment of the body, may be bent or turned. */
export function mayPose(segment: string, situation: Situation): boolean {
  const side = segment.endsWith('_R') ? 'right' : 'left';
  if (isOfHead(segment)) return !situation.spineNotCleared && !isImmobilized(situation, 'neck');
  if (hurtLimb(situation, segment).length > 0) return false;
  if (isOfArm(segment) || SHOULDER.test(segment))
    return !isImmobilized(situation, `${side} arm`) && (isOfArm(segment) || raisesArm(situation, side));
  const hip = isHipHurt(situation) || isImmobilized(situation, 'hip') || isImmobilized(situation, 'pelvis');
  if (isOfLeg(segment)) return !legsKept(situation).includes(side) && !hip;
  // Of the trunk only the legs are turned, and only for hip and pelvis.
  return segment !== 'pelvis' || (!hip && !situation.spineNotCleared);
}
