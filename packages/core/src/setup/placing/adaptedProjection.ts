/** An entry done in another way: its ray turned round where it is reversed, how it is said, marked, and what is in the way. */
import { eachSide, type Pose } from '../../body/joints';
import { withBranches } from '../../body/mannequin';
import { crossSkin, posedMark, skinSpans, type SkinCrossing } from '../../body/posed';
import { applyToDirection, intoFrame } from '../../geometry/frame';
import {
  dot,
  length,
  normalize,
  subtract,
  type InPatient,
  type InRoom,
  type InSegment,
  type Vec3,
} from '../../geometry/vector';
import { formatAngle, toDegrees } from '../../quantity/angle';
import { capitalize } from '../../quantity/text';
import type { Positioning, Projection } from '../../projections/schema';
import type { View } from '../../projections/vocabulary';
import { positionName } from '../../room/position';
import type { AdaptedWay } from './adaptedWay';
import type { PlacedBody } from './place';
import { isOfArm, isOfHead } from './placeAdapted';
import { problem, type Problem } from '../problem';
import type { Side } from '../setup';
import { atHolder } from '../../words/names';

const OPPOSITE: Record<View, View> = {
  AP: 'PA',
  PA: 'AP',
  lateral: 'medial',
  medial: 'lateral',
  up: 'down',
  down: 'up',
};
const OTHER_END = { enter: 'exit', exit: 'enter', through: 'through' } as const;

/** Course of the ray as it is called: the other one where it is reversed. */
export const viewOf = ({ ray }: Pick<Projection, 'ray'>, adapted: AdaptedWay): View =>
  adapted.reversed ? OPPOSITE[ray.view] : ray.view;

/** Course of the ray of an entry’s own position: face up it comes from in front, face down from behind. */
export function facingOf({ ray }: Pick<Projection, 'ray'>, positioning: Positioning): View {
  const flat = positioning.beam !== 'horizontal' && !positioning.partFrame && (ray.view === 'AP' || ray.view === 'PA');
  if (!flat) return ray.view;
  return positioning.body === 'supine' ? 'AP' : positioning.body === 'prone' ? 'PA' : ray.view;
}

/** The entry as the way has it: entry and exit change places where the ray is reversed, a loose receptor follows it. */
export function adaptProjection(projection: Projection, adapted: AdaptedWay): Projection {
  const { ray, aim } = projection;
  return {
    ...projection,
    ray: { ...ray, receptorSquare: adapted.holder === 'stand' },
    aim: adapted.reversed ? { ...aim, point: OTHER_END[aim.point] } : aim,
  };
}

/** Course of the ray in the axes of the part, to compare with the one that is wanted. */
export const rayInPart = (
  placed: PlacedBody,
  direction: Vec3<InRoom>,
  segment: string,
): { segment: string; ray: Vec3<InSegment> } => ({
  segment,
  ray: intoFrame(placed.posed.frames[segment], direction),
});

const COURSE: Record<AdaptedWay['beam'], string> = {
  down: 'vertical beam',
  level: 'horizontal beam',
  rest: 'beam perpendicular to the back rest',
};
const FROM: Record<AdaptedWay['beam'], string> = {
  down: 'tube above',
  level: 'tube at the side',
  rest: 'tube in front of the back rest',
};

/** From here on an arm is raised, and from there over the head, degrees of the shoulder. */
const RAISED_DEG = 80;
const OVERHEAD_DEG = 120;

/** How high each arm is, but for one that is laid on the table beside one who sits: "arms raised over the head", "left arm raised to a right angle"; empty for neither. */
export function armsOf(pose: Pose, part: string, position: AdaptedWay['position']): string {
  const angles = eachSide(pose);
  const height = (letter: 'L' | 'R'): number =>
    Math.max(angles.get(`shoulderFlexion_${letter}`) ?? 0, angles.get(`shoulderAbduction_${letter}`) ?? 0);
  const raised = (['L', 'R'] as const).filter(
    (letter) => height(letter) > RAISED_DEG && !(position === 'seated' && isOfArm(part) && part.endsWith(`_${letter}`)),
  );
  const [first] = raised;
  if (!first) return '';
  const who = raised.length === 2 ? 'arms' : first === 'L' ? 'left arm' : 'right arm';
  const least = Math.min(...raised.map(height));
  return `, ${who} raised ${least > OVERHEAD_DEG ? 'over the head' : 'to a right angle'}`;
}

