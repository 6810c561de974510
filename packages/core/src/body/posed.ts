/**
 * A body in a pose, standing somewhere: landmarks, skin and bones in the room, and what a ray meets of it.
 */
import { applyToDirection, applyToPoint, compose, type Frame } from '../geometry/frame';
import { addScaled, dot, subtract, type Vec3 } from '../geometry/vector';
import { bonesOf, landmarkOf, skinOf, structureOf, type Body } from './body';
import type { Landmark, Primitive } from './mannequin';
import type { Posture } from './pose';
import { moveShape, rayInterval, supportPoint, type Shape } from './shape';

export type PosedBody = {
  body: Body;
  posture: Posture;
  /** Patient frame to room. */
  place: Frame;
  skin: readonly Primitive[];
};

const movedBy = (posed: Pick<PosedBody, 'posture' | 'place'>, primitive: Primitive): Primitive => ({
  ...primitive,
  shape: moveShape(primitive.shape, compose(posed.place, posed.posture[primitive.segment])),
});

export function placeBody(body: Body, posture: Posture, place: Frame): PosedBody {
  return { body, posture, place, skin: skinOf(body).map((primitive) => movedBy({ posture, place }, primitive)) };
}

/** The same body moved by a vector of the room. */
export function slideBody(posed: PosedBody, by: Vec3): PosedBody {
  const place = [...posed.place];
  place[12] += by[0];
  place[13] += by[1];
  place[14] += by[2];
  const shift: Frame = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, by[0], by[1], by[2], 1];
  return { ...posed, place, skin: posed.skin.map((p) => ({ ...p, shape: moveShape(p.shape, shift) })) };
}

export function posedLandmark(posed: PosedBody, id: string): Landmark {
  const landmark = landmarkOf(posed.body, id);
  const frame = compose(posed.place, posed.posture[landmark.segment]);
  return { ...landmark, p: applyToPoint(frame, landmark.p), dir: applyToDirection(frame, landmark.dir) };
}

export const posedStructure = (posed: PosedBody, id: string): Primitive => movedBy(posed, structureOf(posed.body, id));
export const posedBones = (posed: PosedBody): Primitive[] => bonesOf(posed.body).map((bone) => movedBy(posed, bone));

/**
 * How far the skin reaches in a direction: the contact with what lies there.
 * @param segments only these; all when left out
 * @returns coordinate along `d` in mm and the point of contact
 */
export function furthestSkin(
  posed: PosedBody,
  d: Vec3,
  segments?: readonly string[],
): { reachMm: number; point: Vec3 } {
  let best: { reachMm: number; point: Vec3 } | undefined;
  for (const primitive of posed.skin) {
    if (segments && !segments.includes(primitive.segment)) continue;
    const point = supportPoint(primitive.shape, d);
    const reachMm = dot(point, d);
    if (!best || reachMm > best.reachMm) best = { reachMm, point };
  }
  if (!best) throw new RangeError(`no skin on the segments ${segments?.join(', ')}`);
  return best;
}

export type SkinCrossing = { entry: Vec3; exit: Vec3; thicknessMm: number };

/**
 * Where a line enters and leaves the body, and how much body it crosses (gaps between limbs left out).
 * @param through any point of the line; @param d unit direction of the beam
 * @param segments only these parts of the body; all when left out
 */
export function crossSkin(posed: PosedBody, through: Vec3, d: Vec3, segments?: readonly string[]): SkinCrossing | null {
  const spans: [number, number][] = [];
  for (const primitive of posed.skin) {
    if (segments && !segments.includes(primitive.segment)) continue;
    const span = rayInterval(primitive.shape, through, d);
    if (span) spans.push([span[0], span[1]]);
  }
  if (spans.length === 0) return null;
  spans.sort((a, b) => a[0] - b[0]);
  let thicknessMm = 0;
  let [start, end] = spans[0];
  for (const [near, far] of spans.slice(1)) {
    if (near > end) {
      thicknessMm += end - start;
      [start, end] = [near, far];
    } else end = Math.max(end, far);
  }
  thicknessMm += end - start;
  return { entry: addScaled(through, d, spans[0][0]), exit: addScaled(through, d, end), thicknessMm };
}

/** Extreme points of a shape in the given directions: what must be covered so that the shape is. */
export const extremes = (shape: Shape, directions: readonly Vec3[]): Vec3[] =>
  directions.map((d) => supportPoint(shape, d));

/** Signed distance of a point beyond another along a direction. */
export const beyond = (from: Vec3, to: Vec3, d: Vec3): number => dot(subtract(to, from), d);
