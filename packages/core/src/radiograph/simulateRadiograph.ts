/**
 * The picture that a Setup gives: rays through the posed mannequin in true perspective, the edges of light and receptor,
 * grid, heel, scatter, blur and noise, and the index that the receptor would read.
 */
import type { Skeleton } from '../body/skeleton';
import type { Solid } from '../body/surface';
import {
  energyResponse,
  gridTransmission,
  outputAtMetre,
  scatterToPrimary,
  SUPPORT_TRANSMISSION,
} from '../exposure/beamModel';
import { deviationIndex } from '../exposure/deviation';
import { lossAt } from '../exposure/gridCutoff';
import { inverse } from '../geometry/frame';
import { addScaled, dot, subtract } from '../geometry/vector';
import { hasProjection, projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { ROOM_ONE } from '../room/demoRooms';
import type { Room } from '../room/room';
import { computeSetup } from '../setup/computeSetup';
import { markerPositions } from '../setup/collimation/markerPlace';
import type { Setup } from '../setup/setup';
import { spectrumAt } from './attenuation';
import { boxBlur, smear } from './blur';
import { moveSolid, patientBones, patientElements } from './bodySolids';
import { boneLengths } from './boneLengths';
import { castRays, type Cast } from './castRays';
import { carriedBy, pictureOf, pixelAt, type Picture } from './detector';
import { windowOf, type Window } from './display';
import { drawLetter } from './markerLetter';
import { addNoise } from './noise';
import { mergedElements, piecesFrom, rankedElements } from './pieces';

export type RadiographOptions = {
  /** Along the longer side. */
  pixels: number;
  /** Of the noise; null for a picture without any. */
  seed: number | null;
  /** Way that something moved during the exposure, mm at the receptor. */
  motionMm?: number;
  /** Which of several exposures. */
  exposure?: number;
  /** Things besides the body: beads, wedges, what was left on. */
  extras?: readonly Solid[];
  own?: Projection;
  /** True bones, in the place of the mannequin's own. */
  skeleton?: Skeleton;
};

export type Radiograph = Picture & {
  /** Standard index at each pixel: 100 for a µGy of the calibration beam. */
  signal: Float32Array;
  /** As pictures are hung: facing the patient. True where left and right are exchanged for that. */
  mirrored: boolean;
  /** What the receptor would read, and how far off its target; null where nothing lies in the light. */
  index: number | null;
  deviation: number | null;
  window: Window;
  /** Pieces tested for a ray, on average. */
  testedPerRay: number;
};

/** The anode side of a field of 430 mm at a metre is this much weaker than the cathode side [20 to 40 %]. */
const HEEL_SHARE = 0.3;
const HEEL_MM = 430;
/** Scatter is smooth: so many cells across the shorter side are enough. */
const SCATTER_CELLS = 64;
/** Scatter is smooth over about this much. */
const SCATTER_MM = 45;
/** From here on what comes through is open beam, which the receptor does not count in its index. */
const OPEN_FROM = 0.7;

/** Regions whose pictures are hung facing the patient, whichever way the ray went. */
const HUNG_FACING = new Set([
  'chest',
  'abdomen',
  'spine',
  'skull and face',
  'contrast overheads',
  'shoulder',
  'femur, hip, pelvis',
]);

/** What the rays of a picture meet: the part of the work that is shared among workers, row by row. */
export type Ready = { picture: Picture; castRows: (first: number, end: number) => Cast };

/**
 * @throws RangeError for pixels, light or exposure out of range, or an SID shorter than what lies in the ray
 */
export function prepareRadiograph(setup: Setup, { pixels, exposure, extras = [], skeleton }: RadiographOptions): Ready {
  const { scene } = setup;
  const picture = pictureOf(setup, pixels, exposure);
  if (!(dot(subtract(scene.entry, scene.focal), scene.beam) > 0))
    throw new RangeError(`the SID of ${Math.round(setup.tube.sidMm)} mm is shorter than what lies in the ray`);
  // The rays are carried into the frame of the patient, where the body stands still.
  const back = inverse(scene.place);
  const detector = carriedBy(picture, back);
  const elements = mergedElements(
    patientElements(setup, skeleton),
    rankedElements(extras.map((solid) => moveSolid(solid, back))),
  );
  const bones = patientBones(setup, skeleton);
  const weights = spectrumAt(setup.exposure.kVp);
  return {
    picture,
    castRows: (first, end) => {
      // The rows as a picture of their own: what casts no shadow on them is not even taken apart.
      const part = { ...detector, origin: addScaled(detector.origin, detector.stepV, first), rows: end - first };
      const skipped = first * picture.columns;
      return castRays(
        piecesFrom(elements, part),
        part,
        weights,
        (pixel) => picture.where[skipped + pixel] === 2,
        boneLengths(bones, part),
      );
    },
  };
}

/**
 * @param cast all rows, where they were cast elsewhere
 * @throws RangeError for pixels, light or exposure out of range, or an SID shorter than what lies in the ray
 */
export function simulateRadiograph(
  setup: Setup,
  room: Room,
  options: RadiographOptions,
  ready: Ready = prepareRadiograph(setup, options),
  cast: Cast = ready.castRows(0, ready.picture.rows),
): Radiograph {
  const shown = exposeReceptor(setup, room, options, ready.picture, cast);
  const factor = regionFactor(options.own ?? projectionOf(setup.projectionId), options.skeleton);
  const index = shown.index === null ? null : shown.index * factor;
  return { ...shown, index, deviation: index === null ? null : deviationIndex(index, setup.exposure.targetIndex) };
}

/** Pixels along a picture that is only made for its index. */
const INDEX_PIXELS = 48;
/** By the bones that cast the shadows, and by entry. */
const factorsBare = new Map<string, number>();
const factorsWith = new WeakMap<Skeleton, Map<string, number>>();
function factorsOf(skeleton: Skeleton | undefined): Map<string, number> {
  if (!skeleton) return factorsBare;
  let factors = factorsWith.get(skeleton);
  if (!factors) factorsWith.set(skeleton, (factors = new Map()));
  return factors;
}
/** An entry of the department's own comes anew with each request. */
const keyOf = (entry: Projection): string => (hasProjection(entry.id) ? entry.id : JSON.stringify(entry));

/**
 * A receptor reads its index from the region that matters in this examination. Which one is not published; what it does
 * is taken from the median adult, on whom the index that is computed and the median of the picture must agree.
 */
function regionFactor(entry: Projection, skeleton: Skeleton | undefined): number {
  const factors = factorsOf(skeleton);
  const key = keyOf(entry);
  const known = factors.get(key);
  if (known !== undefined) return known;
  const { id, sided } = entry;
  const side = sided === 'each' ? ('left' as const) : undefined;
  const setup = computeSetup({ projectionId: id, own: entry, side, room: ROOM_ONE });
  const options: RadiographOptions = { pixels: INDEX_PIXELS, seed: null, own: entry, skeleton };
  const { picture, castRows } = prepareRadiograph(setup, options);
  const { index } = exposeReceptor(setup, ROOM_ONE, options, picture, castRows(0, picture.rows));
  const { expected } = setup.exposure;
  const factor = index === null || !expected ? 1 : expected.index / index;
  factors.set(key, factor);
  return factor;
}

function exposeReceptor(
  setup: Setup,
  room: Room,
  options: RadiographOptions,
  picture: Picture,
  { through, tested }: Cast,
): Radiograph {
  const { exposure, receptor, image } = setup;
  const entry = options.own ?? projectionOf(setup.projectionId);
  const { columns, rows, pixelMm, where } = picture;
  const grid = gridTransmission(receptor.grid?.ratio ?? 0);
  const support = receptor.holder === 'table-tray' ? 'table' : receptor.holder === 'wall' ? 'wall' : 'none';
  const { outputUGyPerMas, outputPower } = room.generator;
  // Index of the open beam at a metre: its kerma, as this receptor answers to it.
  const open =
    100 *
    outputAtMetre(exposure.kVp, outputUGyPerMas, outputPower) *
    exposure.mAs *
    SUPPORT_TRANSMISSION[support] *
    energyResponse(exposure.kVp, 0);
  const primary = openBeam(setup, picture, open);
  for (let i = 0; i < primary.length; i += 1) primary[i] *= through[i];
  const sharp = smear(primary, columns, rows, (image.blurMm + (options.motionMm ?? 0)) / pixelMm);
  const signal = addScatter(sharp, through, picture, {
    ratio: scatterToPrimary(exposure.thicknessMm * entry.exposure.composition, [
      setup.field.atReceptorMm.width,
      setup.field.atReceptorMm.height,
    ]),
    grid,
  });
  // Noise belongs to what was absorbed: to the kerma, not to the index.
  if (options.seed !== null) {
    for (let i = 0; i < signal.length; i += 1) signal[i] /= 100;
    addNoise(signal, pixelMm, options.seed);
    for (let i = 0; i < signal.length; i += 1) signal[i] *= 100;
  }
  const mirrored = setup.position.facing === 'PA' && HUNG_FACING.has(entry.region);
  for (const { letter, p } of markerPositions(setup, options.exposure))
    drawLetter(signal, columns, rows, pixelMm, letter, pixelAt(picture, p), mirrored);
  return {
    ...picture,
    signal,
    mirrored,
    index: indexOf(signal, through, where),
    deviation: null,
    window: windowOf(signal, where, through),
    testedPerRay: tested / through.length,
  };
}

/** The beam without a body at every pixel: distance, heel, grid, edges of the light. @param atMetre index at a metre */
function openBeam({ scene, tube, image }: Setup, picture: Picture, atMetre: number): Float32Array {
  const { columns, rows, where, origin, stepU, stepV, pixelMm } = picture;
  const beam = new Float32Array(columns * rows);
  const corner = subtract(origin, scene.hit);
  const [a0, b0] = [dot(corner, scene.receptor.u), dot(corner, scene.receptor.v)];
  const { grid } = image;
  const keptAt = (mm: number) => (grid ? 1 - lossAt(grid, mm) : 1);
  const up = grid?.strips !== 'across';
  const byColumn = Float64Array.from({ length: columns }, (_, x) => (up ? keptAt(a0 + x * pixelMm) : 1));
  const [fx, fy, fz] = subtract(origin, scene.focal);
  for (let y = 0; y < rows; y += 1) {
    const along = b0 - y * pixelMm;
    const heel = 1 - (HEEL_SHARE * along * 1000) / (HEEL_MM * tube.sidMm);
    const row = atMetre * 1e6 * heel * (up ? 1 : keptAt(along));
    for (let x = 0; x < columns; x += 1) {
      const i = y * columns + x;
      const lit = where[i] === 2 ? 1 : 0;
      const dx = fx + stepU[0] * x + stepV[0] * y;
      const dy = fy + stepU[1] * x + stepV[1] * y;
      const dz = fz + stepU[2] * x + stepV[2] * y;
      beam[i] = (row * byColumn[x] * lit) / (dx * dx + dy * dy + dz * dz);
    }
  }
  return beam;
}

/** A part that takes less than this share of the beam scatters in proportion; open beam does not scatter at all. */
const SCATTERS_FULLY = 0.2;

/**
 * Scatter as a smooth field, through the grid. It comes from what lies in the beam, not from the open beam beside it.
 * Source: the ratio of the beam model, spread over what was lit.
 */
function addScatter(
  primary: Float32Array,
  through: Float32Array,
  { columns, rows, pixelMm }: Picture,
  { ratio, grid }: { ratio: number; grid: { primary: number; scatter: number } },
): Float32Array {
  const step = Math.max(1, Math.floor(Math.min(columns, rows) / SCATTER_CELLS));
  const [w, h] = [Math.ceil(columns / step), Math.ceil(rows / step)];
  const coarse = new Float32Array(w * h);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      let sum = 0;
      let count = 0;
      for (let b = y * step; b < Math.min(rows, (y + 1) * step); b += 1)
        for (let a = x * step; a < Math.min(columns, (x + 1) * step); a += 1) {
          const i = b * columns + a;
          sum += primary[i] * Math.min(1, (1 - through[i]) / SCATTERS_FULLY);
          count += 1;
        }
      coarse[y * w + x] = sum / count;
    }
  const radius = Math.max(1, Math.round(SCATTER_MM / pixelMm / step / 2));
  const smooth = boxBlur(coarse, w, h, [Math.min(radius, w - 1), Math.min(radius, h - 1)], 2);
  const signal = new Float32Array(primary.length);
  const share = ratio * grid.scatter;
  for (let y = 0; y < rows; y += 1) {
    // Between the middles of the cells of the coarse field.
    const fy = Math.min(h - 1, Math.max(0, (y + 0.5) / step - 0.5));
    const j = Math.min(h - 1, Math.floor(fy));
    const below = Math.min(h - 1, j + 1);
    for (let x = 0; x < columns; x += 1) {
      const fx = Math.min(w - 1, Math.max(0, (x + 0.5) / step - 0.5));
      const i = Math.min(w - 1, Math.floor(fx));
      const right = Math.min(w - 1, i + 1);
      const top = smooth[j * w + i] + (smooth[j * w + right] - smooth[j * w + i]) * (fx - i);
      const foot = smooth[below * w + i] + (smooth[below * w + right] - smooth[below * w + i]) * (fx - i);
      signal[y * columns + x] = primary[y * columns + x] * grid.primary + (top + (foot - top) * (fy - j)) * share;
    }
  }
  return signal;
}

/** Pixels that are enough for a median. */
const INDEX_FROM = 6_000;

/** The median of what lies behind the body in the light. */
function indexOf(signal: Float32Array, through: Float32Array, where: Uint8Array): number | null {
  const step = Math.max(1, Math.floor(signal.length / INDEX_FROM));
  const seen = new Float32Array(Math.ceil(signal.length / step));
  let count = 0;
  for (let i = 0; i < signal.length; i += step)
    if (where[i] === 2 && through[i] < OPEN_FROM) {
      seen[count] = signal[i];
      count += 1;
    }
  const middle = seen.subarray(0, count).sort()[Math.floor(count / 2)] ?? 0;
  return middle > 0 ? middle : null;
}
