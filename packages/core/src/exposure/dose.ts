/** Dose of one exposure. Source: textbook inverse square; ±30 % without a measured output. */
import { outputAtMetre } from './beamModel';

/**
 * Incident air kerma at the skin and kerma-area product.
 * @param focusToSkinMm > 0
 * @param fieldMm field at the receptor; the product with area is the same at every distance
 */
export function doseOf(
  technique: { kVp: number; mAs: number },
  outputUGyPerMas: number,
  focusToSkinMm: number,
  sidMm: number,
  fieldMm: readonly [number, number],
): { entranceKermaMgy: number; kapGyCm2: number } {
  if (!(focusToSkinMm > 0))
    throw new RangeError(`the skin must lie in front of the focal spot, got ${focusToSkinMm} mm`);
  const atMetreMgy = (outputAtMetre(technique.kVp, outputUGyPerMas) * technique.mAs) / 1000;
  const atReceptorMgy = atMetreMgy * (1000 / sidMm) ** 2;
  const areaCm2 = (fieldMm[0] / 10) * (fieldMm[1] / 10);
  return { entranceKermaMgy: atMetreMgy * (1000 / focusToSkinMm) ** 2, kapGyCm2: (atReceptorMgy / 1000) * areaCm2 };
}