/** The way in one line, for a person. @param part segment that is shown; @param arms as of `armsOf`; @param tilts as of `tiltWords` */
export function describeWay(
  adapted: AdaptedWay,
  part: string,
  oblique: ObliquePosition | null,
  arms: string,
  tilts: string,
): string {
  const { position, on, backRestDeg, beam, holder, asItLies, half, onStool } = adapted;
  const where =
    position === 'lateral-recumbent' && on
      ? `${on} lateral ${beam === 'level' ? 'decubitus' : 'recumbent'}`
      : position === 'semi-erect'
        ? `semi-erect, back rest at ${formatAngle(backRestDeg ?? 0)}`
        : positionName(position).replace(' at the table', '');
  // A beam that is tilted is no longer horizontal or vertical.
  const course = tilts ? `${FROM[beam]}, CR ${tilts}` : COURSE[beam];
  const plate =
    beam === 'rest'
      ? `receptor between ${isOfHead(part) ? 'head' : 'back'} and back rest`
      : holder === 'stand'
        ? onStool && beam === 'down'
          ? 'receptor on the stool, under the part'
          : 'receptor upright beside the part'
        : holder === 'table-top' || holder === 'bed'
          ? 'receptor under the part'
          : `receptor ${atHolder(holder)}`;
  const lies = (onStool ? ', leg extended on a stool' : '') + (asItLies ? ', part as it lies' : '');
  const shown = half ? `, ${HALF_WORDS[half]}` : '';
  const rotated = oblique ? `, body rotated ${oblique.deg}° to the ${oblique.name} position` : '';
  return `${capitalize(where)}${rotated}${lies}${arms}${shown}; ${course}; ${plate}`;
}

const HALF_WORDS = {
  upper: 'the proximal half along the receptor',
  lower: 'the distal half along the receptor',
  between: 'both halves equally off the receptor',
} as const;

/** What must be written on the picture so that it is read right. */
export function marksOf({ position, beam, backRestDeg, reversed, on }: AdaptedWay, view: View): string[] {
  const marks: string[] = [];
  if (reversed && (view === 'AP' || view === 'PA')) marks.push(view);
  if (position === 'supine' || position === 'prone') marks.push(position);
  if (position === 'semi-erect') marks.push(`semi-erect ${backRestDeg ?? 0}°`);
  if (position === 'seated') marks.push('seated');
  if (position === 'lateral-recumbent' && beam === 'level') marks.push(...(on ? [`${on} side down`] : []), 'arrow up');
  else if (beam === 'level' && (position === 'supine' || position === 'prone')) marks.push('cross-table', 'arrow up');
  return marks;
}

/**
 * Parts of the other limb, or an arm, that lie between the focal spot and what must be shown.
 * @param shown points that the light must reach; @param of side of a view that is of one side
 */
export function obstructions(
  placed: PlacedBody,
  focal: Vec3<InRoom>,
  hit: Vec3<InRoom>,
  shown: readonly Vec3<InRoom>[],
  own: readonly string[] | undefined,
  of: Side | null,
): Problem[] {
  const found = LIMBS.filter(({ side, segments: all, near }) => {
    if (own && all.some((each) => own.includes(each))) return false;
    // Of a picture of the trunk the roots of the limbs are a part; of one hip or flank the other thigh is not.
    const segments = own || (of !== null && of !== side) ? all : all.filter((each) => each !== near);
    return shown.some((point) => {
      const course = normalize(subtract(point, focal));
      const met = crossSkin(placed.posed, focal, course, segments);
      if (!met) return false;
      const at = dot(subtract(met.entry, focal), course);
      return at > 0 && at < dot(subtract(hit, focal), course);
    });
  });
  return found.map(({ says }) => problem('in-the-way', { what: 'limb', says }));
}
/** Shoulder girdle, and the half of the humerus that is nearer the shoulder than the elbow. */
function isOnChest({ posed }: PlacedBody, part: string, at: Vec3<InRoom>): boolean {
  if (/^(scapula|clavicle)_/.test(part)) return true;
  if (!part.startsWith('upperarm_')) return false;
  const away = (joint: string): number => length(subtract(posedMark(posed, `${joint}_${part.slice(-1)}`).p, at));
  return away('glenohumeral_centre') < away('elbow_centre');
}
/** Body beside the part that the central ray may graze: skin of the model is that coarse. */
const GRAZE_MM = 30;
/** Room that a tube takes behind its focal spot. */
const TUBE_MM = 150;
/** A limb is crossed, not run through lengthwise: no view crosses more of one [model: thigh of the largest adult]. */
const MOST_OF_A_LIMB_MM = 300;

/**
 * The whole way of the central ray of a found way, from behind the focal spot to the receptor, against the whole body.
 * @param own segments that the view is of; undefined for a view of the trunk
 * @param part the one of them that is judged
 */
