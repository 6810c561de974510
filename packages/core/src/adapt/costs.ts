/** What another way costs against the usual one, in numbers and in points by which the ways are ranked. */
import { adaptBody } from '../body/adapt';
import { buildBody, markOf } from '../body/body';
import { eachSide, specOf } from '../body/joints';
import { poseBody } from '../body/pose';
import { placeBody, posedMark } from '../body/posed';
import { dot, subtract } from '../geometry/vector';
import { formatAngle, sinDeg } from '../quantity/angle';
import { formatLength, type LengthUnit } from '../quantity/length';
import type { Projection } from '../projections/schema';
import type { Aspect, BodyPosition } from '../projections/vocabulary';
import { isUpright } from '../room/stance';
import type { GivenWay } from '../setup/given';
import type { Situation } from '../setup/request';
import type { Setup } from '../setup/setup';
import { isInjured } from '../setup/kept';
import { isOfArm, isOfHead, isOfLeg } from '../setup/placeGiven';

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
export type Cost = { id: CostId; text: string; points: number };

/** Points of a degree, a percent, a millimetre, or of the thing itself [house scale: a turn of the patient is 10]. */
export const POINTS = {
  offDegree: 1.5,
  elongationPercent: 0.4,
  sizePercent: 0.5,
  blurTenth: 1,
  noGrid: 8,
  gridLossPercent: 0.4,
  noLevel: 100,
  posture: 12,
  second: 5,
  doseTimes: 4,
  sidShortPercent: 0.15,
  bendDegree: 0.4,
  turn: 10,
  hurtTurn: 30,
  posing: 2,
  hurtPosing: 14,
  slide: 3,
  hurtSlide: 8,
  holder: 6,
  tiltDegree: 0.1,
  reversed: 3,
  other: 14,
} as const;
const MOST_DOSE_POINTS = 16;
/** Smaller differences are not said. */
const SAID_FROM = { offDeg: 3, percent: 3, blurMm: 0.1, doseShare: 0.25, bendDeg: 10, gridLoss: 0.1 } as const;

/** What only a level ray shows, where it is looked for. */
export const levelSign = ({ suspected }: Situation): string | null =>
  suspected.includes('free gas') ? 'free gas' : suspected.includes('fluid level') ? 'fluid level' : null;

/** A ray that rises or falls by less than this is level: levels still show, and nothing comes from below [typical]. */
export const LEVEL_WITHIN_DEG = 10;

/** A horizontal ray to someone whose fluid can settle; a level ray through one who half sits serves too. */
export const isRayLevel = (setup: Setup): boolean =>
  Math.abs(dot(setup.scene.beam, [0, 0, 1])) < sinDeg(LEVEL_WITHIN_DEG);

/** How much larger the heart is drawn than it is. Needs the scene only. */
function heartEnlargement(setup: Setup): number {
  const { adapt, pose, place, focal, receptor } = setup.scene;
  const body = adaptBody(buildBody(setup.patient), adapt);
  const at = posedMark(placeBody(body, poseBody(body, pose), place), markOf(body, 'heart').id).p;
  const plane = Math.abs(dot(subtract(focal, receptor.centre), receptor.n));
  const over = dot(subtract(at, receptor.centre), receptor.n);
  return plane / (plane - over);
}

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
  loses: string | null;
  /** People who must hold. */
  holders: number;
};

const percent = (share: number): number => Math.round(share * 100);

