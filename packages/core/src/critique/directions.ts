/** Directions of the receptor in words of the body: where its top and its right edge point on the part. */
import { segmentFrame } from '../body/posed';
import { compose, intoFrame } from '../geometry/frame';
import { dot, type Vec3 } from '../geometry/vector';
import { standingOf } from '../radiograph/bodySolids';
import type { Setup } from '../setup/setup';

const AXES: readonly { d: Vec3; says: string; limb?: readonly [left: string, right: string] }[] = [
  { d: [1, 0, 0], says: 'left side', limb: ['lateral side', 'medial side'] },
  { d: [-1, 0, 0], says: 'right side', limb: ['medial side', 'lateral side'] },
  { d: [0, -1, 0], says: 'anterior side' },
  { d: [0, 1, 0], says: 'posterior side' },
  { d: [0, 0, 1], says: 'head end', limb: ['proximal end', 'proximal end'] },
  { d: [0, 0, -1], says: 'foot end', limb: ['distal end', 'distal end'] },
];
const LIMB = /^(upperarm|forearm|radius|hand|finger\d|thigh|shank|patella|talus|foot|toes)_([LR])$/;

const MOVED: Readonly<Record<string, string>> = {
  'head end': 'cephalad',
  'foot end': 'caudad',
  'proximal end': 'proximally',
  'distal end': 'distally',
  'lateral side': 'laterally',
  'medial side': 'medially',
  'anterior side': 'anteriorly',
  'posterior side': 'posteriorly',
};
/** Which way something goes that goes to a side of the part. @param side as `sideToward` names it. @example movedToSide('head end') // 'cephalad' */
export const movedToSide = (side: string): string => MOVED[side] ?? `toward the ${side}`;

/** A direction of the room in the frame of the part that is examined. */
export function inPart(setup: Setup, d: Vec3): { segment: string; d: Vec3 } {
  const segment = setup.inPart[0]?.segment ?? 'thorax';
  const frame = compose(setup.scene.place, segmentFrame(standingOf(setup), segment));
  return { segment, d: intoFrame(frame, d) };
}

/** "anterior side", "lateral side", "head end": the side of the part that points most nearly that way. */
export function sideToward(setup: Setup, d: Vec3): string {
  const { segment, d: own } = inPart(setup, d);
  const limb = LIMB.exec(segment);
  const nearest = AXES.reduce((best, axis) => (dot(axis.d, own) > dot(best.d, own) ? axis : best));
  if (!limb || !nearest.limb) return nearest.says;
  return nearest.limb[limb[2] === 'L' ? 0 : 1];
}
