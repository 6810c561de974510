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
import { toDegrees } from '../../quantity/angle';
import type { Positioning, Projection } from '../../projections/schema';
import type { HolderKind, View } from '../../projections/vocabulary';
import type { AdaptedWay } from './adaptedWay';
import type { PlacedBody } from './place';
import { isOfArm, isOfHead, isOfLeg, standsOnLimb } from './placeAdapted';
import { positionName } from '../../room/position';
import { problem, type Problem } from '../problem';
import type { Setup, Side } from '../setup';
import { posedJoints } from './posedJoints';
import type { LooseReceptor, RaisedArms, WayPosition } from '../../words/positionWords';

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
    ray: { ...ray, receptorSquare: adapted.holder === 'stand', receptorBeyondMm: undefined },
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

/** From here on an arm is raised, and from there over the head, degrees of the shoulder. */
const RAISED_DEG = 80;
const OVERHEAD_DEG = 120;

/** Arms that are raised, but for one that is laid on the table beside one who sits, and whether over the head. */
function armsOf(
  pose: Pose,
  part: string,
  position: AdaptedWay['position'],
): { raised: RaisedArms | null; overhead: boolean } {
  const angles = eachSide(pose);
  const height = (letter: 'L' | 'R'): number =>
    Math.max(angles.get(`shoulderFlexion_${letter}`) ?? 0, angles.get(`shoulderAbduction_${letter}`) ?? 0);
  const raised = (['L', 'R'] as const).filter(
    (letter) => height(letter) > RAISED_DEG && !(position === 'seated' && isOfArm(part) && part.endsWith(`_${letter}`)),
  );
  const [first, other] = raised;
  if (!first) return { raised: null, overhead: false };
  return {
    raised: other ? 'both' : first === 'L' ? 'left' : 'right',
    overhead: Math.min(...raised.map(height)) > OVERHEAD_DEG,
  };
}

/** What carries the receptor, or what a loose one leans on or lies under. */
function receptorOf(projection: Projection, adapted: AdaptedWay, part: string): LooseReceptor | HolderKind {
  const { beam, holder, onStool } = adapted;
  if (standsOnLimb(projection, adapted, part)) return 'on-limb';
  if (beam === 'rest') return isOfHead(part) ? 'behind-head' : 'behind-back';
  if (holder === 'stand') return onStool && beam === 'down' ? 'on-stool' : 'beside';
  return holder === 'table-top' || holder === 'bed' ? 'under' : holder;
}

/** From here on the other leg is told to be moved out of the way. */
const ASIDE_DEG = 20;
const isAside = (pose: Pose, part: string): boolean =>
  (eachSide(pose).get(part.endsWith('_R') ? 'hipAbduction_L' : 'hipAbduction_R') ?? 0) > ASIDE_DEG;

/** How the patient lies in a found way, as values. @param part segment that is shown */
export function wayPosition(
  adapted: AdaptedWay,
  part: string,
  done: { projection: Projection; oblique: ObliquePosition | null; placed: PlacedBody; tube: Setup['tube'] },
): WayPosition {
  const { projection, oblique, placed, tube } = done;
  const { position, on, backRestDeg, beam, asItLies, half, onStool } = adapted;
  const posed = asItLies ? [] : posedJoints(placed.pose, part);
  return {
    ...armsOf(placed.pose, part, position),
    ...{ beam, asItLies },
    body: position,
    on: on ?? null,
    backRestDeg: backRestDeg ?? null,
    obliqueDeg: oblique?.deg ?? null,
    obliqueName: oblique?.name ?? null,
    onStool: onStool ?? false,
    posed: posed.map(({ movement }) => movement),
    posedDeg: posed.map(({ deg }) => deg),
    half: half ?? null,
    otherLegAside: isOfLeg(part) && isAside(placed.pose, part),
    receptor: receptorOf(projection, adapted, part),
    ...{ tiltDeg: tube.angleDeg, tiltToward: tube.angleSays },
    ...{ acrossDeg: tube.acrossDeg, acrossToward: tube.acrossSays },
  };
}

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

