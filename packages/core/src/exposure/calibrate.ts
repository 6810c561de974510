/**
 * A room's output from a few measured points: kerma free in air at a distance for a kVp and mAs. The form of the model
 * is kept, a power of kVp; its level is fitted, and the power too where the points carry it.
 */
import type { Generator, OutputPoint } from '../room/room';
import { mean, slopeOf } from '../quantity/statistics';
import { outputAtMetre, USUAL_POWER } from './beamModel';

export type OutputFit = {
  /** Output free in air at 1 m and 80 kVp, µGy per mAs. */
  outputUGyPerMas: number;
  /** Measured over fitted less 1, of each point. */
  residuals: number[];
  /** Root mean square of the residuals. */
  spread: number;
  /** Power of kVp: fitted where points are many and far enough apart, else the usual one. */
  power: number;
  powerFitted: boolean;
  /** Why the fit is not to be trusted, in words; empty when it is. */
  warnings: string[];
};

/** The model's form holds within this [15 % at 50 kVp]. */
const FITS_WITHIN = 0.15;
const USUAL_UGY = [20, 150] as const;

/** A power needs three points over at least this ratio of kVp; an ordinary tube lies within these powers. */
const POWER_FROM_POINTS = 3;
const POWER_FROM_RATIO = 1.3;
const USUAL_POWERS = [1.8, 2.6] as const;

/** @throws RangeError without points, or for one that is not above 0 */
export function fitOutput(points: readonly OutputPoint[]): OutputFit {
  if (points.length === 0) throw new RangeError('A calibration needs at least one measured point');
  const perMas = points.map(({ kVp, mAs, distanceMm, kermaUGy }, i) => {
    if (![kVp, mAs, distanceMm, kermaUGy].every((value) => value > 0 && Number.isFinite(value)))
      throw new RangeError(`Point ${i + 1}: kVp, mAs, distance and kerma must be above 0`);
    return (kermaUGy / mAs) * (distanceMm / 1000) ** 2;
  });
  const kVps = points.map(({ kVp }) => kVp);
  const powerFitted = points.length >= POWER_FROM_POINTS && Math.max(...kVps) / Math.min(...kVps) >= POWER_FROM_RATIO;
  const power = powerFitted ? slopeOf(kVps.map(Math.log), perMas.map(Math.log)) : USUAL_POWER;
  const ratios = points.map(({ kVp }, i) => perMas[i] / outputAtMetre(kVp, 1, power));
  const outputUGyPerMas = Math.exp(mean(ratios.map(Math.log)));
  const residuals = ratios.map((ratio) => ratio / outputUGyPerMas - 1);
  const worst = Math.max(...residuals.map(Math.abs));
  return {
    outputUGyPerMas,
    residuals,
    spread: Math.sqrt(mean(residuals.map((each) => each * each))),
    power,
    powerFitted,
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
      ...(power < USUAL_POWERS[0] || power > USUAL_POWERS[1]
        ? [
            `The output follows kVp to the power ${power.toFixed(2)}; ordinary is ${USUAL_POWERS.join(' to ')}: check the points`,
          ]
        : []),
      ...(powerFitted
        ? []
        : [
            `${POWER_FROM_POINTS} points from a low to a high kVp (a ratio of ${POWER_FROM_RATIO}) would tell how the output follows kVp`,
          ]),
    ],
  };
}

/** How well the output of a room is known from its own points; null where none were measured. */
export const fitSpreadOf = ({ points }: Pick<Generator, 'points'>): number | null =>
  points && points.length > 0 ? fitOutput(points).spread : null;
