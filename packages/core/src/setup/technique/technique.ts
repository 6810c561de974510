/** Technique of a set-up: where it starts, then one factor for each difference, then what the generator gives. */
import { MODEL_RANGE, type BeamConditions, type Support } from '../../exposure/beamModel';
import { convertTechnique, type TechniqueFactor } from '../../exposure/convert';
import { doseOf } from '../../exposure/dose';
import { deviationIndex } from '../../exposure/deviation';
import { gridNeededBy, type GridNeed } from '../../exposure/gridNeed';
import { settleMas } from '../../exposure/settleMas';
import { currentFor, type TubeLoad } from '../../exposure/tubeLoad';
import type { Projection } from '../../projections/schema';
import { clamp } from '../../quantity/angle';
import type { LengthUnit } from '../../quantity/length';
import type { Generator, Room } from '../../room/room';
import { chartRowFor } from '../../room/techniqueChart';
import type { Overrides } from '../request';
import { problem, type Problem } from '../problem';
import { compositionAt } from './compositionAt';
import { startingPoint, type TechniqueStart } from './startingPoint';

export type TechniqueChoice = {
  kVp: number;
  mAs: number;
  timeMs: number;
  mA: number;
  /** Of what the focal spot bears for this time. */
  loadShare: number;
  focalSpot: 'small' | 'large';
  aec: 'none' | 'centre' | 'outer' | 'all';
  start: TechniqueStart;
  factors: TechniqueFactor[];
  /** What start and factors come to, before it is snapped to a station. */
  wantedMas: number;
  /** Where the AEC gives up. */
  backupMas: number;
  /** Standard index that is aimed at on this receptor. */
  targetIndex: number;
  /** Whether thickness and kVp ask for a grid. */
  gridBy: GridNeed;
  /** What the receptor will read at this mAs, against the room's target; null outside the model. */
  expected: { index: number; deviation: number } | null;
  advice: string[];
  inModel: boolean;
  /** False where nobody can say: outside the model, and neither typed nor in the room's chart. */
  masKnown: boolean;
  problems: Problem[];
};

export type Conditions = {
  thicknessMm: number;
  sidMm: number;
  gridRatio: number;
  fieldMm: readonly [number, number];
  aecInHolder: boolean;
  support: Support;
  /** Share of the primary that the grid cuts off at the centre by how it stands: nobody makes up for it with mAs. */
  gridLossAtCentre: number;
  child: boolean;
  /** Cast, board and condition of this patient, each with its factor. */
  multipliers: readonly TechniqueFactor[];
  /** Keeps still and holds the breath when asked. */
  cooperative: boolean;
  /** Range of kVp for one who is small, where the entry has one. */
  smallChildKvp?: readonly [number, number];
  /** Where it is known, the dose to the skin is kept down by kVp. */
  focusToSkinMm?: number;
  unit?: LengthUnit;
};

/** Thinner parts are taken by hand and with less kVp [taught]. */
const THIN_MM = 100;

/** kVp of the room's chart, else of the entry: with grid, without, or for thin parts; inside what the generator gives. */
function chooseKvp({ id, exposure }: Projection, { generator }: Room, at: Conditions, overrides: Overrides): number {
  const row = chartRowFor(generator.chart ?? [], id, at.thicknessMm, at.gridRatio);
  let kVp = at.gridRatio > 0 ? exposure.kVp : exposure.kVpNoGrid;
  if (at.thicknessMm < THIN_MM && at.gridRatio === 0) kVp = Math.min(kVp, exposure.kVpThin);
  if (row && row.gridRatio > 0 === at.gridRatio > 0) kVp = row.kVp;
  if (at.smallChildKvp) {
    const [low, high] = at.smallChildKvp;
    const share = clamp((at.thicknessMm - THINNEST_CHEST_MM) / (THICKEST_CHEST_MM - THINNEST_CHEST_MM), 0, 1);
    kVp = row ? Math.min(kVp, high) : Math.round(low + share * (high - low));
  }
  return Math.min(overrides.kVp ?? kVp, generator.maxKvp, MODEL_RANGE.kVp[1]);
}

/** Chests between which the kVp of a small child rises [typical: newborn to six years, front to back]. */
const THINNEST_CHEST_MM = 80;
const THICKEST_CHEST_MM = 180;

/** Parts whose chart has no grid, limbs above all, are given a higher index than the trunk. */
const targetOf = ({ targetIndex, targetIndexFree }: Generator, { exposure }: Projection): number =>
  exposure.chart.gridRatio > 0 ? targetIndex : (targetIndexFree ?? targetIndex);

/** What is set by hand stands in for what was computed, which is kept beside it. */
const byHand = (factors: readonly TechniqueFactor[], asked: Overrides['factors'] = {}): TechniqueFactor[] =>
  factors.map(({ name, factor }) => {
    const set = asked[name];
    return set === undefined ? { name, factor } : { name, factor: set, computed: factor };
  });

