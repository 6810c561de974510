/**
 * A patient placed in another way than the entry’s own: brought to rest in that position first, then the ray is turned to the part
 * as nearly as the beam allows. The entry says only what is wanted of ray and part.
 */
import { adaptBody, type BodyAdapt } from '../../body/adapt';
import type { Body } from '../../body/body';
import {
  addPoses,
  eachSide,
  mirrorPose,
  poseWithin,
  type JointLimits,
  type LimitedJoint,
  type Motion,
  type Pose,
} from '../../body/joints';
import { withBranches } from '../../body/mannequin';
import { poseBody } from '../../body/pose';
import { posesNamed } from '../../body/poses';
import { furthestSkin, placeBody, presentSkin, slideBody, type PosedBody } from '../../body/posed';
import { supportReach } from '../../body/shape';
import { applyToDirection, applyToPoint, compose, frameFromPairs, inverse, rotationAbout } from '../../geometry/frame';
import {
  add,
  cross,
  dot,
  length,
  negate,
  normalize,
  scale,
  subtract,
  type InRoom,
  type InSegment,
  type Vec3,
} from '../../geometry/vector';
import type { Projection } from '../../projections/schema';
import type { SupportedPart, PoseName } from '../../projections/vocabulary';
import { frameOf, ROOM_DOWN, ROOM_HEAD, ROOM_UP } from '../../room/position';
import { restBody, seatUnder, stoolUnder, type Surface } from '../../room/rest';
import { isLying, stanceOf, towardSupport, type Stance } from '../../room/stance';
import { lungsAt } from './breath';
import type { AdaptedWay } from './adaptedWay';
import { layLimb } from './limb';
import {
  chinUpDeg,
  headingDeg,
  locate,
  nodPose,
  placePatient,
  SEAT_BEHIND_MM,
  turnedInRoom,
  UPRIGHT_FRAME,
  type NeckPosed,
  type PlacedBody,
} from './place';
import { angleNames, squared } from './relation';
import type { SideView } from './side';
import { partsFor, targetRelationOf, type TargetRelation } from './targetRelation';
import type { ChosenPositioning } from './positioning';

/** Poses that belong to a position or keep something out of the way; another position asks for its own. */
const OF_THE_POSITION: ReadonlySet<PoseName> = new Set<PoseName>([
  'arms-clear',
  'arms-overhead',
  'arms-forward',
  'arms-crossed',
  'near-arm-up',
  'hands-at-face',
  'shoulders-rolled',
  'knees-up',
  'knees-drawn-up',
  'other-leg-forward',
  'other-leg-raised',
  'forearm-on-table',
]);
const ARM = /^(upperarm|forearm|radius|hand|finger)/;
const LEG = /^(thigh|patella|shank|talus|foot|toes)/;
const NECK_UP = /^(head|mandible|neck)/;

export const isOfArm = (segment: string): boolean => ARM.test(segment);
export const isOfLeg = (segment: string): boolean => LEG.test(segment);
export const isOfHead = (segment: string): boolean => NECK_UP.test(segment);

/** A patient at rest in another way, before the beam is chosen. */
export type Settled = {
  posed: PosedBody<InRoom>;
  pose: Pose;
  adapt: BodyAdapt;
  limited: LimitedJoint[];
  surfaces: Surface[];
  lies: boolean;
  stance: Stance | null;
};

type Asked = Pick<AdaptedWay, 'position' | 'on' | 'backRestDeg' | 'asItLies' | 'beam' | 'half' | 'onStool'>;

/** Beside an arm that lies as it lies there is room for a receptor on edge: a hand's breadth off the trunk [typical]. */
const OFF_TRUNK: Pose = { shoulderAbduction_L: 15 };

/** Sitting bends hip and knee; on a stool the leg is straight again but for the slack of the knee. */
const ON_STOOL: Pose = { kneeFlexion_L: -81 };

const lies = (position: AdaptedWay['position']): boolean => isLying(position) || position === 'semi-erect';

