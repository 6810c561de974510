/**
 * Body and room brought together: pose, position, contact, aim and the ray before anything is known of the receptor.
 */
import { adaptBody, type BodyAdapt } from '../../body/adapt';
import { landmarkOf, markOf, type Body } from '../../body/body';
import {
  addPoses,
  mirrorPose,
  poseWithin,
  rangeOf,
  type LimitedJoint,
  type JointLimits,
  type Pose,
} from '../../body/joints';
import { withBranches } from '../../body/mannequin';
import { poseBody } from '../../body/pose';
import { posesNamed } from '../../body/poses';
import {
  asPlace,
  crossSkin,
  furthestSkin,
  placeBody,
  posedLandmark,
  posedMark,
  ROOT_SEGMENT,
  skinSpans,
  slideBody,
  type PosedBody,
  type SkinCrossing,
} from '../../body/posed';
import { applyToDirection, compose, frameFromPairs, inverse, rotationAbout, type Frame } from '../../geometry/frame';
import {
  add,
  addScaled,
  cross,
  dot,
  midpoint,
  negate,
  normalize,
  scale,
  subtract,
  type InPatient,
  type InRoom,
  type InSegment,
  type Vec3,
} from '../../geometry/vector';
import { clamp, cosDeg, sinDeg, toDegrees } from '../../quantity/angle';
import type { Place, Positioning, Projection, Toward } from '../../projections/schema';
import type { Aspect, BodyPosition, HeadLine, PoseName, SupportedPart, View } from '../../projections/vocabulary';
import { frameOf, ROOM_DOWN, ROOM_HEAD, ROOM_UP } from '../../room/position';
import { restingReachMm } from '../../room/give';
import { restBody, seatUnder, type RestOptions, type Surface } from '../../room/rest';
import { isLying, stanceOf, type Stance } from '../../room/stance';
import { layLimb, onlyTurn } from './limb';
import { lungsAt } from './breath';
import { angleWays, relationOf, squared, TOWARD_AXIS } from './relation';
import type { Side } from '../setup';
import type { SideView } from './side';
import type { ChosenPositioning } from './positioning';

/** Front end of each line of the head. */
const LINE_ENDS: Record<HeadLine, string> = {
  OML: 'outer_canthus_L',
  IOML: 'infraorbital_margin_L',
  AML: 'acanthion',
  LML: 'occlusal_edge',
  MML: 'menton',
  GML: 'glabella',
  TML: 'occlusal_edge',
};
/** Where it begins. */
const startOf = (line: HeadLine): string => (line === 'TML' ? 'mastoid_tip_L' : 'EAM_L');

/** How far the chin goes up so that a line of the head makes the wanted angle with a receptor along the trunk. */
export function chinUpDeg({ headLine }: Projection, body: Body): number | null {
  if (!headLine) return null;
  const end = landmarkOf(body, LINE_ENDS[headLine.line]).p;
  const line = subtract(end, landmarkOf(body, startOf(headLine.line)).p);
  const slope = toDegrees(Math.atan2(line[2], -line[1]));
  // The receptor lies along the trunk: the line makes 90° − its slope with it.
  return 90 - headLine.toReceptorDeg - slope;
}

/** The nod shared between neck and head, as far as both go. */
export function nodPose(raise: number): Pose {
  const [headLow, headHigh] = rangeOf('headExtension');
  const [neckLow, neckHigh] = rangeOf('neckExtension');
  const headExtension = clamp(raise / 2, headLow, headHigh);
  return { headExtension, neckExtension: clamp(raise - headExtension, neckLow, neckHigh) };
}

const TRUNK = ['pelvis', 'lumbar', 'thorax'];

/**
 * Head and neck as the view asks; kept from sinking, where they must stay; or as they are, where they must stay and
 * are not what the view is of.
 */
export type NeckPosed = 'posed' | 'held' | 'as it is';

const withoutNeck = (pose: Pose): Pose =>
  Object.fromEntries(Object.entries(pose).filter(([motion]) => !/^(neck|head)/.test(motion))) as Pose;

/** Joints that stop the knees from being drawn up to lie steady: then both legs stay as they lie, out of the light. */
const steadiesNot = (names: readonly PoseName[], limits: JointLimits | undefined): LimitedJoint[] =>
  names.includes('knees-drawn-up')
    ? poseWithin(posesNamed(['knees-drawn-up']), limits).limited.filter(({ motion }) => LEG_BENDS.test(motion))
    : [];
const LEG_BENDS = /^(knee|hip)Flexion/;

export const SEAT_BEHIND_MM = 30;

