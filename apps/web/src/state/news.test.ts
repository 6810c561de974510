import { changesOf, news, newsRead, versionsSeen } from './news';

const versions = { rules: 1, department: 1, rooms: { a: 1 }, own: 0, changedBy: { rules: null, department: null } };

test('what was changed is said once, with who; the first look says nothing', () => {
  const first = news.reducer(undefined, versionsSeen(versions));
  expect(first).toMatchObject({ seen: versions, text: null });
  const changed = { ...versions, rules: 2, changedBy: { rules: 'Priya', department: null } };
  const after = news.reducer(first, versionsSeen(changed));
  expect(after.text).toBe('The house rules were changed by Priya: all numbers follow.');
  expect(news.reducer(after, versionsSeen(changed)).text).toBe(after.text);
  expect(news.reducer(after, newsRead()).text).toBeNull();
  expect(changesOf(versions, { ...versions, rooms: { a: 2 } })).toMatch(/room or its technique chart/);
  expect(changesOf(versions, versions)).toBe('');
});
