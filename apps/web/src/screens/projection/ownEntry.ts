/** An own entry as it is edited: the fields that a department changes, in the words of its forms. */
import { inches, OWN_PREFIX, toInches, type Projection } from '@taktik/core';

export type Draft = {
  name: string;
  alsoCalled: string;
  shows: string;
  say: string;
  head: string;
  sid: string;
  angle: string;
  toward: 'head' | 'feet';
  kVp: string;
  mAs: string;
  grid: Projection['grid'];
  aec: Projection['exposure']['aecCells'];
  breath: Projection['breathing']['phase'];
  marker: string;
  steps: string;
  checks: string;
  note: string;
};

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

export const draftOf = (entry: Projection): Draft => ({
  name: entry.name,
  alsoCalled: entry.alsoCalled.join(', '),
  shows: entry.shows,
  say: entry.positions[0].say,
  head: entry.positions[0].head ?? '',
  sid: String(Math.round(toInches(entry.sid.wantedMm) * 4) / 4),
  angle: String(entry.ray.angleDeg),
  toward: entry.ray.toward,
  kVp: String(entry.exposure.kVp),
  mAs: String(entry.exposure.chart.mAs),
  grid: entry.grid,
  aec: entry.exposure.aecCells,
  breath: entry.breathing.phase,
  marker: entry.marker.place,
  steps: entry.steps.map(({ text }) => text).join('\n'),
  checks: entry.checks.join('\n'),
  note: entry.note ?? '',
});

const number = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));

/** What may be typed, as far as a form can say it; the proofs judge the rest. */
const TYPED = {
  sid: ['SID', 20, 98, 'in'],
  angle: ['Tube angle', 0, 60, '°'],
  kVp: ['kVp', 40, 150, 'kV'],
  mAs: ['mAs', 0.1, 600, 'mAs'],
} as const;

/** Numbers that are none, or out of what a form takes, each with its range. */
export function draftFaults(draft: Draft): string[] {
  const numbers = Object.entries(TYPED).flatMap(([key, [name, low, high, unit]]) => {
    const value = number(draft[key as keyof typeof TYPED]);
    return value >= low && value <= high ? [] : [`${name} must be ${low} to ${high} ${unit}`];
  });
  return draft.name.trim() === '' ? ['The name must not be empty', ...numbers] : numbers;
}

/** Widened so that the wanted value lies inside; the proofs judge the rest. */
const spanning = ([low, high]: readonly [number, number], value: number): [number, number] => [
  Math.min(low, value),
  Math.max(high, value),
];

const MAX_SLUG = 40;
/** Id of a copy, from what it was copied from and the name that was given. */
export function ownId(entry: Projection, name: string): string {
  if (entry.id.startsWith(OWN_PREFIX)) return entry.id;
  const slug = name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, MAX_SLUG);
  return `${OWN_PREFIX}${slug || entry.id}`;
}

/** The entry with what was changed; numbers that are none stay what was typed, and the proofs say so. */
export function entryOf(entry: Projection, draft: Draft): Projection {
  const wantedMm = inches(number(draft.sid));
  const [angleDeg, kVp, mAs] = [number(draft.angle), number(draft.kVp), number(draft.mAs)];
  const [first, ...others] = entry.positions;
  const kept = new Map(entry.steps.map((step) => [step.text, step]));
  return {
    ...entry,
    id: ownId(entry, draft.name),
    name: draft.name.trim(),
    alsoCalled: draft.alsoCalled
      .split(',')
      .map((word) => word.trim())
      .filter(Boolean),
    shows: draft.shows.trim(),
    positions: [{ ...first, say: draft.say.trim(), head: draft.head.trim() || undefined }, ...others],
    sid: { wantedMm, rangeMm: spanning(entry.sid.rangeMm, wantedMm) },
    ray: {
      ...entry.ray,
      angleDeg,
      toward: draft.toward,
      rangeDeg: draft.toward === entry.ray.toward ? spanning(entry.ray.rangeDeg, angleDeg) : [0, angleDeg],
    },
    exposure: {
      ...entry.exposure,
      kVp,
      kVpRange: spanning(entry.exposure.kVpRange, kVp),
      aecCells: draft.aec,
      chart: { ...entry.exposure.chart, mAs },
    },
    grid: draft.grid,
    breathing: { ...entry.breathing, phase: draft.breath },
    marker: { ...entry.marker, place: draft.marker.trim() },
    steps: lines(draft.steps).map(
      (text) => kept.get(text) ?? { group: 'position', text, unlessInjured: false, setsHead: false },
    ),
    checks: lines(draft.checks),
    note: draft.note.trim() || undefined,
  };
}
