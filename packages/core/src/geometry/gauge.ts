/** A level from the pull of gravity on a device: how far its back lies out of the horizontal. */
import { clamp, toDegrees } from '../quantity/angle';
import { applyToDirection, rotationAbout } from './frame';
import { add, cross, dot, length, scale, type Vec3 } from './vector';

/** Pull on the device along its short edge, long edge and out of its face, in any unit. */
export type Pull = Vec3;

/** Less than this is a device in free fall, or one that tells nothing. */
const LEAST_PULL = 1;
/** A surface that is out by less is level. */
const LEAST_TURN = 1e-6;
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
  before === null ? now : add(scale(before, 1 - FRESH), scale(now, FRESH));

/**
 * The pull as it would be if the device had shown 0° where it was laid flat: turned by what it showed there.
 * @param flat pull on a surface that is known to be level; null where none was tried
 */
export function calibrated(pull: Pull, flat: Pull | null): Pull {
  if (flat === null) return pull;
  const face: Pull = [0, 0, Math.sign(flat[2] || 1)];
  const axis = cross(flat, face);
  const off = length(axis);
  if (off < LEAST_TURN) return pull;
  return applyToDirection(rotationAbout([0, 0, 0], axis, toDegrees(Math.atan2(off, dot(flat, face)))), pull);
}

/** Whether the last readings lie close together. */
export const isSteady = (degrees: readonly number[]): boolean =>
  degrees.length >= STEADY_READINGS && Math.max(...degrees) - Math.min(...degrees) <= STEADY_DEG;
