/** One after the other, and again from the first. @throws RangeError for an empty list */
export function inTurn<T>(list: readonly T[], i: number): T {
  const item = list[i % list.length];
  if (item === undefined) throw new RangeError('there is nothing to take in turn');
  return item;
}
