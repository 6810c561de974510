import type { Planned } from '../../state/session';
import { planRows, withRow, withRowAt } from './planRows';

const of = (...names: string[]): Planned[] =>
  names.map((name) => {
    const [projectionId = '', side] = name.split(' ');
    return side ? { projectionId, side: side as 'left' | 'right' } : { projectionId };
  });
const named = (plan: readonly Planned[]): string[] =>
  plan.map(({ projectionId, side }) => [projectionId, side].filter(Boolean).join(' '));
const plan = of('chest', 'hand right', 'hand left', 'knee left', 'hand right', 'knee right');

test('two sides one after the other are one row; apart, alike or exposed they are two', () => {
  expect(planRows(plan, [])).toEqual([[0], [1, 2], [3], [4], [5]]);
  expect(planRows(of('hand right', 'hand right'), [])).toEqual([[0], [1]]);
  expect(planRows(of('chest', 'chest'), [])).toEqual([[0], [1]]);
  expect(planRows(of('hand right', 'hand left'), [0])).toEqual([[0], [1]]);
  expect(planRows(of('hand right', 'hand left', 'hand right'), [])).toEqual([[0, 1], [2]]);
  const [first, second] = of('hand right', 'hand left');
  expect(planRows([first!, { ...second!, way: 'supine' }], [])).toEqual([[0], [1]]);
});

test('a row moves whole, past whole rows, and nothing is lost', () => {
  const rows = planRows(plan, []);
  expect(named(withRowAt(plan, rows, 1, 0))).toEqual([
    'hand right',
    'hand left',
    'chest',
    'knee left',
    'hand right',
    'knee right',
  ]);
  expect(named(withRowAt(plan, rows, 0, 1))).toEqual([
    'hand right',
    'hand left',
    'chest',
    'knee left',
    'hand right',
    'knee right',
  ]);
  for (const to of [-1, rows.length]) expect(withRowAt(plan, rows, 1, to)).toEqual(plan);
  for (let from = 0; from < rows.length; from += 1)
    for (let to = 0; to < rows.length; to += 1)
      expect(named(withRowAt(plan, rows, from, to)).sort()).toEqual(named(plan).sort());
});

test('a row is dropped or replaced whole, or by one of its sides', () => {
  const [, pair] = planRows(plan, []);
  expect(named(withRow(plan, pair!, []))).toEqual(['chest', 'knee left', 'hand right', 'knee right']);
  expect(named(withRow(plan, pair!, of('hand left')))).toEqual([
    'chest',
    'hand left',
    'knee left',
    'hand right',
    'knee right',
  ]);
  expect(named(withRow(plan, [0], of('abdomen')))[0]).toBe('abdomen');
});
