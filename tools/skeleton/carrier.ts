/** Axes that bones are written in, in the frame of the reference body: x to the left, y to the back, z to the head. */
import type { Vec3 } from './field';

export type Carrier = { origin: Vec3; axes: readonly [Vec3, Vec3, Vec3] };

/** From the middle of the left wrist to the thumb, to the back of the hand, to the fingers. */
export const HAND: Carrier = {
  origin: [268, 8, -89],
  axes: [
    [0.9896, 0, 0.1437],
    [0.0034, 0.9997, -0.0237],
    [0.1436, -0.0239, -0.9893],
  ],
};

/** The axes of the body themselves. */
export const BODY: Carrier = {
  origin: [0, 0, 0],
  axes: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
};

/** A point that is written in axes of its own, in those of the body. */
export const toBody = ({ origin, axes }: Carrier, [x, y, z]: Vec3): Vec3 => [
  origin[0] + axes[0][0] * x + axes[1][0] * y + axes[2][0] * z,
  origin[1] + axes[0][1] * x + axes[1][1] * y + axes[2][1] * z,
  origin[2] + axes[0][2] * x + axes[1][2] * y + axes[2][2] * z,
];

/** The other way round: the axes are square to each other. */
export function fromBody({ origin, axes }: Carrier, p: Vec3): Vec3 {
  const q = [p[0] - origin[0], p[1] - origin[1], p[2] - origin[2]];
  const along = (axis: Vec3) => axis[0] * q[0] + axis[1] * q[1] + axis[2] * q[2];
  return [along(axes[0]), along(axes[1]), along(axes[2])];
}
