/**
 * A stand-in for the detector: answers an exposure with an index that scatters about the room's target as real ones
 * do. The same exposure id always reads the same.
 */
import { ROOM_ONE, type SetupRequest } from '@taktik/core';

/** Spread of real deviation indices, 1 SD, at the low end of what audits report. */
const SPREAD_DI = 1;

/** A number 0 to 1 from a text (FNV-1a), for a repeatable draw. */
function fraction(text: string): number {
  let hash = 0x811c9dc5;
  for (const character of text) hash = Math.imul(hash ^ character.charCodeAt(0), 0x01000193);
  return (hash >>> 0) / 0x1_0000_0000;
}

export function readDetector(
  exposureId: string,
  request: SetupRequest,
): { exposureIndex: number; targetIndex: number } {
  const targetIndex = (request.room ?? ROOM_ONE).generator.targetIndex;
  // Two draws make one normal deviate (polar method without its loop).
  const [a, b] = [fraction(`${exposureId}a`), fraction(`${exposureId}b`)];
  const deviate = Math.sqrt(-2 * Math.log(Math.max(a, 1e-9))) * Math.cos(2 * Math.PI * b);
  return { exposureIndex: Math.max(1, Math.round(targetIndex * 10 ** ((deviate * SPREAD_DI) / 10))), targetIndex };
}
