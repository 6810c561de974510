/** Landmarks that the hand reaches in this position: what a patient lies or leans on cannot be felt. */
import { isLandmark } from '../../body/body';
import { posedLandmark, type PosedBody } from '../../body/posed';
import { dot, subtract, type InRoom, type Vec3 } from '../../geometry/vector';
import { ROOM_DOWN } from '../../room/position';
import type { Placement } from '../placing/place';

/** A landmark that faces what is beneath by more than this lies on it. */
const COVERED = 0.4;

/** Marks of the trunk that are felt in front, at the sides and behind, one for each level. */
const TRUNK_MARKS = [
  'jugular_notch',
  'sternal_angle',
  'xiphoid_tip',
  'ASIS_L',
  'iliac_crest_L',
  'symphysis_sup',
  'C7_sp',
  'scapula_inf_angle_L',
  'PSIS_L',
];

/** Directions in which the hand does not come: what the patient lies or leans on, and the receptor. */
export const coverOf = (
  { lies, support }: Pick<Placement, 'lies' | 'support'>,
  beam: Vec3<InRoom>,
): readonly Vec3<InRoom>[] => [beam, ...(support ? [support] : lies ? [ROOM_DOWN] : [])];

/** @param covered directions of what the patient lies or leans on, and of the receptor */
export const isWithinTouch = (posed: PosedBody<InRoom>, id: string, covered: readonly Vec3<InRoom>[]): boolean =>
  !isLandmark(id) || covered.every((d) => dot(posedLandmark(posed, id).dir, d) < COVERED);

/** The mark of the trunk within touch that is nearest along the receptor to a point. */
export function nearestWithinTouch(
  posed: PosedBody<InRoom>,
  p: Vec3<InRoom>,
  up: Vec3<InRoom>,
  covered: readonly Vec3<InRoom>[],
  notFelt: readonly string[] = [],
): string {
  const away = (id: string) => Math.abs(dot(subtract(posedLandmark(posed, id).p, p), up));
  const felt = TRUNK_MARKS.filter((id) => isWithinTouch(posed, id, covered) && !notFelt.includes(id));
  return (felt.length > 0 ? felt : TRUNK_MARKS).reduce((best, id) => (away(id) < away(best) ? id : best));
}
