/** What a part is made of when it is thicker than the one that its chart is for. */
import type { Projection } from '../../projections/schema';

/** Water-equivalent share of the flesh and fat of a heavy trunk. Source: densities of adipose tissue and muscle. */
const FLESH = 0.93;

/**
 * Lungs do not grow with the mass of the body: what a chest is thicker than its chart is flesh. Thinner ones, and parts
 * without lung, keep the entry's share.
 * @param thicknessMm of this patient
 * @returns water-equivalent share of that thickness
 * @example compositionAt(projectionOf('chest-pa').exposure, 342) // 0.65, of 0.52 for a median man
 */
export function compositionAt(
  { chart, composition }: Pick<Projection['exposure'], 'composition'> & { chart: { thicknessMm: number } },
  thicknessMm: number,
): number {
  const addedMm = thicknessMm - chart.thicknessMm;
  if (addedMm <= 0 || composition >= FLESH) return composition;
  return (composition * chart.thicknessMm + FLESH * addedMm) / thicknessMm;
}
