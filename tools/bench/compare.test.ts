/** A figure that grew by more than a machine wavers is told; what was measured elsewhere says nothing. */
import { MOST_SLOWER, ratiosTo, slower, thisMachine } from './compare';

const figure = (name: string, value: number) => ({ name, value });
const kept = { machine: 'here', figures: [figure('set-up', 2), figure('picture', 40), figure('gone', 1)] };

test('times the value before, by name', () => {
  const ratios = ratiosTo(kept, 'here', [figure('set-up', 3), figure('picture', 20), figure('new', 5)]);
  expect([...ratios]).toEqual([
    ['set-up', 1.5],
    ['picture', 0.5],
  ]);
});

test('the first run, and a run on another machine, are held against nothing', () => {
  expect(ratiosTo(null, 'here', [figure('set-up', 3)]).size).toBe(0);
  expect(ratiosTo(kept, 'elsewhere', [figure('set-up', 3)]).size).toBe(0);
});

test('a figure of nothing is no measure', () => {
  const none = { machine: 'here', figures: [figure('set-up', 0)] };
  expect(ratiosTo(none, 'here', [figure('set-up', 3)]).size).toBe(0);
});

test('what is slower by more than a fifth is named, in the order of the table', () => {
  const names = ['a', 'b', 'c', 'd'];
  const before = { machine: 'here', figures: names.map((name) => figure(name, 100)) };
  const now = [figure('a', 121), figure('b', 119), figure('c', 60), figure('d', 300)];
  expect(slower(ratiosTo(before, 'here', now))).toEqual(['a', 'd']);
  expect(MOST_SLOWER).toBe(1.2);
});

test('this machine says processor, count, memory and node', () => {
  expect(thisMachine()).toMatch(/ × \d+, \d+ GiB, node v\d+\./);
});
