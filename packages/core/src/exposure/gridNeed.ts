/** Whether a grid is wanted, by thickness and kVp. Source: rule of thumb, from 10 to 12 cm, or above 60 to 70 kVp. */
import { scatterToPrimary } from './beamModel';

export const GRID_FROM_MM = 100;
export const GRID_ABOVE_KVP = 70;
/** A thin part makes little scatter whatever the kVp [typical]. */
const THIN_MM = 80;

export type GridNeed = {
  wanted: boolean;
  /** Scatter for each part of primary, without a grid. */
  scatter: number;
};

/** @param waterMm water-equivalent thickness; @param fieldMm at the receptor */
export const gridNeededBy = (
  thicknessMm: number,
  kVp: number,
  waterMm: number,
  fieldMm: readonly [number, number],
): GridNeed => ({
  wanted: thicknessMm >= GRID_FROM_MM || (kVp > GRID_ABOVE_KVP && thicknessMm >= THIN_MM),
  scatter: scatterToPrimary(waterMm, fieldMm),
});
