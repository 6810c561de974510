/**
 * A pose carried out on a body: every segment turned about its joint, along the chain from the pelvis.
 */
import { applyToPoint, compose, IDENTITY, rotationAbout, shifted, type Frame } from '../geometry/frame';
import { normalize, subtract, type InPatient, type InSegment, type Vec3 } from '../geometry/vector';
import { markOf, type Body } from './body';
import { eachSide, MOVEMENT_NAMES, specOf, type Axis, type Motion, type Pose } from './joints';

/** Frames by segment, relative to the anatomical position. */
export type Posture = Readonly<Record<string, Frame<InSegment, InPatient>>>;

type Turn = { axis: Vec3<InSegment>; degrees: number };

const axisOf = (axis: Axis, body: Body): Vec3<InSegment> =>
  'from' in axis ? normalize(subtract(markOf(body, axis.to).p, markOf(body, axis.from).p)) : (axis as Vec3);

/** Mirrored about the middle plane: a turn about x stays, one about y or z reverses. */
const onTheRight = ({ axis, degrees }: Turn): Turn => ({ axis: [axis[0], -axis[1], -axis[2]], degrees });

/** Turns by segment, in the order of the movements' list whatever the order of the pose. */
function turnsOf(pose: Pose, body: Body): Map<string, Turn[]> {
  const turns = new Map<string, Turn[]>();
  const angles = eachSide(pose);
  const put = (motion: Motion, suffix: '' | '_L' | '_R') => {
    const degrees = angles.get(motion);
    if (!degrees) return;
    for (const drive of specOf(motion).drives) {
      const left = { axis: axisOf(drive.axis, body), degrees: degrees * drive.share };
      const segment = `${drive.segment}${suffix}`;
      turns.set(segment, [...(turns.get(segment) ?? []), suffix === '_R' ? onTheRight(left) : left]);
    }
  };
  for (const movement of MOVEMENT_NAMES) {
    if (!specOf(movement).paired) put(movement, '');
    else for (const suffix of ['_L', '_R'] as const) put(`${movement}${suffix}`, suffix);
  }
  for (const suffix of ['_L', '_R'] as const) followArm(turns, angles, suffix);
  return turns;
}

/** Below this the arm moves in the shoulder joint alone; above it the shoulder blade takes a third. Source: teaching. */
const ARM_ALONE_DEG = 30;
const BLADE_SHARE = 1 / 3;
/** Of the blade's turn this much happens where the clavicle hinges on the breastbone [C]. */
const CLAVICLE_SHARE = 0.4;

/** The shoulder blade turns up with the raised arm. */
function followArm(turns: Map<string, Turn[]>, angles: ReadonlyMap<Motion, number>, suffix: '_L' | '_R'): void {
  const forward = angles.get(`shoulderFlexion${suffix}`) ?? 0;
  const sideways = angles.get(`shoulderAbduction${suffix}`) ?? 0;
  if (!forward && !sideways) return;
  const rad = Math.PI / 180;
  const raised = Math.acos(Math.cos(forward * rad) * Math.cos(sideways * rad)) / rad;
  const turn = (raised - ARM_ALONE_DEG) * BLADE_SHARE;
  if (turn <= 0) return;
  const up: Vec3 = suffix === '_L' ? [0, -1, 0] : [0, 1, 0];
  const add = (segment: string, degrees: number) =>
    turns.set(segment, [...(turns.get(segment) ?? []), { axis: up, degrees }]);
  add(`clavicle${suffix}`, turn * CLAVICLE_SHARE);
  add(`scapula${suffix}`, turn * (1 - CLAVICLE_SHARE));
}

/** The patella rides on the femur and follows about this share of the knee's flexion [C]. */
const PATELLA_SHARE = 0.6;

/** Carries every segment along its chain of joints. @throws RangeError for a name that is no movement */
export function poseBody(body: Body, pose: Pose): Posture {
  const turns = turnsOf(pose, body);
  const posture: Record<string, Frame<InSegment, InPatient>> = {};
  for (const segment of Object.values(body.segments)) {
    let frame: Frame<InSegment, InPatient> = segment.parent === null ? IDENTITY : posture[segment.parent];
    // Angles of the arm are against the trunk; the shoulder blade only carries the joint along.
    if (segment.id.startsWith('upperarm_') && frame !== posture.thorax)
      frame = carried(posture.thorax, segment.joint, frame);
    const own = turns.get(segment.id);
    if (own) for (const { axis, degrees } of own) frame = compose(frame, rotationAbout(segment.joint, axis, degrees));
    if (segment.id.startsWith('patella_')) {
      const shank = `shank${segment.id.slice(-2)}`;
      for (const { axis, degrees } of turns.get(shank) ?? [])
        frame = compose(frame, rotationAbout(body.segments[shank].joint, axis, degrees * PATELLA_SHARE));
    }
    posture[segment.id] = frame;
  }
  return posture;
}

/** Turned as `turned` is, with one point where `carrier` takes it. */
function carried(
  turned: Frame<InSegment, InPatient>,
  point: Vec3<InSegment>,
  carrier: Frame<InSegment, InPatient>,
): Frame<InSegment, InPatient> {
  return shifted(turned, subtract(applyToPoint(carrier, point), applyToPoint(turned, point)));
}
