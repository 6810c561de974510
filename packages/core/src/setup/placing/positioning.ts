/** Which of the entry's positions this patient can take in this room, and in which holder. */
import type { Positioning, Projection } from '../../projections/schema';
import type { BodyPosition } from '../../projections/vocabulary';
import { holderOf, type Holder, type Room } from '../../room/room';
import type { Reason } from '../../words/reasonWords';
import type { AdaptedWay } from './adaptedWay';
import { raisesArm } from '../verdict/immobilized';
import { isBroken, isHipHurt, isInjured, legsKept, neckKept, neckStays } from '../verdict/kept';
import { SITS_FROM_YEARS, type Overrides, type Situation } from '../request';
import { problem, type Problem } from '../problem';
import type { Side } from '../setup';

/** Sitting up bends the hip further than this [typical]: one that must not move is not sat up. */
const HIP_STAYS_DEG = 30;

/** What holds the patient in place, whatever else they could do; null for nothing. */
function boundTo({ worn }: Situation): { why: 'board' | 'traction'; maySitUp: boolean } | null {
  if (worn.includes('board')) return { why: 'board', maySitUp: false };
  if (worn.includes('traction')) return { why: 'traction', maySitUp: true };
  return null;
}

/** Who is in an incubator lies: on the back, or on a side for a level ray. Nobody older is in one [typical]. */
const IN_INCUBATOR: ReadonlySet<BodyPosition> = new Set<BodyPosition>(['supine', 'lateral-recumbent']);
const MOST_INCUBATOR_YEARS = 1;
/** From the mattress down to the receptor in the tray of an incubator, mm [typical]. */
const INCUBATOR_TRAY_MM = 80;

/** A holder as it is where the patient is: to an incubator none comes but its own tray, without a grid, and what is stood up. */
function inPlace(holder: Holder, { place }: Situation): Holder[] {
  if (place !== 'incubator' || holder.kind === 'stand') return [holder];
  return holder.kind === 'bed' ? [{ ...holder, kind: 'incubator-tray', gapMm: INCUBATOR_TRAY_MM, grid: null }] : [];
}

/** Who kneels on a table bends the knees by this much at least [typical]. */
const KNEELING_DEG = 65;
const kneels = ({ joints }: Situation): boolean =>
  (['kneeFlexion', 'kneeFlexion_L', 'kneeFlexion_R'] as const).every(
    (knee) => (joints[knee]?.[1] ?? KNEELING_DEG) >= KNEELING_DEG,
  );

