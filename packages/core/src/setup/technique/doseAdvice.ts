/** What is said of a dose that is far above the usual, before it is given. */
import type { Projection } from '../../projections/schema';
import { problem, type Problem } from '../problem';

/** From here on one exposure is said to be a high one: several times what ordinary adults get of any view [typical]. */
export const HIGH_KERMA_MGY = 20;

/** @param entranceKermaMgy incident air kerma at the skin */
export function doseProblems(entranceKermaMgy: number, { name, exposure }: Projection, kVp: number): Problem[] {
  if (!(entranceKermaMgy > HIGH_KERMA_MGY)) return [];
  const [, most] = exposure.kVpRange;
  return [problem('dose-high', { name, mGy: Math.round(entranceKermaMgy), upToKvp: kVp < most ? most : null })];
}
