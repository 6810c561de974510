/** Which orders are shown: pure, so that it is tested without a screen. */
import type { Order } from '../../state/api';

export type OrderFilter = {
  mine: boolean;
  urgency: Order['urgency'] | 'all';
  roomId: string;
  /** Part of the ward, the exam or the initials. */
  text: string;
};
export const ALL_ROOMS = 'all';
export const noFilter: OrderFilter = { mine: false, urgency: 'all', roomId: ALL_ROOMS, text: '' };

export function filterOrders(orders: readonly Order[], filter: OrderFilter, person: string): Order[] {
  const text = filter.text.trim().toLowerCase();
  return orders.filter(
    (order) =>
      (!filter.mine || order.heldBy === person) &&
      (filter.urgency === 'all' || order.urgency === filter.urgency) &&
      (filter.roomId === ALL_ROOMS || order.roomId === filter.roomId) &&
      (text === '' ||
        [order.ward, order.exam, order.patient.initials].some((each) => each.toLowerCase().includes(text))),
  );
}

export const isFiltered = (filter: OrderFilter): boolean => JSON.stringify(filter) !== JSON.stringify(noFilter);
