/**
 * Converts a technique between two conditions, one factor at a time, in the order in which a technologist thinks:
 * thickness, kVp, distance, grid, field.
 */
import { indexPerMas, type BeamConditions } from './beamModel';

/** In the order in which they are told. */
export const FACTOR_NAMES = [
  'room',
  'thickness',
  'kVp',
  'SID',
  'grid',
  'field',
  'cast',
  'board',
  'condition',
  'density',
] as const;
export type FactorName = (typeof FACTOR_NAMES)[number];
export type TechniqueFactor = {
  name: FactorName;
  factor: number;
  /** What it would be, where it was set by hand. */
  computed?: number;
};
export type TechniqueResult = { mAs: number; factors: TechniqueFactor[] };

/**
 * New mAs for the same exposure at the receptor.
 * @param technique mAs > 0 that was right under `from`
 * @returns the exact product of the listed factors
 * @throws RangeError when either condition lies outside the model
 */
export function convertTechnique(
  technique: { mAs: number },
  from: BeamConditions,
  to: BeamConditions,
): TechniqueResult {
  if (!(technique.mAs > 0)) throw new RangeError(`mAs must be above 0, got ${technique.mAs}`);
  const factors: TechniqueFactor[] = [];
  let at = from;
  let level = indexPerMas(from);
  const move = (name: TechniqueFactor['name'], change: Partial<BeamConditions>) => {
    at = { ...at, ...change };
    const next = indexPerMas(at);
    factors.push({ name, factor: level / next });
    level = next;
  };
  move('thickness', { thicknessMm: to.thicknessMm, composition: to.composition });
  move('kVp', { kVp: to.kVp });
  move('SID', { sidMm: to.sidMm });
  move('grid', { gridRatio: to.gridRatio });
  move('field', { fieldMm: to.fieldMm });
  return { mAs: factors.reduce((mAs, { factor }) => mAs * factor, technique.mAs), factors };
}
