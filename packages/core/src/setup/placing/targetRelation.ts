/** The relation that a projection is: where its ray runs in the part when it is done as usual. */
import { adaptBody } from '../../body/adapt';
import { markOf, type Body } from '../../body/body';
import { addPoses, eachSide, mirrorPose, type Motion, type Pose } from '../../body/joints';
import { poseBody } from '../../body/pose';
import { posesNamed } from '../../body/poses';
import { applyToDirection, inverse, type Frame } from '../../geometry/frame';
import type { InPatient, InRoom, InSegment, Vec3 } from '../../geometry/vector';
import { coverMarks } from '../../projections/coverMarks';
import type { Projection } from '../../projections/schema';
import type { Half } from './adaptedWay';
import { kneeAngleByPelvis, pelvisThicknessMm, placePatient, tilted } from './place';
import { inAnatomicalPosition, relationOf } from './relation';
import type { SideView } from './side';

/** Directions in the anatomical axes of a segment. Unit. */
export type RelationOfPart = { segment: string; ray: Vec3<InSegment>; up: Vec3<InSegment> };
export type TargetRelation = {
  /** By segment of the part: the one that is aimed at first. */
  parts: RelationOfPart[];
  /** Angles of the joints of the usual pose. */
  pose: ReadonlyMap<Motion, number>;
  /** The joint that the part lies round, when it is one. */
  joint: SpannedJoint | null;
};
export type SpannedJoint = { motion: Motion; upper: string; lower: string; says: string };

/** Joints whose halves can be shown one after the other when they do not straighten, and what is aimed at then. */
const JOINTS: readonly (SpannedJoint & { aims: readonly string[] })[] = [
  {
    motion: 'elbowFlexion_L',
    upper: 'upperarm_L',
    lower: 'forearm_L',
    says: 'elbow',
    aims: ['elbow_centre_L', 'med_epicondyle_hum_L', 'lat_epicondyle_hum_L'],
  },
  {
    motion: 'kneeFlexion_L',
    upper: 'thigh_L',
    lower: 'shank_L',
    says: 'knee',
    aims: ['knee_centre_L', 'patella_apex_L', 'patella_base_L'],
  },
];

/** The part that a projection is of: the segment that is laid, or that most of what is shown belongs to. For the left. */
function partOf(projection: Projection, body: Body): string {
  let part = parts.get(projection.cover);
  if (!part) parts.set(projection.cover, (part = findPart(projection, body)));
  return part;
}

/** Which segment a mark belongs to is the same on every body; an entry's cover is never changed. */
const parts = new WeakMap<Projection['cover'], string>();

function findPart({ aim, cover, positions }: Projection, body: Body): string {
  const laid = positions[0].partFrame;
  if (laid) return laid;
  const counts = new Map<string, number>();
  for (const item of cover) {
    const ids = coverMarks(item);
    for (const id of ids) {
      const { segment } = markOf(body, id);
      counts.set(segment, (counts.get(segment) ?? 0) + 1 / ids.length);
    }
  }
  const most = Math.max(...counts.values());
  const aimed = markOf(body, 'between' in aim ? aim.between[0] : aim.landmark).segment;
  return counts.get(aimed) === most ? aimed : [...counts].find(([, count]) => count === most)![0];
}

/** The joint round which a projection is, when it is. For the left. */
function jointOf({ aim }: Pick<Projection, 'aim'>): SpannedJoint | null {
  const aims = 'between' in aim ? aim.between : [aim.landmark];
  return JOINTS.find((joint) => aims.some((id) => joint.aims.includes(id))) ?? null;
}

/** The segments against which a way is judged: the part, and both halves of a joint. For the left. */
export function judgedParts(projection: Projection, body: Body): string[] {
  const joint = jointOf(projection);
  return [...new Set([partOf(projection, body), ...(joint ? [joint.upper, joint.lower] : [])])];
}

/** A head that sinks, or a trunk that rolls, is no part of what is wanted: there the entry's own words count. */
const restsAsPosed = (segment: string, { headLine }: Projection): boolean =>
  headLine === undefined && /^(neck|thorax|lumbar|pelvis|scapula_L|clavicle_L)$/.test(segment);

/** The pose that the entry asks of the trunk and neck, before anything is laid on a table. */
function askedPose({ pose, joints, positions }: Projection, view: SideView): Pose {
  const named = addPoses(posesNamed([...pose, ...positions[0].pose]), joints as Pose, positions[0].joints as Pose);
  return view.mirrored ? mirrorPose(named) : named;
}

export function targetRelationOf(projection: Projection, patient: Body, view: SideView): TargetRelation {
  const usual = { ...projection.positions[0], poseAlone: false };
  const placed = placePatient(projection, usual, patient, view, { girth: null, knees: 'as posed' });
  const { ray } = projection;
  const angle = ray.angleBy
    ? kneeAngleByPelvis(pelvisThicknessMm(placed))
    : ray.angleDeg * (ray.toward === 'feet' ? -1 : 1);
  const own = adaptBody(patient, placed.adapt);
  const joint = jointOf(projection);
  /** The ray in the axes of each segment, from axes in which both are known. */
  const seenFrom =
    <A>(frames: Readonly<Record<string, Frame<InSegment, A>>>, axes: { beam: Vec3<A>; toHead: Vec3<A> }) =>
    (segment: string): RelationOfPart => {
      const back = inverse(frames[segment]);
      return {
        segment,
        ray: applyToDirection(back, tilted(axes, angle)),
        up: applyToDirection(back, axes.toHead),
      };
    };
  const segments = judgedParts(projection, own).map(view.name);
  const laid = restsAsPosed(partOf(projection, own), projection) && relationOf(projection, view, own);
  const seen = laid
    ? seenFrom<InPatient>(poseBody(own, askedPose(projection, view)), {
        beam: inAnatomicalPosition(laid.ray),
        toHead: inAnatomicalPosition(laid.up),
      })
    : seenFrom<InRoom>(placed.posed.frames, placed.placement);
  return {
    parts: segments.map(seen),
    pose: eachSide(placed.pose as Pose),
    joint: joint && {
      ...joint,
      motion: view.name(joint.motion) as Motion,
      upper: view.name(joint.upper),
      lower: view.name(joint.lower),
    },
  };
}

/** What of the part must lie as wanted: one segment, or those of the half that is shown. */
export function partsFor({ parts, joint }: TargetRelation, half?: Half): RelationOfPart[] {
  if (!half || !joint) return parts.slice(0, 1);
  const names = half === 'between' ? [joint.upper, joint.lower] : [joint[half]];
  return parts.filter(({ segment }) => names.includes(segment));
}
