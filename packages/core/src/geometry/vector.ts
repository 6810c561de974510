/**
 * Vectors in millimetres as plain triples of numbers, computed by gl-matrix in double precision
 * (its own Float32 arrays would lose a tenth of a millimetre over a room).
 */
import { vec3 } from 'gl-matrix';

export type Vec3 = readonly [number, number, number];
export type Vec2 = readonly [number, number];

const out = (): [number, number, number] => [0, 0, 0];

export const add = (a: Vec3, b: Vec3): Vec3 => vec3.add(out(), a, b) as unknown as Vec3;
export const subtract = (a: Vec3, b: Vec3): Vec3 => vec3.subtract(out(), a, b) as unknown as Vec3;
export const scale = (a: Vec3, by: number): Vec3 => vec3.scale(out(), a, by) as unknown as Vec3;
/** a + b * by */
export const addScaled = (a: Vec3, b: Vec3, by: number): Vec3 => vec3.scaleAndAdd(out(), a, b, by) as unknown as Vec3;
export const multiply = (a: Vec3, b: Vec3): Vec3 => vec3.multiply(out(), a, b) as unknown as Vec3;
export const cross = (a: Vec3, b: Vec3): Vec3 => vec3.cross(out(), a, b) as unknown as Vec3;
export const dot = (a: Vec3, b: Vec3): number => vec3.dot(a, b);
export const length = (a: Vec3): number => vec3.length(a);
export const distance = (a: Vec3, b: Vec3): number => vec3.distance(a, b);
export const negate = (a: Vec3): Vec3 => [-a[0], -a[1], -a[2]];
export const midpoint = (a: Vec3, b: Vec3): Vec3 => vec3.lerp(out(), a, b, 0.5) as unknown as Vec3;

/** Unit vector. @throws RangeError for the zero vector */
export function normalize(a: Vec3): Vec3 {
  const size = length(a);
  if (!(size > 0)) throw new RangeError('a direction needs a length above 0');
  return scale(a, 1 / size);
}
