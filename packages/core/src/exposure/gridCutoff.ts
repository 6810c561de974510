/** Grid cut-off: off-focus, off-centre and off-level. Source: thin-strip model, textbook derivation. */
import { tanDeg, toDegrees } from '../quantity/angle';

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

/** From this tilt across the strips on a focused grid takes more than it gives: 20 % of the primary at 1 to 2°. */
export const GRID_BEARS_DEG = 2;

/**
 * Share of the primary lost when the ray is tilted across the strips, the grid lying flat.
 * @param ratio grid ratio, > 0; @param degrees tilt across the strips, either way
 * @returns 0 to 1
 */
const acrossLoss = (ratio: number, degrees: number): number => Math.min(1, ratio * Math.abs(tanDeg(degrees)));

export type GridPlacement = {
  ratio: number;
  /** Focal distance of the grid, and the distance that is set, square to the grid. */
  focusMm: number;
  distanceMm: number;
  /** Of the focal spot across the strips. */
  offCentreMm: number;
  tiltDeg: number;
  /** Half of the field across the strips. */
  edgeMm: number;
};
export type GridLoss = {
  centre: number;
  worseEdge: number;
  offCentre: number;
  offLevel: number;
  offFocus: number;
  sum: number;
};

/**
 * Share of the primary lost at a distance across the strips from the centre line, mm, with its sign.
 * Source: thin-strip model, r·|(c − b)/f1 − c/f0|, a tilt counting as the decentring f0·tan of it.
 */
export function lossAt(
  { ratio, focusMm, distanceMm, offCentreMm, tiltDeg }: Omit<GridPlacement, 'edgeMm'>,
  acrossMm: number,
): number {
  const b = offCentreMm + focusMm * tanDeg(tiltDeg);
  return Math.min(1, ratio * Math.abs((acrossMm - b) / distanceMm - acrossMm / focusMm));
}

/**
 * Losses of the primary of a focused grid: each error alone, and all together at the centre and at the worse edge.
 * Source: thin-strip model, r·|(c − b)/f1 − c/f0|, a tilt counting as the decentring f0·tan of it.
 * @throws RangeError unless the distances are above 0
 */
export function gridLoss(placement: GridPlacement): GridLoss {
  const { ratio, focusMm, distanceMm, offCentreMm, tiltDeg, edgeMm } = placement;
  const offFocus = offFocusLoss(ratio, edgeMm, focusMm, distanceMm);
  const offCentre = Math.min(1, (ratio * Math.abs(offCentreMm)) / focusMm);
  const offLevel = acrossLoss(ratio, tiltDeg);
  const worseEdge = Math.max(lossAt(placement, edgeMm), lossAt(placement, -edgeMm));
  const sum = Math.min(1, offCentre + offLevel + offFocus);
  return { centre: lossAt(placement, 0), worseEdge, offCentre, offLevel, offFocus, sum };
}

/** How far a grid may be off before a share of the primary is lost: tilt, decentring, and the distances at an edge; null: however far. */
export function gridTolerance(
  ratio: number,
  focusMm: number,
  edgeMm: number,
  share: number,
): { tiltDeg: number; offCentreMm: number; distanceMm: [number, number | null] } {
  const slack = share / (ratio * edgeMm);
  const far = 1 / focusMm - slack;
  return {
    tiltDeg: toDegrees(Math.atan(share / ratio)),
    offCentreMm: (share * focusMm) / ratio,
    distanceMm: [1 / (1 / focusMm + slack), far <= 0 ? null : 1 / far],
  };
}
