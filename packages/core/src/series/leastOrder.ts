/** The order of least cost through all items, each once, some before others. */

/** Up to here the order is found exactly, by dynamic programming over subsets (time 2ⁿ·n², memory 2ⁿ·n). */
export const EXACT_UP_TO = 14;

/**
 * @param first cost of beginning with each item
 * @param cost `cost[a][b]`: of going from a to b
 * @param before `before[b]`: bit mask of the items that must come before b (up to 14), or a set beyond
 * @returns indices in order, or null when the constraints run in a circle
 */
export function leastOrder(
  first: readonly number[],
  cost: readonly (readonly number[])[],
  before: readonly ReadonlySet<number>[],
): { order: number[]; exact: boolean } | null {
  const n = first.length;
  if (n === 0) return { order: [], exact: true };
  if (n <= EXACT_UP_TO) {
    const order = exactOrder(first, cost, before);
    return order && { order, exact: true };
  }
  const order = improvedOrder(first, cost, before);
  return order && { order, exact: false };
}

function exactOrder(
  first: readonly number[],
  cost: readonly (readonly number[])[],
  before: readonly ReadonlySet<number>[],
): number[] | null {
  const n = first.length;
  const needs = before.map((set) => [...set].reduce((mask, i) => mask | (1 << i), 0));
  const all = (1 << n) - 1;
  const flat = new Float64Array(n * n);
  for (let a = 0; a < n; a += 1) for (let b = 0; b < n; b += 1) flat[a * n + b] = cost[a][b];
  const best = new Float64Array((all + 1) * n).fill(Infinity);
  const from = new Int8Array((all + 1) * n).fill(-1);
  for (let i = 0; i < n; i += 1) if (needs[i] === 0) best[(1 << i) * n + i] = first[i];
  for (let done = 1; done <= all; done += 1) {
    for (let last = 0; last < n; last += 1) {
      const so = best[done * n + last];
      if (so === Infinity) continue;
      for (let next = 0; next < n; next += 1) {
        if (done & (1 << next) || (needs[next] & done) !== needs[next]) continue;
        const then = (done | (1 << next)) * n + next;
        const total = so + flat[last * n + next];
        if (total < best[then]) {
          best[then] = total;
          from[then] = last;
        }
      }
    }
  }
  let last = -1;
  for (let i = 0; i < n; i += 1)
    if (best[all * n + i] < Infinity && (last < 0 || best[all * n + i] < best[all * n + last])) last = i;
  if (last < 0) return null;
  const order: number[] = [];
  for (let done = all; last >= 0;) {
    order.push(last);
    const previous = from[done * n + last];
    done &= ~(1 << last);
    last = previous;
  }
  return order.reverse();
}

const allowed = (order: readonly number[], before: readonly ReadonlySet<number>[]): boolean => {
  const place = new Map(order.map((item, i) => [item, i]));
  return order.every((item, i) => [...before[item]].every((need) => place.get(need)! < i));
};
const totalOf = (order: readonly number[], first: readonly number[], cost: readonly (readonly number[])[]): number =>
  order.reduce((sum, item, i) => sum + (i === 0 ? first[item] : cost[order[i - 1]][item]), 0);

/** Nearest next, then every move of one run to another place that helps, until none does. */
function improvedOrder(
  first: readonly number[],
  cost: readonly (readonly number[])[],
  before: readonly ReadonlySet<number>[],
): number[] | null {
  let order: number[] = [];
  const left = new Set(first.keys());
  while (left.size > 0) {
    const free = [...left].filter((item) => [...before[item]].every((need) => !left.has(need)));
    if (free.length === 0) return null;
    const price = (item: number) => (order.length === 0 ? first[item] : cost[order[order.length - 1]][item]);
    const next = free.reduce((a, b) => (price(b) < price(a) ? b : a));
    order.push(next);
    left.delete(next);
  }
  for (let better = true; better;) {
    better = false;
    for (let start = 0; start < order.length; start += 1) {
      for (let size = 1; size <= 4 && start + size <= order.length; size += 1) {
        const run = order.slice(start, start + size);
        const rest = [...order.slice(0, start), ...order.slice(start + size)];
        for (let to = 0; to <= rest.length; to += 1) {
          const candidate = [...rest.slice(0, to), ...run, ...rest.slice(to)];
          if (totalOf(candidate, first, cost) < totalOf(order, first, cost) - 1e-9 && allowed(candidate, before)) {
            order = candidate;
            better = true;
          }
        }
      }
    }
  }
  return order;
}
