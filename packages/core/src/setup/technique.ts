/** Technique of a set-up: the room's chart at its own conditions, then one factor for each difference. */
import { MODEL_RANGE, type BeamConditions } from '../exposure/beamModel';
import { convertTechnique, type TechniqueFactor } from '../exposure/convert';
import { nearestStation } from '../quantity/station';
import type { Projection } from '../projections/schema';
import type { Room } from '../room/room';
import type { Overrides } from './request';
import type { Problem } from './setup';

export const GRID_FROM_MM = 100;

export type TechniqueChoice = {
  kVp: number;
  mAs: number;
  timeMs: number;
  focalSpot: 'small' | 'large';
  aec: 'none' | 'centre' | 'outer' | 'all';
  factors: TechniqueFactor[];
  inModel: boolean;
  problems: Problem[];
};

type Conditions = {
  thicknessMm: number;
  sidMm: number;
  gridRatio: number;
  fieldMm: readonly [number, number];
  aecInHolder: boolean;
  child: boolean;
};

/** kVp of the entry: with grid, without, or for parts under 10 cm, inside what the generator gives. */
function chooseKvp(projection: Projection, room: Room, at: Conditions, overrides: Overrides): number {
  const { exposure } = projection;
  let kVp = at.gridRatio > 0 ? exposure.kVp : exposure.kVpNoGrid;
  if (at.thicknessMm < GRID_FROM_MM && at.gridRatio === 0) kVp = Math.min(kVp, exposure.kVpThin);
  return Math.min(overrides.kVp ?? kVp, room.generator.maxKvp, MODEL_RANGE.kVp[1]);
}

export function chooseTechnique(
  projection: Projection,
  room: Room,
  at: Conditions,
  overrides: Overrides,
): TechniqueChoice {
  const { chart, composition, focalSpot, aecCells, longExposure } = projection.exposure;
  const { generator } = room;
  const kVp = chooseKvp(projection, room, at, overrides);
  const common = { composition, outputUGyPerMas: generator.outputUGyPerMas };
  const from: BeamConditions = {
    ...common,
    kVp: chart.kVp,
    sidMm: chart.sidMm,
    thicknessMm: chart.thicknessMm,
    gridRatio: chart.gridRatio,
    fieldMm: chart.fieldMm,
  };
  const to: BeamConditions = {
    ...common,
    kVp,
    sidMm: at.sidMm,
    thicknessMm: at.thicknessMm,
    gridRatio: at.gridRatio,
    fieldMm: at.fieldMm,
  };
  const start = chart.mAs * generator.chartFactor;
  const problems: Problem[] = [];
  let wanted = start;
  let factors: TechniqueFactor[] = [{ name: 'room', factor: generator.chartFactor }];
  let inModel = true;
  try {
    const result = convertTechnique({ mAs: start }, from, to);
    wanted = result.mAs;
    factors = [...factors, ...result.factors];
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    inModel = false;
    problems.push({
      code: 'outside-model',
      text: `Technique is outside the model (${error.message}): the chart's mAs is shown unchanged. Use the room's own chart.`,
    });
  }
  const mAs = overrides.mAs ?? nearestStation(wanted, generator.masStations);
  const largest = generator.masStations[generator.masStations.length - 1];
  if (overrides.mAs === undefined && inModel && wanted > largest * 1.12) {
    problems.push({
      code: 'mas-limit',
      text: `The model asks for ${Math.round(wanted)} mAs; this generator ends at ${largest} mAs.`,
    });
  }
  const mA = longExposure
    ? generator.smallFocusMa / 4
    : focalSpot === 'small'
      ? generator.smallFocusMa
      : generator.largeFocusMa;
  // Outer cells lie outside a small chest: in children only the centre one is used.
  const cells = at.child && aecCells !== 'none' ? 'centre' : aecCells;
  const aec = at.aecInHolder && at.thicknessMm >= GRID_FROM_MM ? cells : 'none';
  return { kVp, mAs, timeMs: Math.max(1, Math.round((mAs / mA) * 1000)), focalSpot, aec, factors, inModel, problems };
}
