/** Technique of a set-up: the room's chart at its own conditions, then one factor for each difference. */
import { MODEL_RANGE, type BeamConditions } from '../exposure/beamModel';
import { convertTechnique, type TechniqueFactor } from '../exposure/convert';
import { deviationIndex } from '../exposure/deviation';
import { currentFor } from '../exposure/tubeLoad';
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
  mA: number;
  /** Of what the focal spot bears for this time. */
  loadShare: number;
  focalSpot: 'small' | 'large';
  aec: 'none' | 'centre' | 'outer' | 'all';
  factors: TechniqueFactor[];
  /** What the factors come to, before it is snapped to a station. */
  wantedMas: number;
  /** Where the AEC gives up. */
  backupMas: number;
  /** What the receptor will read at this mAs, against the room's target; null outside the model. */
  expected: { index: number; deviation: number } | null;
  advice: string[];
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
  /** Cast, board and condition of this patient, each with its factor. */
  multipliers: readonly TechniqueFactor[];
  /** Keeps still and holds the breath when asked. */
  still: boolean;
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
  for (const { name, factor } of at.multipliers) {
    wanted *= factor;
    factors.push({ name, factor });
  }
  const mAs = overrides.mAs ?? nearestStation(wanted, generator.masStations);
  const largest = generator.masStations[generator.masStations.length - 1];
  if (overrides.mAs === undefined && inModel && wanted > largest * 1.12) {
    problems.push({
      code: 'mas-limit',
      text: `The model asks for ${Math.round(wanted)} mAs; this generator ends at ${largest} mAs.`,
    });
  }
  // One who cannot keep still gains nothing by a long exposure.
  const long = longExposure && at.still;
  const spots = {
    small: { ratedKw: generator.smallFocusKw ?? USUAL_KW.small, maStations: stationsTo(generator.smallFocusMa) },
    large: { ratedKw: generator.largeFocusKw ?? USUAL_KW.large, maStations: stationsTo(generator.largeFocusMa) },
  };
  const current = currentFor(kVp, mAs, spots[focalSpot], long ? LONG_MS : undefined);
  if (!current)
    problems.push({
      code: 'tube-load',
      text: `${kVp} kVp and ${mAs} mAs are more than the ${focalSpot} focal spot of ${room.name} bears (${spots[focalSpot].ratedKw} kW).`,
    });
  const mA = current?.mA ?? spots[focalSpot].maStations[0];
  const timeMs = Math.max(1, Math.round((mAs / mA) * 1000));
  // Outer cells lie outside a small chest: in children only the centre one is used.
  const cells = at.child && aecCells !== 'none' ? 'centre' : aecCells;
  const aec = at.aecInHolder && at.thicknessMm >= GRID_FROM_MM ? cells : 'none';
  const larger = focalSpot === 'small' ? currentFor(kVp, mAs, spots.large) : null;
  return {
    kVp,
    mAs,
    timeMs,
    mA,
    loadShare: current?.loadShare ?? 1,
    focalSpot,
    aec,
    factors,
    wantedMas: wanted,
    backupMas: Math.min(BACKUP_SHARE * mAs, MOST_BACKUP_MAS),
    expected: inModel
      ? { index: (generator.targetIndex * mAs) / wanted, deviation: deviationIndex(mAs, wanted) }
      : null,
    advice: [
      ...(longExposure && !at.still ? ['No long exposure: this patient does not keep still'] : []),
      ...(!at.still && timeMs > SHORT_MS && larger && larger.timeMs < timeMs
        ? [`Shorter with the large focal spot: ${Math.max(1, Math.round(larger.timeMs))} ms instead of ${timeMs} ms`]
        : []),
      ...(long ? [`${timeMs} ms at ${mA} mA, so that what moves blurs away`] : []),
    ],
    inModel,
    problems,
  };
}

/** Power of focal spots of ordinary tubes, kW [typical]. */
const USUAL_KW = { small: 30, large: 70 } as const;
/** Usual stations of tube current, mA (R10 series); a room's focal spots end where it says. */
const MA_STATIONS = [10, 16, 20, 25, 32, 40, 50, 64, 80, 100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000];
const stationsTo = (most: number): number[] => [...MA_STATIONS.filter((mA) => mA < most), most];
/** A view in quiet breathing wants a second at least [typical: 1 to 3 s]. */
const LONG_MS = 1000;
/** What does not keep still blurs from about here [typical]. */
const SHORT_MS = 20;
/** Source: rule for AEC back-up, 1.5 times what is expected, 600 mAs at most from 51 kVp. */
const BACKUP_SHARE = 1.5;
const MOST_BACKUP_MAS = 600;
