/**
 * Body and room brought together: pose, position, contact, aim and the ray before anything is known of the receptor.
 */
import { adaptBody, type BodyAdapt } from '../body/adapt';
import { landmarkOf, type Body } from '../body/body';
import { addPoses, mirrorPose, poseWithin, type HeldJoint, type JointLimits, type Pose } from '../body/joints';
import { withBranches } from '../body/mannequin';
import { poseBody } from '../body/pose';
import { posesNamed } from '../body/poses';
import {
  crossSkin,
  furthestSkin,
  placeBody,
  posedLandmark,
  slideBody,
  type PosedBody,
  type SkinCrossing,
} from '../body/posed';
import { applyToDirection, compose, inverse } from '../geometry/frame';
import { add, addScaled, dot, midpoint, normalize, scale, subtract, type Vec3 } from '../geometry/vector';
import { toDegrees } from '../quantity/angle';
import type { Place, Projection, Toward } from '../projections/schema';
import { placeInRoom, type Placement } from '../room/position';
import { restBody, seatUnder, type Surface } from '../room/rest';
import { isLying, stanceSchema, type Stance } from '../room/stance';
import type { Side } from './setup';
import type { TakenWay } from './way';

export const otherSide = (id: string): string => id.replace(/_([LR])$/, (_, s: string) => (s === 'L' ? '_R' : '_L'));

/** Entries are written for the left; on the right every sided name and every x is turned round. */
export type SideView = { mirrored: boolean; name: (id: string) => string };
export const sideView = (side: Side | null): SideView => {
  const mirrored = side === 'right';
  return { mirrored, name: mirrored ? otherSide : (id) => id };
};

const TOWARD_AXIS: Record<Toward, Vec3> = {
  head: [0, 0, 1],
  feet: [0, 0, -1],
  front: [0, -1, 0],
  back: [0, 1, 0],
  left: [1, 0, 0],
  right: [-1, 0, 0],
};

/** Direction of the beam before any tube angle, in the patient frame. */
export function beamInPatient(projection: Projection, view: SideView): Vec3 {
  if (projection.ray.view === 'AP') return [0, 1, 0];
  if (projection.ray.view === 'PA') return [0, -1, 0];
  return [view.mirrored ? -1 : 1, 0, 0];
}

/** How far the chin goes up so that the orbitomeatal line makes the wanted angle with an upright receptor. */
function headLinePose(projection: Projection, body: Body): Pose {
  if (!projection.headLine) return {};
  const canthus = landmarkOf(body, 'outer_canthus_L').p;
  const meatus = landmarkOf(body, 'EAM_L').p;
  const line = subtract(canthus, meatus);
  const slope = toDegrees(Math.atan2(line[2], -line[1]));
  // The receptor is vertical: the line makes 90° − its slope with it.
  const raise = 90 - projection.headLine.toReceptorDeg - slope;
  return { neckExtension: raise / 2, headExtension: raise / 2 };
}

const TRUNK = ['pelvis', 'lumbar', 'thorax'];

const SEAT_BEHIND_MM = 30;

export type PlacedBody = {
  posed: PosedBody;
  placement: Placement;
  pose: Pose;
  adapt: BodyAdapt;
  contact: string[];
  held: HeldJoint[];
  surfaces: Surface[];
};

/** Side of the patient that lies beneath or faces the receptor. */
function aspectOf(projection: Projection, view: SideView): Stance['on'] {
  if (projection.ray.view === 'AP') return 'back';
  if (projection.ray.view === 'PA') return 'front';
  return view.mirrored ? 'right' : 'left';
}

/**
 * The patient posed and set down, with the receptor's contact surface at 0 along the beam: lying ones by what they
 * rest on, the others by the segments that the entry lays on the holder.
 */
export function placePatient(
  projection: Projection,
  way: TakenWay,
  patient: Body,
  view: SideView,
  { girth, limits }: { girth: BodyAdapt['girth']; limits?: JointLimits },
): PlacedBody {
  const lies = isLying(way.body);
  const adapt: BodyAdapt = { state: { rest: lies ? 'lying' : 'standing', breath: 'in' }, girth };
  const body = adaptBody(patient, adapt);
  const names = way.poseAlone ? way.pose : [...projection.pose, ...way.pose];
  const named = posesNamed(way.body === 'seated' ? ['sitting', 'sitting-other-arm', ...names] : names);
  const wanted = addPoses(view.mirrored ? mirrorPose(named) : named, headLinePose(projection, body));
  const placement = placeInRoom(way.body, beamInPatient(projection, view));
  const contact = way.contact.flatMap((segment) => withBranches(view.name(segment)));
  const set = (posed: PosedBody, pose: Pose, held: HeldJoint[], surfaces: Surface[]): PlacedBody => {
    const { reachMm } = furthestSkin(posed, placement.beam, contact);
    // Who lies is at rest already, and only what reaches deeper than the trunk lifts the body further.
    const slid = slideBody(posed, scale(placement.beam, -(lies ? Math.max(0, reachMm) : reachMm)));
    return { posed: slid, placement, pose, adapt, contact, held, surfaces };
  };
  if (lies) {
    const stance = stanceSchema.parse({ position: way.body, on: aspectOf(projection, view), surfaceHeightMm: 0 });
    const rested = restBody(body, stance, wanted, way.poseAlone ? ['head'] : [], limits);
    return set(
      rested.posed,
      rested.pose,
      rested.held,
      rested.surfaces.filter(({ kind }) => kind === 'sponge'),
    );
  }
  const { pose, held } = poseWithin(wanted, limits);
  const posture = poseBody(body, pose);
  const frame = way.partFrame ? compose(placement.frame, inverse(posture[view.name(way.partFrame)])) : placement.frame;
  const posed = placeBody(body, posture, frame);
  const placed = set(posed, pose, held, []);
  return way.body === 'seated' ? { ...placed, surfaces: [seatUnder(placed.posed, SEAT_BEHIND_MM)] } : placed;
}

