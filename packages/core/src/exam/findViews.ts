/** What is typed into a search, read as an order first: a view that is named so stands before what only sounds like it. */
import { projectionOf } from '../projections/catalogue';
import { digitsOf } from '../projections/digit';
import { findProjections, type ProjectionHit } from '../projections/search';
import { notXray } from '../interchange/orderGuard';
import { readOrder, type OrderRead } from './readOrder';

/** @property digit the one that was typed, where the view can be set for it; else null */
export type ViewHit = ProjectionHit & { digit: number | null };

/**
 * @param query what was typed
 * @returns best first
 * @example findViews('rt shldr Y')[0].projection.id // 'shoulder-scapular-y'
 */
export function findViews(query: string): ViewHit[] {
  const letters = findProjections(query);
  const read = query.trim() === '' || notXray(query) !== null ? null : readOrder(query);
  const [digit = null, ...others] = read?.digits ?? [];
  const setFor = (hit: ProjectionHit): ViewHit => ({
    ...hit,
    digit: digit !== null && others.length === 0 && digitsOf(hit.projection).includes(digit) ? digit : null,
  });
  return (read ? namedFirst(letters, read) : letters).map(setFor);
}

function namedFirst(hits: readonly ProjectionHit[], read: OrderRead): ProjectionHit[] {
  const named = read.read.flatMap(({ as, ids }) => (as === 'view' ? ids : []));
  const found = new Map(hits.map((hit) => [hit.projection.id, hit]));
  const order = new Map(hits.map(({ projection }, i) => [projection.id, i]));
  // An exam may begin with a view of another part (a chest before ribs): who searches means what has the words.
  const routine = [...read.projections].sort((a, b) => (order.get(a) ?? Infinity) - (order.get(b) ?? Infinity) || 0);
  // Words that were not understood may name what the reader does not know: then only what was named comes first.
  const front = [...new Set(read.unread.length === 0 ? [...named, ...routine] : named)];
  const first = front.map(
    (id): ProjectionHit => found.get(id) ?? { projection: projectionOf(id), score: 0, matched: null },
  );
  return [...first, ...hits.filter(({ projection }) => !front.includes(projection.id))];
}
