/** How far two set-ups of one patient lie apart, in numbers: what is priced, and what the words of a change are about. */
import { quat, mat3 } from 'gl-matrix';
import { eachSide } from '../body/joints';
import { toDegrees } from '../quantity/angle';
import { applyToDirection, frameFromPairs, type Frame } from '../geometry/frame';
import { dot, type InPatient, type InRoom, type Vec3 } from '../geometry/vector';
import { ROOM_DOWN, ROOM_HEAD } from '../room/position';
import type { Setup } from '../setup/setup';
import type { CentreFact } from '../words/centreWords';

/** Where the weight of the patient is. */
export type Station = 'standing' | 'seated' | 'lying';

export type Moves = {
  /** Of the trunk about its long axis, 0 to 180°. */
  turnDeg: number;
  transfer: boolean;
  /** The part is laid anew while the trunk stays. */
  limb: boolean;
  otherLimb: boolean;
  /** The patient's left came to the other side of the table or wall. */
  sideSwapped: boolean;
  holder: boolean;
  plate: boolean;
  beam: boolean;
  sidMm: number;
  angle: boolean;
  grid: boolean;
  aim: boolean;
};

/** Smaller turns of the trunk are a matter of the position, not a turn. */
const TURN_FROM_DEG = 20;

/** Where the CR goes in, as a fact: it stands in the step that says it. Of what is barred only the line is left. */
export const centreFactOf = ({ steps, centre }: Setup): CentreFact =>
  (steps.find(({ code }) => code === 'step-centre')?.values as CentreFact | undefined) ?? {
    centre: 'centre-through',
    line: centre.line,
  };

type Ways = { mm?: readonly number[]; behindMm?: number };
const waysOf = (fact: CentreFact): number[] => {
  const { mm = [], behindMm = 0 } = fact as Ways;
  return [...mm, behindMm];
};
/** The same place told from the same landmark: no other line, and no length that a tape would tell apart. */
function sameCentre(a: CentreFact, b: CentreFact): boolean {
  const named = (fact: CentreFact) => JSON.stringify({ ...fact, mm: null, behindMm: null });
  const [one, other] = [waysOf(a), waysOf(b)];
  return named(a) === named(b) && one.every((mm, i) => Math.abs(mm - (other[i] ?? 0)) < SAME_MM);
}

/** Smaller differences of length than this are not worth a move. */
export const SAME_MM = 6;

const STATIONS: Partial<Record<Setup['position']['body'], Station>> = {
  upright: 'standing',
  kneeling: 'standing',
  seated: 'seated',
};
export const stationOf = (setup: Setup): Station => STATIONS[setup.position.body] ?? 'lying';

/** On the back, head at the head end: where fluoroscopy leaves a patient. */
export const ON_THE_BACK: Frame<InPatient, InRoom> = frameFromPairs([0, 0, 1], [0, 1, 0], ROOM_HEAD, ROOM_DOWN);

const rotationOf = (frame: Frame): quat =>
  quat.fromMat3(
    quat.create(),
    mat3.fromValues(frame[0], frame[1], frame[2], frame[4], frame[5], frame[6], frame[8], frame[9], frame[10]),
  );

/** Turn of the body about its own long axis from one place to another, 0 to 180°: the twist of the rotation between. */
export function turnBetween(a: Frame<InPatient, InRoom>, b: Frame<InPatient, InRoom>): number {
  const between = quat.multiply(quat.create(), quat.invert(quat.create(), rotationOf(a)), rotationOf(b));
  // In the body's own axes: its long axis is z.
  const degrees = Math.abs(toDegrees(2 * Math.atan2(between[2], between[3])));
  return degrees > 180 ? 360 - degrees : degrees;
}

/** How far one place of the body is turned against another, about whatever axis, 0 to 180°. */
const angleBetween = (a: Frame<InPatient, InRoom>, b: Frame<InPatient, InRoom>): number =>
  toDegrees(quat.getAngle(rotationOf(a), rotationOf(b)));

/** Patient's left, across the table: which side of it that is. */
const leftAcross = (setup: Setup): number => dot(applyToDirection(setup.scene.place, [1, 0, 0]), ACROSS);
const ACROSS: Vec3<InRoom> = [0, 1, 0];
/** A side that points up or down is on neither side of the table. */
const CLEARLY = 0.5;

/** Less than this is the slack of a joint, not a new pose. */
const POSED_FROM_DEG = 5;

/** A joint bent otherwise, or the body turned a little: the part is laid anew. */
function laidAnew(before: Setup, after: Setup): boolean {
  const [was, is] = [eachSide(before.scene.pose), eachSide(after.scene.pose)];
  const bent = [...new Set([...was.keys(), ...is.keys()])].some(
    (motion) => Math.abs((was.get(motion) ?? 0) - (is.get(motion) ?? 0)) >= POSED_FROM_DEG,
  );
  return bent || angleBetween(before.scene.place, after.scene.place) >= POSED_FROM_DEG;
}

export function movesBetween(before: Setup, after: Setup): Moves {
  const transfer = stationOf(before) !== stationOf(after);
  const turnDeg = turnBetween(before.scene.place, after.scene.place);
  const [was, is] = [leftAcross(before), leftAcross(after)];
  const [b, a] = [before, after];
  return {
    turnDeg,
    transfer,
    limb: !transfer && turnDeg < TURN_FROM_DEG && laidAnew(b, a),
    otherLimb: b.side !== a.side && b.scene.oneSided && a.scene.oneSided,
    sideSwapped: !transfer && Math.abs(was) > CLEARLY && Math.abs(is) > CLEARLY && Math.sign(was) !== Math.sign(is),
    holder: b.receptor.holder !== a.receptor.holder,
    plate:
      b.receptor.size.id !== a.receptor.size.id ||
      (!a.receptor.size.fixed && b.receptor.orientation !== a.receptor.orientation),
    beam: b.tube.beam !== a.tube.beam,
    sidMm: a.tube.sidMm - b.tube.sidMm,
    angle:
      Math.abs(a.tube.angleDeg - b.tube.angleDeg) >= 0.5 ||
      a.tube.angleToward !== b.tube.angleToward ||
      a.tube.acrossDeg !== b.tube.acrossDeg,
    grid: (b.receptor.grid?.ratio ?? 0) !== (a.receptor.grid?.ratio ?? 0),
    aim: !sameCentre(centreFactOf(b), centreFactOf(a)),
  };
}

/** A turn or a transfer: what a patient feels as being moved. */
export const isTurn = ({ transfer, turnDeg }: Moves): boolean => transfer || turnDeg >= TURN_FROM_DEG;
