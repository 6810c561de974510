/**
 * The lead marker of a set-up: which letter, which signs, and where in the light - all from the patient as posed and
 * placed, so that it holds for every side and for every way that was found.
 */
import { applyToDirection } from '../../geometry/frame';
import { dot, subtract, type Vec3 } from '../../geometry/vector';
import type { Projection } from '../../projections/schema';
import type { View } from '../../projections/vocabulary';
import type { HouseRules } from '../../room/houseRules';
import type { AdaptedWay } from '../placing/adaptedWay';
import { marksOf } from '../placing/adaptedProjection';
import type { PlacedBody } from '../placing/place';
import { isOfArm, isOfLeg } from '../placing/placeAdapted';
import type { Letter, Marker, Setup, Side } from '../setup';
import type { SideView } from '../placing/side';

type Input = {
  projection: Projection;
  placed: PlacedBody;
  side: Side | null;
  view: SideView;
  adapted: AdaptedWay | null;
  facing: View;
  /** The ray enters the part in front or behind, and not along it. */
  frontal: boolean;
  /** Segment that the projection is of, on the asked side. */
  part: string;
  body: Setup['position']['body'];
  horizontal: boolean;
  /** Where the house has it laid. */
  marker: HouseRules['marker'];
  /** Course of the ray. */
  beam: Vec3;
  /** Corners of the light on the receptor, in order round from the lower corner against u. */
  corners: readonly Vec3[];
};

/** From the middle of the light to its edge: inside the light, out of the anatomy. */
const TO_EDGE = 0.84;
/** A direction of which less than this lies in the receptor is no place in the light. */
const IN_PLANE = 0.35;

const LETTER: Record<Side, Letter> = { left: 'L', right: 'R' };
const isSideways = (facing: View): boolean => facing === 'lateral' || facing === 'medial';

/** Lying on a side under a horizontal ray from front or back: the marker names the side that is up. */
const isDecubitus = ({ body, horizontal, facing }: Input): boolean =>
  body === 'lateral-recumbent' && horizontal && !isSideways(facing);

/** An entry whose side is the side that lies down, not the side that is examined. */
const sideLiesDown = ({ positions }: Projection): boolean =>
  positions[0].body === 'lateral-recumbent' && positions[0].beam === 'horizontal';

/** @returns the letters that are true of what is shown */
function lettersOf(input: Input, left: Vec3): Letter[] {
  const { projection, side, facing, beam } = input;
  if (projection.marker.both) return ['R', 'L'];
  const examined = projection.sided === 'each' && side !== null && !sideLiesDown(projection);
  if (examined) return [LETTER[side]];
  if (isDecubitus(input)) return [left[2] > 0 ? 'L' : 'R'];
  // Of a lateral the side that lies on the receptor: toward it runs the ray.
  if (isSideways(facing)) return [dot(beam, left) > 0 ? 'L' : 'R'];
  return [projection.marker.letter ?? 'R'];
}

type Toward = NonNullable<Projection['marker']['toward']>;
const WORDS: Record<Exclude<Toward, 'letter side'>, string> = {
  up: 'on the side up',
  front: 'anterior to the part',
  back: 'posterior to the part',
  lateral: 'on the lateral side',
  medial: 'on the medial side',
};
/** Of the hand the sides have names of their own. */
const HAND_WORDS: Partial<typeof WORDS> = {
  lateral: 'on the radial side',
  medial: 'on the ulnar side',
  front: 'on the palmar side',
  back: 'on the dorsal side',
};
const wordsOf = (toward: Toward, letter: Letter, { region }: Projection): string =>
  toward === 'letter side'
    ? `on the patient’s ${letter === 'L' ? 'left' : 'right'}`
    : (region === 'hand and wrist' && HAND_WORDS[toward]) || WORDS[toward];

/** Ways in which the marker could lie off the part, the wanted one first; each with its direction in the room. */
function directions(input: Input, letter: Letter): [Toward, Vec3][] {
  const { projection, placed, part } = input;
  const limb = (isOfArm(part) || isOfLeg(part)) && !projection.marker.both;
  const own: Toward =
    projection.marker.toward ?? (limb ? 'lateral' : isSideways(input.facing) ? 'front' : 'letter side');
  const frame = limb ? placed.posed.frames[part] : placed.posed.place;
  const outward = letter === 'L' ? 1 : -1;
  const axis: Record<Exclude<Toward, 'up'>, Vec3> = {
    'letter side': [outward, 0, 0],
    lateral: [outward, 0, 0],
    medial: [-outward, 0, 0],
    front: [0, -1, 0],
    back: [0, 1, 0],
  };
  const first: Toward = projection.marker.both
    ? 'letter side'
    : isDecubitus(input) && !limb
      ? 'up'
      : own === 'up' && !isDecubitus(input)
        ? 'letter side'
        : own;
  const fallback: Toward[] = ['letter side', 'front', 'lateral', 'back'];
  return [...new Set([first, ...fallback])].map((toward) => [
    toward,
    toward === 'up' ? [0, 0, 1] : applyToDirection(frame, axis[toward]),
  ]);
}

