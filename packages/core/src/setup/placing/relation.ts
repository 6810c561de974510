/** The relation of ray and part as directions in the frame of the part, in anatomical position. */
import { markOf, type Body } from '../../body/body';
import { add, dot, normalize, scale, subtract, type InPatient, type InSegment, type Vec3 } from '../../geometry/vector';
import { cosDeg, sinDeg } from '../../quantity/angle';
import type { Projection, Toward } from '../../projections/schema';
import type { View } from '../../projections/vocabulary';
import type { SideView } from './side';

export const TOWARD_AXIS: Record<Toward, Vec3> = {
  head: [0, 0, 1],
  feet: [0, 0, -1],
  front: [0, -1, 0],
  back: [0, 1, 0],
  left: [1, 0, 0],
  right: [-1, 0, 0],
};

/** Course of the ray before any turn, for the left side. */
const COURSE: Record<View, Vec3> = {
  AP: TOWARD_AXIS.back,
  PA: TOWARD_AXIS.front,
  lateral: TOWARD_AXIS.left,
  medial: TOWARD_AXIS.right,
  up: TOWARD_AXIS.head,
  down: TOWARD_AXIS.feet,
};

/** From here on the ray runs too much along the part for its long axis to lie on the receptor. */
const END_ON = 0.9;

export type Relation = {
  /** Course of the ray before any tube angle. Unit. */
  ray: Vec3<InSegment>;
  /** What lies up the receptor: the long axis, or the front where the ray runs along it. Unit, square to the ray. */
  up: Vec3<InSegment>;
};

/** Turns a direction toward an axis. Unit in, unit out. */
function swung(direction: Vec3, toward: Vec3, degrees: number): Vec3 {
  const side = squared(toward, direction);
  return normalize(add(scale(direction, cosDeg(degrees)), scale(side, sinDeg(degrees))));
}

/** The share of `a` that is square to `b`, as a unit vector. */
export const squared = (a: Vec3, b: Vec3): Vec3 => normalize(subtract(a, scale(b, dot(a, b))));

const mirrorX = (v: Vec3): Vec3 => [-v[0], v[1], v[2]];

/** There the axes of a segment are the patient’s. */
export const inAnatomicalPosition = (d: Vec3<InSegment>): Vec3<InPatient> => d as Vec3 as Vec3<InPatient>;

/** @param body in anatomical position: gives the line that lies up the receptor where the entry names one */
export function relationOf({ ray }: Pick<Projection, 'ray'>, view: SideView, body: Body): Relation {
  let course = COURSE[ray.view];
  for (const { toward, degrees } of ray.swing) course = swung(course, TOWARD_AXIS[toward], degrees);
  const endOn = Math.abs(course[2]) > END_ON;
  const up = squared(TOWARD_AXIS[ray.up ?? (endOn ? 'front' : 'head')], course);
  const turn = view.mirrored ? mirrorX : (v: Vec3) => v;
  if (!ray.along) return { ray: turn(course), up: turn(up) };
  const [from, to] = ray.along.map((id) => markOf(body, view.name(id)).p);
  return { ray: turn(course), up: squared(subtract(to, from), turn(course)) };
}

/** Names of the two ways of the tube's angle at this part: toward what it counts up, and down. */
export const angleWays = (projection: Projection): readonly [string, string] =>
  angleNames(projection, projection.ray.view === 'up' || projection.ray.view === 'down');

/** Names of the two ways of an angle along the receptor. */
export function angleNames(projection: Projection, endOn: boolean): readonly [string, string] {
  if (projection.ray.says) return projection.ray.says;
  // Through the chest the CR is angled along the trunk, whatever limb it is meant for.
  if (projection.ray.throughTrunk) return ['head', 'feet'];
  if (projection.region === 'hand and wrist') return ['elbow', 'fingertips'];
  if (projection.region === 'forearm, elbow, humerus') return ['shoulder', 'hand'];
  if (endOn) return projection.region === 'foot and ankle' ? ['toes', 'heel'] : ['front', 'back'];
  return ['head', 'feet'];
}
