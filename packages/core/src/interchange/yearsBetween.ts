/** Whole and part years from a birth date to a day, both ISO dates; undefined for what is no date. */
export function yearsBetween(birthDate: string, today: string): number | undefined {
  const parts = (text: string) =>
    /^(\d{4})(?:-(\d{2})(?:-(\d{2}))?)?/
      .exec(text)
      ?.slice(1)
      .map((part: string | undefined) => Number(part ?? 1));
  const [from, to] = [parts(birthDate), parts(today)];
  if (!from || !to) return undefined;
  const days = ([year = NaN, month, day]: number[]) => year * 365.25 + ((month || 1) - 1) * 30.4375 + ((day || 1) - 1);
  return Math.round(((days(to) - days(from)) / 365.25) * 100) / 100;
}

/** `19810312` or a part of it, as an ISO date; null for what is none. */
export function isoDate(text: string): string | null {
  const [, year, month, day] = /^(\d{4})(\d{2})?(\d{2})?/.exec(text) ?? [];
  return year === undefined ? null : [year, month, day].filter((part) => part !== undefined).join('-');
}
