/**
 * Expects two large results to be equal, as `toEqual` does. Whole set-ups are compared by the thousand: as text that is
 * many times as fast, and only where the texts differ is it worth to look where.
 */
export function expectSame(is: unknown, was: unknown): void {
  if (JSON.stringify(is) !== JSON.stringify(was)) expect(is).toEqual(was);
}
