/**
 * Rigid frames: a 4×4 column-major matrix that carries points of one frame to another (gl-matrix layout).
 */
import { mat4, type vec3 } from 'gl-matrix';
import { toRadians } from '../quantity/angle';
import { cross, type Vec3 } from './vector';

declare const carries: unique symbol;

/**
 * Carries points from the axes From to the axes To, where these are known.
 * @example const place: Frame<InPatient, InRoom> = posed.place; // inverse(place) is a Frame<InRoom, InPatient>
 */

export type Frame<From = any, To = any> = readonly number[] & {
  /** Never there when the program runs. */
  readonly [carries]?: { from: From; to: To };
};

const out16 = (): number[] => new Array<number>(16).fill(0);
const asFrame = (m: unknown): Frame => m as Frame;

export const IDENTITY: Frame = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1];

/** First `inner`, then `outer`. */
export const compose = <From, Between, To>(outer: Frame<Between, To>, inner: Frame<From, Between>): Frame<From, To> =>
  asFrame(mat4.multiply(out16() as unknown as mat4, outer as unknown as mat4, inner as unknown as mat4));

/** The frame that undoes this one. */
export const inverse = <From, To>(frame: Frame<From, To>): Frame<To, From> =>
  asFrame(mat4.invert(out16() as unknown as mat4, frame as unknown as mat4));

export function applyToPoint<From, To>(frame: Frame<From, To>, p: Vec3<From>): Vec3<To> {
  const m = frame;
  return [
    m[0] * p[0] + m[4] * p[1] + m[8] * p[2] + m[12],
    m[1] * p[0] + m[5] * p[1] + m[9] * p[2] + m[13],
    m[2] * p[0] + m[6] * p[1] + m[10] * p[2] + m[14],
  ];
}

export function applyToDirection<From, To>(frame: Frame<From, To>, d: Vec3<From>): Vec3<To> {
  const m = frame;
  return [
    m[0] * d[0] + m[4] * d[1] + m[8] * d[2],
    m[1] * d[0] + m[5] * d[1] + m[9] * d[2],
    m[2] * d[0] + m[6] * d[1] + m[10] * d[2],
  ];
}

/** Rotation by an angle in degrees about an axis through a point (right-hand rule). */
export function rotationAbout<A>(point: Vec3<A>, axis: Vec3<A>, degrees: number): Frame<A, A> {
  const m = out16() as unknown as mat4;
  mat4.fromRotation(m, toRadians(degrees), axis as unknown as vec3);
  const turned = applyToPoint(asFrame(m), point);
  return shifted(asFrame(m), [point[0] - turned[0], point[1] - turned[1], point[2] - turned[2]]);
}

/**
 * The rotation that carries the orthonormal pair (a, b) onto (A, B), then moves by `shift`.
 * @param a unit vector in the source frame, `b` unit and square to it; likewise A, B in the target frame
 */
export function frameFromPairs<From, To>(
  a: Vec3<From>,
  b: Vec3<From>,
  A: Vec3<To>,
  B: Vec3<To>,
  shift: Vec3<To> = [0, 0, 0],
): Frame<From, To> {
  const c = cross(a, b);
  const C = cross(A, B);
  const m = out16();
  for (let row = 0; row < 3; row += 1) {
    for (let col = 0; col < 3; col += 1) m[col * 4 + row] = A[row] * a[col] + B[row] * b[col] + C[row] * c[col];
    m[12 + row] = shift[row];
  }
  m[15] = 1;
  return m;
}

/** The same frame moved by a vector in the target frame. */
export function shifted<From, To>(frame: Frame<From, To>, by: Vec3<To>): Frame<From, To> {
  const m = [...frame];
  m[12] += by[0];
  m[13] += by[1];
  m[14] += by[2];
  return m;
}

/** A direction of the outer axes in those of a frame that only turns and shifts: the inverse without inverting. */
export const intoFrame = <From, To>(frame: Frame<From, To>, [x, y, z]: Vec3<To>): Vec3<From> => [
  frame[0] * x + frame[1] * y + frame[2] * z,
  frame[4] * x + frame[5] * y + frame[6] * z,
  frame[8] * x + frame[9] * y + frame[10] * z,
];
