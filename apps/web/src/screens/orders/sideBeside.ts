/** The side of an order as it stands behind its words: nothing where the words say it themselves. */
import { sidesIn } from '@taktik/core';
import type { Order } from '../../state/api';

export function sideBeside({ exam, side }: Pick<Order, 'exam' | 'side'>): string {
  const said = sidesIn(exam);
  return side && !(said.size === 1 && said.has(side)) ? `, ${side}` : '';
}
