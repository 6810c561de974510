/** Which side lies down so that what is looked for shows: fluid sinks, air rises. */
import type { Projection } from '../../projections/schema';
import type { Situation } from '../request';
import type { Side } from '../setup';

/** What only a level ray shows, where it is looked for. */
export const levelSign = ({ suspected }: Pick<Situation, 'suspected'>): 'free gas' | 'fluid level' | null =>
  suspected.includes('free gas') ? 'free gas' : suspected.includes('fluid level') ? 'fluid level' : null;

export const opposite = (side: Side): Side => (side === 'left' ? 'right' : 'left');

type Looked = Pick<Situation, 'suspected' | 'suspectedSide'>;

/**
 * The side that must lie down. In the chest fluid is looked for on the side down and air on the side up; in the abdomen
 * free air shows along the liver, whatever hurts.
 * @returns null where nothing is looked for, or nobody knows on which side
 */
export function dependentSide({ region }: Pick<Projection, 'region'>, situation: Looked): Side | null {
  const { suspected, suspectedSide: side } = situation;
  if (region === 'abdomen') return suspected.includes('free gas') ? 'left' : null;
  if (region !== 'chest' || side === undefined || side === 'unknown') return null;
  // Where both are looked for the fluid decides: it is what the side down is taken for.
  if (suspected.includes('fluid level')) return side;
  return suspected.includes('free gas') ? opposite(side) : null;
}

/** In a chest that lies on its side the side must be known, and somebody has to ask. */
export const mustAskSide = ({ region }: Pick<Projection, 'region'>, situation: Looked): boolean =>
  region === 'chest' && levelSign(situation) !== null && (situation.suspectedSide ?? 'unknown') === 'unknown';