/** Why the patient cannot take the position, or null. @param beneath side that lies beneath on the side, of the patient; @param ageYears of the patient */
export function barred(
  positioning: Pick<Positioning, 'body' | 'seatable'> & { backRestDeg?: number },
  situation: Situation,
  beneath: Side | null,
  ageYears: number,
): Reason | null {
  const { keepStill, canStand, canSit, canTurn, proppedDeg } = situation;
  const hipStays = keepStill.includes('hip') || keepStill.includes('pelvis') || isHipHurt(situation);
  const [leg] = legsKept(situation);
  const onChair = situation.place === 'chair' && !canStand;
  const bound = boundTo(situation);
  if (bound && positioning.body !== 'supine' && !(positioning.body === 'semi-erect' && bound.maySitUp))
    return { code: bound.why };
  if (situation.place === 'incubator' && (ageYears > MOST_INCUBATOR_YEARS || !IN_INCUBATOR.has(positioning.body)))
    return { code: ageYears > MOST_INCUBATOR_YEARS ? 'too-old-for-incubator' : 'stays-in-incubator' };
  switch (positioning.body) {
    case 'upright':
      if (situation.spineNotCleared) return { code: 'spine-not-cleared' };
      if (hipStays) return { code: 'hip-stays' };
      if (leg) return { code: 'leg-stays', side: leg };
      if (canStand || (positioning.seatable && canSit)) return null;
      return { code: positioning.seatable ? 'neither-stands-nor-sits' : 'cannot-stand' };
    case 'seated':
      if (situation.spineNotCleared) return { code: 'spine-not-cleared' };
      if (hipStays) return { code: 'hip-stays' };
      if (leg && !onChair) return { code: 'leg-stays', side: leg };
      return canSit || canStand ? null : { code: 'cannot-sit' };
    case 'semi-erect': {
      const asked = positioning.backRestDeg ?? proppedDeg;
      if (situation.spineNotCleared) return { code: 'spine-not-cleared' };
      if (onChair) return { code: 'stays-in-chair' };
      if (ageYears < SITS_FROM_YEARS && proppedDeg === 0) return { code: 'too-young-to-sit' };
      if (hipStays && asked > HIP_STAYS_DEG) return { code: 'hip-stays' };
      if (leg && asked > HIP_STAYS_DEG) return { code: 'leg-stays', side: leg };
      return proppedDeg > 0 && asked !== proppedDeg ? { code: 'stays-propped', deg: proppedDeg } : null;
    }
    default: {
      if (onChair) return { code: 'stays-in-chair' };
      if (!situation.canLieFlat) return { code: 'cannot-lie-flat' };
      if (proppedDeg > 0) return { code: 'stays-propped', deg: proppedDeg };
      if (positioning.body === 'supine') return null;
      if (situation.spineNotCleared) return { code: 'spine-not-cleared' };
      if (hipStays) return { code: 'hip-stays' };
      if (leg) return { code: 'leg-stays', side: leg };
      if (neckKept(situation)) return { code: 'neck-stays-in-turning' };
      if (positioning.body === 'kneeling') {
        if (!canStand || situation.canKneel === false) return { code: 'cannot-kneel' };
        return kneels(situation) ? null : { code: 'knee-too-stiff-to-kneel' };
      }
      if (positioning.body === 'head-down') return null;
      if (canTurn === 'none') return { code: 'cannot-turn' };
      if (positioning.body === 'lateral-recumbent' && beneath && keepStill.includes(`${beneath} arm`))
        return { code: 'arm-not-lain-on', side: beneath };
      if (positioning.body === 'lateral-recumbent')
        return canTurn === 'both' || canTurn === beneath ? null : { code: 'turns-only-to', side: canTurn };
      if (!situation.canProne) return { code: 'cannot-lie-on-front' };
      // Over on the front an arm that must stay is moved, and lain on.
      const arm = (['left', 'right'] as const).find((side) => keepStill.includes(`${side} arm`));
      return arm ? { code: 'arm-not-lain-on', side: arm } : null;
    }
  }
}

/** Turns of a lying patient from here on count as turning the patient. */
const ROLL_FROM_DEG = 10;

/** Why a lying patient cannot be rolled as far as the view asks, or null. @param mirrored the entry done on the right */
function rollBarred(
  { ray }: Projection,
  positioning: Positioning,
  situation: Situation,
  mirrored = false,
): Reason | null {
  const flat = positioning.body === 'supine' || positioning.body === 'prone';
  const trunk = ray.view === 'AP' || ray.view === 'PA';
  if (!flat || positioning.beam === 'horizontal' || positioning.partFrame || positioning.on || !trunk) return null;
  const roll = ray.swing.find(({ toward }) => toward === 'left' || toward === 'right');
  if (!roll || roll.degrees < ROLL_FROM_DEG) return null;
  if (situation.spineNotCleared) return { code: 'spine-not-cleared', turns: true };
  if (isHipHurt(situation) || situation.keepStill.some((part) => part === 'hip' || part === 'pelvis'))
    return { code: 'hip-stays', turns: true };
  if (legsKept(situation).length > 0) return { code: 'a-leg-stays', turns: true };
  if (neckKept(situation)) return { code: 'neck-stays', turns: true };
  const bound = boundTo(situation);
  if (bound) return { code: bound.why, turns: true };
  // The far end of the ray swings to the side that comes to lie beneath.
  const beneath: Side = (roll.toward === 'left') !== mirrored ? 'left' : 'right';
  const { canTurn } = situation;
  if (canTurn === 'none') return { code: 'cannot-turn' };
  return canTurn === 'both' || canTurn === beneath ? null : { code: 'turns-other-way', side: canTurn, to: beneath };
}

