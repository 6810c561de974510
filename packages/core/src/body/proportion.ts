/**
 * Stretch of every segment of the mannequin for one patient: the frame (bones, organs) by age, sex and stature;
 * the flesh (skin) also by mass, so that a heavy patient has wide skin on ordinary bones.
 */
import { lerp, multiply, type Vec3 } from '../geometry/vector';
import { jointOf, mannequin, referenceForm } from './mannequin';
import { measureForm } from './measure';
import { thoraxOf } from './organs';
import type { MeasuredPart, Patient } from './patient';

/** Factors along x, y, z. Where a segment tapers differently from the reference, `far` holds at its lower end. */
export type Stretch = { frame: Vec3; flesh: Vec3; far?: { frame: Vec3; flesh: Vec3 } };

/** The table's dimensions of the reference mannequin, measured on its own bones and skin. */
const REFERENCE = measureForm(referenceForm);

/** Lengths between joints of the reference mannequin, mm. */
const JOINTS = {
  neckMm: jointOf('head')[2],
  headMm: referenceForm.landmark('vertex')[2] - jointOf('head')[2],
  thighMm: jointOf('thigh_L')[2] - jointOf('shank_L')[2],
  shankMm: jointOf('shank_L')[2] - jointOf('talus_L')[2],
  hipMm: jointOf('thigh_L')[0],
  clavicleMm: jointOf('scapula_L')[0] - jointOf('clavicle_L')[0],
};
const FOOT_HEIGHT_MM = mannequin.statureMm - referenceForm.landmark('vertex')[2] + jointOf('talus_L')[2];
const SEAT_MM = REFERENCE.sittingMm - referenceForm.landmark('vertex')[2];

/** Jaw of a newborn against the same head grown, and when it has caught up [C]. */
const NEWBORN_JAW: Vec3 = [0.88, 0.88, 0.74];
const FACE_GROWN_YEARS = 14;

/** Flesh against frame below which ribs and hips would come through the skin. */
const LEAST_COVER = 0.98;

/** Girth by part: the exponent on the equivalent-cylinder diameter against the median build [C]. */
const GIRTH = { chest: 1, abdomen: 1.25, hip: 1, limb: 0.7, head: 0.15, jaw: 0.25, neck: 0.7, small: 0.3 } as const;