const unitOf = (from: Vec3, to: Vec3): Vec3 => {
  const d = subtract(to, from);
  const size = Math.hypot(...d) || 1;
  return [d[0] / size, d[1] / size, d[2] / size];
};

/** Where one letter lies in the light, and which way off the part that is. */
function spotOf(input: Input, letter: Letter): { spot: Marker['spots'][number]; toward: Toward } {
  const [low, right, , up] = input.corners;
  const [u, v] = [unitOf(low, right), unitOf(low, up)];
  const inField = directions(input, letter).map(([toward, d]) => ({ toward, across: dot(d, u), up: dot(d, v) }));
  const {
    toward,
    across,
    up: along,
  } = inField.find((each) => Math.hypot(each.across, each.up) >= IN_PLANE) ?? inField[0];
  const usual = input.projection.marker.row === 'lower' ? -TO_EDGE : TO_EDGE;
  // In a long, narrow field the row may lead further to the other side than the edge leads to its own.
  const [width, height] = [right, up].map((to) => Math.hypot(...subtract(to, low))) as [number, number];
  const row = Math.abs(across) * width + along * Math.sign(usual) * height > 0 ? usual : -usual;
  const spot =
    Math.abs(across) >= Math.abs(along)
      ? { letter, across: Math.sign(across || 1) * TO_EDGE, up: row }
      : { letter, across: TO_EDGE, up: Math.sign(along) * TO_EDGE };
  return { spot, toward };
}

const LIES = new Set(['supine', 'prone', 'lateral-recumbent', 'sims', 'head-down']);
const ERECT = new Set(['upright', 'seated']);

/** Signs of the entry that are true of the patient as posed, and those that the position itself asks for. */
function signsOf(input: Input, left: Vec3): string[] {
  const { projection, body, horizontal, adapted, facing, frontal } = input;
  const holds: Record<string, boolean> = {
    upright: ERECT.has(body),
    'weight-bearing': body === 'upright',
    'arrow up': horizontal,
    AP: facing === 'AP',
    kneeling: body === 'kneeling',
  };
  const own = projection.marker.extra.filter((sign) => holds[sign] ?? true);
  const down = left[2] > 0 ? 'right' : 'left';
  const lying =
    !horizontal || !LIES.has(body)
      ? []
      : ['arrow up', ...(body === 'lateral-recumbent' ? [`${down} side down`] : adapted ? ['cross-table'] : [])];
  return [
    ...new Set([
      ...own,
      ...(adapted ? marksOf({ ...adapted, reversed: adapted.reversed && frontal }, facing) : []),
      ...lying,
    ]),
  ];
}

/** A marker beside a limb lies where the projection leaves room for it; an entry names the side only in front or behind. */
const sideIsComputed = ({ part, projection: { marker } }: Input): boolean =>
  (isOfArm(part) || isOfLeg(part)) && !marker.both && marker.toward !== 'front' && marker.toward !== 'back';

/** Where the house has the marker laid. */
const LAID: Readonly<Record<HouseRules['marker'], string>> = {
  receptor: '',
  table: 'on the table or the patient, ',
  software: '',
};

/** @returns letter, signs and place, none of which can disagree with how the patient lies */
export function markerOf(input: Input): Marker {
  const { projection, placed, adapted } = input;
  const left = applyToDirection(placed.posed.place, [1, 0, 0]);
  const letters = lettersOf(input, left);
  const found = letters.map((letter) => spotOf(input, letter));
  const where = letters.length > 1 ? 'each on its own side' : wordsOf(found[0].toward, letters[0], projection);
  // How the entry's own position has it helps nobody who is in another.
  const at = adapted
    ? `${projection.marker.row ?? 'upper'} edge of the field, ${where}`
    : found[0].toward === 'letter side' || sideIsComputed(input)
      ? `${projection.marker.place}, ${where}`
      : projection.marker.place;
  const place = `${LAID[input.marker]}${at}`;
  // Set in software nothing of lead lies in the light.
  const spots = input.marker === 'software' ? [] : found.map(({ spot }) => spot);
  return { letter: letters[0], letters, place, extra: signsOf(input, left), spots };
}