const productOf = (factors: readonly TechniqueFactor[]) => factors.reduce((all, { factor }) => all * factor, 1);

type Reckoned = { start: TechniqueStart; factors: TechniqueFactor[]; outside: string | null };

/** Start and factors. Outside the model only what needs no model is left of them. */
function reckon(projection: Projection, room: Room, at: Conditions, kVp: number): Reckoned {
  const { generator } = room;
  const needs = { ...at, targetIndex: targetOf(generator, projection) };
  try {
    const { start, from, factors } = startingPoint(projection, generator, needs);
    const to: BeamConditions = {
      ...from,
      composition: compositionAt(projection.exposure, at.thicknessMm),
      kVp,
      sidMm: at.sidMm,
      thicknessMm: at.thicknessMm,
      gridRatio: at.gridRatio,
      fieldMm: at.fieldMm,
    };
    return { start, factors: [...factors, ...convertTechnique(start, from, to).factors], outside: null };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    const { start, factors } = startingPoint(projection, { ...generator, basis: 'chart' }, needs);
    return { start, factors, outside: error.message };
  }
}

/** From this dose to the skin on, or this long, the kVp is raised as far as the entry lets it [typical]. */
const RAISE_FROM_MGY = 10;
const RAISE_FROM_MS = 400;

/** kVp for a thick part: raised within the entry's and the generator's range until dose and time are borne. */
function raisedKvp(projection: Projection, room: Room, at: Conditions, kVp: number, overrides: Overrides): number {
  const { kVpRange, longExposure } = projection.exposure;
  const { generator } = room;
  const most = Math.min(kVpRange[1], generator.maxKvp, MODEL_RANGE.kVp[1]);
  const byHand = overrides.kVp !== undefined || overrides.mAs !== undefined;
  if (byHand || at.focusToSkinMm === undefined || at.smallChildKvp || kVp >= most) return kVp;
  const largest = Math.max(...spotsOf(generator)[projection.exposure.focalSpot].maStations);
  for (let tried = kVp; tried < most; tried += 1) {
    const { start, factors, outside } = reckon(projection, room, at, tried);
    if (outside !== null) return kVp;
    const mAs = start.mAs * productOf(factors);
    const { entranceKermaMgy } = doseOf({ kVp: tried, mAs }, generator, at.focusToSkinMm, at.sidMm, at.fieldMm);
    const slow = !longExposure && (mAs / largest) * 1000 > RAISE_FROM_MS;
    if (entranceKermaMgy <= RAISE_FROM_MGY && !slow) return tried;
  }
  return most;
}

/** Outside the model nothing is extrapolated: what is known is said, or that it is not. */
function outsideProblem({ exposure, name }: Projection, at: Conditions, masKnown: boolean): Problem {
  const values = {
    name,
    thicknessMm: at.thicknessMm,
    testedMm: MODEL_RANGE.waterMm[1] / exposure.composition,
  };
  return problem(masKnown ? 'technique-unchecked' : 'outside-model', values, at.unit);
}

