/** The score of an exercise, item by item, from the true set-up and its tolerances; near counts half. */
import { motionWords } from '../critique/correctFault';
import { edgesOf } from '../critique/measure';
import { projectionOf } from '../projections/catalogue';
import { formatLength, formatRectangle, type LengthUnit } from '../quantity/length';
import { misplace, POSITIONING_ERROR_KEYS, type PositioningError } from '../radiograph/positioningError';
import type { Room } from '../room/room';
import { planSeries } from '../series/planSeries';
import { computeSetup } from '../setup/computeSetup';
import type { Setup } from '../setup/setup';
import type { AnswerTo, ExerciseAnswer } from './answer';
import type { Scenario } from './scenario';
import { angledTo } from '../words/names';
import { faultyOf, isTrue, setupOf, signedAngle, directionOf } from './start';

export type ScoreItem = {
  id: string;
  name: string;
  /** 0, a half or 1. */
  share: number;
  /** What was answered, and what is right, in words. */
  said: string;
  right: string;
  /** A repeat, a wrong side or a harm by itself: nothing else makes up for it. */
  grave?: boolean;
};
export type Score = {
  /** 0 to 1. */
  share: number;
  items: ScoreItem[];
  /** What to look at next time; empty when nothing was missing. */
  next: string;
};

/** Full within the first, half within the second. Source: what a repeat would be asked for, and what would be noticed [C]. */
const WITHIN = {
  sid: [0.05, 0.15],
  angleDeg: [3, 6],
  fieldOver: [1.2, 1.5],
  centreMm: [15, 30],
  rotationDeg: [3, 6],
  amount: [0.3, 0.6],
} as const;
/** An angle this far off shows something else; a light this many times what is needed is no collimation [C]. */
const GRAVE_ANGLE_DEG = 12;
const GRAVE_FIELD_OVER = 2;
/** The one distance for the other, as 40 for 72 in: by the logarithm of their ratio. */
const GRAVE_SID = Math.log(1.3);
/** From here on an exercise counts as passed. */
export const PASSED_FROM = 0.8;

const graded = (off: number, [full, half]: readonly [number, number]): number =>
  off <= full ? 1 : off <= half ? 0.5 : 0;

/** With a grave error no exercise is passed, however good the rest. */
const GRAVE_AT_MOST = 0.5;

function scored(items: ScoreItem[]): Score {
  const missed = items.filter(({ share }) => share < 1);
  const worst = [...missed].sort((a, b) => Number(b.grave ?? false) - Number(a.grave ?? false) || a.share - b.share)[0];
  const whole = items.reduce((sum, { share }) => sum + share, 0) / items.length;
  return {
    share: items.some(({ grave }) => grave) ? Math.min(whole, GRAVE_AT_MOST) : whole,
    items,
    next: worst ? `${worst.name}: ${worst.right}` : '',
  };
}

const degrees = (value: number): string => `${Math.round(value)}°`;
const angleText = (value: number, [head, feet]: readonly [string, string]): string =>
  Math.round(value) === 0 ? 'perpendicular' : `${degrees(Math.abs(value))} ${angledTo(value > 0 ? head : feet)}`;

/** The turn that is furthest off. */
function worstTurn(positioningError: PositioningError): { key: keyof PositioningError; off: number } {
  return POSITIONING_ERROR_KEYS.filter((key) => key.endsWith('Deg'))
    .map((key) => ({ key, off: Math.abs(positioningError[key]) }))
    .reduce((worst, each) => (each.off > worst.off ? each : worst));
}

