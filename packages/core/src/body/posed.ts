/**
 * A body in a pose, standing somewhere: landmarks, skin and bones in the room, and what a ray meets of it.
 * Where it stands is a vector of its own, so that sliding a body costs nothing.
 */
import { applyToDirection, applyToPoint, compose, shifted, type Frame } from '../geometry/frame';
import { add, addScaled, dot, subtract, type Vec3 } from '../geometry/vector';
import { bonesOf, landmarkOf, markOf, skinOf, structureOf, type Body, type SkinPiece } from './body';
import { merged } from './intervals';
import type { Landmark } from './mannequin';
import type { Primitive } from './primitive';
import type { Posture } from './pose';
import { moveShape, rayInterval, supportPoint, supportReach, type Interval, type Shape } from './shape';

export type PosedBody = {
  body: Body;
  /** Anatomical position to the turned body, by segment; without the slide. */
  frames: Readonly<Record<string, Frame>>;
  posture: Posture;
  /** Patient frame to room, with the slide. */
  place: Frame;
  slide: Vec3;
  /** Skin of the turned body, without the slide. */
  skin: readonly SkinPiece[];
};

const STILL: Vec3 = [0, 0, 0];

/**
 * @param before the same body in another posture at the same place: what has not moved is taken from it
 */
export function placeBody(body: Body, posture: Posture, place: Frame, before?: PosedBody): PosedBody {
  const still = before?.body === body && before.place === place ? before : undefined;
  const frames: Record<string, Frame> = {};
  // Most segments ride on their parent unturned and share its frame.
  const known = new Map<Frame, Frame>();
  for (const id of Object.keys(posture)) {
    let frame = known.get(posture[id]);
    if (!frame) known.set(posture[id], (frame = compose(place, posture[id])));
    frames[id] = frame;
  }
  const skin = skinOf(body).map(({ segment, shape }, i): SkinPiece =>
    still && still.posture[segment] === posture[segment]
      ? still.skin[i]
      : { segment, shape: moveShape(shape, frames[segment]) },
  );
  return { body, posture, frames, place, slide: STILL, skin };
}

/** The same body moved by a vector of the room. */
export const slideBody = (posed: PosedBody, by: Vec3): PosedBody => ({
  ...posed,
  place: shifted(posed.place, by),
  slide: add(posed.slide, by),
});

/** Frame of one segment in the room, slide included. */
export const segmentFrame = (posed: PosedBody, segment: string): Frame => shifted(posed.frames[segment], posed.slide);

export function posedLandmark(posed: PosedBody, id: string): Landmark {
  const landmark = landmarkOf(posed.body, id);
  const frame = posed.frames[landmark.segment];
  return {
    ...landmark,
    p: add(applyToPoint(frame, landmark.p), posed.slide),
    dir: applyToDirection(frame, landmark.dir),
  };
}

/** A landmark or the middle of a structure where it stands. */
export function posedMark(posed: PosedBody, id: string): Pick<Landmark, 'id' | 'p' | 'segment'> {
  const mark = markOf(posed.body, id);
  return { ...mark, p: add(applyToPoint(posed.frames[mark.segment], mark.p), posed.slide) };
}

const movedBy = (posed: PosedBody, primitive: Primitive): Primitive => ({
  ...primitive,
  shape: moveShape(primitive.shape, segmentFrame(posed, primitive.segment)),
});

export const posedStructure = (posed: PosedBody, id: string): Primitive => movedBy(posed, structureOf(posed.body, id));
export const posedBones = (posed: PosedBody, keep: (reference: Primitive) => boolean): Primitive[] =>
  bonesOf(posed.body, keep).map((bone) => movedBy(posed, bone));
/** The skin where it stands, for drawing. */
export function posedSkin(posed: PosedBody): SkinPiece[] {
  const frame: Frame = shifted([1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1], posed.slide);
  return posed.skin.map(({ segment, shape }) => ({ segment, shape: moveShape(shape, frame) }));
}

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
  let furthest: SkinPiece | undefined;
  let reachMm = -Infinity;
  for (const primitive of posed.skin) {
    if (segments && !segments.includes(primitive.segment)) continue;
    const reach = supportReach(primitive.shape, d);
    if (reach > reachMm) {
      reachMm = reach;
      furthest = primitive;
    }
  }
  if (!furthest) throw new RangeError(`no skin on the segments ${segments?.join(', ')}`);
  return { reachMm: reachMm + dot(posed.slide, d), point: add(supportPoint(furthest.shape, d), posed.slide) };
}

/** Stretches of a line inside the body, mm from `through` along `d`, in order. @param segments only these; all when left out */
export function skinSpans(posed: PosedBody, through: Vec3, d: Vec3, segments?: readonly string[]): readonly Interval[] {
  const from = subtract(through, posed.slide);
  return merged(
    posed.skin.flatMap((piece) => {
      if (segments && !segments.includes(piece.segment)) return [];
      const span = rayInterval(piece.shape, from, d);
      return span ? [span] : [];
    }),
  );
}

export type SkinCrossing = { entry: Vec3; exit: Vec3; thicknessMm: number };

/**
 * Where a line enters and leaves the body, and how much body it crosses (gaps between limbs left out).
 * @param through any point of the line; @param d unit direction of the beam
 * @param segments only these parts of the body; all when left out
 */
export function crossSkin(posed: PosedBody, through: Vec3, d: Vec3, segments?: readonly string[]): SkinCrossing | null {
  const spans = skinSpans(posed, through, d, segments);
  if (spans.length === 0) return null;
  return {
    entry: addScaled(through, d, spans[0][0]),
    exit: addScaled(through, d, spans[spans.length - 1][1]),
    thicknessMm: spans.reduce((sum, [near, far]) => sum + far - near, 0),
  };
}

/** Extreme points of a shape in the given directions: what must be covered so that the shape is. */
export const extremes = (shape: Shape, directions: readonly Vec3[]): Vec3[] =>
  directions.map((d) => supportPoint(shape, d));
