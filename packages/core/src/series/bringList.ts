/** What an exam needs before it begins, computed from its planned set-ups. */
import type { HolderKind } from '../projections/vocabulary';
import type { Setup } from '../setup/setup';
import { isTurn, movesBetween } from './moves';

export type SeriesSummary = {
  exposures: number;
  /** Changes of the body position after the first. */
  turns: number;
  bring: string[];
  /** A projection of the plan that cannot be done as it stands. */
  blocked: string[];
};

/** Where no rail holds the tube: the SID is measured. */
const BESIDE_UNIT: ReadonlySet<HolderKind> = new Set<HolderKind>(['bed', 'incubator-tray']);

const unique = (items: readonly string[]): string[] => [...new Set(items)];

export function summarizeSeries(all: readonly Setup[]): SeriesSummary {
  // Nothing is brought for what is not done.
  const setups = all.filter(({ feasible }) => feasible);
  const loose = setups
    .filter((setup) => !setup.receptor.size.fixed)
    .map((setup) => `receptor ${setup.receptor.size.name}`);
  const grids = setups.flatMap((setup) =>
    setup.receptor.grid && setup.receptor.holder === 'bed' ? [`grid ${setup.receptor.grid.ratio}:1`] : [],
  );
  const markers = setups.flatMap(({ marker }) => marker.spots.map(({ letter }) => `marker ${letter}`));
  const holders = setups.some(({ receptor }) => receptor.holder === 'stand') ? ['loose receptor holder'] : [];
  const shields = setups.some(({ protection }) => protection.some(({ lead }) => lead)) ? ['lead apron'] : [];
  const tape = setups.some((setup) => BESIDE_UNIT.has(setup.receptor.holder)) ? ['tape measure'] : [];
  return {
    exposures: setups.reduce((total, setup) => total + setup.receptor.exposures, 0),
    turns: setups.slice(1).filter((setup, i) => isTurn(movesBetween(setups[i], setup))).length,
    bring: unique([
      ...loose,
      ...grids,
      ...tape,
      ...holders,
      ...markers,
      ...shields,
      ...setups.flatMap(({ aids }) => aids),
    ]),
    blocked: all.filter((setup) => !setup.feasible).map((setup) => setup.name),
  };
}