/** Where the ray runs in the room, before any tube angle. */
export type Placement = {
  /** Course of the beam. */
  beam: Vec3<InRoom>;
  /** What lies up the receptor: the patient's head as a rule. */
  toHead: Vec3<InRoom>;
  /** The names of the two ways along it. */
  says: readonly [string, string];
  /** The patient lies on a table or bed, whichever way the beam runs. */
  lies: boolean;
  /** Where the patient stands, sits or lies is settled: set down at its height over the floor or the surface. */
  settled?: boolean;
  /** A point of the receptor's contact surface, where it is not the surface beneath. */
  touches?: Vec3<InRoom>;
  /** Direction of what the patient lies or leans on. */
  support?: Vec3<InRoom> | null;
  /** Names of the two ways across the receptor: along its u axis, and against. */
  acrossSays?: readonly [string, string];
};

export type PlacedBody = {
  posed: PosedBody<InRoom>;
  placement: Placement;
  pose: Pose;
  adapt: BodyAdapt;
  contact: string[];
  limited: LimitedJoint[];
  surfaces: Surface[];
};

const mirroredAspect = (aspect: Aspect, { mirrored }: SideView): Aspect =>
  mirrored && aspect === 'left' ? 'right' : mirrored && aspect === 'right' ? 'left' : aspect;

const ASPECT_OF_VIEW: Partial<Record<View, Aspect>> = { AP: 'back', PA: 'front', lateral: 'left', medial: 'right' };
const ASPECT_OF_POSITION: Partial<Record<BodyPosition, Aspect>> = {
  supine: 'back',
  prone: 'front',
  'lateral-recumbent': 'left',
};
const isFlat = (body: BodyPosition): boolean => body === 'supine' || body === 'prone';
const isSideways = (toward: Toward): toward is 'left' | 'right' | 'front' | 'back' =>
  toward !== 'head' && toward !== 'feet';

/** How a lying patient lies: what is beneath, and rolled from there by the turn of the view. */
function lyingStance(
  projection: Projection,
  positioning: ChosenPositioning,
  view: SideView,
  horizontal: boolean,
): Stance {
  const { ray } = projection;
  const byView = horizontal || positioning.partFrame ? undefined : ASPECT_OF_VIEW[ray.view];
  // On the back is on the back, whichever way round the view is usually taken.
  const own =
    positioning.on ??
    (isFlat(positioning.body) ? ASPECT_OF_POSITION[positioning.body] : byView) ??
    ASPECT_OF_POSITION[positioning.body] ??
    'back';
  const roll = byView && !positioning.on ? ray.swing.find(({ toward }) => isSideways(toward)) : undefined;
  return stanceOf({
    position: positioning.body,
    on: mirroredAspect(own, view),
    turn: roll && { toward: mirroredAspect(roll.toward as Aspect, view), degrees: roll.degrees },
    surfaceHeightMm: 0,
  });
}

/** Turned about the vertical. */
export function turnedInRoom(posed: PosedBody, pose: Pose, degrees: number): PosedBody {
  const place = compose(rotationAbout([0, 0, 0], ROOM_UP, degrees), posed.place);
  return placeBody(posed.body, poseBody(posed.body, pose), place);
}

export const headingDeg = (v: Vec3): number => toDegrees(Math.atan2(v[1], v[0]));

const hasHorizontalBeam = (positioning: Positioning): boolean =>
  positioning.beam ? positioning.beam === 'horizontal' : positioning.body === 'upright';

/**
 * The patient posed and set down, with the receptor's contact surface at 0 along the beam: lying ones by what they
 * rest on, the others by the segments that the entry lays on the holder.
 */
