/** How the part is posed for its picture, joint by joint, read from the posed body. */
import { eachSide, type Movement, type Pose } from '../../body/joints';

/** @property deg of the movement, as `Pose` counts it */
export type PosedJoint = { movement: Movement; deg: number };

/** Movements that are said of a limb; those of a joint further up follow from how the patient lies. */
const SAID_OF: readonly [part: RegExp, movements: readonly Movement[]][] = [
  [/^(finger|hand|radius)/, ['forearmPronation', 'wristFlexion', 'wristUlnarDeviation']],
  [/^forearm/, ['elbowFlexion', 'forearmPronation']],
  [/^(upperarm|scapula|clavicle)/, ['shoulderAbduction', 'shoulderMedialRotation', 'elbowFlexion']],
  [/^(thigh|patella)/, ['kneeFlexion', 'hipAbduction', 'hipMedialRotation']],
  [/^(shank|talus|foot|toes)/, ['kneeFlexion', 'hipMedialRotation', 'anklePlantarFlexion']],
];

/** A knee or an elbow that is bent by less is straight; an arm beside a broad trunk lies off it by itself. Degrees. */
const LEAST_DEG = {
  kneeFlexion: 10,
  elbowFlexion: 10,
  hipAbduction: 10,
  shoulderAbduction: 25,
} satisfies Partial<Record<Movement, number>>;
/** Less than this is within what a hand sets. */
const TURNED_DEG = 5;
const leastOf = (movement: Movement): number =>
  movement in LEAST_DEG ? LEAST_DEG[movement as keyof typeof LEAST_DEG] : TURNED_DEG;
/** Movements of which a right angle or the middle is asked for by name. */
const NAMED_AT_ZERO: ReadonlySet<Movement> = new Set<Movement>([
  'anklePlantarFlexion',
  'forearmPronation',
  'shoulderMedialRotation',
]);

/**
 * @param pose of the patient in this set-up, @param part segment that is shown, of its side
 * @returns what whoever positions the part has to know; nothing for a part of the trunk or head
 * @example posedJoints({ elbowFlexion_R: 90 }, 'forearm_R') // [{ movement: 'elbowFlexion', deg: 90 }]
 */
export function posedJoints(pose: Pose, part: string): PosedJoint[] {
  const side = /_[LR]$/.exec(part)?.[0];
  const movements = SAID_OF.find(([of]) => of.test(part))?.[1] ?? [];
  if (!side) return [];
  const angles = eachSide(pose);
  const bent = (angles.get(`elbowFlexion${side}` as keyof Pose) ?? 0) >= LEAST_DEG.elbowFlexion;
  return movements.flatMap((movement): PosedJoint[] => {
    const deg = angles.get(`${movement}${side}` as keyof Pose);
    if (deg === undefined) return [];
    const rounded = Math.round(deg) + 0;
    // With the elbow bent the palm does not show how the arm is rotated.
    const named = NAMED_AT_ZERO.has(movement) && !(movement === 'shoulderMedialRotation' && bent);
    return Math.abs(rounded) >= leastOf(movement) || named ? [{ movement, deg: rounded }] : [];
  });
}
