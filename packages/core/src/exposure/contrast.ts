/**
 * Contrast of bone against soft tissue in the picture, for comparing two techniques of one view. Only ratios count: the
 * energy is an average that fits local contrast behind the part, and the figure is unsure by ±20 %.
 */
import { gridTransmission, scatterToPrimary } from './beamModel';

/** Linear attenuation at energies in keV, 1/cm. Source: tabulated coefficients of muscle and an estimated cancellous bone. */
const KEV = [30, 40, 50, 60, 80];
const MUSCLE = [0.398, 0.2822, 0.2377, 0.215, 0.1914];
const CANCELLOUS = [0.8187, 0.4733, 0.3458, 0.2862, 0.2325];

/** Average energy for local contrast, keV: 32 at 55 kVp, 50 at 80 kVp behind a trunk, 60 at 120 kVp. */
const contrastKev = (kVp: number): number =>
  Math.min(62, Math.max(30, 32 + (kVp - 55) * 0.6 - Math.max(0, kVp - 90) * 0.3));

function at(values: readonly number[], keV: number): number {
  const i = Math.min(KEV.length - 2, Math.max(0, KEV.findIndex((each) => each >= keV) - 1));
  const t = (keV - KEV[i]) / (KEV[i + 1] - KEV[i]);
  return values[i] + (values[i + 1] - values[i]) * t;
}

/**
 * Relative contrast of a centimetre of bone: difference of attenuation, thinned by what scatter is left.
 * @param waterMm water-equivalent thickness of the part; @param fieldMm at the receptor
 */
export function boneContrast(
  kVp: number,
  waterMm: number,
  fieldMm: readonly [number, number],
  gridRatio: number,
): number {
  const keV = contrastKev(kVp);
  const grid = gridTransmission(gridRatio);
  const left = (scatterToPrimary(waterMm, fieldMm) * grid.scatter) / grid.primary;
  return (at(CANCELLOUS, keV) - at(MUSCLE, keV)) / (1 + left);
}