/** Parts of the body that the ray may cross: the limb itself for a limb, everything for the trunk. */
export function pathSegments(projection: Projection, body: Body, side: Side | null): string[] | undefined {
  if (projection.sided === 'none') return undefined;
  const suffix = side === 'right' ? '_R' : '_L';
  const aim = 'between' in projection.aim ? projection.aim.between[0] : projection.aim.landmark;
  const ofArm = ARM.test(landmarkOf(body, aim).segment);
  return Object.keys(body.segments).filter((id) => id.endsWith(suffix) && ARM.test(id) === ofArm);
}
const ARM = /^(clavicle|scapula|upperarm|forearm|radius|hand|finger)/;

export type PlacedPoint = { p: Vec3; landmarkId: string; offsetMm: number; toward: Toward | null };

/** A place of the entry on this body, in the room. Distances that scale follow the segment's length. */
export function locate(place: Place, placed: PlacedBody, view: SideView): PlacedPoint {
  const ids = 'between' in place ? place.between : [place.landmark];
  const marks = ids.map((id) => posedLandmark(placed.posed, view.name(id)));
  const base = marks.length === 2 ? midpoint(marks[0].p, marks[1].p) : marks[0].p;
  const segment = placed.posed.body.segments[marks[0].segment];
  const frame = placed.posed.frames[segment.id];
  let p = base;
  let offsetMm = 0;
  let toward: Toward | null = null;
  for (const each of place.offset) {
    const axis = TOWARD_AXIS[each.toward];
    const stretch = segment.stretch.frame[axis.findIndex((value) => value !== 0)];
    const mm = each.mm * (each.scales ? stretch : 1);
    const turn = view.mirrored ? ([-axis[0], axis[1], axis[2]] as Vec3) : axis;
    p = addScaled(p, applyToDirection(frame, turn), mm);
    if (toward === null) {
      offsetMm = mm;
      toward = each.toward;
    }
  }
  return { p, landmarkId: ids[0], offsetMm, toward };
}

export type AimedRay = { target: PlacedPoint; through: Vec3; direction: Vec3; crossing: SkinCrossing };

/** The ray, angled toward the head by `angleDeg` (negative: feet), through the point that the entry aims at. */
export function aimRay(
  projection: Projection,
  placed: PlacedBody,
  view: SideView,
  angleDeg: number,
  segments?: readonly string[],
): AimedRay {
  const target = locate(projection.aim, placed, view);
  const { beam, toHead } = placed.placement;
  const straight = crossSkin(placed.posed, target.p, beam, segments);
  let through = target.p;
  if (straight && projection.aim.point === 'enter') through = straight.entry;
  if (straight && projection.aim.point === 'exit') through = straight.exit;
  const t = (angleDeg * Math.PI) / 180;
  const direction = normalize(add(scale(beam, Math.cos(t)), scale(toHead, Math.sin(t))));
  const crossing = crossSkin(placed.posed, through, direction, segments);
  if (!crossing) throw new RangeError(`the ray of ${projection.name} misses the body`);
  return { target, through, direction, crossing };
}

/** Depth from the ASIS (skin) to the surface under the patient: the measure behind the AP knee angle. */
export function pelvisThicknessMm(placed: PlacedBody): number {
  const asis = posedLandmark(placed.posed, 'ASIS_L');
  const through = crossSkin(placed.posed, asis.p, placed.placement.beam, TRUNK);
  return through ? -dot(through.entry, placed.placement.beam) : 0;
}

/** AP knee: thin pelvis, ray to the feet; thick pelvis, ray to the head [taught by three bands]. */
export function kneeAngleByPelvis(thicknessMm: number): number {
  const KNEE_ANGLE_DEG = 4;
  if (thicknessMm < 190) return -KNEE_ANGLE_DEG;
  return thicknessMm > 240 ? KNEE_ANGLE_DEG : 0;
}
