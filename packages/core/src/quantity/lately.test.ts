import { lately, names } from './lately';

test('a result is made once, and the one that was asked for longest ago goes first', () => {
  const kept = lately<string>(2);
  const made: string[] = [];
  const ask = (key: string) =>
    kept(key, () => {
      made.push(key);
      return key.toUpperCase();
    });
  expect(['a', 'b', 'a', 'c', 'a', 'b'].map(ask)).toEqual(['A', 'B', 'A', 'C', 'A', 'B']);
  expect(made).toEqual(['a', 'b', 'c', 'b']);
});

test('nothing is kept of what could not be made', () => {
  const kept = lately<number>(4);
  expect(() =>
    kept('a', () => {
      throw new RangeError('outside');
    }),
  ).toThrow(RangeError);
  expect(kept('a', () => 3)).toBe(3);
});

test('what is not there is a result like any other', () => {
  const kept = lately<number | undefined>(4);
  let made = 0;
  const ask = () =>
    kept('a', () => {
      made += 1;
      return undefined;
    });
  expect([ask(), ask(), made]).toEqual([undefined, undefined, 1]);
});

test('an object keeps its name, and no other has it', () => {
  const nameOf = names();
  const [one, other] = [{}, {}];
  expect([nameOf(one), nameOf(other), nameOf(one)]).toEqual(['1', '2', '1']);
});