export function placePatient(
  projection: Projection,
  positioning: ChosenPositioning,
  patient: Body,
  view: SideView,
  {
    girth,
    limits,
    boardMm,
    neck = 'posed',
    knees = 'at rest',
  }: { girth: BodyAdapt['girth']; limits?: JointLimits; boardMm?: number; neck?: NeckPosed } & Pick<
    RestOptions,
    'knees'
  >,
): PlacedBody {
  const lies = isLying(positioning.body);
  const horizontal = hasHorizontalBeam(positioning);
  const adapt: BodyAdapt = {
    state: { rest: lies ? 'lying' : 'standing', breath: lungsAt(projection.breathing) },
    girth,
  };
  const body = adaptBody(patient, adapt);
  const entryPoses = positioning.poseAlone ? positioning.pose : [...projection.pose, ...positioning.pose];
  const unsteady = steadiesNot(entryPoses, limits);
  const names = unsteady.length > 0 ? entryPoses.filter((name) => name !== 'knees-drawn-up') : entryPoses;
  const sitting = positioning.body === 'seated' ? (['sitting', 'sitting-other-arm'] as const) : [];
  const kneeling = positioning.body === 'kneeling' ? (['kneeling'] as const) : [];
  // Who only sits for an erect view bends hips and knees as far as they go: that is no part of the view.
  const onSeat = positioning.sitsOn ? poseWithin(posesNamed(['sitting']), limits).pose : {};
  const named = addPoses(
    onSeat,
    posesNamed([...sitting, ...kneeling, ...names]),
    ...(positioning.poseAlone ? [] : [projection.joints as Pose, positioning.joints as Pose]),
  );
  const chin = chinUpDeg(projection, body);
  const everything = addPoses(view.mirrored ? mirrorPose(named) : named, chin === null ? {} : nodPose(chin));
  const asked = neck === 'as it is' ? withoutNeck(everything) : everything;
  const relation = relationOf(projection, view, body);
  const says = angleWays(projection);
  const contact = positioning.contact.flatMap((segment) => withBranches(view.name(segment)));
  const part = positioning.partFrame && view.name(positioning.partFrame);
  const set = (
    posed: PosedBody,
    placement: Pick<Placement, 'beam' | 'toHead'>,
    rest: Pick<PlacedBody, 'pose' | 'limited' | 'surfaces'>,
  ): PlacedBody => {
    // Who lies is at rest already, and only what reaches deeper than the trunk lifts the body further.
    const rested = lies && !horizontal && !part;
    const reachMm = rested
      ? Math.max(0, restingReachMm(posed, placement.beam, contact))
      : horizontal && !lies
        ? restingReachMm(posed, placement.beam, contact, 'wall')
        : furthestSkin(posed, placement.beam, contact).reachMm;
    const slid = slideBody(posed, scale(placement.beam, -reachMm));
    return { posed: slid, placement: { ...placement, says, lies }, adapt, contact, ...rest };
  };
  /** Part axes to room: the ray down (or level), what is up the receptor along the table (or upward). */
  const laidOn = frameFromPairs<InSegment, InRoom>(
    relation.up,
    relation.ray,
    horizontal && !lies ? ROOM_UP : ROOM_HEAD,
    horizontal && !lies ? ROOM_HEAD : ROOM_DOWN,
  );

  if (lies) {
    const stance = { ...lyingStance(projection, positioning, view, horizontal), boardMm: boardMm ?? 0 };
    const target = part && !horizontal ? layLimb(body, asked, part, laidOn, frameOf(stance), true, limits).pose : asked;
    const laidParts = positioning.supported.map((each) => view.name(each) as SupportedPart);
    const supportedParts: SupportedPart[] =
      positioning.poseAlone || projection.headLine || neck !== 'posed' ? [...laidParts, 'head'] : laidParts;
    // A line of the head says how it is turned, not how high it lies.
    const headTurn = projection.headLine && neck === 'posed' && !positioning.poseAlone ? 'kept' : 'free';
    const rested = restBody(body, stance, target, supportedParts, { limits, headTurn, knees });
    const rest = {
      pose: rested.pose,
      limited: [...rested.limited, ...unsteady],
      surfaces: rested.surfaces.filter(({ kind }) => kind === 'sponge' || kind === 'board'),
    };
    if (!horizontal && !part) return set(rested.posed, { beam: ROOM_DOWN, toHead: ROOM_HEAD }, rest);
    const course = applyToDirection(rested.posed.frames[part ?? ROOT_SEGMENT], horizontal ? relation.ray : relation.up);
    const posed = turnedInRoom(rested.posed, rested.pose, -headingDeg(course));
    if (!horizontal) return set(posed, { beam: ROOM_DOWN, toHead: ROOM_HEAD }, rest);
    const up = applyToDirection(posed.frames[part ?? ROOT_SEGMENT], relation.up);
    return set(posed, { beam: ROOM_HEAD, toHead: squared(up, ROOM_HEAD) }, rest);
  }

  const trunkOn = positioning.body === 'seated' || positioning.body === 'kneeling' ? UPRIGHT_FRAME : asPlace(laidOn);
  const laid = part
    ? layLimb(
        body,
        asked,
        part,
        laidOn,
        trunkOn,
        positioning.body === 'seated' || positioning.body === 'kneeling',
        limits,
      ).pose
    : asked;
  const { pose, limited } = poseWithin(laid, limits);
  const posture = poseBody(body, pose);
  let frame = asPlace(laidOn);
  if (part) frame = compose(laidOn, inverse(posture[part]));
  // Brought to its line, the head decides how the trunk stands; as it is, the trunk does.
  else if (chin !== null && neck !== 'as it is')
    frame = compose(compose(laidOn, nodded(chin)), inverse(onlyTurn(posture.head)));
  const posed = placeBody(body, posture, frame);
  const placement = horizontal ? { beam: ROOM_HEAD, toHead: ROOM_UP } : { beam: ROOM_DOWN, toHead: ROOM_HEAD };
  const placed = set(posed, placement, { pose, limited, surfaces: [] });
  const sits = positioning.body === 'seated' || positioning.sitsOn !== undefined;
  return sits ? { ...placed, surfaces: [seatUnder(placed.posed, SEAT_BEHIND_MM)] } : placed;
}

