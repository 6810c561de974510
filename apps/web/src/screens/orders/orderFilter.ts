/** Which orders are shown: pure, so that it is tested without a screen. */
import type { Order } from '../../state/api';

export type OrderFilter = {
  mine: boolean;
  urgency: Order['urgency'] | 'all';
  roomId: string;
  ward: string;
  /** Part of the ward, the exam or the initials. */
  text: string;
};
export const ALL = 'all';
export const noFilter: OrderFilter = { mine: false, urgency: 'all', roomId: ALL, ward: ALL, text: '' };

export function filterOrders(orders: readonly Order[], filter: OrderFilter, person: string): Order[] {
  const text = filter.text.trim().toLowerCase();
  return orders.filter(
    (order) =>
      (!filter.mine || order.heldBy === person) &&
      (filter.urgency === 'all' || order.urgency === filter.urgency) &&
      (filter.roomId === ALL || order.roomId === filter.roomId) &&
      (filter.ward === ALL || wardOf(order) === filter.ward) &&
      (text === '' ||
        [order.ward, order.exam, order.patient.initials].some((each) => each.toLowerCase().includes(text))),
  );
}

/** The ward without the bed or cubicle in it. */
const wardOf = ({ ward }: Pick<Order, 'ward'>): string => ward.split(',')[0].trim();

/** The wards that orders wait in, by name. */
export const wardsOf = (orders: readonly Order[]): string[] =>
  [...new Set(orders.map(wardOf))].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));

export const isFiltered = (filter: OrderFilter): boolean => JSON.stringify(filter) !== JSON.stringify(noFilter);
