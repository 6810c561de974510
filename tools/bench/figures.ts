/** Figures that were measured, against what the design promises; nothing is asserted. */
import { readFileSync } from 'node:fs';

/** What a figure is of: the core alone, what a person sees, what the server answers. */
export type Measured = 'core' | 'screen' | 'server';
export type Figure = {
  of: Measured;
  name: string;
  value: number;
  unit: string;
  aim: string;
  met: boolean;
  note?: string;
};
export const figures: Figure[] = [];
let measured: Measured = 'core';
/** From now on the figures are of this. */
export const measuring = (of: Measured): void => {
  measured = of;
};
export const put = (name: string, value: number, unit: string, limit: number, note?: string) =>
  figures.push({
    of: measured,
    name,
    value: value < 0.1 ? Number(value.toPrecision(2)) : Math.round(value * 100) / 100,
    unit,
    aim: `< ${limit}`,
    met: value < limit,
    note,
  });

/** Share of the processors that others on the same host took, from the kernel's counters; null where it has none. */
export function stolenSince(before: readonly number[] | null): number | null {
  const now = counters();
  if (!before || !now) return null;
  const spent = now.map((value, i) => value - before[i]);
  const busy = spent[0] + spent[1] + spent[2] + spent[7];
  return busy > 0 ? Math.round((100 * spent[7]) / busy) : 0;
}
export function counters(): number[] | null {
  try {
    return readFileSync('/proc/stat', 'utf8').split('\n')[0].trim().split(/\s+/).slice(1).map(Number);
  } catch {
    return null;
  }
}

/** Rounds of one measurement; the least disturbed one counts, for a shared machine adds and never takes away. */
export const ROUNDS = 5;

export const quantile = (values: readonly number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))];

export function time(runs: number, work: (i: number) => unknown): number[] {
  for (let i = 0; i < runs / 4; i += 1) work(i);
  return Array.from({ length: runs }, (_, i) => {
    const start = performance.now();
    work(i);
    return performance.now() - start;
  });
}

/** The least disturbed median of some rounds. */
export const bestMedian = (runs: number, work: (i: number) => unknown): number =>
  Math.min(...Array.from({ length: ROUNDS }, () => quantile(time(runs, work), 0.5)));
