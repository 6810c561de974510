/** The picture of one exposure: which part of the receptor, in how many pixels, and what lies in the light. */
import { applyToDirection, applyToPoint, type Frame } from '../geometry/frame';
import { addScaled, dot, scale, subtract, type Vec3 } from '../geometry/vector';
import type { Setup } from '../setup/setup';
import type { Detector } from './shadow';

export type Picture = Detector & {
  /** Edge of a pixel on the receptor. */
  pixelMm: number;
  /** 2 in the light and on the receptor, 1 on the receptor outside the light, 0 off the receptor. */
  where: Uint8Array;
};

/** Longer side of a picture, pixels. */
export const PIXEL_RANGE = [32, 2048] as const;
/** Seen beyond the edge of the light, share of the field on each side. */
const BORDER = 0.05;

/** Sides of a convex outline as a, b, c of a·x + b·y + c, which is 0 or more inside. */
function sidesOf(outline: readonly (readonly [number, number])[]): Float64Array {
  const next = (i: number) => outline[(i + 1) % outline.length];
  const area = outline.reduce((sum, [x, y], i) => sum + x * next(i)[1] - next(i)[0] * y, 0);
  const sign = Math.sign(area);
  return Float64Array.from(
    outline.flatMap(([px, py], i) => {
      const [nx, ny] = next(i);
      return [-sign * (ny - py), sign * (nx - px), sign * ((ny - py) * px - (nx - px) * py)];
    }),
  );
}
/** Ends along x of what a convex polygon covers at a height; the first beyond the second where it covers nothing. */
function chordAt(sides: Float64Array, y: number): [number, number] {
  let from = -Infinity;
  let to = Infinity;
  for (let k = 0; k < sides.length; k += 3) {
    const rest = sides[k + 1] * y + sides[k + 2];
    if (sides[k] > 0) from = Math.max(from, -rest / sides[k]);
    else if (sides[k] < 0) to = Math.min(to, -rest / sides[k]);
    else if (rest < 0) return [Infinity, -Infinity];
  }
  return [from, to];
}

/**
 * @param pixels along the longer side
 * @param exposure which of several
 * @throws RangeError outside the range of pixels, for a light without area, or an exposure that there is not
 */
export function pictureOf({ scene, receptor: { shiftsMm } }: Setup, pixels: number, exposure = 0): Picture {
  if (!(pixels >= PIXEL_RANGE[0] && pixels <= PIXEL_RANGE[1]))
    throw new RangeError(`a picture must have ${PIXEL_RANGE[0]} to ${PIXEL_RANGE[1]} pixels, got ${pixels}`);
  const field = scene.fields[exposure];
  if (!field) throw new RangeError(`this set-up has ${scene.fields.length} exposures, not ${exposure + 1}`);
  const { hit, receptor } = scene;
  const { u, v } = receptor;
  const flat = (p: Vec3): [number, number] => {
    const off = subtract(p, hit);
    return [dot(off, u), dot(off, v)];
  };
  const lightField = field.map(flat);
  const turn = (receptor.tiltDeg * Math.PI) / 180;
  const shift = shiftsMm[exposure] ?? 0;
  const plate = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([i, j]): [number, number] => {
    const [x, y] = [(i * receptor.widthMm) / 2, (j * receptor.heightMm) / 2];
    return [x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn) + shift];
  });
  const bounds = (points: readonly (readonly [number, number])[]) => ({
    left: Math.min(...points.map(([x]) => x)),
    right: Math.max(...points.map(([x]) => x)),
    low: Math.min(...points.map(([, y]) => y)),
    high: Math.max(...points.map(([, y]) => y)),
  });
  const [lit, plateBounds] = [bounds(lightField), bounds(plate)];
  const [w, h] = [lit.right - lit.left, lit.high - lit.low];
  if (!(w > 1 && h > 1)) throw new RangeError(`the light must be more than 1 mm each way, got ${w} by ${h} mm`);
  const left = Math.max(plateBounds.left, lit.left - w * BORDER);
  const right = Math.min(plateBounds.right, lit.right + w * BORDER);
  const low = Math.max(plateBounds.low, lit.low - h * BORDER);
  const high = Math.min(plateBounds.high, lit.high + h * BORDER);
  if (!(right - left > 1 && high - low > 1)) throw new RangeError('the light does not fall on the receptor');
  const pixelMm = Math.max(right - left, high - low) / pixels;
  const columns = Math.max(1, Math.round((right - left) / pixelMm));
  const rows = Math.max(1, Math.round((high - low) / pixelMm));
  const inField = sidesOf(lightField);
  const onPlate = sidesOf(plate);
  const where = new Uint8Array(columns * rows);
  // Column of the first pixel whose middle lies at or beyond a place.
  const columnAt = (mm: number) => Math.min(columns, Math.max(0, Math.ceil((mm - left) / pixelMm - 0.5)));
  for (let y = 0; y < rows; y += 1) {
    const middle = high - (y + 0.5) * pixelMm;
    const row = y * columns;
    const [[from, to], [bright, dark]] = [chordAt(onPlate, middle), chordAt(inField, middle)];
    where.fill(1, row + columnAt(from), row + columnAt(to));
    where.fill(2, row + columnAt(Math.max(from, bright)), row + columnAt(Math.min(to, dark)));
  }
  return {
    focal: scene.focal,
    origin: addScaled(addScaled(hit, u, left + pixelMm / 2), v, high - pixelMm / 2),
    stepU: scale(u, pixelMm),
    stepV: scale(v, -pixelMm),
    columns,
    rows,
    pixelMm,
    where,
  };
}

/** The same carried along by a rigid frame. @example carriedBy(picture, inverse(setup.scene.place)) // where the body stands still */
export const carriedBy = <D extends Detector>(detector: D, frame: Frame): D => ({
  ...detector,
  focal: applyToPoint(frame, detector.focal),
  origin: applyToPoint(frame, detector.origin),
  stepU: applyToDirection(frame, detector.stepU),
  stepV: applyToDirection(frame, detector.stepV),
});

/** Where a point of the receptor plane falls in the picture: columns and rows, 0 in the middle of the first pixel. */
export function pixelAt({ origin, stepU, stepV }: Detector, p: Vec3): [number, number] {
  const off = subtract(p, origin);
  return [dot(off, stepU) / dot(stepU, stepU), dot(off, stepV) / dot(stepV, stepV)];
}