function scoreSetUp(
  scenario: Extract<Scenario, { kind: 'set it up' }>,
  answer: AnswerTo<'set it up'>,
  room: Room,
  unit: LengthUnit,
): Score {
  const right = setupOf(scenario.of, room);
  const { tube, receptor, field, marker } = right;
  const [shortest, longest] = tube.sidRangeMm;
  const inRange = answer.sidMm >= shortest && answer.sidMm <= longest;
  const trueAngle = signedAngle(right);
  const asSet = setUpAs(scenario, answer, room);
  const cut = edgesOf(
    misplace(asSet, { ...answer.positioningError, rollDeg: 0, tiltDeg: 0, turnDeg: 0, alongMm: 0, acrossMm: 0 }),
  ).filter(({ insideMm }) => insideMm < -1);
  const over = (answer.fieldMm[0] * answer.fieldMm[1]) / (field.neededMm.width * field.neededMm.height);
  const name = (id: string) => room.receptors.find((each) => each.id === id)?.name ?? id;
  const sameSize = receptor.size.fixed || answer.receptorId === receptor.size.id;
  const sameOrientation = receptor.size.fixed || answer.orientation === receptor.orientation;
  const centreOff = Math.hypot(answer.positioningError.alongMm, answer.positioningError.acrossMm);
  const furthest =
    Math.abs(answer.positioningError.alongMm) >= Math.abs(answer.positioningError.acrossMm) ? 'alongMm' : 'acrossMm';
  const turn = worstTurn(answer.positioningError);
  return scored([
    {
      id: 'angle',
      name: 'Angle',
      share: graded(Math.abs(answer.angleDeg - trueAngle), WITHIN.angleDeg),
      said: angleText(answer.angleDeg, tube.ways),
      right: angleText(trueAngle, tube.ways),
      // The other way, or an angle where there is none: another picture.
      grave:
        Math.abs(answer.angleDeg - trueAngle) > WITHIN.angleDeg[1] &&
        (Math.sign(answer.angleDeg) !== Math.sign(trueAngle) ||
          Math.abs(answer.angleDeg - trueAngle) > GRAVE_ANGLE_DEG),
    },
    {
      id: 'centre',
      name: 'Centre',
      share: graded(centreOff, WITHIN.centreMm),
      said: `${formatLength(centreOff, unit)} off`,
      right:
        centreOff > WITHIN.centreMm[0]
          ? motionWords(right, furthest, -answer.positioningError[furthest], unit)
          : right.centre.text,
    },
    {
      id: 'field',
      name: 'Field',
      share: cut.length > 0 ? 0 : graded(over, WITHIN.fieldOver),
      said: `${formatRectangle(answer.fieldMm[0], answer.fieldMm[1], unit)}${cut.length > 0 ? `, clips ${cut.map((edge) => edge.name).join(', ')}` : ''}`,
      right: formatRectangle(field.atReceptorMm.width, field.atReceptorMm.height, unit),
      grave: cut.length > 0 || over > GRAVE_FIELD_OVER,
    },
    {
      id: 'sid',
      name: 'SID',
      share: inRange ? 1 : graded(Math.abs(answer.sidMm / tube.sidMm - 1), WITHIN.sid),
      said: formatLength(answer.sidMm, unit),
      right: formatLength(tube.sidMm, unit),
      grave: !inRange && Math.abs(Math.log(answer.sidMm / tube.sidMm)) > GRAVE_SID,
    },
    {
      id: 'receptor',
      name: 'Receptor',
      share: sameSize && sameOrientation ? 1 : sameSize || sameOrientation ? 0.5 : 0,
      said: `${name(answer.receptorId)}, ${answer.orientation}`,
      right: `${receptor.size.name}${receptor.size.fixed ? ', fixed' : `, ${receptor.orientation}`}`,
    },
    {
      id: 'marker',
      name: 'Marker',
      share: marker.letters.includes(answer.marker) ? 1 : 0,
      said: answer.marker,
      right: marker.letters.join(' and '),
      grave: !marker.letters.includes(answer.marker),
    },
    {
      id: 'rotation',
      name: 'Rotation',
      share: graded(turn.off, WITHIN.rotationDeg),
      said: `${degrees(turn.off)} off`,
      right:
        turn.off > WITHIN.rotationDeg[0]
          ? motionWords(right, turn.key, -answer.positioningError[turn.key])
          : 'as it should lie',
    },
  ]);
}

/** The set-up that an answer makes, the part lying as it should. */
export function setUpAs(
  { of }: Extract<Scenario, { kind: 'set it up' }>,
  answer: AnswerTo<'set it up'>,
  room: Room,
): Setup {
  const { sidMm, angleDeg, receptorId, orientation, fieldMm } = answer;
  return computeSetup({ ...of, room, overrides: { sidMm, angleDeg, receptorId, orientation, fieldMm } });
}