export const UPRIGHT_FRAME = frameFromPairs<InPatient, InRoom>([0, 0, 1], [0, 1, 0], ROOM_UP, ROOM_HEAD);
const nodded = (chinUp: number): Frame<InSegment, InSegment> => rotationAbout([0, 0, 0], [1, 0, 0], -chinUp);

/** Parts of the body that the ray may cross: the limb itself for a limb, head and neck for the head, else everything. */
export function pathSegments(projection: Projection, body: Body, side: Side | null): string[] | undefined {
  if (projection.region === 'skull and face') return HEAD_AND_NECK;
  if (projection.sided === 'none' || projection.ray.throughTrunk) return undefined;
  const suffix = side === 'right' ? '_R' : '_L';
  const aim = 'between' in projection.aim ? projection.aim.between[0] : projection.aim.landmark;
  const { segment } = markOf(body, aim);
  if (!/_[LR]$/.test(segment)) return undefined;
  const ofArm = ARM.test(segment);
  return Object.keys(body.segments).filter((id) => id.endsWith(suffix) && ARM.test(id) === ofArm);
}
const HEAD_AND_NECK = ['head', 'mandible', 'neck'];
const ARM = /^(clavicle|scapula|upperarm|forearm|radius|hand|finger)/;

export type PlacedPoint = {
  p: Vec3;
  landmarkId: string;
  offsetMm: number;
  toward: Toward | null;
  /** Every step from the landmark, as long as it is on this body. */
  offsets: { toward: Toward; mm: number }[];
};

/** A place of the entry on this body, in the room. Distances that scale follow the segment's length. */
export function locate(place: Place, placed: Pick<PlacedBody, 'posed'>, view: SideView): PlacedPoint {
  const ids = 'between' in place ? place.between : [place.landmark];
  const marks = ids.map((id) => posedMark(placed.posed, view.name(id)));
  const base = marks.length === 2 ? midpoint(marks[0].p, marks[1].p) : marks[0].p;
  const segment = placed.posed.body.segments[marks[0].segment];
  const frame = placed.posed.frames[segment.id];
  let p = base;
  let offsetMm = 0;
  let toward: Toward | null = null;
  const offsets: PlacedPoint['offsets'] = [];
  for (const each of place.offset) {
    const axis = TOWARD_AXIS[each.toward];
    const stretch = segment.stretch.frame[axis.findIndex((value) => value !== 0)];
    const mm = each.mm * (each.scales ? stretch : 1);
    const turn = view.mirrored ? ([-axis[0], axis[1], axis[2]] as Vec3) : axis;
    p = addScaled(p, applyToDirection(frame, turn), mm);
    offsets.push({ toward: each.toward, mm });
    if (toward === null) {
      offsetMm = mm;
      toward = each.toward;
    }
  }
  return { p, landmarkId: ids[0], offsetMm, toward, offsets };
}

export type AimedRay = { target: PlacedPoint; through: Vec3<InRoom>; direction: Vec3<InRoom>; crossing: SkinCrossing };

/** Course of a ray that is tilted up the receptor by the one angle and across it, along its u axis, by the other. */
export function tilted<A>(
  { beam, toHead }: { beam: Vec3<A>; toHead: Vec3<A> },
  alongDeg: number,
  acrossDeg = 0,
): Vec3<A> {
  const across = cross(toHead, negate(beam));
  const leaning = add(scale(beam, cosDeg(acrossDeg)), scale(across, sinDeg(acrossDeg)));
  return normalize(add(scale(leaning, cosDeg(alongDeg)), scale(toHead, sinDeg(alongDeg))));
}

/** How far an aim of one's own lies from the entry's: up the receptor, and along its u axis; mm. */
export type AimMoved = readonly [alongMm: number, acrossMm: number];

/** The way in the room by which an aim is moved. */
const aimShift = ({ beam, toHead }: Pick<Placement, 'beam' | 'toHead'>, [along, across]: AimMoved) =>
  addScaled(scale(toHead, along), cross(toHead, negate(beam)), across);

