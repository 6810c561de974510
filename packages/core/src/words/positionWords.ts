/** How a patient lies in another way, in one line: where, turned how far, what of the arms; the tube; the receptor. */
import type { Movement } from '../body/joints';
import type { BodyPosition, HolderKind } from '../projections/vocabulary';
import { formatAngle } from '../quantity/angle';
import { capitalize } from '../quantity/text';
import { positionName } from '../room/position';
import { tilt } from './changeWords';
import { atHolder } from './names';
import { posedWords } from './poseWords';

const COURSE = {
  down: 'vertical beam',
  level: 'horizontal beam',
  rest: 'beam perpendicular to the back rest',
} as const;
const FROM = {
  down: 'tube above',
  level: 'tube at the side',
  rest: 'tube in front of the back rest',
} as const;

const HALVES = {
  upper: 'the proximal half along the receptor',
  lower: 'the distal half along the receptor',
  between: 'both halves equally off the receptor',
} as const;

/** What a receptor that is in no holder leans on or lies under. */
const LOOSE = {
  'behind-head': 'receptor between head and back rest',
  'behind-back': 'receptor between back and back rest',
  'on-stool': 'receptor on the stool, under the part',
  beside: 'receptor upright beside the part',
  'on-limb': 'receptor upright on the thigh above the part, in the patient’s hands or strapped',
  under: 'receptor under the part',
} as const;
export type LooseReceptor = keyof typeof LOOSE;
const isLoose = (receptor: LooseReceptor | HolderKind): receptor is LooseReceptor => receptor in LOOSE;

const ARMS = { both: 'arms', left: 'left arm', right: 'right arm' } as const;
export type RaisedArms = keyof typeof ARMS;

export type WayPosition = {
  body: BodyPosition;
  /** What of the patient is beneath; null where the position says it. */
  on: string | null;
  backRestDeg: number | null;
  /** How far the body is rotated to the receptor, and what that is called; null for not. */
  obliqueDeg: number | null;
  obliqueName: string | null;
  onStool: boolean;
  asItLies: boolean;
  /** How the part is posed; nothing where it lies as it lies. */
  posed: readonly Movement[];
  /** By how many degrees, one for each. */
  posedDeg: readonly number[];
  otherLegAside: boolean;
  raised: RaisedArms | null;
  /** Raised further than to a right angle. */
  overhead: boolean;
  half: keyof typeof HALVES | null;
  beam: keyof typeof COURSE;
  receptor: LooseReceptor | HolderKind;
  tiltDeg: number;
  tiltToward: string | null;
  acrossDeg: number;
  acrossToward: string | null;
};

function bodyWords({ body, on, beam, backRestDeg }: WayPosition): string {
  if (body === 'lateral-recumbent' && on) return `${on} lateral ${beam === 'level' ? 'decubitus' : 'recumbent'}`;
  if (body === 'semi-erect') return `semi-erect, back rest at ${formatAngle(backRestDeg ?? 0)}`;
  return positionName(body).replace(' at the table', '');
}

const raisedTo = ({ body, overhead }: WayPosition): string =>
  overhead ? 'over the head' : body === 'supine' ? 'toward the ceiling' : 'to a right angle';

export const POSITION_WORDS = {
  'position-way': (way: WayPosition) => {
    const { obliqueDeg, obliqueName, onStool, asItLies, posed, posedDeg, raised, half, beam, receptor } = way;
    const tilts = tilt({
      deg: way.tiltDeg,
      toward: way.tiltToward,
      acrossDeg: way.acrossDeg,
      acrossToward: way.acrossToward,
    });
    const lies = [
      capitalize(bodyWords(way)),
      ...(obliqueDeg === null ? [] : [`body rotated ${formatAngle(obliqueDeg)} to the ${obliqueName} position`]),
      ...(onStool && !posed.includes('kneeFlexion') ? ['leg extended on a stool'] : []),
      ...(asItLies ? ['part as it lies'] : []),
      ...posedWords(posed, posedDeg),
      ...(way.otherLegAside ? ['the other leg out to the side'] : []),
      ...(raised ? [`${ARMS[raised]} raised ${raisedTo(way)}`] : []),
      ...(half ? [HALVES[half]] : []),
    ].join(', ');
    // A beam that is tilted is no longer horizontal or vertical.
    const course = tilts ? `${FROM[beam]}, CR ${tilts}` : COURSE[beam];
    return `${lies}; ${course}; ${isLoose(receptor) ? LOOSE[receptor] : `receptor ${atHolder(receptor)}`}`;
  },
} as const;
