/** Landmarks that the hand reaches in this position: what a patient lies or leans on cannot be felt. */
import { isLandmark } from '../../body/body';
import { posedLandmark, type PosedBody } from '../../body/posed';
import { dot, subtract, type Vec3 } from '../../geometry/vector';

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

/** @param support direction of what the patient lies or leans on; null for one who stands or sits free */
export const isWithinTouch = (posed: PosedBody, id: string, support: Vec3 | null): boolean =>
  support === null || !isLandmark(id) || dot(posedLandmark(posed, id).dir, support) < COVERED;

/** The mark of the trunk within touch that is nearest along the receptor to a point. */
export function nearestWithinTouch(posed: PosedBody, p: Vec3, up: Vec3, support: Vec3): string {
  const away = (id: string) => Math.abs(dot(subtract(posedLandmark(posed, id).p, p), up));
  return TRUNK_MARKS.filter((id) => isWithinTouch(posed, id, support)).reduce((best, id) =>
    away(id) < away(best) ? id : best,
  );
}
