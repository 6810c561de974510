/**
 * Lets a limb or the head sink (or rise) about its own joint until it touches a level: nothing floats over a table
 * and nothing goes through it.
 */
import { applyToDirection, applyToPoint, rotationAbout } from '../geometry/frame';
import { add, dot, negate, subtract, type Vec3 } from '../geometry/vector';
import { rangeOf, specOf, type JointLimits, type Motion, type Pose } from '../body/joints';
import type { PosedBody } from '../body/posed';
import { supportReach, type Shape } from '../body/shape';
import { ROOM_DOWN } from './position';

export type Limb = {
  /** Segment whose joint it turns about, and the one that the turn is measured against. */
  root: string;
  parent: string;
  /** Movements it may use; at the first joint of the chain, in their order at that joint. */
  motions: readonly Motion[];
  /** Segments that touch. */
  touches: readonly string[];
};

const side = (suffix: 'L' | 'R') => (id: string) => `${id}_${suffix}`;
export const legOf = (suffix: 'L' | 'R'): Limb => ({
  root: side(suffix)('thigh'),
  parent: 'pelvis',
  motions: [`hipFlexion_${suffix}`, `hipAbduction_${suffix}`],
  touches: ['shank', 'talus', 'foot', 'toes'].map(side(suffix)),
});
export const armOf = (suffix: 'L' | 'R'): Limb => ({
  root: side(suffix)('upperarm'),
  parent: 'thorax',
  motions: [`shoulderFlexion_${suffix}`, `shoulderAbduction_${suffix}`],
  touches: ['forearm', 'hand', 'finger1', 'finger2', 'finger3', 'finger4', 'finger5'].map(side(suffix)),
});
export const HEAD: Limb = {
  root: 'neck',
  parent: 'thorax',
  motions: ['neckExtension', 'neckSideBend'],
  touches: ['head', 'mandible'],
};

/** Nearer than this counts as touching. */
const TOUCH_MM = 0.5;
const STEP_DEG = 5;
const FURTHEST_DEG = 75;
const PROBE_DEG = 2;

/** Axis of a movement in the room, as it stands after the movements before it at the same joint. */
function axisInRoom(posed: PosedBody, limb: Limb, motion: Motion, pose: Pose): Vec3 {
  const right = limb.root.endsWith('_R');
  let axis: Vec3 = [0, 0, 0];
  const turned = (v: Vec3): Vec3 => (right ? [v[0], -v[1], -v[2]] : v);
  const own = (each: Motion): Vec3 => {
    const drive = specOf(each).drives[0];
    const v = turned(drive.axis as Vec3);
    return drive.share < 0 ? negate(v) : v;
  };
  axis = own(motion);
  for (const before of limb.motions) {
    if (before === motion) break;
    axis = applyToDirection(rotationAbout([0, 0, 0], own(before), pose[before] ?? 0), axis);
  }
  return applyToDirection(posed.frames[limb.parent], axis);
}

/**
 * The turn that brings the limb's lowest skin to a level.
 * @param level height in the room, mm
 * @returns which movement, and by how many degrees more than the pose has it; null when the limb is there already
 */
export function settle(
  posed: PosedBody,
  limb: Limb,
  pose: Pose,
  level: number,
  limits?: JointLimits,
): { motion: Motion; degrees: number } | null {
  const joint = add(applyToPoint(posed.frames[limb.root], posed.body.segments[limb.root].joint), posed.slide);
  const shapes: Shape[] = posed.skin
    .filter((piece) => limb.touches.includes(piece.segment))
    .map((piece) => piece.shape);
  const from = subtract(joint, posed.slide);
  const want = joint[2] - level;
  // How much too deep the limb lies when it is turned by so much: the surface turned the other way round.
  const excess = (axis: Vec3, degrees: number): number => {
    const down = applyToDirection(rotationAbout([0, 0, 0], axis, -degrees), ROOM_DOWN);
    let deepest = -Infinity;
    for (const shape of shapes) deepest = Math.max(deepest, supportReach(shape, down));
    return deepest - dot(from, down) - want;
  };
  const choices = limb.motions.map((motion) => {
    const axis = axisInRoom(posed, limb, motion, pose);
    return { motion, axis, slope: Math.abs(excess(axis, PROBE_DEG) - excess(axis, -PROBE_DEG)) };
  });
  const { motion, axis } = choices.reduce((best, each) => (each.slope > best.slope ? each : best));
  const now = pose[motion] ?? 0;
  const [low, high] = rangeOf(motion, limits);
  const start = excess(axis, 0);
  if (Math.abs(start) < TOUCH_MM) return null;
  const quick = secant((degrees) => excess(axis, degrees), start, low - now, high - now);
  if (quick !== null) return { motion, degrees: quick };
  let best = { degrees: 0, off: Math.abs(start) };
  for (const sign of [1, -1]) {
    let before = start;
    for (let at = STEP_DEG; at <= FURTHEST_DEG; at += STEP_DEG) {
      const degrees = sign * at;
      if (now + degrees < low || now + degrees > high) break;
      const value = excess(axis, degrees);
      if (Math.abs(value) < best.off) best = { degrees, off: Math.abs(value) };
      if (value * before <= 0) {
        const found = between(axis, degrees - sign * STEP_DEG, degrees, before, excess);
        if (best.off > TOUCH_MM || Math.abs(found) < Math.abs(best.degrees)) best = { degrees: found, off: 0 };
        break;
      }
      before = value;
    }
  }
  return best.degrees === 0 ? null : { motion, degrees: best.degrees };
}

const SECANT_ROUNDS = 7;
const SECANT_STEP_DEG = 20;

/** The usual case: a short swing, found in a few steps. Null where it leads out of the joint's range or far away. */
function secant(excess: (degrees: number) => number, start: number, low: number, high: number): number | null {
  let [a, fa] = [0, start];
  let b = start > 0 ? -PROBE_DEG : PROBE_DEG;
  for (let i = 0; i < SECANT_ROUNDS; i += 1) {
    if (b < low || b > high || Math.abs(b) > FURTHEST_DEG) return null;
    const fb = excess(b);
    if (Math.abs(fb) < TOUCH_MM / 5) return b;
    if (fb === fa) return null;
    const step = (-fb * (b - a)) / (fb - fa);
    [a, fa] = [b, fb];
    b += Math.max(-SECANT_STEP_DEG, Math.min(SECANT_STEP_DEG, step));
  }
  return null;
}

function between(
  axis: Vec3,
  from: number,
  to: number,
  atFrom: number,
  excess: (axis: Vec3, degrees: number) => number,
): number {
  let [a, b] = [from, to];
  let fa = atFrom;
  for (let i = 0; i < 14; i += 1) {
    const middle = (a + b) / 2;
    const value = excess(axis, middle);
    if (value * fa <= 0) b = middle;
    else [a, fa] = [middle, value];
  }
  return (a + b) / 2;
}
