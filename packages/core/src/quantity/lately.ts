/** What was worked out lately, kept while it is likely to be asked for again. */

/**
 * A store that keeps the last few results; the one that was asked for longest ago goes first.
 * @param most results that are kept
 * @returns the result for a key, made when it is not there. What it gives is shared: it must never be changed.
 * @example const built = lately<Body>(48); built('40 male', () => build({ ageYears: 40, sex: 'male' }))
 */
export function lately<T>(most: number): (key: string, make: () => T) => T {
  const kept = new Map<string, T>();
  return (key, make) => {
    const found = kept.has(key) ? (kept.get(key) as T) : make();
    kept.delete(key);
    kept.set(key, found);
    if (kept.size > most) kept.delete(kept.keys().next().value as string);
    return found;
  };
}

/**
 * A short name for an object, the same as long as it lives: for keys of what is kept by the very object.
 * @example const nameOf = names(); nameOf(body) === nameOf(body)
 */
export function names(): (of: object) => string {
  const given = new WeakMap<object, string>();
  let next = 0;
  return (of) => {
    const known = given.get(of);
    if (known) return known;
    next += 1;
    given.set(of, String(next));
    return String(next);
  };
}