/** Poses of another way: the part's own where it is posed, and what keeps the arms out of the way. */
function namesFor(projection: Projection, asked: Asked, part: string, armsFree: boolean): PoseName[] {
  const own = projection.positions.find(({ body }) => body === asked.position);
  const lying = isLying(asked.position);
  const rest: PoseName[] = [];
  if (asked.position === 'seated')
    // Hands on the lap would lie beside a knee that is shown.
    rest.push(
      isOfArm(part) && asked.asItLies ? 'forearm-on-table' : isOfLeg(part) ? 'arms-crossed' : 'sitting-other-arm',
    );
  else if (!isOfArm(part) && (lying || asked.position === 'semi-erect')) rest.push('arms-clear');
  const posed = [...projection.pose, ...(own ?? projection.positions[0]).pose];
  // The arm of a shoulder is part of the picture: it stays as the view has it.
  const trunk = !isOfArm(part) && !isOfLeg(part) && !isOfHead(part) && !GIRDLE.test(part);
  const sideways = projection.ray.view === 'lateral' || projection.ray.view === 'medial';
  const across = trunk && asked.beam === 'level';
  const aside: PoseName[] =
    across && (lying || (asked.position === 'semi-erect' && sideways))
      ? ['arms-overhead']
      : across && sideways && asked.position === 'seated'
        ? ['arms-forward']
        : rest;
  const isOwn = own && (own.beam === 'horizontal' || own.body === 'upright') === (asked.beam === 'level');
  // A palm that is laid down lies on a mattress as it lies on a table.
  const laidDown = isOfArm(part) && !asked.asItLies && lies(asked.position);
  const poses = isOwn
    ? posed
    : [...posed.filter((name) => !OF_THE_POSITION.has(name) || (laidDown && name === 'forearm-on-table')), ...aside];
  if (!asked.asItLies) return poses;
  // Only the part lies as it lies: an arm out of the way, the other leg raised, an open mouth are asked for all the same.
  if (lying && (isOfLeg(part) || part === 'pelvis')) rest.push('legs-as-they-lie');
  const kept = poses.filter(
    (name) => !motionsOf(posesNamed([name])).some((motion) => ofPart(part, armsFree).test(motion)),
  );
  const armed = kept.some((name) => motionsOf(posesNamed([name])).some((motion) => motion.startsWith('shoulder')));
  return [...new Set([...rest.filter((name) => !armed || name !== 'arms-clear'), ...kept])];
}

/** Joints that move each kind of part, the left one where there are two: nothing of it is bent or turned for them. */
const MOVED_BY: readonly [part: (segment: string) => boolean, motion: RegExp][] = [
  [isOfLeg, /^(hip|knee|ankle|foot|toes)\w*_L$/],
  [isOfArm, /^(shoulder|elbow|forearm|wrist|finger|thumb)\w*_L$/],
  [isOfHead, /^(neck|head)/],
];
/** Of the trunk the arms may still come out of the beam; of the shoulder they are the part. */
const OF_TRUNK = /^(trunk|hip|knee)/;
const OF_GIRDLE = /^(trunk|shoulder|scapula|elbow|forearm|hip|knee)/;
const GIRDLE = /^(scapula|clavicle)_/;
/** An arm that comes no higher than this is out of no beam through the trunk. */
const OUT_OF_BEAM_DEG = 80;
const raisesBoth = (limits: JointLimits): boolean =>
  (['L', 'R'] as const).every((side) => (limits[`shoulderFlexion_${side}`]?.[1] ?? OUT_OF_BEAM_DEG) >= OUT_OF_BEAM_DEG);

const motionsOf = (pose: Pose): Motion[] => [...eachSide(pose).keys()];
/** What bends or turns the part itself. @param part on the left */
const ofPart = (part: string, armsFree: boolean): RegExp =>
  MOVED_BY.find(([isPart]) => isPart(part))?.[1] ?? (GIRDLE.test(part) || !armsFree ? OF_GIRDLE : OF_TRUNK);

/** Of one who sits hip and knee are bent by the seat: the view's own bend is not added to it. */
const withoutSitting = (pose: Pose): Pose =>
  Object.fromEntries([...eachSide(pose)].filter(([motion]) => !/^(hip|knee)Flexion/.test(motion)));
const asIs = (pose: Pose): Pose => pose;

/** Angles of a pose that leave the part as it lies. */
const besidesPart = (part: string, pose: Pose): Pose =>
  Object.fromEntries([...eachSide(pose)].filter(([motion]) => !ofPart(part, true).test(motion)));

/** With the knee bent a leg that is rotated outward brings its foot under the other one. */
const INWARD_DEG = 10;
const ASIDE_DEG = 30;
function otherLegAside(pose: Pose, part: string): Pose {
  const [own, other] = part.endsWith('_R') ? (['R', 'L'] as const) : (['L', 'R'] as const);
  const angles = eachSide(pose);
  const inward =
    (angles.get(`hipMedialRotation_${own}`) ?? 0) < -INWARD_DEG && (angles.get(`kneeFlexion_${own}`) ?? 0) > INWARD_DEG;
  return inward ? addPoses(pose, { [`hipAbduction_${other}`]: ASIDE_DEG }) : pose;
}

