import type { Order } from '../../state/api';
import { filterOrders, isFiltered, noFilter, wardsOf } from './orderFilter';

const order = (id: string, change: Partial<Order>): Order => ({
  id,
  exam: 'Knee, routine',
  side: 'left',
  reason: 'Pain',
  urgency: 'routine',
  ward: 'Ward 2',
  roomId: 'room-1',
  orderedAt: 1,
  state: 'waiting',
  patient: { id: 'p', initials: 'AB', body: {}, number: null, issuer: '' },
  situation: {},
  unusual: [],
  projections: [],
  reference: null,
  ...{ system: '', requester: '', note: '' },
  planVersion: 1,
  planBy: null,
  heldBy: null,
  ...change,
});
const orders = [
  order('a', { urgency: 'now', ward: 'Ward 4, bed 11' }),
  order('b', { roomId: 'room-2', heldBy: 'Ines Oakfield', state: 'started' }),
  order('c', { exam: 'Chest, mobile', patient: { id: 'p', initials: 'QZ', body: {}, number: null, issuer: '' } }),
];
const ids = (filter: Partial<typeof noFilter>) =>
  filterOrders(orders, { ...noFilter, ...filter }, 'Ines Oakfield').map(({ id }) => id);

test.each([
  [{}, ['a', 'b', 'c']],
  [{ mine: true }, ['b']],
  [{ urgency: 'now' as const }, ['a']],
  [{ roomId: 'room-2' }, ['b']],
  [{ ward: 'Ward 4' }, ['a']],
  [{ ward: 'Ward 4', urgency: 'today' as const }, []],
  [{ text: 'ward 4' }, ['a']],
  [{ text: ' chest' }, ['c']],
  [{ text: 'qz' }, ['c']],
  [{ text: 'qz', mine: true }, []],
])('%j shows %j', (filter, expected) => expect(ids(filter)).toEqual(expected));

test('a filter knows whether it hides anything', () => {
  expect(isFiltered(noFilter)).toBe(false);
  expect(isFiltered({ ...noFilter, text: 'a' })).toBe(true);
});

test('wards are listed once each, without the bed, Ward 4 before Ward 10', () => {
  const more = [...orders, order('d', { ward: 'Ward 10, bed 1' }), order('e', { ward: 'Ward 10, bed 2' })];
  expect(wardsOf(more)).toEqual(['Ward 2', 'Ward 4', 'Ward 10']);
});