export function costsOf(
  projection: Projection,
  { usual, setup, offDeg, bend, reversed, posed, loses, holders }: Compared,
  situation: Situation,
  unit: LengthUnit,
): Cost[] {
  const costs: Cost[] = [];
  const put = (id: CostId, points: number, text: string) =>
    costs.push({ id, text, points: Math.round(points * 10) / 10 });
  const hurt = isInjured(situation);

  if (loses !== null) put('other', POINTS.other, `Another projection in its place. Loses: ${loses}`);
  if (offDeg >= SAID_FROM.offDeg)
    put('off', offPoints(offDeg), `Ray ${formatAngle(Math.round(offDeg))} off the wanted way through the part`);
  if (bend && bend.degrees >= SAID_FROM.bendDeg)
    put(
      'bend',
      bend.degrees * POINTS.bendDegree,
      `${bend.says} ${formatAngle(Math.round(bend.degrees))} from the usual pose`,
    );
  const longer = percent(setup.image.elongation - 1) - percent(usual.image.elongation - 1);
  if (longer >= SAID_FROM.percent)
    put('distortion', longer * POINTS.elongationPercent, `Drawn ${longer} % longer on the slanted receptor`);
  const larger = percent(setup.image.magnification / usual.image.magnification - 1);
  if (projection.region === 'chest' && projection.cover.length > 0) {
    const heart = percent(heartEnlargement(setup) / heartEnlargement(usual) - 1);
    if (heart >= SAID_FROM.percent)
      put('size', heart * POINTS.sizePercent, `Heart drawn ${heart} % larger than in the usual picture`);
  } else if (larger >= SAID_FROM.percent)
    put('size', larger * POINTS.sizePercent, `Everything ${larger} % larger than usual`);
  const blurrier = setup.image.blurMm - usual.image.blurMm;
  if (blurrier >= SAID_FROM.blurMm)
    put('blur', blurrier * 10 * POINTS.blurTenth, `Edges ${blurrier.toFixed(1)} mm less sharp`);
  if (setup.receptor.gridWanted && !setup.receptor.grid)
    put('grid', POINTS.noGrid, 'No grid where one is wanted: scatter');
  else if (setup.image.gridLoss >= SAID_FROM.gridLoss + usual.image.gridLoss)
    put(
      'grid',
      percent(setup.image.gridLoss - usual.image.gridLoss) * POINTS.gridLossPercent,
      `Grid cuts off up to ${percent(setup.image.gridLoss)} % at the edge`,
    );
  const sign = levelSign(situation);
  if (sign && !isRayLevel(setup)) put('level', POINTS.noLevel, `Does not show ${sign}: the ray is not level`);
  const dose = setup.dose.entranceKermaMgy / usual.dose.entranceKermaMgy;
  if (dose >= 1 + SAID_FROM.doseShare)
    put(
      'dose',
      Math.min(MOST_DOSE_POINTS, (dose - 1) * POINTS.doseTimes),
      `${dose.toFixed(1)} times the usual dose to the skin`,
    );
  if (setup.problems.some(({ code }) => code === 'sid-too-short' || code === 'sid-reduced'))
    put(
      'sid',
      percent(setup.tube.sidWantedMm / setup.tube.sidMm - 1) * POINTS.sidShortPercent,
      `SID ${formatLength(setup.tube.sidMm, unit)} of ${formatLength(setup.tube.sidWantedMm, unit)}`,
    );
  const { body } = setup.position;
  const posture = postureOf(projection, body, usual, situation, setup.way?.on);
  if (posture) put('posture', POINTS.posture, posture);
  const turn = movedBy(body, usual, situation);
  const part = setup.inPart[0].segment;
  if (turn) put('turn', turnPoints(part, situation), turn);
  const limb = isOfArm(part) || isOfLeg(part);
  // The entry's own way is priced like any other where the part may be hurt.
  const poses = setup.way ? posed : hurt && limb && posesLimb(setup, part);
  if (poses && (limb || isOfHead(part)))
    put('posing', posingPoints(situation), hurt ? 'The hurt part is moved' : 'The part is posed');
  if (
    !limb &&
    (setup.receptor.holder === 'bed' || setup.receptor.holder === 'table-top') &&
    !isUpright(setup.position.body)
  )
    put(
      'hands',
      hurt && !situation.worn.includes('board') ? POINTS.hurtSlide : POINTS.slide,
      situation.worn.includes('board')
        ? 'Receptor slid under the board'
        : hurt
          ? 'Receptor slid under by several, the patient kept straight'
          : 'Receptor slid under the patient',
    );
  if (holders > 0) put('hands', holders * POINTS.holder, `${holders} ${holders === 1 ? 'person' : 'people'} to hold`);
  const tilt = setup.way ? setup.tube.angleDeg + setup.tube.acrossDeg : 0;
  if (tilt > 0) put('tilt', tilt * POINTS.tiltDegree, 'Tube and receptor to be lined up by hand');
  if (reversed) put('reversed', POINTS.reversed, 'The ray runs the other way through the part');
  return costs;
}

