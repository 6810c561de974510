/**
 * A stand-in for console and detector: takes the technique and answers with an index that scatters about the room's
 * target as real ones do - and lies off it when the mAs was set off what the patient needs. The same exposure id always reads the same.
 */
import { computeSetup, ROOM_ONE, type SetupRequest } from '@taktik/core';

/** Spread of real deviation indices, 1 SD, at the low end of what audits report. */
const SPREAD_DI = 1;

/** A number 0 to 1 from a text (FNV-1a), for a repeatable draw. */
function fraction(text: string): number {
  let hash = 0x811c9dc5;
  for (const character of text) hash = Math.imul(hash ^ character.charCodeAt(0), 0x01000193);
  return (hash >>> 0) / 0x1_0000_0000;
}

/** mAs that this set-up needs when nobody pulls at the mAs: the kVp, SID and grid that were chosen stay. */
function neededMas(request: SetupRequest): number {
  const { mAs: _, ...overrides } = request.overrides ?? {};
  return computeSetup({ ...request, overrides }).exposure.mAs;
}

/**
 * @param mAs that the console was set to
 * The receptor gets more or less of what it needs in proportion to it.
 */
export function readDetector(
  exposureId: string,
  request: SetupRequest,
  mAs: number,
): { exposureIndex: number; targetIndex: number } {
  const targetIndex = (request.room ?? ROOM_ONE).generator.targetIndex;
  // Two draws make one normal deviate (polar method without its loop).
  const [a, b] = [fraction(`${exposureId}a`), fraction(`${exposureId}b`)];
  const deviate = Math.sqrt(-2 * Math.log(Math.max(a, 1e-9))) * Math.cos(2 * Math.PI * b);
  const share = request.overrides?.mAs === undefined ? 1 : mAs / neededMas(request);
  const exposureIndex = Math.max(1, Math.round(targetIndex * share * 10 ** ((deviate * SPREAD_DI) / 10)));
  return { exposureIndex, targetIndex };
}
