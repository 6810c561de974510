/** What a technique starts from: the shipped chart with the room's factor, the room's own chart, or its measured beam. */
import { indexPerMas, SUPPORT_TRANSMISSION, type BeamConditions, type Support } from '../../exposure/beamModel';
import type { TechniqueFactor } from '../../exposure/convert';
import type { Projection } from '../../projections/schema';
import type { Generator } from '../../room/room';
import { chartRowFor } from '../../room/techniqueChart';
import { compositionAt } from './compositionAt';

export type TechniqueStart = {
  basis: 'shipped chart' | 'room chart' | 'measured beam';
  mAs: number;
  kVp: number;
  sidMm: number;
  thicknessMm: number;
  gridRatio: number;
};
type Needs = { thicknessMm: number; gridRatio: number; support: Support; targetIndex: number };

/**
 * @returns where the technique starts, the conditions of it, and the room's factor where there is one
 * @throws RangeError where a measured beam is outside the model
 */
export function startingPoint(
  { id, exposure }: Projection,
  generator: Generator,
  at: Needs,
): { start: TechniqueStart; from: BeamConditions; factors: TechniqueFactor[] } {
  const { chart, composition } = exposure;
  const { outputUGyPerMas, outputPower, chartFactor, basis } = generator;
  const beam = { composition, outputUGyPerMas, outputPower };
  // A row of the room's own chart comes first.
  const row = chartRowFor(generator.chart ?? [], id, at.thicknessMm, at.gridRatio);
  if (row) {
    const { projectionId: _, mAs, ...conditions } = row;
    const from = {
      ...beam,
      ...conditions,
      composition: compositionAt(exposure, row.thicknessMm),
      fieldMm: chart.fieldMm,
    };
    return { start: { basis: 'room chart', mAs, ...conditions }, from, factors: [] };
  }
  const { mAs, fieldMm, ...conditions } = chart;
  const from = { ...beam, ...conditions, fieldMm };
  if (basis === 'model') {
    const measured = at.targetIndex / (indexPerMas(from) * SUPPORT_TRANSMISSION[at.support]);
    return { start: { basis: 'measured beam', mAs: measured, ...conditions }, from, factors: [] };
  }
  return {
    start: { basis: 'shipped chart', mAs, ...conditions },
    from,
    factors: [{ name: 'room', factor: chartFactor }],
  };
}
