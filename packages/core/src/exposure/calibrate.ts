/**
 * A room's output from a few measured points: kerma free in air at a distance for a kVp and mAs. The form of the model
 * is kept and its level fitted, so that the residuals show where the room differs from it.
 */
import { outputAtMetre } from './beamModel';

export type OutputPoint = { kVp: number; mAs: number; distanceMm: number; kermaUGy: number };
export type OutputFit = {
  /** Output free in air at 1 m and 80 kVp, µGy per mAs. */
  outputUGyPerMas: number;
  /** Measured over fitted less 1, of each point. */
  residuals: number[];
  /** Root mean square of the residuals. */
  spread: number;
  /** Power of kVp that the points themselves follow; null from a single kVp. The model has 2.1. */
  exponent: number | null;
  /** Why the fit is not to be trusted, in words; empty when it is. */
  warnings: string[];
};

/** The model's form holds within this [15 % at 50 kVp]. */
const FITS_WITHIN = 0.15;
const USUAL_UGY = [20, 150] as const;

/** @throws RangeError without points, or for one that is not above 0 */
export function fitOutput(points: readonly OutputPoint[]): OutputFit {
  if (points.length === 0) throw new RangeError('A calibration needs at least one measured point');
  const level = points.map(({ kVp, mAs, distanceMm, kermaUGy }, i) => {
    if (![kVp, mAs, distanceMm, kermaUGy].every((value) => value > 0 && Number.isFinite(value)))
      throw new RangeError(`Point ${i + 1}: kVp, mAs, distance and kerma must be above 0`);
    const perMasAtMetre = (kermaUGy / mAs) * (distanceMm / 1000) ** 2;
    return { kVp, perMasAtMetre, ratio: perMasAtMetre / outputAtMetre(kVp, 1) };
  });
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const outputUGyPerMas = Math.exp(mean(level.map(({ ratio }) => Math.log(ratio))));
  const residuals = level.map(({ ratio }) => ratio / outputUGyPerMas - 1);
  const spread = Math.sqrt(mean(residuals.map((each) => each * each)));
  const xs = level.map(({ kVp }) => Math.log(kVp));
  const ys = level.map(({ perMasAtMetre }) => Math.log(perMasAtMetre));
  const [mx, my] = [mean(xs), mean(ys)];
  const across = xs.reduce((sum, x) => sum + (x - mx) ** 2, 0);
  const exponent = across > 1e-9 ? xs.reduce((sum, x, i) => sum + (x - mx) * (ys[i] - my), 0) / across : null;
  const worst = Math.max(...residuals.map(Math.abs));
  return {
    outputUGyPerMas,
    residuals,
    spread,
    exponent,
    warnings: [
      ...(worst > FITS_WITHIN
        ? [
            `A point lies ${Math.round(worst * 100)} % off the fit; the model holds within ${FITS_WITHIN * 100} %: measure again`,
          ]
        : []),
      ...(outputUGyPerMas < USUAL_UGY[0] || outputUGyPerMas > USUAL_UGY[1]
        ? [
            `${Math.round(outputUGyPerMas)} µGy per mAs at 1 m is outside ${USUAL_UGY[0]} to ${USUAL_UGY[1]}: check units and distance`,
          ]
        : []),
      ...(points.length < 3 ? ['Three points at different kVp tell more'] : []),
    ],
  };
}
