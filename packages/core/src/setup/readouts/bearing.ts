/** How a point on the skin lies from a landmark, in the axes of the part on which the landmark is. */
import { markOf } from '../../body/body';
import { crossSkin, posedMark, type PosedBody } from '../../body/posed';
import { applyToDirection } from '../../geometry/frame';
import { addScaled, cross, dot, negate, normalize, subtract, type InRoom, type Vec3 } from '../../geometry/vector';
import { ROOM_HEAD, ROOM_UP } from '../../room/position';
import type { AimedRay } from '../placing/place';
import type { Bearing, Direction } from '../../words/centreWords';

/** Closer than this is level with it: a fingertip's breadth. */
export const LEVEL_MM = 6;

type Axis = { d: Vec3; along: Direction; against: Direction };

const FOOT = /^(foot|talus|toes)_/;
const HAND = /^(radius|hand|finger\d)_/;
const LIMB = /^(upperarm|forearm|radius|hand|finger\d|thigh|shank|patella|foot|talus|toes)_/;

/** Beside the trunk directions are those of the trunk, however the arm has swung the scapula or the thigh the trochanter. */
function partOf(segment: string, id: string): string {
  if (/^(scapula|clavicle)_/.test(segment) || id === 'C7_sp') return 'thorax';
  if (/^greater_trochanter/.test(id)) return 'pelvis';
  if (/^wrist_centre_/.test(id)) return id.replace('wrist_centre', 'radius');
  return segment === 'mandible' ? 'head' : segment;
}

/** Names of the three axes of a segment: x to the patient's left, y to the back, z to the head. */
function axesOf(segment: string, side: 'L' | 'R' | null): readonly [Axis, Axis, Axis] {
  const [along, against]: [Direction, Direction] =
    side === 'L' ? ['lateral', 'medial'] : side === 'R' ? ['medial', 'lateral'] : ['left', 'right'];
  const across: Axis = { d: [1, 0, 0], along, against };
  if (FOOT.test(segment))
    return [
      across,
      { d: [0, 1, 0], along: 'proximal', against: 'distal' },
      { d: [0, 0, 1], along: 'dorsal', against: 'plantar' },
    ];
  const depth: Axis = HAND.test(segment)
    ? { d: [0, 1, 0], along: 'dorsal', against: 'palmar' }
    : { d: [0, 1, 0], along: 'posterior', against: 'anterior' };
  const length: Axis = LIMB.test(segment)
    ? { d: [0, 0, 1], along: 'proximal', against: 'distal' }
    : { d: [0, 0, 1], along: 'superior', against: 'inferior' };
  return [across, depth, length];
}

const sideOf = (id: string): 'L' | 'R' | null => (id.endsWith('_L') ? 'L' : id.endsWith('_R') ? 'R' : null);

export type AxisBearing = Bearing & {
  /** Signed along the axis, mm. */
  signedMm: number;
  /** Axis of the part, in the room. */
  axis: Vec3<InRoom>;
};

/**
 * The way from a landmark to a point, axis by axis of its part: across, front to back, along; mm, none left out.
 * @param from where the way begins, when it is not the landmark itself
 */
export function bearingsFrom(
  posed: PosedBody<InRoom>,
  of: string,
  point: Vec3<InRoom>,
  { p, midline }: { p: Vec3<InRoom>; midline: boolean } = { p: posedMark(posed, of).p, midline: false },
): readonly [AxisBearing, AxisBearing, AxisBearing] {
  const segment = partOf(markOf(posed.body, of).segment, of);
  const offset = subtract(point, p);
  const bearing = ({ d, along, against }: Axis): AxisBearing => {
    const axis = applyToDirection(posed.frames[segment], d);
    const signedMm = dot(offset, axis);
    return { axis, signedMm, mm: Math.abs(signedMm), toward: signedMm > 0 ? along : against };
  };
  const [across, depth, length] = axesOf(segment, midline ? null : sideOf(of));
  return [bearing(across), bearing(depth), bearing(length)];
}

/** Nearer than this to an axis of the part the ray enters square to the skin, as far as words go. */
const SQUARE = 0.9;
/** How far the skin beside the entry is probed. */
const PROBE_MM = 8;

/** Which way the skin faces where the ray enters; against the ray where that cannot be told. */
export function skinAt(
  posed: PosedBody<InRoom>,
  { crossing: { entry }, direction }: Pick<AimedRay, 'crossing' | 'direction'>,
  segments: readonly string[] | undefined,
): Vec3<InRoom> {
  const aside = Math.abs(direction[2]) < 0.8 ? ROOM_UP : ROOM_HEAD;
  const u = normalize(cross(direction, aside));
  const v = cross(direction, u);
  const beside = (d: Vec3<InRoom>) => crossSkin(posed, addScaled(entry, d, PROBE_MM), direction, segments)?.entry;
  const [one, other] = [beside(u), beside(v)];
  if (!one || !other) return negate(direction);
  const normal = normalize(cross(subtract(one, entry), subtract(other, entry)));
  return dot(normal, direction) > 0 ? negate(normal) : normal;
}

/**
 * Axis of a part that runs into the depth where the ray enters: along it nothing can be measured on the skin.
 * @param skin which way the skin faces there; asked only where the ray is square to no axis
 * @param taught axes along which the entry goes: of two that serve, the depth is none of these
 */
export function depthOf(
  bearings: readonly AxisBearing[],
  ray: Vec3<InRoom>,
  skin: () => Vec3<InRoom>,
  taught: readonly AxisBearing[] = [],
): AxisBearing {
  const nearest = (d: Vec3<InRoom>) =>
    [...bearings].sort((a, b) => Math.abs(dot(b.axis, d)) - Math.abs(dot(a.axis, d)))[0] as AxisBearing;
  const byRay = nearest(ray);
  if (Math.abs(dot(byRay.axis, ray)) >= SQUARE) return byRay;
  const bySkin = nearest(skin());
  return taught.includes(bySkin) && !taught.includes(byRay) ? byRay : bySkin;
}

/** The two that can be laid off on the skin, the one along the receptor first. */
export function onTheSkin(
  bearings: readonly AxisBearing[],
  depth: AxisBearing,
  up: Vec3<InRoom>,
): [along: AxisBearing, across: AxisBearing] {
  const flat = bearings.filter((each) => each !== depth);
  const [along, across] = flat.sort((a, b) => Math.abs(dot(b.axis, up)) - Math.abs(dot(a.axis, up)));
  return [along as AxisBearing, across as AxisBearing];
}
