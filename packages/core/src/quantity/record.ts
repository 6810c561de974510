/** An object with names, as JSON has it: no list, no null. */
export const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A record with some of its fields other, records in it field by field. JSON has no undefined: null takes a field away.
 * @example patched({ a: { b: 1, c: 2 }, d: 3 }, { a: { b: 4 }, d: null }) // { a: { b: 4, c: 2 } }
 */
export function patched<T extends object>(base: T, patch: Record<string, unknown>): T {
  const result = { ...base } as Record<string, unknown>;
  for (const [key, value] of Object.entries(patch)) {
    const before = result[key];
    // A field that is taken away is not there: an entry of strict fields knows none that is empty.
    if (value === null) delete result[key];
    else result[key] = isRecord(value) && isRecord(before) ? patched(before, value) : value;
  }
  return result as T;
}
