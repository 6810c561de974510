/**
 * The picture that a Setup gives: rays through the posed mannequin in true perspective, the edges of light and receptor,
 * grid, heel, scatter, blur and noise, and the index that the receptor would read.
 */
import { adaptBody } from '../body/adapt';
import { buildBody } from '../body/body';
import { poseBody } from '../body/pose';
import { placeBody } from '../body/posed';
import { solidsOf, type Solid } from '../body/surface';
import {
  energyResponse,
  gridTransmission,
  outputAtMetre,
  scatterToPrimary,
  SUPPORT_TRANSMISSION,
} from '../exposure/beamModel';
import { deviationIndex } from '../exposure/deviation';
import { lossAt } from '../exposure/gridCutoff';
import { dot, subtract } from '../geometry/vector';
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import type { Room } from '../room/room';
import { markerPlace } from '../setup/markerPlace';
import type { Setup } from '../setup/setup';
import { spectrumAt } from './attenuation';
import { boxBlur, smear } from './blur';
import { castRays } from './castRays';
import { pictureOf, pixelAt, type Picture } from './detector';
import { windowOf, type Window } from './display';
import { drawLetter } from './markerLetter';
import { addNoise } from './noise';
import { piecesFrom } from './pieces';

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

/** Everything that casts a shadow, where it stands. */
export function solidsIn({ patient, scene }: Setup): Solid[] {
  const body = adaptBody(buildBody(patient), scene.adapt);
  return solidsOf(placeBody(body, poseBody(body, scene.pose), scene.place));
}

/**
 * @throws RangeError for pixels, light or exposure out of range, an SID shorter than what lies in the ray, or kVp outside the model
 */
export function simulateRadiograph(setup: Setup, room: Room, options: RadiographOptions): Radiograph {
  const { scene, exposure, receptor, image } = setup;
  const entry = options.own ?? projectionOf(setup.projectionId);
  const picture = pictureOf(setup, options.pixels, options.exposure);
  const { columns, rows, pixelMm, where } = picture;
  const toEntry = dot(subtract(scene.entry, scene.focal), scene.beam);
  if (!(toEntry > 0))
    throw new RangeError(`the SID of ${Math.round(setup.tube.sidMm)} mm is shorter than what lies in the ray`);
  const solids = [...solidsIn(setup), ...(options.extras ?? [])];
  const { through, tested } = castRays(
    piecesFrom(solids, scene.focal),
    picture,
    spectrumAt(exposure.kVp),
    (pixel) => where[pixel] === 2,
  );

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
  const signal = addScatter(sharp, picture, {
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
  drawLetter(
    signal,
    columns,
    rows,
    pixelMm,
    setup.marker.letter,
    pixelAt(picture, markerPlace(setup, options.exposure)),
    mirrored,
  );
  const index = indexOf(signal, through, where);
  return {
    ...picture,
    signal,
    mirrored,
    index,
    deviation: index === null ? null : deviationIndex(index, exposure.targetIndex),
    window: windowOf(signal, where),
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

/** Scatter as a smooth field, through the grid. Source: the ratio of the beam model, spread over what was lit. */
function addScatter(
  primary: Float32Array,
  { columns, rows, pixelMm }: Picture,
  { ratio, grid }: { ratio: number; grid: { primary: number; scatter: number } },
): Float32Array {
  const radius = Math.max(1, Math.round(SCATTER_MM / pixelMm / 2));
  const smooth = boxBlur(primary, columns, rows, [Math.min(radius, columns - 1), Math.min(radius, rows - 1)], 2);
  return primary.map((value, i) => value * grid.primary + smooth[i] * ratio * grid.scatter);
}

/** Pixels that are enough for a median. */
const INDEX_FROM = 20_000;

/** The median of what lies behind the body in the light. */
function indexOf(signal: Float32Array, through: Float32Array, where: Uint8Array): number | null {
  const step = Math.max(1, Math.floor(signal.length / INDEX_FROM));
  const seen: number[] = [];
  for (let i = 0; i < signal.length; i += step) if (where[i] === 2 && through[i] < OPEN_FROM) seen.push(signal[i]);
  const middle = Float32Array.from(seen).sort()[Math.floor(seen.length / 2)] ?? 0;
  return middle > 0 ? middle : null;
}
