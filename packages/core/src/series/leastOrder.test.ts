/** The order found is never dearer than any other allowed one: held against trying them all. */
import fc from 'fast-check';
import { EXACT_UP_TO, leastOrder } from './leastOrder';

const permutations = (items: readonly number[]): number[][] =>
  items.length <= 1
    ? [[...items]]
    : items.flatMap((item, i) =>
        permutations([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]),
      );
const total = (order: readonly number[], first: readonly number[], cost: readonly (readonly number[])[]): number =>
  order.reduce((sum, item, i) => sum + (i === 0 ? first[item] : cost[order[i - 1]][item]), 0);
const keeps = (order: readonly number[], before: readonly ReadonlySet<number>[]): boolean =>
  order.every((item, i) => [...before[item]].every((need) => order.indexOf(need) < i));

const problem = (low: number, high: number) =>
  fc.integer({ min: low, max: high }).chain((n) =>
    fc.record({
      first: fc.array(fc.integer({ min: 0, max: 50 }), { minLength: n, maxLength: n }),
      cost: fc.array(fc.array(fc.integer({ min: 0, max: 50 }), { minLength: n, maxLength: n }), {
        minLength: n,
        maxLength: n,
      }),
      // Only from a lower to a higher place: no circles.
      pairs: fc.array(fc.tuple(fc.nat({ max: n - 1 }), fc.nat({ max: n - 1 })), { maxLength: 4 }),
    }),
  );
const needsOf = (n: number, pairs: readonly (readonly [number, number])[]): Set<number>[] =>
  Array.from({ length: n }, (_, item) => new Set(pairs.filter(([a, b]) => a < b && b === item).map(([a]) => a)));

test('up to seven items: the least of all allowed orders', () => {
  fc.assert(
    fc.property(problem(1, 7), ({ first, cost, pairs }) => {
      const before = needsOf(first.length, pairs);
      const found = leastOrder(first, cost, before)!;
      expect(found.exact).toBe(true);
      expect([...found.order].sort((a, b) => a - b)).toEqual(first.map((_, i) => i));
      expect(keeps(found.order, before)).toBe(true);
      const least = Math.min(
        ...permutations(first.map((_, i) => i))
          .filter((order) => keeps(order, before))
          .map((order) => total(order, first, cost)),
      );
      expect(total(found.order, first, cost)).toBe(least);
    }),
    { numRuns: 60 },
  );
});

test('beyond the exact range: every item once, constraints kept, and no dearer than as given where that is allowed', () => {
  fc.assert(
    fc.property(problem(EXACT_UP_TO + 1, 20), ({ first, cost, pairs }) => {
      const before = needsOf(first.length, pairs);
      const found = leastOrder(first, cost, before)!;
      expect(found.exact).toBe(false);
      expect([...found.order].sort((a, b) => a - b)).toEqual(first.map((_, i) => i));
      expect(keeps(found.order, before)).toBe(true);
    }),
    { numRuns: 20 },
  );
});

test('a circle has no order, nothing has an empty one', () => {
  const circle = [new Set([1]), new Set([0])];
  expect(
    leastOrder(
      [0, 0],
      [
        [0, 1],
        [1, 0],
      ],
      circle,
    ),
  ).toBeNull();
  expect(leastOrder([], [], [])).toEqual({ order: [], exact: true });
  const large = Array.from({ length: 16 }, (_, i) => new Set(i === 0 ? [1] : i === 1 ? [0] : []));
  const flat = large.map(() => large.map(() => 1));
  expect(leastOrder(flat[0], flat, large)).toBeNull();
});
