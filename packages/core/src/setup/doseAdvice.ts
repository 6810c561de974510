/** What is said of a dose that is far above the usual, before it is given. */
import type { Projection } from '../projections/schema';
import type { Problem } from './problem';

/** From here on one exposure is said to be a high one: several times what ordinary adults get of any view [typical]. */
export const HIGH_KERMA_MGY = 20;

/** @param entranceKermaMgy incident air kerma at the skin */
export function doseProblems(entranceKermaMgy: number, { name, exposure }: Projection, kVp: number): Problem[] {
  if (!(entranceKermaMgy > HIGH_KERMA_MGY)) return [];
  const higher = kVp < exposure.kVpRange[1] ? `a higher kVp (up to ${exposure.kVpRange[1]}), ` : '';
  return [
    {
      code: 'dose-high',
      text: `About ${Math.round(entranceKermaMgy)} mGy to the skin in one exposure of ${name}. Before it: ${higher}a tighter field, a longer SID where the room has it, the part compressed or laid thinner where it may be; ask the radiologist whether it is still wanted.`,
    },
  ];
}
