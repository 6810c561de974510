/** What another way costs against the usual one, in numbers and in points by which the ways are ranked. */
import { eachSide, movementOf, specOf } from '../body/joints';
import { posedMark } from '../body/posed';
import { posedIn } from '../body/posedIn';
import { dot, subtract } from '../geometry/vector';
import { sinDeg } from '../quantity/angle';
import type { LengthUnit } from '../quantity/length';
import type { Projection } from '../projections/schema';
import type { Aspect, BodyPosition } from '../projections/vocabulary';
import { isUpright } from '../room/stance';
import type { AdaptedWay } from '../setup/placing/adaptedWay';
import type { Situation } from '../setup/request';
import type { Values, ValuesOf } from '../words/fact';
import { say } from '../words/say';
import { COST_WORDS, type Moved, type Posture } from '../words/wayWords';
import type { Setup } from '../setup/setup';
import type { WayPrices } from './wayPrices';
import { isInjured } from '../setup/verdict/kept';
import { levelSign } from '../setup/verdict/suspectedSide';
import { isOfArm, isOfHead, isOfLeg } from '../setup/placing/placeAdapted';

export const COST_IDS = [
  'off',
  'distortion',
  'size',
  'blur',
  'grid',
  'level',
  'posture',
  'dose',
  'second',
  'sid',
  'bend',
  'turn',
  'posing',
  'hands',
  'tilt',
  'reversed',
  'other',
] as const;
export type CostId = (typeof COST_IDS)[number];
export type CostCode = keyof typeof COST_WORDS;
export const COST_CODES = Object.keys(COST_WORDS) as [CostCode, ...CostCode[]];
/** `code` and `values`: what it costs, as facts. */
export type Cost = { id: CostId; code: CostCode; values: Values; text: string; points: number };

export const cost = <C extends CostCode>(
  id: CostId,
  points: number,
  code: C,
  values: ValuesOf<typeof COST_WORDS, C> & Values,
  unit: LengthUnit,
): Cost => ({ id, code, values, text: say({ code, values }, { unit }), points: Math.round(points * 10) / 10 });

const MOST_DOSE_POINTS = 16;
/** Smaller differences are not said. */
const SAID_FROM = { offDeg: 3, percent: 3, blurMm: 0.1, doseShare: 0.25, bendDeg: 10, gridLoss: 0.1 } as const;

/** A ray that rises or falls by less than this is level: levels still show, and nothing comes from below [typical]. */
export const LEVEL_WITHIN_DEG = 10;

/** A horizontal ray to someone whose fluid can settle; a level ray through one who half sits serves too. */
export const isRayLevel = (setup: Setup): boolean =>
  Math.abs(dot(setup.scene.beam, [0, 0, 1])) < sinDeg(LEVEL_WITHIN_DEG);

/** How much larger the heart is drawn than it is. Needs the scene only. */
function heartEnlargement(setup: Setup): number {
  const { focal, receptor } = setup.scene;
  const at = posedMark(posedIn(setup), 'heart').p;
  const plane = Math.abs(dot(subtract(focal, receptor.centre), receptor.n));
  const over = dot(subtract(at, receptor.centre), receptor.n);
  return plane / (plane - over);
}

/** An entry that stands in for the asked one. */
export type StandIn = Projection['instead'][number];

export type Compared = {
  /** The usual set-up of a patient who can do all. */
  usual: Setup;
  /** This one. */
  setup: Setup;
  offDeg: number;
  /** Greatest difference of a joint of the part from the usual pose. */
  bend: { degrees: number; says: string } | null;
  reversed: boolean;
  posed: boolean;
  /** What an entry that stands in for the asked one does not show; null for the asked one itself. */
  standsIn: StandIn | null;
  /** People who must hold. */
  holders: number;
};

const percent = (share: number): number => Math.round(share * 100);

