/** Holds figures against those of the run before on the same machine. */
import { cpus, totalmem } from 'node:os';
import type { Figure } from './figures';

export type Kept = { machine: string; figures: Pick<Figure, 'name' | 'value'>[] };

/** Slower than this many times the last run is told, and fails. Figures under it are within what a machine wavers. */
export const MOST_SLOWER = 1.2;

export const thisMachine = (): string =>
  `${cpus()[0]?.model ?? 'unknown'} × ${cpus().length}, ${Math.round(totalmem() / 2 ** 30)} GiB, node ${process.version}`;

/**
 * @param kept of the run before; null for the first
 * @returns times the value of the run before by name; nothing for what was not measured then, or elsewhere
 * @example ratiosTo({ machine: 'a', figures: [{ name: 'x', value: 2 }] }, 'a', [{ name: 'x', value: 3 }]).get('x') // 1.5
 */
export function ratiosTo(
  kept: Kept | null,
  machine: string,
  now: readonly Pick<Figure, 'name' | 'value'>[],
): Map<string, number> {
  if (kept?.machine !== machine) return new Map();
  const before = new Map(kept.figures.map(({ name, value }) => [name, value]));
  return new Map(
    now.flatMap(({ name, value }) => {
      const then = before.get(name);
      return then !== undefined && then > 0 ? [[name, value / then] as const] : [];
    }),
  );
}

/** What has become slower by more than the machine wavers. */
export const slower = (ratios: ReadonlyMap<string, number>): string[] =>
  [...ratios].filter(([, ratio]) => ratio > MOST_SLOWER).map(([name]) => name);