/** A joint of the examined limb that is turned or bent by more than this was posed [typical]. */
const POSED_DEG = 12;
/** Whether an entry's own way bends or turns joints of the examined limb. */
const posesLimb = ({ scene }: Setup, part: string): boolean =>
  [...eachSide(scene.pose)].some(
    ([motion, degrees]) =>
      motion.endsWith(part.slice(-2)) &&
      Math.abs(degrees) > POSED_DEG &&
      specOf(motion).drives.some(({ segment }) => isOfLeg(segment) === isOfLeg(part) && !/^toes/.test(segment)),
  );

const offPoints = (degrees: number): number => (degrees >= SAID_FROM.offDeg ? degrees * POINTS.offDegree : 0);

/** A hurt arm comes along; a hurt trunk or leg is moved with every turn. */
const turnPoints = (part: string, situation: Situation): number =>
  isInjured(situation) && !isOfArm(part) ? POINTS.hurtTurn : POINTS.turn;
const posingPoints = (situation: Situation): number => (isInjured(situation) ? POINTS.hurtPosing : POINTS.posing);

/** What the side position itself does to lung or gas; null for nothing. */
function postureOf(
  projection: Projection,
  body: BodyPosition,
  usual: Setup,
  situation: Situation,
  beneath?: Aspect,
): string | null {
  if (body !== 'lateral-recumbent' || usual.position.body === 'lateral-recumbent') return null;
  const sign = levelSign(situation);
  if (projection.region === 'chest' && !sign) return 'The lung beneath is hardly aired';
  if (projection.region === 'abdomen' && sign === 'free gas' && beneath === 'right')
    return 'On the right side gas hides beside the stomach; on the left it shows over the liver';
  return null;
}

/** What of the patient is moved to take the position, from how the patient is now; null for nothing. */
function movedBy(body: BodyPosition, usual: Setup, situation: Situation): string | null {
  if (body === usual.position.body) return null;
  if (body === 'prone' || body === 'sims') return 'Turned onto the front';
  if (body === 'lateral-recumbent') return 'Turned onto the side';
  if (body === 'kneeling') return 'Has to kneel';
  if (body === 'semi-erect') return situation.proppedDeg > 0 ? null : 'Sat up against the back rest';
  if (body === 'supine') return situation.canStand && !situation.spineNotCleared ? 'Has to lie down' : null;
  if (situation.place === 'chair' || situation.canStand) return null;
  return 'Has to sit up';
}

/** The least that any way in a position can cost. */
export const positionPoints = (body: BodyPosition, part: string, usual: Setup, situation: Situation): number =>
  movedBy(body, usual, situation) ? turnPoints(part, situation) : 0;

/** The least that a way can cost, from what is known of it before it is computed in full. */
export function leastPoints(
  projection: Projection,
  { way, offDeg, tiltDeg }: { way: GivenWay; offDeg: number; tiltDeg: number },
  part: string,
  usual: Setup,
  situation: Situation,
): number {
  const posed = !way.asItLies && (isOfArm(part) || isOfLeg(part) || isOfHead(part));
  return (
    offPoints(offDeg) +
    tiltDeg * POINTS.tiltDegree +
    (way.reversed ? POINTS.reversed : 0) +
    positionPoints(way.position, part, usual, situation) +
    (postureOf(projection, way.position, usual, situation, way.on) ? POINTS.posture : 0) +
    (posed ? posingPoints(situation) : 0) +
    (levelSign(situation) && way.beam === 'down' ? POINTS.noLevel : 0)
  );
}
