/** Dose of one exposure. Source: textbook inverse square; ±30 % without a measured output. */
import { outputAtMetre } from './beamModel';

/**
 * Incident air kerma at the skin and kerma-area product.
 * @param focusToSkinMm > 0
 * @param fieldMm field at the receptor; the product with area is the same at every distance
 */
export function doseOf(
  technique: { kVp: number; mAs: number },
  { outputUGyPerMas, outputPower }: { outputUGyPerMas: number; outputPower?: number },
  focusToSkinMm: number,
  sidMm: number,
  fieldMm: readonly [number, number],
): { entranceKermaMgy: number; kapGyCm2: number } {
  if (!(focusToSkinMm > 0))
    throw new RangeError(`the skin must lie in front of the focal spot, got ${focusToSkinMm} mm`);
  const atMetreMgy = (outputAtMetre(technique.kVp, outputUGyPerMas, outputPower) * technique.mAs) / 1000;
  const atReceptorMgy = atMetreMgy * (1000 / sidMm) ** 2;
  const areaCm2 = (fieldMm[0] / 10) * (fieldMm[1] / 10);
  return { entranceKermaMgy: atMetreMgy * (1000 / focusToSkinMm) ** 2, kapGyCm2: (atReceptorMgy / 1000) * areaCm2 };
}

/** Output that was never measured, and the least that a measurement leaves [typical, shares of 1 SD]. */
const OUTPUT_SPREAD = 0.25;
const MEASURED_SPREAD = 0.05;
/** Field, thickness and station together [typical]. */
const OTHER_SPREAD = 0.16;

/** Share within which a dose is known. @param fitSpread of a measured output; null where none was measured */
export const doseSpread = (fitSpread: number | null): number =>
  Math.hypot(fitSpread === null ? OUTPUT_SPREAD : Math.max(MEASURED_SPREAD, fitSpread), OTHER_SPREAD);

/** Back-scatter from the patient onto the skin, by kVp and side of the field in cm. Source: tables for water, 3 mm Al. */
const BACKSCATTER_KVP = [60, 80, 100, 120];
const BACKSCATTER_CM = [10, 20, 25];
const BACKSCATTER = [
  [1.25, 1.3, 1.31],
  [1.29, 1.37, 1.39],
  [1.31, 1.41, 1.44],
  [1.31, 1.42, 1.45],
];

/** Entrance-surface air kerma: incident kerma with back-scatter. Held at the ends of the table. */
export function entranceSurfaceMgy(incidentMgy: number, kVp: number, skinFieldMm: readonly [number, number]): number {
  const side = (2 * skinFieldMm[0] * skinFieldMm[1]) / (skinFieldMm[0] + skinFieldMm[1]) / 10;
  const [i, s] = between(BACKSCATTER_KVP, kVp);
  const [j, t] = between(BACKSCATTER_CM, side);
  const row = (r: number) => BACKSCATTER[r][j] * (1 - t) + BACKSCATTER[r][j + 1] * t;
  return incidentMgy * (row(i) * (1 - s) + row(i + 1) * s);
}

/** Place of a value between table points, held at the ends. */
function between(points: readonly number[], value: number): [number, number] {
  const clamped = Math.min(Math.max(value, points[0]), points[points.length - 1]);
  let i = 0;
  while (i < points.length - 2 && points[i + 1] < clamped) i += 1;
  return [i, (clamped - points[i]) / (points[i + 1] - points[i])];
}

/** A thousandth of the entrance kerma scatters to 1 m at the side for a 400 cm² field [order of magnitude, textbook]. */
const SCATTER_AT_METRE = 1e-3;
const SCATTER_FIELD_CM2 = 400;
/** Lead of an apron, and what it lets through of scatter at diagnostic kVp [order of magnitude]. */
export const LEAD_MM = 0.5;
const APRON_PASSES = 0.03;

/**
 * Scattered air kerma beside the patient: an order of magnitude, not a measurement.
 * @param distanceMm from the middle of the field, > 0; @param shielded behind an apron of `LEAD_MM`
 * @throws RangeError unless the distance is above 0
 */
export function scatterUGy(
  entranceMgy: number,
  skinFieldMm: readonly [number, number],
  distanceMm: number,
  shielded: boolean,
): number {
  if (!(distanceMm > 0)) throw new RangeError(`the distance must be above 0 mm, got ${distanceMm}`);
  const areaShare = (skinFieldMm[0] * skinFieldMm[1]) / 100 / SCATTER_FIELD_CM2;
  const atMetre = entranceMgy * 1000 * SCATTER_AT_METRE * areaShare;
  return atMetre * (1000 / distanceMm) ** 2 * (shielded ? APRON_PASSES : 1);
}