export function costsOf(
  projection: Projection,
  { usual, setup, offDeg, bend, reversed, posed, standsIn, holders }: Compared,
  situation: Situation,
  unit: LengthUnit,
  prices: WayPrices,
): Cost[] {
  const costs: Cost[] = [];
  const put = <C extends CostCode>(
    id: CostId,
    points: number,
    code: C,
    values: ValuesOf<typeof COST_WORDS, C> & Values = {} as ValuesOf<typeof COST_WORDS, C> & Values,
  ) => costs.push(cost(id, points, code, values, unit));
  const hurt = isInjured(situation);

  if (standsIn) put('other', standInPoints(standsIn, prices), 'cost-other', { loses: standsIn.loses });
  if (offDeg >= SAID_FROM.offDeg) put('off', offPoints(offDeg, prices), 'cost-off', { deg: Math.round(offDeg) });
  if (bend && bend.degrees >= SAID_FROM.bendDeg)
    put('bend', bend.degrees * prices.bendDegree, 'cost-bend', { joint: bend.says, deg: Math.round(bend.degrees) });
  const longer = percent(setup.image.elongation - 1) - percent(usual.image.elongation - 1);
  if (longer >= SAID_FROM.percent)
    put('distortion', longer * prices.elongationPercent, 'cost-distortion', { percent: longer });
  const larger = percent(setup.image.magnification / usual.image.magnification - 1);
  if (projection.region === 'chest' && projection.cover.length > 0) {
    const heart = percent(heartEnlargement(setup) / heartEnlargement(usual) - 1);
    if (heart >= SAID_FROM.percent) put('size', heart * prices.sizePercent, 'cost-heart', { percent: heart });
  } else if (larger >= SAID_FROM.percent) put('size', larger * prices.sizePercent, 'cost-size', { percent: larger });
  const blurrier = setup.image.blurMm - usual.image.blurMm;
  if (blurrier >= SAID_FROM.blurMm) put('blur', blurrier * 10 * prices.blurTenth, 'cost-blur', { mm: blurrier });
  if (setup.receptor.gridWanted && !setup.receptor.grid) put('grid', prices.noGrid, 'cost-no-grid');
  else if (setup.image.gridLoss >= SAID_FROM.gridLoss + usual.image.gridLoss)
    put('grid', percent(setup.image.gridLoss - usual.image.gridLoss) * prices.gridLossPercent, 'cost-grid-loss', {
      percent: percent(setup.image.gridLoss),
    });
  const sign = levelSign(situation);
  if (sign && !isRayLevel(setup)) put('level', prices.noLevel, 'cost-level', { sign });
  const down = setup.problems.find(({ code }) => code === 'wrong-side-down');
  if (sign && down) put('level', prices.noLevel, 'cost-wrong-side', { sign, down: String(down.values.down) });
  const dose = setup.dose.entranceKermaMgy / usual.dose.entranceKermaMgy;
  if (dose >= 1 + SAID_FROM.doseShare)
    put('dose', Math.min(MOST_DOSE_POINTS, (dose - 1) * prices.doseTimes), 'cost-dose', { times: dose });
  if (setup.problems.some(({ code }) => code === 'sid-too-short' || code === 'sid-reduced'))
    put('sid', percent(setup.tube.sidWantedMm / setup.tube.sidMm - 1) * prices.sidShortPercent, 'cost-sid', {
      sidMm: setup.tube.sidMm,
      neededMm: setup.tube.sidWantedMm,
    });
  const { body } = setup.position;
  const posture = postureOf(projection, body, usual, situation, setup.way?.on);
  if (posture) put('posture', prices.posture, 'cost-posture', { posture });
  const moved = movedBy(body, usual, situation);
  const part = setup.inPart[0].segment;
  if (moved) put('turn', turnPoints(part, situation, prices), 'cost-turn', { moved });
  const limb = isOfArm(part) || isOfLeg(part);
  // The entry's own way is priced like any other where the part may be hurt.
  const poses = setup.way ? posed : hurt && limb && posesLimb(setup, part);
  if (poses && (limb || isOfHead(part))) put('posing', posingPoints(situation, prices), 'cost-posing', { hurt });
  if (
    !limb &&
    (setup.receptor.holder === 'bed' || setup.receptor.holder === 'table-top') &&
    !isUpright(setup.position.body)
  )
    put('hands', hurt && !situation.worn.includes('board') ? prices.hurtSlide : prices.slide, 'cost-slide', {
      under: situation.worn.includes('board') ? 'board' : hurt ? 'hurt' : 'patient',
    });
  if (setup.way?.onStool) put('hands', prices.slide, 'cost-stool');
  if (holders > 0) put('hands', holders * prices.holder, 'cost-holders', { count: holders });
  const tilt = setup.way ? setup.tube.angleDeg + setup.tube.acrossDeg : 0;
  if (tilt > 0) put('tilt', tilt * prices.tiltDegree, 'cost-tilt');
  if (reversed) put('reversed', prices.reversed, 'cost-reversed');
  return costs;
}