/** Brings the patient to rest. @param target of the projection for this body */
export function settleAdapted(
  projection: Projection,
  asked: Asked,
  patient: Body,
  view: SideView,
  target: TargetRelation,
  { girth, limits, boardMm }: { girth: BodyAdapt['girth']; limits?: JointLimits; boardMm?: number },
): Settled {
  const adapt: BodyAdapt = {
    state: { rest: lies(asked.position) ? 'lying' : 'standing', breath: lungsAt(projection.breathing) },
    girth,
  };
  const body = adaptBody(patient, adapt);
  const part = partsFor(target, asked.half)[0];
  const plain = part.segment.replace(/_R$/, '_L');
  const usual = projection.positions.find(({ body: each }) => each === asked.position) ?? projection.positions[0];
  const bend = asked.position === 'seated' && !asked.onStool && isOfLeg(plain) ? withoutSitting : asIs;
  const named = addPoses(
    posesNamed(namesFor(projection, asked, plain, raisesBoth(limits ?? {}))),
    ...(asked.asItLies
      ? usual.body === asked.position
        ? [besidesPart(plain, usual.joints as Pose)]
        : []
      : [projection.joints as Pose, usual.joints as Pose].map(bend)),
  );
  const chin = asked.asItLies ? null : chinUpDeg(projection, body);
  // The entry's own bend of the knee is taken from the straight leg, not added to that of sitting.
  const beside = asked.asItLies && asked.beam === 'level' && isOfArm(plain) && lies(asked.position);
  const limbs = addPoses(named, asked.onStool ? ON_STOOL : {}, beside ? OFF_TRUNK : {});
  const turned = addPoses(view.mirrored ? mirrorPose(limbs) : limbs, chin === null ? {} : nodPose(chin));
  // A part that the entry lays on its holder is laid so here too, straight under the ray.
  const laid = usual.partFrame !== undefined && !asked.asItLies && asked.beam === 'down';
  const toTarget = frameFromPairs<InSegment, InRoom>(part.up, part.ray, ROOM_HEAD, ROOM_DOWN);
  if (asked.position === 'seated' && isOfArm(plain)) {
    const sitting = addPoses(posesNamed(['sitting']), turned);
    const full = laid ? layLimb(body, sitting, part.segment, toTarget, UPRIGHT_FRAME, true, limits).pose : sitting;
    const { pose, limited } = poseWithin(full, limits);
    const posture = poseBody(body, pose);
    const posed = placeBody(body, posture, laid ? compose(toTarget, inverse(posture[part.segment])) : UPRIGHT_FRAME);
    return { posed, pose, adapt, limited, surfaces: [seatUnder(posed, SEAT_BEHIND_MM)], lies: false, stance: null };
  }
  const stance = stanceOf({
    position: asked.position,
    on: asked.on ?? (asked.position === 'prone' ? 'front' : 'back'),
    ...(asked.backRestDeg === undefined ? {} : { backRestDeg: asked.backRestDeg }),
    ...(asked.position === 'seated' ? { seat: 'wheelchair' as const } : {}),
    boardMm: asked.position === 'supine' ? (boardMm ?? 0) : 0,
    surfaceHeightMm: 0,
  });
  const limb = laid ? layLimb(body, turned, part.segment, toTarget, frameOf(stance), true, limits).pose : turned;
  const pose = laid && isOfLeg(plain) ? otherLegAside(limb, part.segment) : limb;
  // On the side a pillow holds the head level with the spine.
  const pillow = asked.position === 'lateral-recumbent';
  // The arm of a shoulder that is posed for the picture does not sink: it is held or padded there.
  const armSupported = GIRDLE.test(plain) && !asked.asItLies;
  const supportedParts: SupportedPart[] = [
    ...(pillow || projection.headLine || isOfHead(plain) ? ['head' as const] : []),
    ...(armSupported ? [part.segment.endsWith('_R') ? ('arm_R' as const) : ('arm_L' as const)] : []),
  ];
  const headTurn = projection.headLine && !asked.asItLies ? 'kept' : 'free';
  const rested = restBody(body, stance, pose, supportedParts, { limits, headTurn });
  const surfaces = rested.surfaces
    .filter(({ kind }) => KEPT_SURFACES.has(kind))
    .concat(asked.onStool ? [stoolUnder(rested.posed, part.segment.endsWith('_R') ? 'R' : 'L')] : []);
  return {
    posed: rested.posed,
    pose: rested.pose,
    adapt,
    limited: rested.limited,
    surfaces,
    lies: lies(asked.position),
    stance,
  };
}

