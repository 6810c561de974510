/**
 * A body in a pose, standing somewhere: landmarks, skin and bones in the room, and what a ray meets of it.
 * Where it stands is a vector of its own, so that sliding a body costs nothing.
 */
import { applyToDirection, applyToPoint, compose, shifted, type Frame } from '../geometry/frame';
import {
  add,
  addScaled,
  dot,
  subtract,
  type InPatient,
  type InRoom,
  type InSegment,
  type Vec3,
} from '../geometry/vector';
import { bonesOf, landmarkOf, markOf, skinOf, structureOf, type Body, type SkinPiece } from './body';
import { merged } from './intervals';
import type { Landmark } from './mannequin';
import type { Primitive } from './primitive';
import type { Posture } from './pose';
import { moveShape, rayInterval, supportPoint, supportReach, type Bound, type Interval, type Shape } from './shape';

/** In the room, or by itself in the patient’s own axes; where nothing is said, in either. */

export type PosedBody<A = any> = {
  body: Body;
  /** Anatomical position to the turned body, by segment; without the slide. */
  frames: Readonly<Record<string, Frame<InSegment, A>>>;
  posture: Posture;
  /** Patient frame to room, with the slide. */
  place: Frame<InPatient, A>;
  slide: Vec3<A>;
  /** Skin of the turned body, without the slide. */
  skin: readonly SkinPiece[];
};

const NO_SHIFT: Vec3 = [0, 0, 0];

/** A piece of skin carried along by its segment. Most are asked no more than where they lie: the shape follows when it is. */
class MovedSkin implements SkinPiece {
  readonly segment: string;
  readonly bound: Bound;
  private moved: Shape | undefined;
  constructor(
    private readonly piece: SkinPiece,
    private readonly frame: Frame,
  ) {
    this.segment = piece.segment;
    const { middle, radiusMm } = piece.bound;
    this.bound = { middle: applyToPoint(frame, middle), radiusMm };
  }
  get shape(): Shape {
    return (this.moved ??= moveShape(this.piece.shape, this.frame));
  }
}

/**
 * @param before the same body in another posture at the same place: what has not moved is taken from it
 */
export function placeBody<A>(
  body: Body,
  posture: Posture,
  place: Frame<InPatient, A>,
  before?: PosedBody<A>,
): PosedBody<A> {
  const unchanged = before?.body === body && before.place === place ? before : undefined;
  const frames: Record<string, Frame<InSegment, A>> = {};
  // Most segments ride on their parent unturned and share its frame.
  const known = new Map<Frame, Frame<InSegment, A>>();
  for (const id of Object.keys(posture)) {
    let frame = known.get(posture[id]);
    if (!frame) known.set(posture[id], (frame = compose(place, posture[id])));
    frames[id] = frame;
  }
  const skin = skinOf(body).map((piece, i): SkinPiece =>
    unchanged && unchanged.posture[piece.segment] === posture[piece.segment]
      ? unchanged.skin[i]
      : new MovedSkin(piece, frames[piece.segment]),
  );
  return { body, posture, frames, place, slide: NO_SHIFT, skin };
}

/** The same body moved by a vector. */
export const slideBody = <A>(posed: PosedBody<A>, by: Vec3<A>): PosedBody<A> => ({
  ...posed,
  place: shifted(posed.place, by),
  slide: add(posed.slide, by),
});

/** The root of all segments, whose axes are the patient’s own. */
export const ROOT_SEGMENT = 'pelvis';
/** What carries the axes of the root carries the patient’s. */
export const asPlace = <A>(ofRoot: Frame<InSegment, A>): Frame<InPatient, A> => ofRoot as Frame as Frame<InPatient, A>;

/** Frame of one segment in the room, slide included. */
export const segmentFrame = <A>(posed: PosedBody<A>, segment: string): Frame<InSegment, A> =>
  shifted(posed.frames[segment], posed.slide);

