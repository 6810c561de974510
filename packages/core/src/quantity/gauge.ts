/** A level from the pull of gravity on a device: how far its back lies out of the horizontal. */
import { clamp, toDegrees } from './angle';

/** Pull on the device along its short edge, long edge and out of its face, in any unit. */
export type Pull = readonly [number, number, number];

/** Less than this is a device in free fall, or one that tells nothing. */
const LEAST_PULL = 1;
/** The share of a new reading: a hand trembles. */
const FRESH = 0.2;
/** Readings that tell whether it lies still, and within what. */
export const STEADY_READINGS = 12;
const STEADY_DEG = 0.6;

/**
 * @returns 0° lying flat on face or back, 90° upright on an edge; null where the sensor tells nothing
 * @example inclination([0, 0, 9.81]) // 0
 */
export function inclination([x, y, z]: Pull): number | null {
  const all = Math.hypot(x, y, z);
  if (!Number.isFinite(all) || all < LEAST_PULL) return null;
  return toDegrees(Math.acos(clamp(Math.abs(z) / all, 0, 1)));
}

/** The pull with less of a tremble. @param before null for the first */
export const smoothed = (before: Pull | null, now: Pull): Pull =>
  before === null ? now : ([0, 1, 2].map((i) => before[i]! * (1 - FRESH) + now[i]! * FRESH) as unknown as Pull);

/**
 * The pull as it would be if the device had shown 0° where it was laid flat: turned by what it showed there.
 * @param flat pull on a surface that is known to be level; null where none was tried
 */
export function calibrated(pull: Pull, flat: Pull | null): Pull {
  if (flat === null) return pull;
  const all = Math.hypot(...flat);
  const k: Pull = [flat[1] / all, -flat[0] / all, 0];
  const sin = Math.hypot(k[0], k[1]);
  if (sin < 1e-6) return pull;
  const axis: Pull = [k[0] / sin, k[1] / sin, 0];
  const up = Math.sign(flat[2] || 1);
  const [c, s] = [Math.abs(flat[2]) / all, sin * up];
  const cross: Pull = [
    axis[1] * pull[2] - axis[2] * pull[1],
    axis[2] * pull[0] - axis[0] * pull[2],
    axis[0] * pull[1] - axis[1] * pull[0],
  ];
  const along = axis[0] * pull[0] + axis[1] * pull[1] + axis[2] * pull[2];
  // Rodrigues: a turn about the axis that brings the flat pull back onto the face.
  return [0, 1, 2].map((i) => pull[i]! * c + cross[i]! * s + axis[i]! * along * (1 - c)) as unknown as Pull;
}

/** Whether the last readings lie close together. */
export const isSteady = (degrees: readonly number[]): boolean =>
  degrees.length >= STEADY_READINGS && Math.max(...degrees) - Math.min(...degrees) <= STEADY_DEG;
