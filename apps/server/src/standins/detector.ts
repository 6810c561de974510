/**
 * A stand-in for console and detector: answers with an index that scatters about what this set-up gives the receptor, as
 * real ones do. The same exposure id always reads the same.
 */
import { seedOf, type Setup } from '@taktik/core';

/** Spread of real deviation indices, 1 SD, at the low end of what audits report. */
const SPREAD_DI = 1;

/** A number 0 to 1 from a text, for a repeatable draw. */
const fraction = (text: string): number => seedOf(text) / 0x1_0000_0000;

/** Outside the model nothing is known of the index but what was aimed at. */
export function readDetector(
  exposureId: string,
  { exposure }: Pick<Setup, 'exposure'>,
): { exposureIndex: number; targetIndex: number } {
  const { targetIndex, expected } = exposure;
  // Two draws make one normal deviate (polar method without its loop).
  const [a, b] = [fraction(`${exposureId}a`), fraction(`${exposureId}b`)];
  const deviate = Math.sqrt(-2 * Math.log(Math.max(a, 1e-9))) * Math.cos(2 * Math.PI * b);
  const middle = expected?.index ?? targetIndex;
  return { exposureIndex: Math.max(1, Math.round(middle * 10 ** ((deviate * SPREAD_DI) / 10))), targetIndex };
}