/** Stretch of each segment. @throws nothing; the patient is in range */
export function proportionsOf(patient: Patient): Record<string, Stretch> {
  const { medians: m, lengthFactor: L, girthFactor: q, measured } = patient;
  // Heads and breadths vary less with stature than lengths do.
  const headGrowth = L ** 0.3;
  const breadth = L ** 0.8;
  /** Bony size against the reference: a measured length or head wins over the median. */
  const size = (part: MeasuredPart & keyof typeof REFERENCE, growth: number) =>
    (measured[part] ?? m[part] * growth) / REFERENCE[part];
  /** Girth over the bones: a caliper wins over mass. */
  const girth = (part: MeasuredPart & keyof typeof REFERENCE, exponent: number) => {
    const caliper = measured[part];
    return caliper === undefined ? q ** exponent : caliper / (m[part] * breadth);
  };
  const bony = (part: keyof typeof REFERENCE) => (m[part] * breadth) / REFERENCE[part];

  const [headX, headY] = [size('headBreadthMm', headGrowth), size('headLengthMm', headGrowth)];
  const head: Vec3 = [headX, headY, Math.sqrt(headX * headY)];

  // The face of a small child is short and its jaw narrow under a large cranium.
  const grown = Math.min(1, patient.ageYears / FACE_GROWN_YEARS);
  const jaw = multiply(head, lerp(NEWBORN_JAW, [1, 1, 1], grown));

  const sitting = m.sittingMm * L;
  const trunkZ = (sitting - JOINTS.headMm * head[2]) / (JOINTS.neckMm + SEAT_MM);
  const vertexZ = JOINTS.neckMm * trunkZ + JOINTS.headMm * head[2];

  const foot = size('footMm', L);
  const femur = m.femurMm / REFERENCE.femurMm;
  const tibia = m.tibiaMm / REFERENCE.tibiaMm;
  // The long-bone medians of small children are shafts without their cartilage ends; the legs must add up to the
  // stature, and what the ends add there they add to the arms by the same share.
  const fill =
    (patient.statureMm - vertexZ - FOOT_HEIGHT_MM * foot) / (JOINTS.thighMm * femur + JOINTS.shankMm * tibia);
  const thighZ = femur * fill;
  const shankZ = tibia * fill;
  const upperArmZ = (m.humerusMm / REFERENCE.humerusMm) * fill;
  const forearmZ = (m.radiusMm / REFERENCE.radiusMm) * fill;
  const hand = size('handMm', L);

  const chest: Vec3 = [bony('chestBreadthMm'), bony('chestAPMm'), trunkZ];
  const hip = bony('hipBreadthMm');
  const abdomenY = bony('abdomenAPMm');
  const knee = bony('kneeBreadthMm');
  // What the thorax does not give to the breadth of the shoulders the clavicles do.
  const rest = REFERENCE.biacromialMm / 2 - JOINTS.clavicleMm;
  const shoulder = ((m.biacromialMm * breadth) / 2 - rest * chest[0]) / JOINTS.clavicleMm;

  const chestX = girth('chestBreadthMm', GIRTH.chest);
  const chestY = girth('chestAPMm', GIRTH.chest);
  const abdomen = girth('abdomenAPMm', GIRTH.abdomen);
  const hipX = girth('hipBreadthMm', GIRTH.hip);
  const limb = girth('kneeBreadthMm', GIRTH.limb);

  /** Bones keep under the skin: where flesh is thinner than the least cover, the frame is narrower too. */
  const stretch = (frame: Vec3, x: number, y = x, build: Vec3 = [1, 1, 1]): Stretch => ({
    frame: [frame[0] * Math.min(build[0], x / LEAST_COVER), frame[1] * Math.min(build[1], y / LEAST_COVER), frame[2]],
    flesh: [frame[0] * x, frame[1] * y, frame[2]],
  });
  const both = (id: string, value: Stretch): [string, Stretch][] => [
    [`${id}_L`, value],
    [`${id}_R`, value],
  ];
  const small = (factor: number) => stretch([factor, factor, factor], q ** GIRTH.small);
  // The hip joints stay where the pelvis has them: what a tape round the hips adds lies outside them, on the thighs.
  const jointX = JOINTS.hipMm * hip;
  const thighX =
    measured.hipBreadthMm === undefined
      ? hipX
      : (measured.hipBreadthMm / 2 - jointX) / ((REFERENCE.hipBreadthMm / 2) * hip - jointX);
  const thighTop = stretch([hip, hip, thighZ], thighX);

  return Object.fromEntries([
    ['head', { ...stretch(head, q ** GIRTH.head), far: stretch(jaw, q ** GIRTH.jaw) }],
    ['mandible', { ...stretch(head, q ** GIRTH.head), far: stretch(jaw, q ** GIRTH.jaw) }],
    ['neck', stretch([chest[0], (chest[1] + head[1]) / 2, trunkZ], q ** GIRTH.neck)],
    ['thorax', stretch(chest, chestX, chestY, thoraxOf(patient.habitus))],
    ['lumbar', stretch([(chest[0] + hip) / 2, abdomenY, trunkZ], (chestX + hipX) / 2, abdomen)],
    ['pelvis', stretch([hip, abdomenY, trunkZ], hipX, abdomen)],
    ...both('clavicle', stretch([shoulder, chest[1], trunkZ], q ** 0.5)),
    ...both('scapula', stretch([chest[0], chest[1], trunkZ], q ** GIRTH.neck)),
    ...both('upperarm', stretch([knee, knee, upperArmZ], limb)),
    ...both('forearm', stretch([knee, knee, forearmZ], limb)),
    ...both('radius', stretch([knee, knee, forearmZ], limb)),
    ...both('hand', small(hand)),
    ...[1, 2, 3, 4, 5].flatMap((finger) => both(`finger${finger}`, small(hand))),
    ...both('thigh', { ...thighTop, far: stretch([knee, knee, thighZ], limb) }),
    ...both('shank', stretch([knee, knee, shankZ], limb)),
    ...both('patella', stretch([knee, knee, thighZ], limb)),
    ...['talus', 'foot', 'toes'].flatMap((part) => both(part, small(foot))),
  ]);
}
