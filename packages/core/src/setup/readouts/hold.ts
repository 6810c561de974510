/** Who does not keep still: held by somebody who may, or immobilized by what serves at this age. */
import { ADULT_AGE_YEARS } from '../../body/anthropometry';
import type { HoldFact } from '../../words/stepWords';
import type { Setup } from '../setup';

/** Ages up to which a child is swaddled, and wrapped [typical]. */
const SWADDLED_UNDER = 1;
const WRAPPED_UNDER = 7;

/**
 * @returns null for who keeps still
 * @example holdOf({ situation, patient: { ageYears: 0.3 } }) // { who: 'nobody', by: 'swaddling' }
 */
export function holdOf({ situation, patient }: Pick<Setup, 'situation' | 'patient'>): HoldFact | null {
  if (situation.holdsStill) return null;
  const { ageYears = ADULT_AGE_YEARS } = patient;
  const by = ageYears < SWADDLED_UNDER ? 'swaddling' : ageYears < WRAPPED_UNDER ? 'wrapping' : 'bands';
  // One who may be pregnant never holds, whoever asks.
  if (situation.holder === 'may be pregnant') return { who: 'not-pregnant', by };
  return { who: situation.holder === 'someone' ? 'adult' : 'nobody', by };
}