/** Positions that put weight on a leg, or lay it down on one side. */
const BEARS: ReadonlySet<Positioning['body']> = new Set<Positioning['body']>(['upright', 'kneeling']);
const LAIN_ON: ReadonlySet<Positioning['body']> = new Set<Positioning['body']>(['lateral-recumbent', 'prone', 'sims']);
const OF_LEG = /^(thigh|patella|shank|talus|foot|toes)/;

const BENT_BY_SITTING = /^(thigh|patella|shank)/;

const OF_SHOULDER = /^(scapula|clavicle|upperarm)_/;
/** On the front the shoulders carry the chest; on a side the one that is beneath does. */
const onShoulder = (body: Positioning['body'], part: string, beneath: Side | null): boolean =>
  OF_SHOULDER.test(part) &&
  (body === 'prone' || body === 'sims' || (body === 'lateral-recumbent' && beneath === sideOfSegment(part)));
const sideOfSegment = (part: string): Side => (part.endsWith('_R') ? 'right' : 'left');

/**
 * Nobody stands, kneels or lies on what may be broken.
 * @param part segment that is examined; @param beneath side that lies beneath on the side, of the patient
 */
export function bearsHurt(
  body: Positioning['body'],
  part: string,
  situation: Situation,
  beneath: Side | null,
): Reason | null {
  if (!isInjured(situation)) return null;
  const shoulderHurt = situation.fractureSuspected || situation.suspected.includes('dislocation');
  if (shoulderHurt && onShoulder(body, part, beneath)) return { code: 'shoulder-not-lain-on' };
  const leg = OF_LEG.test(part);
  if (BEARS.has(body) && (leg || part === 'pelvis' || part === 'lumbar')) return { code: 'not-on-what-may-be-broken' };
  const sits = body === 'seated' && situation.place !== 'chair' && BENT_BY_SITTING.test(part);
  if (sits && isBroken(situation)) return { code: 'sitting-bends-it' };
  return leg && isBroken(situation) && LAIN_ON.has(body) ? { code: 'not-lain-on' } : null;
}

/** How one who may also sit on a stool is placed. */
export const erectWords = ({ seatable, sitsOn }: ChosenPositioning, { canStand }: Situation): string =>
  seatable ? (canStand && !sitsOn ? 'Erect or seated' : 'Seated') : 'Erect';

/** Something of the patient stays as it lies: the form of a position that poses nothing is taken where there is one. */
const spares = (situation: Situation): boolean =>
  isInjured(situation) ||
  neckStays(situation) ||
  legsKept(situation).length > 0 ||
  situation.keepStill.some((part) => part === 'hip' || part === 'pelvis');

/** The position as it is taken by this patient: hurt ones stay as they lie. */
export const sparing = (positioning: Positioning, situation: Situation): ChosenPositioning =>
  spares(situation) && positioning.ifInjured
    ? { ...positioning, head: undefined, ...positioning.ifInjured, poseAlone: true }
    : { ...positioning, poseAlone: false };

/**
 * `poseAlone`: nothing is bent or turned for the picture, so the entry's own pose is left out. `tubeDeg`: the tube makes up
 * for what the patient cannot do.
 */
export type ChosenPositioning = Positioning & {
  poseAlone: boolean;
  tubeDeg?: number;
  adapted?: AdaptedWay;
  /** An erect view of one who sits for it: on what. */
  sitsOn?: 'stool' | 'chair';
};

/** What one sits on who cannot stand for an erect view. */
function seatFor({ body, seatable }: Positioning, { canStand, canSit, place }: Situation): ChosenPositioning['sitsOn'] {
  if (body !== 'upright' || !seatable || canStand || !canSit) return undefined;
  return place === 'chair' ? 'chair' : 'stool';
}

/** An arm that comes no higher than this is not raised out of anything. */
const RAISED_DEG = 90;

/** The position of who does not raise the other arm, where the entry has one. @param other side of that arm */
function withOtherArm(positioning: ChosenPositioning, situation: Situation, other: Side): ChosenPositioning {
  const { ifOtherArmStays: stays } = positioning;
  if (!stays) return positioning;
  const limit = situation.joints[`shoulderFlexion_${other === 'left' ? 'L' : 'R'}`] ?? situation.joints.shoulderFlexion;
  if (raisesArm(situation, other) && (limit?.[1] ?? Infinity) >= RAISED_DEG) return positioning;
  return { ...positioning, ...stays };
}

