import { findProjections } from '../projections/search';
import { exams } from '../projections/exams';
import { findViews } from './findViews';
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
const firstIs = (find: typeof findViews) =>
  wordings.filter(({ words, views }) => views.includes(find(words)[0]?.projection.id ?? '')).length / wordings.length;

test('what is worded as an order is found first, more often than by its letters alone', () => {
  expect(wordings.length).toBeGreaterThan(500);
  expect(firstIs(findViews)).toBeGreaterThanOrEqual(0.98);
  expect(firstIs(findProjections)).toBeLessThan(firstIs(findViews));
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
  expect(findViews('')).toEqual(findProjections(''));
});
