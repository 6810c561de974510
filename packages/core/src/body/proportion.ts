/**
 * Stretch of every segment of the mannequin for one patient: the frame (bones, organs) by age, sex and stature;
 * the flesh (skin) also by mass, so that a heavy patient has wide skin on ordinary bones.
 */
import type { Vec3 } from '../geometry/vector';
import type { Habitus, Patient } from './patient';

export type Stretch = { frame: Vec3; flesh: Vec3 };

/**
 * Dimensions of the reference mannequin in the terms of the anthropometric table: the adult male row brought to
 * 1750 mm; trunk depths and breadths measured on the mannequin's own skin.
 */
const REFERENCE = {
  sittingMm: 914.8,
  headLengthMm: 197,
  headBreadthMm: 152,
  chestAPMm: 239,
  chestBreadthMm: 326,
  abdomenAPMm: 215,
  kneeBreadthMm: 98,
  handMm: 192,
  footMm: 268.5,
  humerusMm: 337,
  radiusMm: 252.6,
  femurMm: 476.3,
  tibiaMm: 383.8,
  hipBreadthMm: 345,
  biacromialMm: 395,
  headHeightMm: 146,
  neckJointMm: 679,
  seatMm: 90,
  thighMm: 431,
  shankMm: 412,
  footHeightMm: 82,
};

/** Lungs and thorax by habitus: breadth, depth, length against the sthenic [C, teaching figures]. */
const THORAX_BY_HABITUS: Record<Habitus, Vec3> = {
  hypersthenic: [1.1, 1.06, 0.94],
  sthenic: [1, 1, 1],
  hyposthenic: [0.97, 0.97, 1.03],
  asthenic: [0.92, 0.93, 1.07],
};
export const lungStretch = (habitus: Habitus): Vec3 => THORAX_BY_HABITUS[habitus];

/** Stretch of each segment. Exponents of girth by part: chest 1, abdomen 1.25, limbs 0.7 [C]. */
export function proportionsOf(patient: Patient): Record<string, Stretch> {
  const { medians: m, lengthFactor: L, girthFactor: q } = patient;
  // Heads and breadths vary less with stature than lengths do.
  const headGrowth = L ** 0.3;
  const breadth = L ** 0.8;
  const head: Vec3 = [
    (m.headBreadthMm / REFERENCE.headBreadthMm) * headGrowth,
    (m.headLengthMm / REFERENCE.headLengthMm) * headGrowth,
    0,
  ];
  const headZ = Math.sqrt(head[0] * head[1]);
  const headFrame: Vec3 = [head[0], head[1], headZ];

  const sitting = m.sittingMm * L;
  const trunkZ = (sitting - REFERENCE.headHeightMm * headZ) / (REFERENCE.neckJointMm + REFERENCE.seatMm);
  const vertexZ = REFERENCE.neckJointMm * trunkZ + REFERENCE.headHeightMm * headZ;

  const foot = (m.footMm / REFERENCE.footMm) * L;
  const femur = m.femurMm / REFERENCE.femurMm;
  const tibia = m.tibiaMm / REFERENCE.tibiaMm;
  // The long-bone medians of small children leave out the growth zones; the legs must add up to the stature, and
  // what is missing there is missing in the arms by the same share.
  const fill =
    (patient.statureMm - vertexZ - REFERENCE.footHeightMm * foot) /
    (REFERENCE.thighMm * femur + REFERENCE.shankMm * tibia);
  const thighZ = femur * fill;
  const shankZ = tibia * fill;
  const upperArmZ = (m.humerusMm / REFERENCE.humerusMm) * fill;
  const forearmZ = (m.radiusMm / REFERENCE.radiusMm) * fill;
  const hand = (m.handMm / REFERENCE.handMm) * L;

  const chest: Vec3 = [
    (m.chestBreadthMm / REFERENCE.chestBreadthMm) * breadth,
    (m.chestAPMm / REFERENCE.chestAPMm) * breadth,
    trunkZ,
  ];
  const hip = (m.hipBreadthMm / REFERENCE.hipBreadthMm) * breadth;
  const abdomenY = (m.abdomenAPMm / REFERENCE.abdomenAPMm) * breadth;
  const shoulder = (m.biacromialMm / REFERENCE.biacromialMm) * breadth;
  const knee = (m.kneeBreadthMm / REFERENCE.kneeBreadthMm) * breadth;
  const limb = q ** 0.7;

  const stretch = (frame: Vec3, girth: number): Stretch => ({
    frame,
    flesh: [frame[0] * girth, frame[1] * girth, frame[2]],
  });
  const both = (id: string, value: Stretch): [string, Stretch][] => [
    [`${id}_L`, value],
    [`${id}_R`, value],
  ];

  return Object.fromEntries([
    ['head', stretch(headFrame, q ** 0.15)],
    ['mandible', stretch(headFrame, q ** 0.25)],
    ['neck', stretch([chest[0], (chest[1] + head[1]) / 2, trunkZ], q ** 0.7)],
    ['thorax', stretch(chest, q)],
    ['lumbar', stretch([(chest[0] + hip) / 2, abdomenY, trunkZ], q ** 1.25)],
    ['pelvis', stretch([hip, abdomenY, trunkZ], q)],
    ...both('clavicle', stretch([shoulder, chest[1], trunkZ], q ** 0.5)),
    ...both('scapula', stretch([chest[0], chest[1], trunkZ], q ** 0.7)),
    ...both('upperarm', stretch([knee, knee, upperArmZ], limb)),
    ...both('forearm', stretch([knee, knee, forearmZ], limb)),
    ...both('radius', stretch([knee, knee, forearmZ], limb)),
    ...both('hand', stretch([hand, hand, hand], q ** 0.3)),
    ...both('thigh', stretch([knee, knee, thighZ], limb)),
    ...both('shank', stretch([knee, knee, shankZ], limb)),
    ...both('patella', stretch([knee, knee, thighZ], limb)),
    ...both('foot', stretch([foot, foot, foot], q ** 0.3)),
  ]);
}
