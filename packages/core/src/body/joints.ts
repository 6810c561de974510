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

/** An axis of the patient in anatomical position, or the line through two landmarks or structures of the left side. */
export type Axis = Vec3 | { from: string; to: string };
type Drive = { segment: string; axis: Axis; share: number };
type MovementSpec = { drives: readonly Drive[]; paired: boolean; range: readonly [number, number]; says: Says };
/** What the movement is called one way and the other. */
type Says = readonly [above: string, below: string];

/** @param by factor on the axis: 1 turns right-handed about it, on the left side */
const one = (
  segment: string,
  axis: Axis,
  by: 1 | -1,
  range: readonly [number, number],
  says: Says,
  paired = true,
): MovementSpec => ({ drives: [{ segment, axis, share: by }], paired, range, says });
const middle = (segment: string, axis: Axis, by: 1 | -1, range: readonly [number, number], says: Says) =>
  one(segment, axis, by, range, says, false);
/** The spine shares a movement out between lumbar and thoracic spine. */
const trunk = (axis: Axis, lumbar: number, range: readonly [number, number], says: Says): MovementSpec => ({
  drives: [
    { segment: 'lumbar', axis, share: lumbar },
    { segment: 'thorax', axis, share: 1 - lumbar },
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
  trunkFlexion: trunk(X, 0.6, [-30, 85], ['trunk flexion', 'trunk extension']),
  trunkSideBend: trunk(
    Y,
    0.5,
    [-35, 35],
    ['lateral bending of the trunk to the left', 'lateral bending of the trunk to the right'],
  ),
  trunkRotation: trunk(Z, 0.15, [-45, 45], ['trunk rotation to the left', 'trunk rotation to the right']),
  neckExtension: middle('neck', X, -1, [-45, 50], ['neck extension', 'neck flexion']),
  neckSideBend: middle(
    'neck',
    Y,
    1,
    [-35, 35],
    ['lateral bending of the neck to the left', 'lateral bending of the neck to the right'],
  ),
  neckRotation: middle('neck', Z, 1, [-45, 45], ['neck rotation to the left', 'neck rotation to the right']),
  headExtension: middle('head', X, -1, [-25, 35], ['head extension', 'head flexion']),
  headSideBend: middle('head', Y, 1, [-15, 15], ['head tilt to the left', 'head tilt to the right']),
  headRotation: middle('head', Z, 1, [-45, 45], ['head rotation to the left', 'head rotation to the right']),
  jawOpening: middle('mandible', X, 1, [0, 30], ['mouth opening', 'mouth opening']),
  scapulaElevation: one('clavicle', Y, -1, [-10, 35], ['shoulder elevation', 'shoulder depression']),
  scapulaProtraction: one('clavicle', Z, -1, [-20, 25], ['shoulder protraction', 'shoulder retraction']),
  shoulderFlexion: one('upperarm', X, -1, [-60, 180], ['shoulder flexion', 'shoulder extension']),
  shoulderAbduction: one('upperarm', Y, -1, [-45, 180], ['shoulder abduction', 'shoulder adduction']),
  shoulderMedialRotation: one(
    'upperarm',
    Z,
    -1,
    [-90, 90],
    ['medial rotation of the arm', 'lateral rotation of the arm'],
  ),
  elbowFlexion: one('forearm', X, -1, [-5, 150], ['elbow flexion', 'elbow extension']),
  forearmPronation: one(
    'radius',
    // The radius turns about the ulna: the line from the middle of the ulnar head to that of its own head.
    { from: 'ulnar_head_L', to: 'radius_head_L' },
    -1,
    [-5, 175],
    ['forearm pronation', 'forearm supination'],
  ),
  wristFlexion: one('hand', PALM_X, -1, [-75, 85], ['wrist flexion', 'wrist extension']),
  wristUlnarDeviation: one('hand', Y, 1, [-25, 40], ['ulnar deviation', 'radial deviation']),
  thumbAbduction: one('finger1', THUMB_OUT, 1, [-15, 60], ['thumb abduction', 'thumb adduction']),
  thumbFlexion: one('finger1', THUMB_ACROSS, 1, [-20, 60], ['thumb flexion', 'thumb extension']),
  finger2Flexion: one('finger2', PALM_X, -1, [-35, 95], ['second finger flexion', 'second finger extension']),
  finger3Flexion: one('finger3', PALM_X, -1, [-35, 95], ['third finger flexion', 'third finger extension']),
  finger4Flexion: one('finger4', PALM_X, -1, [-35, 95], ['fourth finger flexion', 'fourth finger extension']),
  finger5Flexion: one('finger5', PALM_X, -1, [-35, 95], ['fifth finger flexion', 'fifth finger extension']),
  hipFlexion: one('thigh', X, -1, [-25, 130], ['hip flexion', 'hip extension']),
  hipAbduction: one('thigh', Y, -1, [-35, 50], ['hip abduction', 'hip adduction']),
  hipMedialRotation: one('thigh', Z, -1, [-60, 45], ['medial rotation of the leg', 'lateral rotation of the leg']),
  kneeFlexion: one('shank', X, 1, [-5, 150], ['knee flexion', 'knee extension']),
  anklePlantarFlexion: one('talus', X, 1, [-25, 55], ['plantar flexion', 'dorsiflexion']),
  footInversion: one('foot', SUBTALAR, 1, [-20, 35], ['inversion of the foot', 'eversion of the foot']),
  toesFlexion: one('toes', X, 1, [-65, 45], ['plantar flexion of the toes', 'dorsiflexion of the toes']),
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

export type LimitedJoint = { motion: Motion; neededDeg: number; limitedDeg: number };

/** A pose as far as the joints go, and where they stopped it. */
export function poseWithin(pose: Pose, limits: JointLimits = {}): { pose: Pose; limited: LimitedJoint[] } {
  const limited: LimitedJoint[] = [];
  const reached: Pose = {};
  const asked = eachSide(pose);
  // A joint that cannot come to rest holds back a pose that does not name it, too.
  for (const motion of eachSide(Object.fromEntries(Object.keys(limits).map((name) => [name, 0]))).keys())
    if (!asked.has(motion)) asked.set(motion, 0);
  for (const [motion, neededDeg] of asked) {
    const [low, high] = rangeOf(motion, limits);
    const limitedDeg = Math.min(high, Math.max(low, neededDeg));
    if (Math.abs(limitedDeg - neededDeg) > 1e-9) limited.push({ motion, neededDeg, limitedDeg });
    reached[motion] = limitedDeg;
  }
  return { pose: reached, limited };
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
  return { motion, says: side + says[0], range: rangeOf(motion) };
}

/** Joints whose limits are asked for first: of this side, and of the middle. */
export const limitableJoints = (side: 'left' | 'right' = 'right'): LimitableJoint[] =>
  OFTEN_STIFF.map((movement) =>
    jointLimitOf(MOVEMENTS[movement].paired ? `${movement}_${side === 'left' ? 'L' : 'R'}` : movement),
  );
