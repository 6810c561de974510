/** Grid cut-off by distance. Source: thin-strip model, textbook derivation. */

/**
 * Share of the primary lost at the edge of the field because the focus is not at the grid's own distance.
 * @param ratio grid ratio, > 0; @param edgeMm distance across the strips from the centre line
 * @param focusMm the grid's focal distance; @param distanceMm focal spot to grid, square to the grid (not along the ray)
 * @returns 0 to 1
 */
export function offFocusLoss(ratio: number, edgeMm: number, focusMm: number, distanceMm: number): number {
  if (!(focusMm > 0) || !(distanceMm > 0))
    throw new RangeError(`grid distances must be above 0 mm, got ${focusMm} and ${distanceMm}`);
  return Math.min(1, ratio * Math.abs(edgeMm) * Math.abs(1 / distanceMm - 1 / focusMm));
}

/** From this tilt across the strips on a grid takes more than it gives [typical: 6:1 to 10:1 lose most of the primary by 8 to 10°]. */
export const GRID_BEARS_DEG = 8;

/**
 * Share of the primary lost when the ray is tilted across the strips, the grid lying flat.
 * @param ratio grid ratio, > 0; @param degrees tilt across the strips, either way
 * @returns 0 to 1
 */
export const acrossLoss = (ratio: number, degrees: number): number =>
  Math.min(1, ratio * Math.abs(Math.tan((degrees * Math.PI) / 180)));