function scoreSpot(
  scenario: Extract<Scenario, { kind: 'spot the fault' }>,
  answer: AnswerTo<'spot the fault'>,
  room: Room,
): Score {
  const { ideal, actual, faults, fault, amount } = faultyOf(scenario, room);
  const chosen = faults.find(({ id }) => id === answer.faultId);
  // Of two signs of one motion either is a true answer.
  const named = chosen !== undefined && chosen.about === fault.about && isTrue(chosen, actual);
  const shown = named ? chosen : fault;
  const direction = directionOf(shown, actual);
  const says = (each: typeof fault, at: 'more' | 'less') => each[at];
  const sized = (value: number) => (fault.about.endsWith('Mm') ? `${Math.round(value)} mm` : `${value}°`);
  return scored([
    { id: 'fault', name: 'Fault', share: named ? 1 : 0, said: chosen?.name ?? answer.faultId, right: shown.name },
    {
      id: 'way',
      name: 'Which way',
      share: named && answer.direction === direction ? 1 : 0,
      said: chosen ? says(chosen, answer.direction) : answer.direction,
      right: says(shown, direction),
    },
    {
      id: 'amount',
      name: 'Correction',
      share: named ? graded(Math.abs(answer.amount - amount) / amount, WITHIN.amount) : 0,
      said: sized(answer.amount),
      right: motionWords(ideal, fault.about, -scenario.positioningError[fault.about]),
    },
  ]);
}

function scoreTurns(
  scenario: Extract<Scenario, { kind: 'fewest turns' }>,
  { order }: AnswerTo<'fewest turns'>,
  room: Room,
): Score {
  const { items, of } = scenario;
  const sound =
    order.length === items.length && new Set(order).size === items.length && Math.max(...order) < items.length;
  if (!sound)
    throw new RangeError(`the order must name each of the ${items.length} projections once, got ${order.join(', ')}`);
  const request = { patient: of.patient, situation: of.situation, room, items };
  const best = planSeries(request);
  const done = planSeries({ ...request, order });
  const words = (each: readonly number[]) => each.map((i) => projectionOf(items[i].projectionId).name).join(', ');
  const turns = (count: number) => (count === 1 ? '1 turn' : `${count} turns`);
  const more = done.effort.points - best.effort.points;
  return scored([
    {
      id: 'turns',
      name: 'Turns of the patient',
      share: graded(done.effort.turns - best.effort.turns, [0, 1]),
      said: turns(done.effort.turns),
      right: `${turns(best.effort.turns)}: ${words(best.order)}`,
    },
    {
      id: 'work',
      name: 'Work',
      share: graded(more / Math.max(1, best.effort.points), [0.05, 0.25]),
      said: `${Math.round(done.effort.points)} points`,
      right: `${Math.round(best.effort.points)} points: ${words(best.order)}`,
    },
    {
      id: 'order',
      name: 'Nothing out of its order',
      share: done.broken.length === 0 ? 1 : 0,
      said: done.broken.join('. ') || 'kept',
      right: 'scouts before contrast, what must come first comes first',
    },
  ]);
}

/**
 * @throws RangeError for an answer that does not belong to the exercise
 */
export function scoreExercise(scenario: Scenario, answer: ExerciseAnswer, room: Room, unit: LengthUnit = 'cm'): Score {
  if (scenario.kind === 'set it up' && answer.kind === 'set it up') return scoreSetUp(scenario, answer, room, unit);
  if (scenario.kind === 'spot the fault' && answer.kind === 'spot the fault') return scoreSpot(scenario, answer, room);
  if (scenario.kind === 'fewest turns' && answer.kind === 'fewest turns') return scoreTurns(scenario, answer, room);
  if (scenario.kind === 'which view' && answer.kind === 'which view') {
    const right = projectionOf(scenario.of.projectionId);
    return scored([
      {
        id: 'view',
        name: 'View',
        share: answer.projectionId === right.id ? 1 : 0,
        said: projectionOf(answer.projectionId).name,
        right: `${right.name}: ${right.shows}`,
      },
    ]);
  }
  throw new RangeError(`an answer to "${answer.kind}" does not belong to an exercise of "${scenario.kind}"`);
}
