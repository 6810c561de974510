/**
 * Errors of positioning that the simulated console makes, so that its picture has to be judged: small ones as a rule,
 * and now and then one that must be repeated. The same exposure always lies the same.
 * Source: invented spread, of the size that audits of positioning report [C].
 */
import type { PositioningError } from './positioningError';
import { seeded } from './noise';

/** A number from a text (FNV-1a), for a repeatable draw. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const character of text) hash = Math.imul(hash ^ character.charCodeAt(0), 0x01000193);
  return hash >>> 0;
}

const SMALL_DEG = 1.5;
const SMALL_MM = 5;
/** One picture in so many is plainly wrong in one way. */
const WRONG_ONE_IN = 6;
const WRONG_DEG = [7, 11] as const;
const WRONG_MM = [35, 60] as const;

export function consolePositioningError(exposureId: string): PositioningError {
  const draw = seeded(seedOf(exposureId));
  // The sum of two draws is likelier in the middle than at the ends.
  const about = (most: number) => Math.round((draw() + draw() - 1) * most * 10) / 10;
  const positioningError: PositioningError = {
    rollDeg: about(SMALL_DEG),
    tiltDeg: about(SMALL_DEG),
    turnDeg: about(SMALL_DEG),
    alongMm: Math.round(about(SMALL_MM)),
    acrossMm: Math.round(about(SMALL_MM)),
  };
  if (draw() * WRONG_ONE_IN >= 1) return positioningError;
  const sense = draw() < 0.5 ? -1 : 1;
  const size = ([low, high]: readonly [number, number]) => Math.round(low + draw() * (high - low)) * sense;
  return draw() < 0.5
    ? { ...positioningError, rollDeg: size(WRONG_DEG) }
    : { ...positioningError, alongMm: size(WRONG_MM) };
}
