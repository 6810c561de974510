/** What an exam needs before it begins, computed from its planned set-ups. */
import type { Setup } from '../setup/setup';

export type SeriesSummary = {
  exposures: number;
  /** Changes of the body position after the first. */
  turns: number;
  bring: string[];
  /** A projection of the plan that cannot be done as it stands. */
  blocked: string[];
};

const unique = (items: readonly string[]): string[] => [...new Set(items)];
const stance = (setup: Setup): string =>
  `${setup.position.body} ${setup.position.facing} ${setup.position.nearSide ?? ''}`;

export function summarizeSeries(setups: readonly Setup[]): SeriesSummary {
  const loose = setups
    .filter((setup) => !setup.receptor.size.fixed)
    .map((setup) => `receptor ${setup.receptor.size.name}`);
  const grids = setups.flatMap((setup) =>
    setup.receptor.grid && setup.receptor.holder === 'bed' ? [`grid ${setup.receptor.grid.ratio}:1`] : [],
  );
  const markers = setups.map((setup) => `marker ${setup.marker.letter}`);
  const tape = setups.some((setup) => setup.receptor.holder === 'bed') ? ['tape measure'] : [];
  return {
    exposures: setups.reduce((total, setup) => total + setup.receptor.exposures, 0),
    turns: setups.slice(1).filter((setup, i) => stance(setup) !== stance(setups[i])).length,
    bring: unique([...loose, ...grids, ...tape, ...markers, ...setups.flatMap((setup) => setup.prepare)]),
    blocked: setups.filter((setup) => !setup.feasible).map((setup) => setup.name),
  };
}