/** A joint of the examined limb that is turned or bent by more than this was posed [typical]. */
const POSED_DEG = 12;
/** What a limb that is left alone does by itself: the leg rolls out, knee and elbow give a little, the arm is off the trunk. */
const LEFT_ALONE: Partial<Record<string, readonly [number, number]>> = {
  hipMedialRotation: [-30, POSED_DEG],
  kneeFlexion: [-POSED_DEG, 20],
  anklePlantarFlexion: [-POSED_DEG, 45],
  shoulderAbduction: [-POSED_DEG, 20],
  elbowFlexion: [-POSED_DEG, 35],
};
/** Whether an entry's own way bends or turns joints of the examined limb. */
const posesLimb = ({ scene }: Setup, part: string): boolean =>
  [...eachSide(scene.pose)].some(([motion, degrees]) => {
    const [least, most] = LEFT_ALONE[movementOf(motion)] ?? [-POSED_DEG, POSED_DEG];
    return (
      motion.endsWith(part.slice(-2)) &&
      (degrees < least || degrees > most) &&
      specOf(motion).drives.some(({ segment }) => isOfLeg(segment) === isOfLeg(part) && !/^toes/.test(segment))
    );
  });

/** One that shows the part from the side where a front view is asked, or the other way about, leaves the question open. */
export const standInPoints = ({ atRightAngle }: StandIn, prices: WayPrices): number =>
  prices.other + (atRightAngle ? prices.aspect : 0);

const offPoints = (degrees: number, prices: WayPrices): number =>
  degrees >= SAID_FROM.offDeg ? degrees * prices.offDegree : 0;

/** Whatever a department sets, who may be injured is never moved for less than others. A hurt arm comes along; a hurt trunk or leg is moved with every turn. */
const turnPoints = (part: string, situation: Situation, prices: WayPrices): number =>
  isInjured(situation) && !isOfArm(part) ? Math.max(prices.hurtTurn, prices.turn) : prices.turn;
const posingPoints = (situation: Situation, prices: WayPrices): number =>
  isInjured(situation) ? Math.max(prices.hurtPosing, prices.posing) : prices.posing;

/** What the side position itself does to lung or gas; null for nothing. */
function postureOf(
  projection: Projection,
  body: BodyPosition,
  usual: Setup,
  situation: Situation,
  beneath?: Aspect,
): Posture | null {
  if (body !== 'lateral-recumbent' || usual.position.body === 'lateral-recumbent') return null;
  const sign = levelSign(situation);
  if (projection.region === 'chest' && !sign) return 'lung-beneath';
  if (projection.region === 'abdomen' && sign === 'free gas' && beneath === 'right') return 'gas-by-stomach';
  return null;
}

/** What of the patient is moved to take the position, from how the patient is now; null for nothing. */
function movedBy(body: BodyPosition, usual: Setup, situation: Situation): Moved | null {
  if (body === usual.position.body) return null;
  if (body === 'prone' || body === 'sims') return 'front';
  if (body === 'lateral-recumbent') return 'side';
  if (body === 'kneeling') return 'kneel';
  if (body === 'semi-erect') return situation.proppedDeg > 0 ? null : 'sat-up-against-rest';
  if (body === 'supine') return situation.canStand && !situation.spineNotCleared ? 'lie-down' : null;
  if (situation.place === 'chair' || situation.canStand) return null;
  return 'sit-up';
}

/** The least that any way in a position can cost. */
export const positionPoints = (
  body: BodyPosition,
  part: string,
  usual: Setup,
  situation: Situation,
  prices: WayPrices,
): number => (movedBy(body, usual, situation) ? turnPoints(part, situation, prices) : 0);

/** The least that a way can cost, from what is known of it before it is computed in full. */
export function leastPoints(
  projection: Projection,
  { way, offDeg, tiltDeg }: { way: AdaptedWay; offDeg: number; tiltDeg: number },
  part: string,
  usual: Setup,
  situation: Situation,
  prices: WayPrices,
): number {
  const posed = !way.asItLies && (isOfArm(part) || isOfLeg(part) || isOfHead(part));
  return (
    offPoints(offDeg, prices) +
    tiltDeg * prices.tiltDegree +
    (way.reversed ? prices.reversed : 0) +
    positionPoints(way.position, part, usual, situation, prices) +
    (postureOf(projection, way.position, usual, situation, way.on) ? prices.posture : 0) +
    (posed ? posingPoints(situation, prices) : 0) +
    (levelSign(situation) && way.beam === 'down' ? prices.noLevel : 0)
  );
}
