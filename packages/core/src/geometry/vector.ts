/**
 * Vectors in millimetres as plain triples of numbers. Written out rather than called through gl-matrix: these few run
 * thousands of times in every set-up, and its Float32 arrays would lose a tenth of a millimetre over a room.
 * Matrices (frame.ts) are gl-matrix.
 */

export type Vec3 = readonly [number, number, number];
export type Vec2 = readonly [number, number];

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const subtract = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec3, by: number): Vec3 => [a[0] * by, a[1] * by, a[2] * by];
/** a + b * by */
export const addScaled = (a: Vec3, b: Vec3, by: number): Vec3 => [a[0] + b[0] * by, a[1] + b[1] * by, a[2] + b[2] * by];
export const multiply = (a: Vec3, b: Vec3): Vec3 => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const length = (a: Vec3): number => Math.sqrt(dot(a, a));
export const distance = (a: Vec3, b: Vec3): number => length(subtract(a, b));
export const negate = (a: Vec3): Vec3 => [-a[0], -a[1], -a[2]];
/** From a (t = 0) to b (t = 1). */
export const lerp = (a: Vec3, b: Vec3, t: number): Vec3 => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
export const midpoint = (a: Vec3, b: Vec3): Vec3 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];

/** Unit vector. @throws RangeError for the zero vector */
export function normalize(a: Vec3): Vec3 {
  const size = length(a);
  if (!(size > 0)) throw new RangeError('a direction needs a length above 0');
  return scale(a, 1 / size);
}