/** Whether one of the segments lies on the way to one of the points, short of the receptor. */
const liesBefore = (
  { posed }: PlacedBody,
  focal: Vec3<InRoom>,
  hit: Vec3<InRoom>,
  shown: readonly Vec3<InRoom>[],
  segments: readonly string[],
): boolean =>
  shown.some((point) => {
    const course = normalize(subtract(point, focal));
    const met = crossSkin(posed, focal, course, segments);
    if (!met) return false;
    const at = dot(subtract(met.entry, focal), course);
    return at > 0 && at < dot(subtract(hit, focal), course);
  });

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
    return liesBefore(placed, focal, hit, shown, segments);
  });
  return found.map(({ says }) => problem('in-the-way', { what: 'limb', says }));
}

/** The head of one who does not lean it away, over a shoulder that is shown from above. */
export function headInBeam(
  placed: PlacedBody,
  focal: Vec3<InRoom>,
  hit: Vec3<InRoom>,
  shown: readonly Vec3<InRoom>[],
  part: string,
): Problem[] {
  if (!/^(scapula|clavicle|upperarm)_/.test(part)) return [];
  return liesBefore(placed, focal, hit, shown, ['head', 'mandible'])
    ? [problem('in-the-way', { what: 'head', says: '' })]
    : [];
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
const BELOW_KNEE = /^(shank|talus|foot|toes)_/;
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
  // Where the ray leaves the limb within the trunk, an arm that lies on it or a leg drawn up to it, that is in its picture.
  const clearOfTrunk = (isOfArm(part) && !onChest) || BELOW_KNEE.test(part);
  if (rest && clearOfTrunk && between(0, end, rest) > GRAZE_MM) return blocked('behind');
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

/** How a patient is in another way, as it stands in a name. */
function positionInName({ position, on, beam }: AdaptedWay): string {
  if (position === 'lateral-recumbent')
    return `${on ?? ''} lateral ${beam === 'level' ? 'decubitus' : 'recumbent'}`.trim();
  if (position === 'seated') return 'seated';
  return beam === 'level' && position === 'supine' ? 'supine, cross-table' : positionName(position);
}

/** The name of an entry, with the position that it says replaced where the patient is in another. */
function calledIn({ name, nameSaysPosition, positions }: Projection, adapted: AdaptedWay | null): string {
  if (!adapted || !nameSaysPosition) return name;
  const [own] = positions;
  const isOwn = adapted.position === own.body && (own.on === undefined || own.on === adapted.on);
  const level = own.beam === 'horizontal' || own.body === 'upright';
  if (isOwn && level === (adapted.beam === 'level')) return name;
  return `${name.replace(nameSaysPosition, '')}, ${positionInName(adapted)}`;
}

/**
 * Name of a set-up: the entry with the oblique position or the decubitus that it really is, its side, and the way round
 * where it is the other one.
 * @param frontal the ray enters the part in front or behind, and not along it
 */
export function nameOf(
  projection: Projection,
  side: Side | null,
  adapted: AdaptedWay | null,
  oblique: ObliquePosition | null,
  frontal: boolean,
): string {
  const named = calledIn(projection, adapted).replace(EITHER_OBLIQUE, oblique ? ` (${oblique.name})` : '');
  const decubitus = side !== null && named.endsWith(EITHER_DECUBITUS);
  return [
    decubitus ? named.replace(EITHER_DECUBITUS, `, ${side} lateral decubitus`) : named,
    ...(projection.sided === 'each' && !decubitus ? [side] : []),
    ...(adapted?.reversed && frontal && /^(AP|PA)$/.test(projection.ray.view)
      ? [`taken ${viewOf(projection, adapted)}`]
      : []),
  ].join(', ');
}