export function chooseTechnique(
  projection: Projection,
  room: Room,
  at: Conditions,
  overrides: Overrides,
): TechniqueChoice {
  const { aecCells, childAec, longExposure } = projection.exposure;
  const { generator } = room;
  const usualKvp = chooseKvp(projection, room, at, overrides);
  const problems: Problem[] = [];
  const kVp = raisedKvp(projection, room, at, usualKvp, overrides);
  const { start, factors: reckoned, outside } = reckon(projection, room, at, kVp);
  const inModel = outside === null;
  const masKnown = inModel || overrides.mAs !== undefined || start.basis === 'room chart';
  if (!inModel) problems.push(outsideProblem(projection, at, masKnown));
  // Outer cells lie outside a small chest: in children only the centre one is used, in small ones none.
  const ofChild = childAec ?? (at.smallChildKvp || at.thicknessMm < THIN_MM ? 'none' : 'centre');
  const ofAdult = at.thicknessMm >= THIN_MM ? aecCells : 'none';
  const cells = aecCells === 'none' ? 'none' : at.child ? ofChild : at.smallChildKvp ? 'none' : ofAdult;
  const aec = at.aecInHolder ? (overrides.aecCells ?? cells) : 'none';
  const needed = byHand([...reckoned, ...at.multipliers], overrides.factors);
  const neededMas = start.mAs * productOf(needed);
  const density = aec !== 'none' && overrides.aecDensity ? DENSITY_STEP ** overrides.aecDensity : null;
  const factors = density === null ? needed : [...needed, { name: 'density' as const, factor: density }];
  const wantedMas = neededMas * (density ?? 1);
  const focalSpot = overrides.focalSpot ?? projection.exposure.focalSpot;
  // One who cannot keep still gains nothing by a long exposure.
  const long = longExposure && at.cooperative;
  const spots = spotsOf(generator);
  const load = overrides.mA === undefined ? spots[focalSpot] : loadAt(spots[focalSpot], overrides.mA);
  const { mAs, current } = settleMas(kVp, wantedMas, generator, load, long ? LONG_MS : undefined, overrides.mAs);
  const largest = generator.masStations[generator.masStations.length - 1];
  if (overrides.mAs === undefined && inModel && wantedMas > largest * PAST_LAST && !generator.timeStationsMs)
    problems.push(problem('mas-limit', { wantedMas: Math.round(wantedMas), mostMas: largest }));
  if (!current)
    problems.push(
      problem('tube-load', {
        kVp,
        mAs: roundMas(mAs),
        mA: overrides.mA ?? null,
        spot: focalSpot,
        room: room.name,
        kW: spots[focalSpot].ratedKw,
        mostMa: spots[focalSpot].maStations.at(-1) ?? 0,
      }),
    );
  const mA = current?.mA ?? overrides.mA ?? load.maStations[0];
  const timeMs = Math.max(1, Math.round((mAs / mA) * 1000));
  const larger = focalSpot === 'small' ? currentFor(kVp, mAs, spots.large) : null;
  const targetIndex = targetOf(generator, projection);
  const received = (mAs / neededMas) * (1 - at.gridLossAtCentre);
  return {
    kVp,
    mAs,
    timeMs,
    mA,
    loadShare: current?.loadShare ?? 1,
    focalSpot,
    aec,
    start,
    factors,
    wantedMas,
    backupMas: Math.min(BACKUP_SHARE * mAs, kVp < LOW_KVP ? MOST_BACKUP_LOW_MAS : MOST_BACKUP_MAS),
    targetIndex,
    gridBy: gridNeededBy(
      at.child,
      at.thicknessMm,
      kVp,
      at.thicknessMm * compositionAt(projection.exposure, at.thicknessMm),
      at.fieldMm,
    ),
    expected:
      inModel && received > 0 ? { index: targetIndex * received, deviation: deviationIndex(received, 1) } : null,
    masKnown,
    advice: [
      ...(kVp > usualKvp ? [`${kVp} kVp instead of ${usualKvp}: for the thickness, to spare dose and time`] : []),
      ...(longExposure && !at.cooperative ? ['No long exposure: this patient does not keep still'] : []),
      ...(!at.cooperative && timeMs > SHORT_MS && larger && larger.timeMs < timeMs
        ? [`Shorter with the large focal spot: ${Math.max(1, Math.round(larger.timeMs))} ms instead of ${timeMs} ms`]
        : []),
      ...(long ? [`${timeMs} ms at ${mA} mA, so that what moves blurs away`] : []),
    ],
    inModel,
    problems,
  };
}

/** A current set by hand, where the focal spot gives it. */
const loadAt = (load: TubeLoad, mA: number): TubeLoad => ({
  ...load,
  maStations: load.maStations.some((station) => station >= mA) ? [mA] : [],
});

const roundMas = (mAs: number): number => Number(mAs.toPrecision(3));

/** What each focal spot of a room bears, and its stations of current. */
function spotsOf(generator: Generator): Record<'small' | 'large', TubeLoad> {
  const upTo = (most: number) => {
    const known = generator.maStations?.filter((mA) => mA <= most);
    return known && known.length > 0 ? known : stationsTo(most);
  };
  return {
    small: { ratedKw: generator.smallFocusKw ?? USUAL_KW.small, maStations: upTo(generator.smallFocusMa) },
    large: { ratedKw: generator.largeFocusKw ?? USUAL_KW.large, maStations: upTo(generator.largeFocusMa) },
  };
}

/** Power of focal spots of ordinary tubes, kW [typical]. */
const USUAL_KW = { small: 30, large: 70 } as const;
/** Usual stations of tube current, mA (R10 series); a room's focal spots end where it says. */
const MA_STATIONS = [10, 16, 20, 25, 32, 40, 50, 64, 80, 100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000];
const stationsTo = (most: number): number[] => [...MA_STATIONS.filter((mA) => mA < most), most];
/** A view in quiet breathing wants a second at least [typical: 1 to 3 s]. */
const LONG_MS = 2000;
/** What does not keep still blurs from about here [typical]. */
const SHORT_MS = 20;
/** Source: rule for AEC back-up, 1.5 times what is expected, 600 mAs at most from 51 kVp, 2000 below. */
const BACKUP_SHARE = 1.5;
const MOST_BACKUP_MAS = 600;
const LOW_KVP = 51;
const MOST_BACKUP_LOW_MAS = 2000;
/** A step of the density of an AEC [typical: 25 to 30 %]. */
const DENSITY_STEP = 1.25;
/** Half a station past the last one. */
const PAST_LAST = 1.12;
