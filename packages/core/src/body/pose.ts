/**
 * Joint angles and the poses named after what they are for. Degrees; signs as an examiner names the movement.
 */
import { compose, IDENTITY, rotationAbout, type Frame } from '../geometry/frame';
import type { Vec3 } from '../geometry/vector';
import type { Body } from './body';

const X: Vec3 = [1, 0, 0];
const Y: Vec3 = [0, 1, 0];
const Z: Vec3 = [0, 0, 1];

/**
 * A movement turns a segment about a patient axis at its joint. `sign` is for the left side; movements about
 * the y and z axes run the other way round on the right.
 */
const MOVEMENTS = {
  hipFlexion: { segment: 'thigh', axis: X, sign: -1 },
  hipAbduction: { segment: 'thigh', axis: Y, sign: -1 },
  hipMedialRotation: { segment: 'thigh', axis: Z, sign: -1 },
  kneeFlexion: { segment: 'shank', axis: X, sign: 1 },
  shoulderFlexion: { segment: 'upperarm', axis: X, sign: -1 },
  shoulderAbduction: { segment: 'upperarm', axis: Y, sign: -1 },
  elbowFlexion: { segment: 'forearm', axis: X, sign: -1 },
  neckExtension: { segment: 'neck', axis: X, sign: -1 },
  headExtension: { segment: 'head', axis: X, sign: -1 },
} as const;
export type Movement = keyof typeof MOVEMENTS;

/** Angles by movement; a paired movement names its side, or both sides when it does not. */
export type Pose = Partial<Record<Movement | `${Movement}_L` | `${Movement}_R`, number>>;

/** Frames by segment, relative to the anatomical position. */
export type Posture = Readonly<Record<string, Frame>>;

const isPaired = (segment: string) => segment !== 'neck' && segment !== 'head';

function turnsOf(pose: Pose): Map<string, { axis: Vec3; degrees: number }[]> {
  const turns = new Map<string, { axis: Vec3; degrees: number }[]>();
  const put = (segment: string, axis: Vec3, degrees: number) => {
    if (degrees === 0) return;
    turns.set(segment, [...(turns.get(segment) ?? []), { axis, degrees }]);
  };
  for (const [name, value] of Object.entries(pose)) {
    const side = /_([LR])$/.exec(name)?.[1];
    const { segment, axis, sign } = MOVEMENTS[name.replace(/_[LR]$/, '') as Movement];
    if (!isPaired(segment)) {
      put(segment, axis, sign * value);
      continue;
    }
    for (const each of side ? [side] : ['L', 'R']) {
      put(`${segment}_${each}`, axis, sign * value * (each === 'R' && axis !== X ? -1 : 1));
    }
  }
  return turns;
}

/** The patella rides on the femur and follows about this share of the knee's flexion [C]. */
const PATELLA_SHARE = 0.6;

/** Carries every segment along its chain of joints. */
export function poseBody(body: Body, pose: Pose): Posture {
  const turns = turnsOf(pose);
  const posture: Record<string, Frame> = {};
  for (const segment of Object.values(body.segments)) {
    let frame: Frame = segment.parent === null ? IDENTITY : posture[segment.parent];
    const own = turns.get(segment.id);
    if (own) for (const { axis, degrees } of own) frame = compose(frame, rotationAbout(segment.joint, axis, degrees));
    if (segment.id.startsWith('patella_')) {
      const shank = `shank${segment.id.slice(-2)}`;
      for (const { axis, degrees } of turns.get(shank) ?? []) {
        frame = compose(frame, rotationAbout(body.segments[shank].joint, axis, degrees * PATELLA_SHARE));
      }
    }
    posture[segment.id] = frame;
  }
  return posture;
}

/** The same pose for the other side. */
export function mirrorPose(pose: Pose): Pose {
  const swap = (name: string) => name.replace(/_([LR])$/, (_, side: string) => (side === 'L' ? '_R' : '_L'));
  return Object.fromEntries(Object.entries(pose).map(([name, value]) => [swap(name), value])) as Pose;
}
