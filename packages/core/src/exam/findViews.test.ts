import { findProjections, type ProjectionHit } from '../projections/search';
import { exams } from '../projections/exams';
import { findViews } from './findViews';
import { projections } from '../projections/catalogue';
import { FIND_WORDINGS } from './findWordings.fixture';
import { ORDER_WORDINGS } from './orderWordings.fixture';

const wordings = ORDER_WORDINGS.trim()
  .split('\n')
  .map((line) => line.split('|').map((part) => part.trim()))
  .filter(([, wanted]) => wanted !== 'none')
  .map(([words, wanted]) => ({
    words: words!,
    views: wanted!
      .split(' ')
      .flatMap((each) =>
        each.startsWith('exam:') ? exams.find(({ id }) => id === each.slice(5))!.projections : [each],
      ),
  }));
const firstIs = (find: (query: string) => ProjectionHit[]) =>
  wordings.filter(({ words, views }) => views.includes(find(words)[0]?.projection.id ?? '')).length / wordings.length;

test('what is worded as an order is found first, more often than by its letters alone', () => {
  expect(wordings.length).toBeGreaterThan(500);
  expect(firstIs(findViews)).toBeGreaterThanOrEqual(0.98);
  expect(firstIs(findProjections)).toBeLessThan(firstIs(findViews));
});
describe('what people type to find one view', () => {
  const typed = FIND_WORDINGS.trim()
    .split('\n')
    .map((line) => line.split('|'))
    .map(([words, right]) => ({ words: words!, right: right!.split(' ') }));
  const shareIn = (first: number) =>
    typed.filter(({ words, right }) =>
      findViews(words)
        .slice(0, first)
        .some(({ projection }) => right.includes(projection.id)),
    ).length / typed.length;

  test('every right answer is in the catalogue', () => {
    const ids = new Set(projections.map(({ id }) => id));
    expect(typed.length).toBeGreaterThan(190);
    expect(typed.flatMap(({ right }) => right).filter((id) => !ids.has(id))).toEqual([]);
  });
  test('is found first in 95 of 100, in the first three in 99', () => {
    expect(shareIn(1)).toBeGreaterThanOrEqual(0.95);
    expect(shareIn(3)).toBeGreaterThanOrEqual(0.99);
  });
});
test('nothing that the letters find is lost, and nothing stands twice', () => {
  for (const { words } of wordings) {
    const ids = findViews(words).map(({ projection }) => projection.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toEqual(expect.arrayContaining(findProjections(words).map(({ projection }) => projection.id)));
  }
});
test('what is half typed is found by its letters', () => {
  expect(findViews('kn').map(({ projection }) => projection.id)).toEqual(
    findProjections('kn').map(({ projection }) => projection.id),
  );
  expect(findViews('').map(({ projection }) => projection)).toEqual(
    findProjections('').map(({ projection }) => projection),
  );
});
test.each([
  ['little toe oblique', 'toes-oblique', 5],
  ['2nd toe', 'toes-ap', 2],
  ['ring finger lateral', 'finger-lateral', 4],
  ['second and third toes', 'toes-ap', null],
  ['toes', 'toes-ap', null],
  ['thumb lateral', 'thumb-lateral', null],
])('%s: %s is set for digit %p', (query, id, digit) =>
  expect(findViews(query).find(({ projection }) => projection.id === id)).toMatchObject({ digit }),
);