export type PositioningChoice = { positioning: ChosenPositioning; holders: Holder[]; problems: Problem[] };

/**
 * The first position that patient and room allow. When none is, the usual one is still computed, so that it can be
 * looked at, and the problems say why it must not be done.
 */
export function choosePositioning(
  entry: Projection,
  situation: Situation,
  room: Room,
  nearSide: Side | null,
  overrides: Overrides,
  { adapted, part, mirrored, ageYears }: { adapted?: AdaptedWay; part: string; mirrored: boolean; ageYears: number },
): PositioningChoice {
  if (adapted) return chooseAdapted(entry, adapted, situation, room, { part, ageYears });
  const other: Side = mirrored ? 'left' : 'right';
  const projection = {
    ...entry,
    positions: entry.positions.map((each) => withOtherArm(sparing(each, situation), situation, other)),
  };
  const holdersOf = (positioning: ChosenPositioning) =>
    positioning.holders
      .filter((kind) => !overrides.holder || overrides.holder === kind)
      .flatMap((kind) => holderOf(room, kind) ?? [])
      .flatMap((holder) => inPlace(holder, situation));
  const candidates = projection.positions.filter(
    (positioning) => !overrides.position || positioning.body === overrides.position,
  );
  if (candidates.length === 0) {
    const known = projection.positions.map((positioning) => positioning.body);
    return {
      positioning: projection.positions[0],
      holders: holdersOf(projection.positions[0]),
      problems: [problem('position-unknown', { name: projection.name, asked: overrides.position!, known })],
    };
  }
  const reasons: Problem[] = [];
  const { name } = entry;
  for (const positioning of candidates) {
    // Some views of a limb lay the patient on the other side: what lies beneath is what the position says.
    const { on } = positioning;
    const fixed = on === 'left' || on === 'right' ? ((on === 'left') !== mirrored ? 'left' : 'right') : null;
    const why =
      barred(positioning, situation, fixed ?? nearSide, ageYears) ??
      rollBarred(entry, positioning, situation, mirrored) ??
      bearsHurt(positioning.body, part, situation, fixed ?? nearSide);
    const holders = holdersOf(positioning);
    if (why === null && holders.length > 0)
      return { positioning: { ...positioning, sitsOn: seatFor(positioning, situation) }, holders, problems: [] };
    reasons.push(
      why === null
        ? problem('no-holder', { name, room: room.name, holders: positioning.holders, body: positioning.body })
        : barredProblem(name, positioning.body, why),
    );
  }
  const usable = candidates.find((positioning) => holdersOf(positioning).length > 0) ?? candidates[0];
  return { positioning: usable, holders: holdersOf(usable), problems: reasons };
}

/** The way that was asked for, whether or not it may be. */
function chooseAdapted(
  entry: Projection,
  adapted: AdaptedWay,
  situation: Situation,
  room: Room,
  { part, ageYears }: { part: string; ageYears: number },
): PositioningChoice {
  const inRoom = holderOf(room, adapted.holder);
  const [holder] = inRoom ? inPlace(inRoom, situation) : [];
  const beneath = adapted.on === 'left' || adapted.on === 'right' ? adapted.on : null;
  const why =
    barred(
      { body: adapted.position, seatable: true, backRestDeg: adapted.backRestDeg },
      situation,
      beneath,
      ageYears,
    ) ?? bearsHurt(adapted.position, part, situation, beneath);
  const usual = entry.positions.find(({ body }) => body === adapted.position) ?? entry.positions[0];
  return {
    positioning: { ...usual, body: adapted.position, seatable: false, poseAlone: adapted.asItLies, adapted },
    holders: holder ? [holder] : [],
    problems: [
      ...(why === null ? [] : [barredProblem(entry.name, null, why)]),
      ...(holder
        ? []
        : [problem('no-holder', { name: entry.name, room: room.name, holders: [adapted.holder], body: null })]),
    ],
  };
}

/** @param body the position; null: the way that was asked for */
const barredProblem = (name: string, body: BodyPosition | null, { code, ...why }: Reason): Problem =>
  problem('position-barred', { name, body, reason: code, ...why });
