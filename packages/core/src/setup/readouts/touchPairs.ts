/** The two points by which a rotation or tilt is felt, measured on this body as it is posed; and what a level should read. */
import { landmarkOf } from '../../body/body';
import { shortLandmark } from '../../body/landmarkName';
import { posedIn } from '../../body/posedIn';
import { posedLandmark } from '../../body/posed';
import { applyToDirection } from '../../geometry/frame';
import { addScaled, dot, length, subtract, type InRoom, type Vec3 } from '../../geometry/vector';
import { clamp, toDegrees } from '../../quantity/angle';
import type { LengthUnit } from '../../quantity/length';
import { capitalize } from '../../quantity/text';
import type { Values } from '../../words/fact';
import { say } from '../../words/say';
import type { TOUCH_WORDS } from '../../words/touchWords';
import type { Situation } from '../request';
import type { Setup } from '../setup';
import { ARM_OR_LEG_WORN, isBroken, isInjured, neckStays, partStays } from '../verdict/kept';

export type TouchLine = { code: keyof typeof TOUCH_WORDS; values: Values; text: string };

type Pair = readonly [string, string];
/** Pairs of the trunk: left and right. */
const TRUNK: readonly (readonly [RegExp, Pair])[] = [
  [/^(pelvis|sacrum|lumbar)/, ['ASIS_L', 'ASIS_R']],
  [/^(thorax|neck|scapula)/, ['acromion_L', 'acromion_R']],
  [/^head/, ['EAM_L', 'EAM_R']],
];
/** Pairs of a limb, for the left. */
const LIMB: readonly (readonly [RegExp, Pair])[] = [
  [/^upperarm/, ['med_epicondyle_hum_L', 'lat_epicondyle_hum_L']],
  [/^(forearm|radius|ulna|hand|finger)/, ['radial_styloid_L', 'ulnar_styloid_L']],
  [/^(thigh|shank|patella)/, ['med_epicondyle_fem_L', 'lat_epicondyle_fem_L']],
  [/^(talus|foot|calcaneus|toe)/, ['med_malleolus_L', 'lat_malleolus_L']],
];

/** Felt no nearer than this. */
const SAME_MM = 6;
/** Two points one above the other: no farther beside each other than a fingertip is wide. */
const FINGER_MM = 12;

const onSide = (id: string, side: Setup['side']): string => (side === 'right' ? id.replace(/_L$/, '_R') : id);
const find = (table: typeof TRUNK, segment: string): Pair | undefined =>
  table.find(([pattern]) => pattern.test(segment))?.[1];

const HEAD_OR_NECK = /^(head|neck)/;
/** A part that is kept, splinted or in traction lies as it lies, whatever is suspected. */
const limbStays = (segment: string, situation: Situation): boolean =>
  isBroken(situation) || partStays(segment, situation) || ARM_OR_LEG_WORN.some((each) => situation.worn.includes(each));
const trunkStays = (segment: string, situation: Situation): boolean =>
  isInjured(situation) ||
  (HEAD_OR_NECK.test(segment)
    ? neckStays(situation)
    : situation.keepStill.includes('pelvis') ||
      situation.keepStill.includes('hip') ||
      situation.worn.includes('board'));

/** What lies as it lies is not felt for and turned. */
function pairsFor({ inPart, side, situation }: Setup): Pair[] {
  const pairs = inPart.flatMap(({ segment }): Pair[] => {
    const trunk = trunkStays(segment, situation) ? undefined : find(TRUNK, segment);
    const limb = limbStays(segment, situation) ? undefined : find(LIMB, segment);
    return trunk ? [trunk] : limb ? [[onSide(limb[0], side), onSide(limb[1], side)]] : [];
  });
  return pairs.filter((pair, i) => pairs.findIndex((each) => each.join() === pair.join()) === i);
}

const angleTo = (a: Vec3<InRoom>, b: Vec3<InRoom>): number => toDegrees(Math.acos(clamp(Math.abs(dot(a, b)), 0, 1)));
const UP: Vec3<InRoom> = [0, 0, 1];

/**
 * The pairs of points for the part of a set-up, each with how they lie to the receptor for this patient.
 * @returns nothing where the part must lie as it lies
 * @example touchPairs(computeSetup({ projectionId: 'hand-pa', side: 'left' }))[0].text // "Radial styloid process and …: at the same distance from the receptor"
 */
