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

test('what is changed on this device is not told to who changed it; the next change of another is', () => {
  const answer = (endpointName: string, payload?: unknown) => ({
    type: `api/execute${endpointName === 'versions' ? 'Query' : 'Mutation'}/fulfilled`,
    payload,
    meta: { arg: { endpointName } },
  });
  const first = news.reducer(undefined, versionsSeen(versions));
  const mine = news.reducer(news.reducer(first, answer('putRules')), versionsSeen({ ...versions, rules: 2 }));
  expect(mine).toMatchObject({ text: null, seen: { rules: 2 } });
  expect(news.reducer(mine, versionsSeen({ ...versions, rules: 3 })).text).toMatch(/house rules/);
  const asItWas = news.reducer(news.reducer(first, answer('changeRoom')), answer('versions', versions));
  expect(news.reducer(asItWas, versionsSeen({ ...versions, own: 1 })).text).toMatch(/^Own projections/);
});
