/**
 * The movements of the joints: what turns, about which axis, and how far a healthy adult goes. Degrees; signs as an
 * examiner names the movement. Ranges: general teaching of joint examination, rounded outward [typical].
 */
import type { Vec3 } from '../geometry/vector';

const X: Vec3 = [1, 0, 0];
const Y: Vec3 = [0, 1, 0];
const Z: Vec3 = [0, 0, 1];
/** Across the palm, which hangs a little slanted in the anatomical position. */
const PALM_X: Vec3 = [0.9896, 0, 0.1437];
/** Subtalar axis, pointing back: 42° down and 16° outward. Source: taught mean of its anatomy. */
const SUBTALAR: Vec3 = [0.205, 0.714, -0.669];
/** Axes square to the thumb: out of the palm, and across it. */
const THUMB_OUT: Vec3 = [-0.737, 0, -0.676];
const THUMB_ACROSS: Vec3 = [0, 0.882, -0.47];

/** An axis of the patient in anatomical position, or the line through two landmarks of the left side. */
export type Axis = Vec3 | { from: string; to: string };
type Drive = { segment: string; axis: Axis; share: number };
type MovementSpec = { drives: readonly Drive[]; paired: boolean; range: readonly [number, number]; says: string };

/** @param by factor on the axis: 1 turns right-handed about it, on the left side */
const one = (
  segment: string,
  axis: Axis,
  by: 1 | -1,
  range: readonly [number, number],
  says: string,
  paired = true,
): MovementSpec => ({ drives: [{ segment, axis, share: by }], paired, range, says });
const middle = (segment: string, axis: Axis, by: 1 | -1, range: readonly [number, number], says: string) =>
  one(segment, axis, by, range, says, false);
/** The spine shares a movement out between loin and chest. */
const trunk = (axis: Axis, loin: number, range: readonly [number, number], says: string): MovementSpec => ({
  drives: [
    { segment: 'lumbar', axis, share: loin },
    { segment: 'thorax', axis, share: 1 - loin },
  ],
  paired: false,
  range,
  says,
});

/**
 * In the order in which they are carried out at a joint: flexion, abduction, then the turn about the long axis.
 * The range of a paired movement holds for each side.
 */
export const MOVEMENTS = {
  trunkFlexion: trunk(X, 0.6, [-30, 85], 'the trunk bends forward'),
  trunkSideBend: trunk(Y, 0.5, [-35, 35], 'the trunk bends to the left'),
  trunkRotation: trunk(Z, 0.15, [-45, 45], 'the trunk turns to the left'),
  neckExtension: middle('neck', X, -1, [-45, 50], 'the neck bends back'),
  neckSideBend: middle('neck', Y, 1, [-35, 35], 'the neck bends to the left'),
  neckRotation: middle('neck', Z, 1, [-45, 45], 'the neck turns to the left'),
  headExtension: middle('head', X, -1, [-25, 35], 'the head nods back'),
  headSideBend: middle('head', Y, 1, [-15, 15], 'the head tips to the left'),
  headRotation: middle('head', Z, 1, [-45, 45], 'the head turns to the left'),
  jawOpening: middle('mandible', X, 1, [0, 30], 'the jaw opens'),
  scapulaElevation: one('clavicle', Y, -1, [-10, 35], 'the shoulder is drawn up'),
  scapulaProtraction: one('clavicle', Z, -1, [-20, 25], 'the shoulder comes forward'),
  shoulderFlexion: one('upperarm', X, -1, [-60, 180], 'the arm is raised forward'),
  shoulderAbduction: one('upperarm', Y, -1, [-45, 180], 'the arm is raised sideways'),
  shoulderMedialRotation: one('upperarm', Z, -1, [-90, 90], 'the arm turns in'),
  elbowFlexion: one('forearm', X, -1, [-5, 150], 'the elbow bends'),
  forearmPronation: one(
    'radius',
    { from: 'ulnar_styloid_L', to: 'radial_head_L' },
    -1,
    [-5, 175],
    'the palm turns down',
  ),
  wristFlexion: one('hand', PALM_X, -1, [-75, 85], 'the wrist bends to the palm'),
  wristUlnarDeviation: one('hand', Y, 1, [-25, 40], 'the hand leans to the little finger'),
  thumbAbduction: one('finger1', THUMB_OUT, 1, [-15, 60], 'the thumb comes out of the palm'),
  thumbFlexion: one('finger1', THUMB_ACROSS, 1, [-20, 60], 'the thumb goes across the palm'),
  finger2Flexion: one('finger2', PALM_X, -1, [-35, 95], 'the second finger bends'),
  finger3Flexion: one('finger3', PALM_X, -1, [-35, 95], 'the third finger bends'),
  finger4Flexion: one('finger4', PALM_X, -1, [-35, 95], 'the fourth finger bends'),
  finger5Flexion: one('finger5', PALM_X, -1, [-35, 95], 'the fifth finger bends'),
  hipFlexion: one('thigh', X, -1, [-25, 130], 'the hip bends'),
  hipAbduction: one('thigh', Y, -1, [-35, 50], 'the leg goes outward'),
  hipMedialRotation: one('thigh', Z, -1, [-60, 45], 'the leg turns in'),
  kneeFlexion: one('shank', X, 1, [-5, 150], 'the knee bends'),
  anklePlantarFlexion: one('talus', X, 1, [-25, 55], 'the foot points'),
  footInversion: one('foot', SUBTALAR, 1, [-20, 35], 'the sole turns in'),
  toesFlexion: one('toes', X, 1, [-65, 45], 'the toes bend to the sole'),
} as const satisfies Record<string, MovementSpec>;
export type Movement = keyof typeof MOVEMENTS;
export const MOVEMENT_NAMES = Object.keys(MOVEMENTS) as Movement[];