export function touchPairs(setup: Setup, unit: LengthUnit = 'in'): TouchLine[] {
  const posed = posedIn(setup);
  const { centre, n } = setup.scene.receptor;
  const line = (code: TouchLine['code'], values: Values): TouchLine => ({
    code,
    values,
    text: say({ code, values }, { unit }),
  });
  const gone = new Set(posed.body.gone);
  return pairsFor(setup).flatMap((pair): TouchLine[] => {
    if (pair.some((id) => gone.has(landmarkOf(posed.body, id).segment))) return [];
    const points = pair.map((id) => posedLandmark(posed, id).p);
    const over = points.map((p) => dot(subtract(p, centre), n));
    const farther = over[0]! >= over[1]! ? 0 : 1;
    const mm = Math.abs(over[0]! - over[1]!);
    const names = pair.map((id) => nameOf(id));
    const [one, other] = [names[farther]!, names[1 - farther]!];
    if (mm < SAME_MM) return [line('touch-even', { one: capitalize(names[0]!), other: names[1]! })];
    const apart = subtract(points[farther]!, points[1 - farther]!);
    const beside = length(addScaled(apart, n, -mm));
    if (beside < FINGER_MM) return [line('touch-in-line', { one: capitalize(one), other })];
    return [line('touch-farther', { one: capitalize(one), other, mm, deg: toDegrees(Math.atan2(mm, beside)) })];
  });
}

/** Of the two sides of the trunk the side is named. */
const nameOf = (id: string): string => {
  const paired = TRUNK.some(([, pair]) => pair.includes(id));
  return paired ? `${id.endsWith('_L') ? 'left' : 'right'} ${shortLandmark(id)}` : shortLandmark(id);
};

export type GaugeTarget = { of: 'tube' | 'receptor' | 'trunk'; deg: number; text: string };

const TRUNK_PARTS = /^(pelvis|sacrum|lumbar|thorax|neck)/;

/**
 * What a level reads that is laid flat on a thing, 0° lying and 90° upright.
 * @example gaugeTargets(computeSetup({ projectionId: 'sacrum-ap-axial' }))[0].deg // 15, the angle of the tube
 */
export function gaugeTargets({ scene, inPart, situation }: Setup): GaugeTarget[] {
  const target = (of: GaugeTarget['of'], deg: number): GaugeTarget => ({
    of,
    deg,
    text: say({ code: `gauge-${of}`, values: { deg: Math.round(deg) } }, { unit: 'in' }),
  });
  const coronal = applyToDirection(scene.place, [0, 1, 0]);
  const trunk =
    !isInjured(situation) && inPart.some(({ segment }) => TRUNK_PARTS.test(segment) && !trunkStays(segment, situation));
  return [
    target('tube', angleTo(scene.beam, UP)),
    target('receptor', angleTo(scene.receptor.n, UP)),
    ...(trunk ? [target('trunk', angleTo(coronal, UP))] : []),
  ];
}

/** A goniometer is read no finer. */
const SAME_DEG = 1;
/** How far a reading lies from the target, and in words. @example againstTarget(11, 15).text // "4° less than the target" */
export function againstTarget(readDeg: number, targetDeg: number): { same: boolean; text: string } {
  const by = readDeg - targetDeg;
  const same = Math.abs(by) <= SAME_DEG;
  return {
    same,
    text: say({ code: same ? 'gauge-same' : 'gauge-differs', values: { byDeg: Math.round(by) } }, { unit: 'in' }),
  };
}

const RIGHT_ANGLE_DEG = 90;
/** A beam so near to plumb or to level at 0° counts as that. */
const STRAIGHT = 0.999;
/**
 * How an angle on the collimator becomes the tube angle of the set-up: from plumb, or from level; null where the ray stands
 * neither way at 0°, or leans across too.
 * @example tubeAngleFrom(computeSetup({ projectionId: 'chest-pa' }))!(85) // 5
 */
export function tubeAngleFrom({ tube, scene }: Setup): ((deg: number) => number) | null {
  const plumb = Math.abs(scene.zero.beam[2]);
  if (tube.acrossDeg !== 0) return null;
  if (plumb > STRAIGHT) return (deg) => deg;
  return plumb < 1 - STRAIGHT ? (deg) => RIGHT_ANGLE_DEG - deg : null;
}
