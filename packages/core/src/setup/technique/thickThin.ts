/**
 * Thick and thin ends of a part in one exposure: how much body the rays cross along the field, what that means at the
 * receptor, and what helps.
 */
import { posedIn } from '../../body/posedIn';
import { crossSkin } from '../../body/posed';
import { primaryTransmission } from '../../exposure/beamModel';
import { rayPlane } from '../../geometry/projection';
import { addScaled, dot, normalize, subtract } from '../../geometry/vector';
import { formatLength, type LengthUnit } from '../../quantity/length';
import { projectionOf } from '../../projections/catalogue';
import type { Projection } from '../../projections/schema';
import type { Setup } from '../setup';

export type ThickThin = {
  /** Body crossed by the ray to points along the receptor, from its lower end to its upper. */
  points: { alongMm: number; thicknessMm: number }[];
  /** Signal at the thin end over that at the thick one, by the primary alone. */
  ratio: number;
  /** End that is thin, by the names of the two ways along the receptor. */
  thinEnd: string;
  advice: string[];
};

const SAMPLES = 7;
/** What must be shown reaches over at least this share of the field, or there are no two ends. */
const LEAST_SPAN = 0.4;
/** Where it is looked across the part, of the width of the field. */
const ACROSS = [-0.2, 0, 0.2];
/** Signal spans: one technique serves; a wide-latitude one or a tilt helps; two exposures or a filter are wanted [typical]. */
const SERVES = 2;
const TWO_FROM = 8;
/** Across a field the anode side is this much weaker than the cathode side [20 to 40 %]. */
const HEEL_SHARE = 0.3;

/** @returns null where the model does not reach, or nothing is crossed */
export function thickThinOf(setup: Setup, unit: LengthUnit, own?: Projection): ThickThin | null {
  const { scene, field, exposure, tube } = setup;
  const composition = (own ?? projectionOf(setup.projectionId)).exposure.composition;
  const posed = posedIn(setup);
  // From the lowest to the highest of what must be shown: beyond it there may be anything, or nothing.
  const { hit, receptor, focal } = scene;
  const alongs = scene.mustShow.flatMap(({ p }) => {
    const d = normalize(subtract(p, focal));
    const toPlane = rayPlane(focal, d, hit, receptor.n);
    return toPlane === null ? [] : [dot(subtract(addScaled(focal, d, toPlane), hit), receptor.v)];
  });
  const [from, to] = [Math.min(...alongs), Math.max(...alongs)];
  if (!(to - from > field.atReceptorMm.height * LEAST_SPAN)) return null;
  const points = Array.from({ length: SAMPLES }, (_, i) => {
    const alongMm = from + ((to - from) * i) / (SAMPLES - 1);
    // The thickest across the part: a gap between two limbs is not an end of it.
    const through = ACROSS.map((share) => {
      const target = addScaled(addScaled(hit, receptor.v, alongMm), receptor.u, share * field.atReceptorMm.width);
      return crossSkin(posed, focal, normalize(subtract(target, focal)))?.thicknessMm ?? 0;
    });
    return { alongMm, thicknessMm: Math.max(...through) };
  }).filter(({ thicknessMm }) => thicknessMm > 0);
  if (points.length < 2) return null;
  const [lower, upper] = [points[0], points[points.length - 1]];
  const thin = points.reduce((a, b) => (b.thicknessMm < a.thicknessMm ? b : a));
  const thick = points.reduce((a, b) => (b.thicknessMm > a.thicknessMm ? b : a));
  let ratio: number;
  try {
    const signal = (mm: number) => primaryTransmission(exposure.kVp, mm * composition);
    ratio = signal(thin.thicknessMm) / signal(thick.thicknessMm);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
  const thinEnd = upper.thicknessMm < lower.thicknessMm ? tube.ways[0] : tube.ways[1];
  const thickEnd = upper.thicknessMm < lower.thicknessMm ? tube.ways[1] : tube.ways[0];
  const span = `${formatLength(thin.thicknessMm, unit)} to ${formatLength(thick.thicknessMm, unit)}`;
  return {
    points,
    ratio,
    thinEnd,
    advice:
      ratio < SERVES
        ? [`${span} of body along the field: one technique serves`]
        : [
            `${span} of body along the field: the thin end gets ${ratio < 10 ? ratio.toFixed(1) : Math.round(ratio)} times the signal`,
            `Cathode over the ${thickEnd}, anode over the ${thinEnd}: the heel evens out about ${Math.round(HEEL_SHARE * 100)} %`,
            ...(ratio >= TWO_FROM
              ? ['Two exposures, or a wedge filter with its thick end over the thin part']
              : ['A wedge filter, or a higher kVp with less mAs for more latitude']),
          ],
  };
}