export function posedLandmark<A>(posed: PosedBody<A>, id: string): Landmark<A> {
  const landmark = landmarkOf(posed.body, id);
  const frame = posed.frames[landmark.segment];
  return {
    ...landmark,
    p: add(applyToPoint(frame, landmark.p), posed.slide),
    dir: applyToDirection(frame, landmark.dir),
  };
}

/** A landmark or the middle of a structure where it stands. */
export function posedMark<A>(posed: PosedBody<A>, id: string): Pick<Landmark<A>, 'id' | 'p' | 'segment'> {
  const mark = markOf(posed.body, id);
  return { ...mark, p: add(applyToPoint(posed.frames[mark.segment], mark.p), posed.slide) };
}

const movedBy = <A>(posed: PosedBody<A>, primitive: Primitive): Primitive => ({
  ...primitive,
  shape: moveShape(primitive.shape, segmentFrame(posed, primitive.segment)),
});

export const posedStructure = <A>(posed: PosedBody<A>, id: string): Primitive =>
  movedBy(posed, structureOf(posed.body, id));
export const posedBones = <A>(posed: PosedBody<A>, keep: (reference: Primitive) => boolean): Primitive[] =>
  bonesOf(posed.body, keep).map((bone) => movedBy(posed, bone));
/** Skin of what the patient has, without the slide. */
export const presentSkin = <A>({ body, skin }: PosedBody<A>): readonly SkinPiece[] =>
  body.gone.size === 0 ? skin : skin.filter(({ segment }) => !body.gone.has(segment));

/** The skin where it stands, for drawing. */
export function posedSkin<A>(posed: PosedBody<A>): SkinPiece[] {
  const frame: Frame = shifted([1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1], posed.slide);
  return presentSkin(posed).map((piece) => new MovedSkin(piece, frame));
}

/**
 * How far the skin reaches in a direction: the contact with what lies there.
 * @param segments only these, whether the patient has them or not; all that there are when left out
 * @returns coordinate along `d` in mm and the point of contact
 */
export function furthestSkin<A>(
  posed: PosedBody<A>,
  d: Vec3<A>,
  segments?: readonly string[],
): { reachMm: number; point: Vec3<A> } {
  let furthest: SkinPiece | undefined;
  let reachMm = -Infinity;
  for (const primitive of posed.skin) {
    const { middle, radiusMm } = primitive.bound;
    if (dot(middle, d) + radiusMm <= reachMm) continue;
    if (segments ? !segments.includes(primitive.segment) : posed.body.gone.has(primitive.segment)) continue;
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
export function skinSpans<A>(
  posed: PosedBody<A>,
  through: Vec3<A>,
  d: Vec3<A>,
  segments?: readonly string[],
): readonly Interval[] {
  const from = subtract(through, posed.slide);
  const spans: Interval[] = [];
  for (const piece of posed.skin) {
    if (isMissed(piece.bound, from, d)) continue;
    if (segments ? !segments.includes(piece.segment) : posed.body.gone.has(piece.segment)) continue;
    const span = rayInterval(piece.shape, from, d);
    if (span) spans.push(span);
  }
  return merged(spans);
}

/** Whether a line passes a ball by. */
function isMissed({ middle, radiusMm }: Bound, from: Vec3, d: Vec3): boolean {
  const x = middle[0] - from[0];
  const y = middle[1] - from[1];
  const z = middle[2] - from[2];
  const along = x * d[0] + y * d[1] + z * d[2];
  return x * x + y * y + z * z - along * along > radiusMm * radiusMm;
}

export type SkinCrossing<A = InRoom> = { entry: Vec3<A>; exit: Vec3<A>; thicknessMm: number };

/**
 * Where a line enters and leaves the body, and how much body it crosses (gaps between limbs left out).
 * @param through any point of the line; @param d unit direction of the beam
 * @param segments only these parts of the body; all when left out
 */
export function crossSkin<A>(
  posed: PosedBody<A>,
  through: Vec3<A>,
  d: Vec3<A>,
  segments?: readonly string[],
): SkinCrossing<A> | null {
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