/** A movement of both sides, or of one: "kneeFlexion", "kneeFlexion_L". */
export type Motion = Movement | `${Movement}_L` | `${Movement}_R`;
/** Angles by movement. */
export type Pose = Partial<Record<Motion, number>>;

/** Limits of some joints of one patient, narrower than the healthy ones. */
export type JointLimits = Partial<Record<Motion, [number, number]>>;

export const movementOf = (motion: string): Movement => motion.replace(/_[LR]$/, '') as Movement;

/** Every name that a pose may use: movements, and the paired ones by side. */
const SPECS: ReadonlyMap<string, MovementSpec> = new Map(
  (Object.entries(MOVEMENTS) as [Movement, MovementSpec][]).flatMap(([name, spec]) => [
    [name, spec] as const,
    ...(spec.paired ? [[`${name}_L`, spec] as const, [`${name}_R`, spec] as const] : []),
  ]),
);

export const isMotion = (name: string): name is Motion => SPECS.has(name);

/** @throws RangeError for a name that is no movement */
export function specOf(motion: string): MovementSpec {
  const spec = SPECS.get(motion);
  if (!spec) throw new RangeError(`there is no movement "${motion}"`);
  return spec;
}

/** One entry a joint: a paired movement without a side becomes two. */
export function eachSide(pose: Pose): Map<Motion, number> {
  const angles = new Map<Motion, number>();
  for (const [name, value] of Object.entries(pose) as [Motion, number][]) {
    const motions: Motion[] =
      specOf(name).paired && !/_[LR]$/.test(name) ? [`${name as Movement}_L`, `${name as Movement}_R`] : [name];
    for (const motion of motions) angles.set(motion, (angles.get(motion) ?? 0) + value);
  }
  return angles;
}

/** What a joint does in this patient: the healthy range, narrowed by what is known. */
export function rangeOf(motion: Motion, limits: JointLimits = {}): readonly [number, number] {
  const [low, high] = specOf(motion).range;
  const known = [limits[motion], limits[movementOf(motion)]].filter((each) => each !== undefined);
  return [Math.max(low, ...known.map((each) => each[0])), Math.min(high, ...known.map((each) => each[1]))];
}

export type HeldJoint = { motion: Motion; wantedDeg: number; heldDeg: number };

/** A pose as far as the joints go, and where they stopped it. */
export function poseWithin(pose: Pose, limits: JointLimits = {}): { pose: Pose; held: HeldJoint[] } {
  const held: HeldJoint[] = [];
  const reached: Pose = {};
  const asked = eachSide(pose);
  // A joint that cannot come to rest holds back a pose that does not name it, too.
  for (const motion of eachSide(Object.fromEntries(Object.keys(limits).map((name) => [name, 0]))).keys())
    if (!asked.has(motion)) asked.set(motion, 0);
  for (const [motion, wantedDeg] of asked) {
    const [low, high] = rangeOf(motion, limits);
    const heldDeg = Math.min(high, Math.max(low, wantedDeg));
    if (Math.abs(heldDeg - wantedDeg) > 1e-9) held.push({ motion, wantedDeg, heldDeg });
    reached[motion] = heldDeg;
  }
  return { pose: reached, held };
}

/** Poses one on top of the other: angles add up. */
export function addPoses(...poses: readonly Pose[]): Pose {
  const total: Record<string, number> = {};
  for (const pose of poses)
    for (const [motion, degrees] of Object.entries(pose)) total[motion] = (total[motion] ?? 0) + degrees;
  return total as Pose;
}

/** The same pose for the other side: left and right change places, turns and bends of the middle reverse. */
export function mirrorPose(pose: Pose): Pose {
  const mirrored: Record<string, number> = {};
  for (const [motion, degrees] of Object.entries(pose)) {
    const { paired, drives } = specOf(motion);
    const sideways = !paired && drives[0].axis !== X;
    const other = motion.replace(/_([LR])$/, (_, side: string) => (side === 'L' ? '_R' : '_L'));
    mirrored[other] = sideways ? -degrees : degrees;
  }
  return mirrored as Pose;
}

/** Joints that are met stiff or fixed most often. */
const OFTEN_STIFF: readonly Movement[] = [
  'kneeFlexion',
  'elbowFlexion',
  'hipFlexion',
  'shoulderAbduction',
  'wristFlexion',
  'anklePlantarFlexion',
  'neckExtension',
  'trunkFlexion',
];

export type LimitableJoint = { motion: Motion; says: string; range: readonly [number, number] };

/** A movement as it is called, and how far a healthy one goes. @throws RangeError for a name that is no movement */
export function jointLimitOf(motion: Motion): LimitableJoint {
  const { says } = specOf(motion);
  const side = /_L$/.test(motion) ? 'Left: ' : /_R$/.test(motion) ? 'Right: ' : '';
  return { motion, says: side + says, range: rangeOf(motion) };
}

/** Joints whose limits are asked for first: of this side, and of the middle. */
export const limitableJoints = (side: 'left' | 'right' = 'right'): LimitableJoint[] =>
  OFTEN_STIFF.map((movement) =>
    jointLimitOf(MOVEMENTS[movement].paired ? `${movement}_${side === 'left' ? 'L' : 'R'}` : movement),
  );
