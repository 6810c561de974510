/**
 * How a picture was taken, besides how the part lay: the breath, motion, the grid, the marker and what the receptor got.
 * Source: criteria of teaching; the bands of the deviation index as departments commonly set them.
 */
import { bandOf, defaultBands, type BandEdges } from '../exposure/actionBands';
import { techniqueForIndex } from '../exposure/deviation';
import type { BreathPhase } from '../projections/vocabulary';
import type { Setup } from '../setup/setup';
import { CENTRE_SHARE, EDGE_SHARE } from '../setup/technique/gridCheck';
import { markerName, markerSaid, TAKEN_NAMES, TAKEN_REMEDIES } from '../words/takenWords';
import type { Criterion } from './criteria';
import { ribsAboveDome } from './diaphragm';

/** Phases in which the lungs are as full, or as empty, as the patient gets them. */
const FULL_OR_EMPTY: ReadonlySet<BreathPhase> = new Set<BreathPhase>([
  'second in',
  'in',
  'slowly in',
  'out',
  'in and out',
]);
/** A breath that is not held as asked moves the dome by about a rib and a half. */
const RIBS_TOLERANCE = 0.7;
/** What is seen as motion on a picture of usual sharpness, mm [typical]. */
const MOTION_MM = 0.5;

/**
 * @param ideal as it should be taken, @param actual as it was
 * @param motionMm how far the part moved while it was exposed
 * @param bands of the deviation index, as the department has them
 */
export function takenCriteria(ideal: Setup, actual: Setup, motionMm = 0, bands: BandEdges = defaultBands): Criterion[] {
  const read = [
    ...breathOf(ideal, actual),
    motionOf(actual, motionMm),
    ...gridOf(actual),
    ...markerOf(ideal, actual),
    ...exposureOf(actual, bands),
  ];
  // What is as it should be wants nothing.
  return read.map(({ remedy, ...criterion }) => (criterion.passes || !remedy ? criterion : { ...criterion, remedy }));
}

function breathOf(ideal: Setup, actual: Setup): Criterion[] {
  if (!FULL_OR_EMPTY.has(ideal.breathing.phase)) return [];
  const [target, value] = [ribsAboveDome(ideal), ribsAboveDome(actual)];
  if (target === null || value === null) return [];
  return [
    {
      id: 'diaphragm',
      name: TAKEN_NAMES.diaphragm,
      unit: 'ribs',
      value,
      target,
      tolerance: RIBS_TOLERANCE,
      passes: Math.abs(value - target) <= RIBS_TOLERANCE,
      remedy: TAKEN_REMEDIES.breath(ideal.breathing),
    },
  ];
}

const motionOf = ({ exposure: { timeMs } }: Setup, motionMm: number): Criterion => ({
  id: 'motion',
  name: TAKEN_NAMES.motion,
  unit: 'mm',
  value: motionMm,
  target: 0,
  tolerance: MOTION_MM,
  passes: motionMm <= MOTION_MM,
  remedy: TAKEN_REMEDIES.motion({ motionMm, timeMs }),
});

function gridOf({ image: { grid }, problems }: Setup): Criterion[] {
  if (!grid) return [];
  const cutOff = problems.find(({ code }) => code === 'grid-cut-off');
  const read = (id: string, name: string, share: number, most: number): Criterion => ({
    id,
    name,
    unit: '%',
    value: share * 100,
    target: 0,
    tolerance: most * 100,
    passes: share < most,
    ...(cutOff && { remedy: cutOff.text }),
  });
  return [
    read('grid-centre', TAKEN_NAMES.gridCentre, grid.centre, CENTRE_SHARE),
    read('grid-edge', TAKEN_NAMES.gridEdge, grid.worseEdge, EDGE_SHARE),
  ];
}

function markerOf(ideal: Setup, actual: Setup): Criterion[] {
  const [asked, laid] = [ideal, actual].map(({ marker }) => marker.letters.join(' and '));
  return [
    {
      id: 'marker',
      name: markerName(asked),
      unit: 'markers',
      value: asked === laid ? 1 : 0,
      target: 1,
      tolerance: 0,
      passes: asked === laid,
      says: markerSaid(asked, laid),
      remedy: TAKEN_REMEDIES.marker({ asked }),
    },
  ];
}

/** What follows from it is said by the band, here as everywhere. */
function exposureOf({ exposure: { expected, mAs, targetIndex } }: Setup, bands: BandEdges): Criterion[] {
  if (!expected) return [];
  const { deviation, index } = expected;
  const rightMas = techniqueForIndex(mAs, index, targetIndex);
  const { action } = bandOf(deviation, bands);
  return [
    {
      id: 'receptor-exposure',
      name: TAKEN_NAMES.exposure,
      unit: 'DI',
      value: deviation,
      target: 0,
      tolerance: bands.acceptable,
      passes: Math.abs(deviation) <= bands.acceptable,
      remedy: TAKEN_REMEDIES.exposure({ index, targetIndex, mAs, rightMas, action }),
    },
  ];
}
