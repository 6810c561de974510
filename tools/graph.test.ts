/** Circles of imports are found whatever leads into them, and nothing else is called one. */
import fc from 'fast-check';
import { circlesIn } from './graph.mjs';

const graph = (edges: Record<string, string[]>) => new Map(Object.entries(edges));
const sorted = (circles: string[][]) => circles.map((each) => [...each].sort()).sort();

test('a chain and a diamond have none', () => {
  expect(circlesIn(graph({ a: ['b'], b: ['c'], c: [] }))).toEqual([]);
  expect(circlesIn(graph({ top: ['left', 'right'], left: ['foot'], right: ['foot'], foot: [] }))).toEqual([]);
});

test('two that lead to one another, three in a ring, and one that leads to itself', () => {
  expect(sorted(circlesIn(graph({ a: ['b'], b: ['a'] })))).toEqual([['a', 'b']]);
  expect(sorted(circlesIn(graph({ a: ['b'], b: ['c'], c: ['a'], d: ['a'] })))).toEqual([['a', 'b', 'c']]);
  expect(sorted(circlesIn(graph({ a: ['a'], b: ['a'] })))).toEqual([['a']]);
});

test('circles that share nothing are told apart', () => {
  expect(sorted(circlesIn(graph({ a: ['b'], b: ['a', 'c'], c: ['d'], d: ['c'] })))).toEqual([
    ['a', 'b'],
    ['c', 'd'],
  ]);
});

test('what leads out of the graph is no node of it', () => {
  expect(circlesIn(graph({ a: ['library'] }))).toEqual([]);
});

test('edges that only go up a numbering never make one; one edge back along a path always does', () => {
  let checked = 0;
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 12 }), fc.infiniteStream(fc.boolean()), (size, coins) => {
      const nodes = Array.from({ length: size }, (_, i) => String(i));
      const upward = new Map(
        nodes.map((node, i) => [node, nodes.filter((_, j) => j === i + 1 || (j > i && coins.next().value))]),
      );
      expect(circlesIn(upward)).toEqual([]);
      upward.get(nodes[size - 1])!.push(nodes[0]);
      expect(circlesIn(upward).map((each) => each.length)).toEqual([size]);
      checked += 1;
    }),
    { numRuns: 60 },
  );
  expect(checked).toBe(60);
});
