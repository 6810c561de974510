/** How an exercise begins: a room as the one before left it, a part that lies wrong, the choices to pick from. */
import { measuredFaults, type MeasuredFault } from '../critique/correctFault';
import { projectionOf, projections } from '../projections/catalogue';
import { misplace } from '../radiograph/positioningError';
import { seeded } from '../radiograph/noise';
import { holderOf, receptorsIn, type Room } from '../room/room';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import type { AnswerTo } from './answer';
import type { Case, Scenario } from './scenario';

export const setupOf = (of: Case, room: Room): Setup => computeSetup({ ...of, room });

/** Angle with its sign: toward the head above 0. */
export const signedAngle = ({ tube }: Setup): number => (tube.angleToward === 'feet' ? -tube.angleDeg : tube.angleDeg);

/** Sizes that a room has for a set-up. */
export function receptorsFor(room: Room, setup: Setup): { id: string; name: string }[] {
  const holder = holderOf(room, setup.receptor.holder);
  return holder ? receptorsIn(room, holder).map(({ id, name }) => ({ id, name })) : [];
}

const LEFT_AT_MM = [1000, 1150, 1830] as const;
const WRONG_DEG = [0, 0, 10, -15] as const;

/** What the one before left behind; nothing of it follows from this patient. */
export function leftBehind(scenario: Extract<Scenario, { kind: 'set it up' }>, room: Room): AnswerTo<'set it up'> {
  const draw = seeded(scenario.seed);
  const setup = setupOf(scenario.of, room);
  const other = <T>(list: readonly T[], right: (each: T) => boolean): T => {
    const wrong = list.filter((each) => !right(each));
    return (wrong.length > 0 ? wrong : list)[Math.floor(draw() * Math.max(1, wrong.length))];
  };
  const sizes = receptorsFor(room, setup);
  const turn = (most: number) => Math.round((draw() - 0.5) * 2 * most);
  return {
    kind: 'set it up',
    sidMm: other(LEFT_AT_MM, (mm) => Math.abs(mm / setup.tube.sidMm - 1) < 0.1),
    angleDeg: other(WRONG_DEG, (degrees) => Math.abs(degrees - signedAngle(setup)) < 5),
    receptorId: sizes.length > 0 ? other(sizes, ({ id }) => id === setup.receptor.size.id).id : setup.receptor.size.id,
    orientation: setup.receptor.orientation === 'lengthwise' ? 'crosswise' : 'lengthwise',
    fieldMm: [350, 350],
    marker: draw() < 0.5 ? 'R' : 'L',
    positioningError: { rollDeg: turn(12), tiltDeg: turn(8), turnDeg: turn(10), alongMm: turn(60), acrossMm: turn(40) },
  };
}

/** The faulty picture of a spotting exercise: how it should be, how it is, and which fault it is. */
export function faultyOf(
  { of, faultId, positioningError }: Extract<Scenario, { kind: 'spot the fault' }>,
  room: Room,
): {
  ideal: Setup;
  actual: Setup;
  faults: MeasuredFault[];
  fault: MeasuredFault;
  direction: 'more' | 'less';
  amount: number;
} {
  const ideal = setupOf(of, room);
  const actual = misplace(ideal, positioningError);
  const all = measuredFaults(ideal);
  const fault = all.find(({ id }) => id === faultId);
  if (!fault) throw new RangeError(`"${faultId}" of ${of.projectionId} cannot be measured on this patient`);
  // What is true of this picture too, by another motion than the one that was made, would be a second right answer.
  const faults = all.filter((each) => each.about === fault.about || !isTrue(each, actual));
  return {
    ideal,
    actual,
    faults,
    fault,
    direction: directionOf(fault, actual),
    amount: Math.abs(positioningError[fault.about]),
  };
}

/** Whether a picture has this fault. */
export const isTrue = ({ measure, target, tolerance }: MeasuredFault, actual: Setup): boolean =>
  Math.abs(measure(actual) - target) > tolerance;
export const directionOf = ({ measure, target }: MeasuredFault, actual: Setup): 'more' | 'less' =>
  measure(actual) > target ? 'more' : 'less';

const CHOICES = 4;

/** The right view among others of its region, in an order that the seed gives. */
export function viewChoices({ of, seed }: Extract<Scenario, { kind: 'which view' }>): { id: string; name: string }[] {
  const draw = seeded(seed);
  const right = projectionOf(of.projectionId);
  const shuffled = <T>(list: readonly T[]): T[] =>
    list
      .map((each) => ({ each, at: draw() }))
      .sort((a, b) => a.at - b.at)
      .map(({ each }) => each);
  const near = projections.filter(({ id, region }) => region === right.region && id !== right.id);
  return shuffled([right, ...shuffled(near).slice(0, CHOICES - 1)]).map(({ id, name }) => ({ id, name }));
}