export function rayBlocked(
  placed: PlacedBody,
  { focal, hit, crossing, aim }: { focal: Vec3<InRoom>; hit: Vec3<InRoom>; crossing: SkinCrossing; aim: Vec3<InRoom> },
  own: readonly string[] | undefined,
  part: string,
): Problem[] {
  const course = normalize(subtract(hit, focal));
  const along = (p: Vec3<InRoom>) => dot(subtract(p, focal), course);
  const [entry, exit, end] = [along(crossing.entry), along(crossing.exit), along(hit)];
  // Shoulder girdle and chest wall lie on each other: there the ray passes both.
  const onChest = isOnChest(placed, part, aim);
  const rest =
    own && Object.keys(placed.posed.body.segments).filter((id) => !own.includes(id) && !(id === 'thorax' && onChest));
  const between = (from: number, to: number, segments?: readonly string[]) =>
    skinSpans(placed.posed, focal, course, segments).reduce(
      (sum, [near, far]) => sum + Math.max(0, Math.min(far, to) - Math.max(near, from)),
      0,
    );
  const blocked = (what: 'tube' | 'before' | 'behind' | 'lengthwise') => [problem('in-the-way', { what, says: '' })];
  if (between(-TUBE_MM, 0) > 0) return blocked('tube');
  if (rest && between(0, entry, rest) > GRAZE_MM) return blocked('before');
  if (rest && between(exit, end, rest) > GRAZE_MM) return blocked('behind');
  // An arm that lies on the trunk, but for its root, has it in its picture.
  if (rest && isOfArm(part) && !onChest && between(0, end, rest) > GRAZE_MM) return blocked('behind');
  if (rest && exit - entry > MOST_OF_A_LIMB_MM && !own.includes('head')) return blocked('lengthwise');
  return [];
}

const LIMBS = (['left', 'right'] as const).flatMap((side) => {
  const s = side === 'left' ? 'L' : 'R';
  return [
    {
      side,
      says: `${side} arm`,
      segments: [`upperarm_${s}`, ...withBranches(`forearm_${s}`), ...withBranches(`hand_${s}`)],
      near: `upperarm_${s}`,
    },
    { side, says: `${side} leg`, segments: [`thigh_${s}`, `shank_${s}`, `foot_${s}`], near: `thigh_${s}` },
  ];
});

/** Body rotated against the receptor by more than this is in an oblique position. */
const OBLIQUE_DEG = 8;
export type ObliquePosition = { name: string; deg: number };

/**
 * Which surface and side of the body lie nearest the receptor, as the position is called, and by how much the body is
 * rotated; null where it is not: a tube that is angled across one who lies flat makes no oblique position.
 */
export function obliquePosition({ posed, placement }: PlacedBody, adapted: AdaptedWay | null): ObliquePosition | null {
  if (adapted && placement.lies) return null;
  const toward = (axis: Vec3<InPatient>): number => dot(applyToDirection(posed.place, axis), placement.beam);
  const [left, back] = [toward([1, 0, 0]), toward([0, 1, 0])];
  const deg = Math.round(toDegrees(Math.atan2(Math.abs(left), Math.abs(back))));
  if (deg < OBLIQUE_DEG || deg > 90 - OBLIQUE_DEG) return null;
  return { name: `${left > 0 ? 'L' : 'R'}${back > 0 ? 'PO' : 'AO'}`, deg };
}
/** How the body is rotated to the receptor in a found way: of a limb it does not matter. */
export const trunkOblique = (
  { region }: Projection,
  placed: PlacedBody,
  adapted: AdaptedWay,
): ObliquePosition | null => (LIMB_REGIONS.has(region) ? null : obliquePosition(placed, adapted));
const LIMB_REGIONS: ReadonlySet<Projection['region']> = new Set([
  'hand and wrist',
  'forearm, elbow, humerus',
  'foot and ankle',
  'leg and knee',
]);

/** As entries of either side are called in a list. */
const EITHER_OBLIQUE = / \((RPO or LPO|RAO or LAO|[LR][AP]O)\)/;
const EITHER_DECUBITUS = ', lateral decubitus';

/**
 * Name of a set-up: the entry with the oblique position or the decubitus that it really is, its side, and the way round
 * where it is the other one.
 */
export function nameOf(
  projection: Projection,
  side: Side | null,
  adapted: AdaptedWay | null,
  oblique: ObliquePosition | null,
): string {
  const named = projection.name.replace(EITHER_OBLIQUE, oblique ? ` (${oblique.name})` : '');
  const decubitus = !adapted && side !== null && named.endsWith(EITHER_DECUBITUS);
  return [
    decubitus ? named.replace(EITHER_DECUBITUS, `, ${side} lateral decubitus`) : named,
    ...(projection.sided === 'each' && !decubitus ? [side] : []),
    ...(adapted?.reversed && /^(AP|PA)$/.test(projection.ray.view) ? [`taken ${viewOf(projection, adapted)}`] : []),
  ].join(', ');
}
