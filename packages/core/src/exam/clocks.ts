/**
 * Clocks of an exam: minutes in a position before the exposure, and minutes since the contrast. Times are moments of the
 * clock, in ms; what runs is kept as the moment at which it began, so that a reload takes nothing from it.
 */
import type { Projection } from '../projections/schema';

const MINUTE_MS = 60_000;

/** When each was begun: the wait of a view by its place in the plan, and the contrast. */
export type Begun = { settle: Readonly<Record<number, number>>; contrastAt: number | null };
export const NO_CLOCKS: Begun = { settle: {}, contrastAt: null };

export type Timed = Pick<Projection, 'settleMinutes' | 'contrastMinutes' | 'study'>;

/** How an exposure was timed, as the record keeps it: as planned and in truth. */
export type Timings = {
  settle?: { plannedMinutes: number; seconds: number };
  contrast?: { plannedMinutes: number | null; seconds: number };
};

export type ClockFace = {
  /** One for each clock of the exam. */
  key: string;
  kind: 'settle' | 'contrast';
  /** Place in the plan that is exposed when it rings; null for the contrast with nothing due. */
  place: number | null;
  /** Since it was begun. */
  sinceMs: number;
  /** Until it rings, below 0 once it has; null where nothing is due. */
  leftMs: number | null;
};

/** Minutes after the contrast of the n-th picture, from 0; null for one that has no time. @example dueMinutes({ at: [15, 30], thenEvery: 30 }, 3) // 90 */
export function dueMinutes(times: Timed['contrastMinutes'], nth: number): number | null {
  if (!times) return null;
  const once = times.at[nth];
  if (once !== undefined) return once;
  const last = times.at.at(-1) ?? 0;
  return times.thenEvery === undefined ? null : last + (nth - times.at.length + 1) * times.thenEvery;
}

/** Whether contrast is given before this view. */
export const needsContrast = ({ study }: Timed): boolean => study !== undefined && study.as !== 'scout';

/** Planned minutes after the contrast of each place: the same view the second time is its second picture. */
function contrastPlan(entries: readonly (Timed & Pick<Projection, 'id'>)[]): (number | null)[] {
  const before = new Map<string, number>();
  return entries.map((entry) => {
    const nth = before.get(entry.id) ?? 0;
    before.set(entry.id, nth + 1);
    return dueMinutes(entry.contrastMinutes, nth);
  });
}

/**
 * What the clocks show now.
 * @param entries of the plan in its order, @param exposed places that are done
 */
export function clockFaces(
  entries: readonly (Timed & Pick<Projection, 'id'>)[],
  { settle, contrastAt }: Begun,
  exposed: ReadonlySet<number>,
  now: number,
): ClockFace[] {
  const faces: ClockFace[] = Object.entries(settle).flatMap(([key, at]): ClockFace[] => {
    const place = Number(key);
    const minutes = entries[place]?.settleMinutes;
    if (minutes === undefined || exposed.has(place)) return [];
    return [
      { key: `settle-${place}`, kind: 'settle', place, sinceMs: now - at, leftMs: at + minutes * MINUTE_MS - now },
    ];
  });
  if (contrastAt === null) return faces;
  const due = contrastPlan(entries)
    .flatMap((minutes, place) => (minutes === null || exposed.has(place) ? [] : [{ minutes, place }]))
    .sort((a, b) => a.minutes - b.minutes)[0];
  const sinceMs = now - contrastAt;
  return [
    ...faces,
    {
      key: `contrast-${due?.place ?? 'none'}`,
      kind: 'contrast',
      place: due?.place ?? null,
      sinceMs,
      leftMs: due ? due.minutes * MINUTE_MS - sinceMs : null,
    },
  ];
}

/** How a view that is exposed now was timed; undefined where no clock bears on it. */
export function timingsOf(
  entries: readonly (Timed & Pick<Projection, 'id'>)[],
  place: number,
  { settle, contrastAt }: Begun,
  now: number,
): Timings | undefined {
  const entry = entries[place];
  if (!entry) return undefined;
  const seconds = (from: number): number => Math.max(0, Math.round((now - from) / 1000));
  const waited = settle[place];
  const timings: Timings = {
    ...(entry.settleMinutes !== undefined && waited !== undefined
      ? { settle: { plannedMinutes: entry.settleMinutes, seconds: seconds(waited) } }
      : {}),
    ...(contrastAt !== null && needsContrast(entry)
      ? { contrast: { plannedMinutes: contrastPlan(entries)[place] ?? null, seconds: seconds(contrastAt) } }
      : {}),
  };
  return Object.keys(timings).length > 0 ? timings : undefined;
}

/** Minutes and seconds as a clock shows them, hours where there are any. @example clockText(-61_000) // '1:01' */
export function clockText(ms: number): string {
  const seconds = Math.floor(Math.abs(ms) / 1000);
  const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60];
  const two = (value: number): string => String(value).padStart(2, '0');
  return `${hours > 0 ? `${hours}:${two(minutes)}` : minutes}:${two(seconds % 60)}`;
}