/**
 * The ray, angled toward the head by `angleDeg` (negative: feet), through the point that the entry aims at.
 * @param moved an aim of one's own
 * @throws RangeError for a ray that misses the body
 */
export function aimRay(
  projection: Projection,
  placed: PlacedBody,
  view: SideView,
  angleDeg: number,
  segments?: readonly string[],
  acrossDeg = 0,
  moved?: AimMoved,
): AimedRay {
  const taught = locate(projection.aim, placed, view);
  const target = moved ? { ...taught, p: add(taught.p, aimShift(placed.placement, moved)) } : taught;
  const { beam } = placed.placement;
  const straight = crossing(projection, placed, view, target.p, beam, segments);
  let through = target.p;
  if (straight && projection.aim.point === 'enter') through = straight.entry;
  if (straight && projection.aim.point === 'exit') through = straight.exit;
  const direction = tilted(placed.placement, angleDeg, acrossDeg);
  const crossed = crossing(projection, placed, view, through, direction, segments);
  if (!crossed)
    throw new RangeError(
      moved
        ? `With this aim the CR passes beside the part: nearer to the usual centring point of ${projection.name}`
        : `the ray of ${projection.name} misses the body`,
    );
  const beyondMm = beyondAimMm(projection, placed);
  return {
    ...{ target, through, direction },
    crossing: beyondMm === null ? crossed : upTo(crossed, target.p, direction, beyondMm, placed.posed, segments),
  };
}

/** Of whom the distances that are taught are. */
const TAUGHT_STATURE_MM = 1700;
/** How far beyond the aim a receptor stands that touches nothing behind the part; nearer in a small patient. */
export function beyondAimMm({ ray }: Pick<Projection, 'ray'>, { posed }: Pick<PlacedBody, 'posed'>): number | null {
  if (ray.receptorBeyondMm === undefined) return null;
  return ray.receptorBeyondMm * Math.min(1, posed.body.patient.statureMm / TAUGHT_STATURE_MM);
}

/** What a ray crosses before it meets a receptor that stands so far beyond the aim: what lies behind is not in the picture. */
function upTo(
  crossed: SkinCrossing,
  aim: Vec3<InRoom>,
  direction: Vec3<InRoom>,
  beyondMm: number,
  posed: PosedBody,
  segments?: readonly string[],
): SkinCrossing {
  const before = skinSpans(posed, aim, direction, segments).flatMap(([near, far]): [number, number][] =>
    near < beyondMm ? [[near, Math.min(far, beyondMm)]] : [],
  );
  const last = before.at(-1);
  if (!last) return crossed;
  return {
    ...crossed,
    exit: addScaled(aim, direction, last[1]),
    thicknessMm: before.reduce((sum, [near, far]) => sum + far - near, 0),
  };
}

/** What the ray crosses; a ray between two limbs passes none, and counts as the one beside it, of two the first that is there. */
function crossing(
  { aim }: Projection,
  { posed }: PlacedBody,
  view: SideView,
  p: Vec3<InRoom>,
  direction: Vec3<InRoom>,
  segments?: readonly string[],
): SkinCrossing | null {
  const own = crossSkin(posed, p, direction, segments);
  if (own || !('between' in aim)) return own;
  const [first, second] = aim.between.map((id) => posedMark(posed, view.name(id)).p);
  const limb = crossSkin(posed, first, direction, segments) ?? crossSkin(posed, second, direction, segments);
  if (!limb) return null;
  const onRay = (q: Vec3<InRoom>): Vec3<InRoom> => addScaled(p, direction, dot(subtract(q, p), direction));
  return { ...limb, entry: onRay(limb.entry), exit: onRay(limb.exit) };
}

/** Depth of the pelvis from the ASIS (skin) to its back, as a caliper measures it: the measure behind the AP knee angle. */
export function pelvisThicknessMm({ posed, placement: { beam } }: PlacedBody): number {
  const through = crossSkin(posed, posedLandmark(posed, 'ASIS_L').p, beam, TRUNK);
  return through ? furthestSkin(posed, beam, ['pelvis']).reachMm - dot(through.entry, beam) : 0;
}

/** AP knee: thin pelvis, ray to the feet; thick pelvis, ray to the head [taught by three bands]. */
export function kneeAngleByPelvis(thicknessMm: number): number {
  const KNEE_ANGLE_DEG = 4;
  if (thicknessMm < 190) return -KNEE_ANGLE_DEG;
  return thicknessMm > 240 ? KNEE_ANGLE_DEG : 0;
}
