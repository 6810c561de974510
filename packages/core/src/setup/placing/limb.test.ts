import fc from 'fast-check';
import { buildBody } from '../../body/body';
import { rangeOf, type Motion } from '../../body/joints';
import { poseBody } from '../../body/pose';
import { applyToDirection, compose, frameFromPairs, rotationAbout } from '../../geometry/frame';
import { distance, type InRoom, type InSegment, type Vec3 } from '../../geometry/vector';
import { layLimb, onlyTurn } from './limb';

const UP: Vec3 = [0, 0, 1];
const upright = frameFromPairs(UP, [0, 1, 0], UP, [1, 0, 0]);
const body = buildBody({});
const AXES: Vec3[] = [[1, 0, 0], [0, 1, 0], UP];

describe('a limb laid by its ball joint', () => {
  it('lies as wanted whatever elbow and wrist do, the trunk upright, on both sides', () => {
    const angle = fc.double({ min: -180, max: 180, noNaN: true });
    fc.assert(
      fc.property(
        angle,
        angle,
        angle,
        fc.double({ min: 0, max: 140, noNaN: true }),
        fc.constantFrom('L' as const, 'R' as const),
        (a, b, c, elbow, side) => {
          const target = compose(
            rotationAbout([0, 0, 0], UP, a),
            compose(rotationAbout([0, 0, 0], [1, 0, 0], b), rotationAbout([0, 0, 0], [0, 1, 0], c)),
          );
          const { pose, yawDeg } = layLimb(
            body,
            { [`elbowFlexion_${side}`]: elbow } as never,
            `hand_${side}`,
            target,
            upright,
            true,
          );
          const place = compose(rotationAbout([0, 0, 0], UP, yawDeg), upright);
          const hand = compose(place, onlyTurn(poseBody(body, pose)[`hand_${side}`]));
          for (const axis of AXES)
            expect(distance(applyToDirection(onlyTurn(hand), axis), applyToDirection(target, axis))).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('a palm on the table in front is within what a shoulder does', () => {
    const palmDown = frameFromPairs<InSegment, InRoom>(UP, [0, -1, 0], [1, 0, 0], [0, 0, -1]);
    const { pose } = layLimb(body, { elbowFlexion_L: 75, forearmPronation_L: 165 }, 'hand_L', palmDown, upright, true);
    for (const motion of ['shoulderFlexion_L', 'shoulderAbduction_L', 'shoulderMedialRotation_L'] as Motion[]) {
      const [low, high] = rangeOf(motion);
      expect(pose[motion]!).toBeGreaterThanOrEqual(low);
      expect(pose[motion]!).toBeLessThanOrEqual(high);
    }
  });
  it('leaves the trunk and the head alone', () => {
    for (const part of ['head', 'thorax', 'scapula_L'])
      expect(layLimb(body, { kneeFlexion_L: 20 }, part, upright, upright, true)).toEqual({
        pose: { kneeFlexion_L: 20 },
        yawDeg: 0,
      });
  });
});