/** Drawn beside the holder; table, floor and wall are drawn by the set-up itself. */
const KEPT_SURFACES: ReadonlySet<string> = new Set(['sponge', 'board', 'seat', 'back rest', 'foot rest']);

/** Where the wanted ray runs in the room, and what lies up the receptor; of two parts their mean. Unit. */
export function targetInRoom(
  settled: Settled,
  target: TargetRelation,
  { reversed, half }: Pick<AdaptedWay, 'reversed' | 'half'>,
): { ray: Vec3<InRoom>; up: Vec3<InRoom> } {
  const parts = partsFor(target, half).map(({ segment, ray, up }) => ({
    ray: applyToDirection(settled.posed.frames[segment], ray),
    up: applyToDirection(settled.posed.frames[segment], up),
  }));
  const mean = (each: (part: (typeof parts)[number]) => Vec3<InRoom>) => normalize(parts.map(each).reduce(add));
  const ray = mean((part) => part.ray);
  return { ray: reversed ? negate(ray) : ray, up: mean((part) => part.up) };
}

/** Below this share of a direction nothing is left to turn by. */
const NOTHING = 0.05;
/** Half of what the receptor stands beside, along it. */
const BESIDE_MM = 150;

/** A beam as it comes before any tilt, and what lies up the receptor. */
export function beamOf(
  adapted: Pick<AdaptedWay, 'beam'>,
  settled: Settled,
  up: Vec3<InRoom>,
): { beam: Vec3<InRoom>; toHead: Vec3<InRoom> } {
  const along = (beam: Vec3<InRoom>, instead: Vec3<InRoom>) => {
    const left = subtract(up, scale(beam, dot(up, beam)));
    return length(left) > NOTHING ? normalize(left) : squared(instead, beam);
  };
  if (adapted.beam === 'level') return { beam: ROOM_HEAD, toHead: along(ROOM_HEAD, ROOM_UP) };
  if (adapted.beam === 'down' || !settled.stance) return { beam: ROOM_DOWN, toHead: along(ROOM_DOWN, ROOM_HEAD) };
  const frame = frameOf(settled.stance);
  const beam = applyToDirection(frame, towardSupport(settled.stance));
  return { beam, toHead: squared(applyToDirection(frame, [0, 0, 1]), beam) };
}

/** Everything of the patient that a receptor standing at the aim would touch. */
function beside(
  posed: PosedBody,
  aim: Vec3<InRoom>,
  toHead: Vec3<InRoom>,
  keep: (segment: string) => boolean,
): string[] {
  const at = dot(subtract(aim, posed.slide), toHead);
  return presentSkin(posed)
    .filter(
      ({ segment, shape }) =>
        keep(segment) &&
        supportReach(shape, toHead) > at - BESIDE_MM &&
        -supportReach(shape, negate(toHead)) < at + BESIDE_MM,
    )
    .map(({ segment }) => segment);
}

const turnedSurface = ({ kind, profile, plane }: Surface, degrees: number): Surface => {
  const turn = rotationAbout([0, 0, 0], ROOM_UP, degrees);
  return {
    kind,
    profile: profile.map((p) => applyToPoint(turn, p)),
    plane: { point: applyToPoint(turn, plane.point), normal: applyToDirection(turn, plane.normal) },
  };
};

const acrossNames = (posed: PosedBody, u: Vec3<InRoom>): readonly [string, string] => {
  if (Math.abs(u[2]) > 0.7) return u[2] > 0 ? ['ceiling', 'floor'] : ['floor', 'ceiling'];
  const left = dot(applyToDirection(posed.place, [1, 0, 0]), u);
  if (Math.abs(left) > 0.5)
    return left > 0 ? ['patient’s left', 'patient’s right'] : ['patient’s right', 'patient’s left'];
  const back = dot(applyToDirection(posed.place, [0, 1, 0]), u);
  return back > 0 ? ['patient’s back', 'patient’s front'] : ['patient’s front', 'patient’s back'];
};

