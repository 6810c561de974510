/**
 * Whether a grid is wanted, by thickness and kVp. Source: rule of thumb, from 10 to 12 cm, or above 60 to 70 kVp; the
 * upper end for children, to whom the dose of a grid counts for more.
 */
import { isChild } from '../body/patient';
import { scatterToPrimary } from './beamModel';

const FROM_MM = { adult: 100, child: 120 } as const;
/** A thin part makes little scatter whatever the kVp [typical]. */
const THIN_MM = { adult: 80, child: 100 } as const;
export const GRID_ABOVE_KVP = 70;

/** Thickness from which a patient of this age gets a grid, mm; an adult where the age is not known. */
export const gridFromMm = ({ ageYears }: { ageYears?: number }): number =>
  FROM_MM[ageYears !== undefined && isChild({ ageYears }) ? 'child' : 'adult'];

export type GridNeed = {
  wanted: boolean;
  /** Scatter for each part of primary, without a grid. */
  scatter: number;
};

/** @param waterMm water-equivalent thickness; @param fieldMm at the receptor */
export const gridNeededBy = (
  child: boolean,
  thicknessMm: number,
  kVp: number,
  waterMm: number,
  fieldMm: readonly [number, number],
): GridNeed => ({
  wanted:
    thicknessMm >= FROM_MM[child ? 'child' : 'adult'] ||
    (kVp > GRID_ABOVE_KVP && thicknessMm >= THIN_MM[child ? 'child' : 'adult']),
  scatter: scatterToPrimary(waterMm, fieldMm),
});
