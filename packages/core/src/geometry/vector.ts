/**
 * Vectors in millimetres as plain triples of numbers. Written out rather than called through gl-matrix: these few run
 * thousands of times in every set-up, and its Float32 arrays would lose a tenth of a millimetre over a room.
 * Matrices (frame.ts) are gl-matrix.
 */

/** Of the patient: x to their left, y to the back, z to the head, from the middle between the hip joints. */
export type InPatient = { readonly axes: 'patient' };
/** Of the room: X along the table to its head end, Y across it, Z up, from the floor under its middle. */
export type InRoom = { readonly axes: 'room' };
/** Of the receptor: u across it, v up it, from its middle. */
export type InReceptor = { readonly axes: 'receptor' };
/**
 * Of a segment: those of the patient while it is in the anatomical position, and carried along when it moves. z along a
 * limb toward the trunk, y to its back, x to the patient’s left.
 */
export type InSegment = { readonly axes: 'segment' };

declare const axes: unique symbol;
/** Never there when the program runs: two vectors meant in different axes are two types. */
type MeantIn<A> = { readonly [axes]?: A };

/**
 * Three numbers, in the axes A where it is known; one of any axes where nothing is said. Those of the room cannot be
 * added to those of the patient: a Frame carries them over.
 * @example const aim: Vec3<InRoom> = applyToPoint(posed.place, landmark.p);
 */

export type Vec3<A = any> = readonly [number, number, number] & MeantIn<A>;

export type Vec2<A = any> = readonly [number, number] & MeantIn<A>;

export const add = <A>(a: Vec3<A>, b: Vec3<A>): Vec3<A> => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const subtract = <A>(a: Vec3<A>, b: Vec3<A>): Vec3<A> => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = <A>(a: Vec3<A>, by: number): Vec3<A> => [a[0] * by, a[1] * by, a[2] * by];
/** a + b * by */
export const addScaled = <A>(a: Vec3<A>, b: Vec3<A>, by: number): Vec3<A> => [
  a[0] + b[0] * by,
  a[1] + b[1] * by,
  a[2] + b[2] * by,
];
export const multiply = <A>(a: Vec3<A>, b: Vec3<A>): Vec3<A> => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];
export const cross = <A>(a: Vec3<A>, b: Vec3<A>): Vec3<A> => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const dot = <A>(a: Vec3<A>, b: Vec3<A>): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const length = <A>(a: Vec3<A>): number => Math.sqrt(dot(a, a));
export const distance = <A>(a: Vec3<A>, b: Vec3<A>): number => length(subtract(a, b));
export const negate = <A>(a: Vec3<A>): Vec3<A> => [-a[0], -a[1], -a[2]];
/** From a (t = 0) to b (t = 1). */
export const lerp = <A>(a: Vec3<A>, b: Vec3<A>, t: number): Vec3<A> => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
export const midpoint = <A>(a: Vec3<A>, b: Vec3<A>): Vec3<A> => [
  (a[0] + b[0]) / 2,
  (a[1] + b[1]) / 2,
  (a[2] + b[2]) / 2,
];

/** Unit vector. @throws RangeError for the zero vector */
export function normalize<A>(a: Vec3<A>): Vec3<A> {
  const size = length(a);
  if (!(size > 0)) throw new RangeError('a direction needs a length above 0');
  return scale(a, 1 / size);
}