/** Direction of what a patient lies or leans on; null for one who stands or sits free. */
const supportOf = ({ lies, stance }: Settled): Vec3<InRoom> | null =>
  !lies || !stance
    ? null
    : stance.position === 'semi-erect'
      ? applyToDirection(frameOf(stance), towardSupport(stance))
      : ROOM_DOWN;

/** What a search has worked out before for the same entry, patient and side. */
export type Known = { body?: Body; target?: TargetRelation; settled?: Settled };
type PlaceOptions = {
  girth: BodyAdapt['girth'];
  limits?: JointLimits;
  /** Thickness of a spine board under one who lies on the back. */
  boardMm?: number;
  neck?: NeckPosed;
  known?: Known;
};

/** A receptor that the view itself stands upright on the limb stands there in every position. */
export const standsOnLimb = (
  { positions }: Projection,
  { beam, reversed, asItLies }: AdaptedWay,
  part: string,
): boolean =>
  beam === 'level' &&
  !reversed &&
  !asItLies &&
  isOfLeg(part) &&
  positions.every(({ partFrame, holders, beam: own }) => {
    return partFrame !== undefined && own === 'horizontal' && holders.every((holder) => holder === 'stand');
  });

/** Places the patient in another way. */
function placeAdapted(
  projection: Projection,
  positioning: ChosenPositioning & { adapted: AdaptedWay },
  patient: Body,
  view: SideView,
  options: PlaceOptions,
): PlacedBody {
  const { adapted } = positioning;
  const { known } = options;
  const target = known?.target ?? targetRelationOf(projection, patient, view);
  const settled =
    (options.girth === null && known?.settled) || settleAdapted(projection, adapted, patient, view, target, options);
  const { ray } = targetInRoom(settled, target, adapted);
  const level = adapted.beam === 'level';
  const headingOff = level && Math.hypot(ray[0], ray[1]) > NOTHING ? -headingDeg(ray) : 0;
  const posed = headingOff === 0 ? settled.posed : turnedInRoom(settled.posed, settled.pose, headingOff);
  const { up } = targetInRoom({ ...settled, posed }, target, adapted);
  const { beam, toHead } = beamOf(adapted, settled, up);
  const part = partsFor(target, adapted.half)[0].segment;
  const limb = isOfArm(part) || isOfLeg(part);
  const side = part.slice(-2);
  const named = (projection.positions.find(({ body }) => body === adapted.position) ?? projection.positions[0]).contact;
  const contact = named.flatMap((segment) => withBranches(view.name(segment)));
  const aim = locate(projection.aim, { posed }, view).p;
  const own = (segment: string) =>
    limb ? segment.endsWith(side) && isOfArm(segment) === isOfArm(part) : !isOfLeg(segment);
  const touching = level && !standsOnLimb(projection, adapted, part) ? beside(posed, aim, toHead, own) : contact;
  const { reachMm } = furthestSkin(posed, beam, touching.length > 0 ? touching : undefined);
  const onTable = !level && adapted.beam === 'down' && settled.lies;
  // Who lies is at rest on the surface: only a loose receptor or one at the back touches elsewhere.
  const slid = onTable || adapted.beam === 'rest' || adapted.onStool ? posed : slideBody(posed, scale(beam, -reachMm));
  const u = cross(toHead, negate(beam));
  const vertical = level && Math.abs(toHead[2]) > 0.7 && settled.lies;
  const says: readonly [string, string] = vertical
    ? toHead[2] > 0
      ? ['ceiling', 'floor']
      : ['floor', 'ceiling']
    : angleNames(projection, false);
  return {
    posed: slid,
    placement: {
      beam,
      toHead,
      says,
      lies: settled.lies,
      settled: settled.lies || settled.stance !== null,
      support: supportOf(settled),
      acrossSays: acrossNames(slid, u),
      ...(adapted.beam === 'rest' || (adapted.onStool && !level) ? { touches: scale(beam, reachMm) } : {}),
    },
    pose: settled.pose,
    adapt: settled.adapt,
    contact: touching,
    limited: settled.limited,
    surfaces: settled.surfaces.map((surface) => turnedSurface(surface, headingOff)),
  };
}

/** Places the patient as the entry says, or in another way. */
export const placeAs = (
  projection: Projection,
  positioning: ChosenPositioning,
  patient: Body,
  view: SideView,
  options: PlaceOptions,
): PlacedBody =>
  positioning.adapted
    ? placeAdapted(projection, { ...positioning, adapted: positioning.adapted }, patient, view, options)
    : placePatient(projection, positioning, patient, view, options);
