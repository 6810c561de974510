/** How a position is asked for: with what sets the head, or without it where head and neck must stay. */
import type { Projection } from '../../projections/schema';
import { capitalize } from '../../quantity/text';
import { lineName, SQUARE_DEG } from './headLine';

export const AS_IT_LIES = 'head and neck as they lie';

type Asked = { say: string; head?: string };

/**
 * @param keeps head and neck stay: what was to be square goes on the tube
 * @example askFor({ say: 'Supine', head: 'chin up' }, {}, true) // "Supine, head and neck as they lie"
 */
export function askFor({ say, head }: Asked, { headLine }: Pick<Projection, 'headLine'>, keeps: boolean): string {
  if (!head) return say;
  const square = headLine?.toReceptorDeg === SQUARE_DEG;
  const instead = square
    ? `${AS_IT_LIES}: what the ${lineName(headLine.line)} is off the perpendicular goes on the tube`
    : AS_IT_LIES;
  return capitalize([say, keeps ? instead : head].filter((part) => part !== '').join(', '));
}
