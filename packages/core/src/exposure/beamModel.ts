/**
 * First-principles model of the exposure at the receptor: output, distance, primary through a body, scatter, grid and
 * receptor response. It is used for ratios between conditions; the level comes from the room's chart.
 * Formulas and constants: compact fit to a spectral model; ranges in the comments. Confidence ±14 % in transmission,
 * ±25 % in scatter.
 */

export type BeamConditions = {
  kVp: number;
  sidMm: number;
  /** Thickness along the ray, mm of body. */
  thicknessMm: number;
  /** Water-equivalent share of the thickness. */
  composition: number;
  /** Field at the receptor, mm. */
  fieldMm: readonly [number, number];
  /** 0 = no grid. */
  gridRatio: number;
  /** Output free in air at 1 m and 80 kVp, µGy per mAs. */
  outputUGyPerMas: number;
  /** Power of kVp that the output follows; the model's own where it was not fitted. */
  outputPower?: number;
};

/** Tested range of the model. */
export const MODEL_RANGE = { kVp: [45, 140], waterMm: [0, 400] } as const;

/** Power of kVp that the output of an ordinary tube follows, 3 mm Al total; 2.4 near 50 kVp, 2.0 above 90. */
export const USUAL_POWER = 2.1;

/** Free-in-air kerma at 1 m, µGy per mAs: Y = Y80 (kVp/80)^power, ±15 % at 50 kVp. */
export function outputAtMetre(kVp: number, outputUGyPerMas: number, power: number = USUAL_POWER): number {
  inRange('kVp', kVp, MODEL_RANGE.kVp);
  return outputUGyPerMas * (kVp / 80) ** power;
}

/** Primary transmission through t mm of water equivalent, 45-140 kVp, 0-400 mm; within 14 % of the spectral model. */
export function primaryTransmission(kVp: number, waterMm: number): number {
  inRange('kVp', kVp, MODEL_RANGE.kVp);
  inRange('water-equivalent thickness (mm)', waterMm, MODEL_RANGE.waterMm);
  const t = waterMm / 10;
  const k = Math.log(kVp / 80);
  const mu = 0.3646 * (kVp / 80) ** (-0.4913 + 0.1282 * k) * (1 + t / 1.991) ** (-0.1332 + 0.0321 * k);
  return Math.exp(-mu * t);
}

/** Scatter-to-primary ratio without a grid: 0.075 t^1.35 (1 − e^(−a/14)), a the equivalent square in cm; ±25 %. */
export function scatterToPrimary(waterMm: number, [w, h]: readonly [number, number]): number {
  const side = (2 * w * h) / (w + h) / 10;
  return 0.075 * (waterMm / 10) ** 1.35 * (1 - Math.exp(-side / 14));
}

/** Primary and scatter transmission of a grid by ratio; jointly fitted to the textbook factors. */
const GRID_TRANSMISSION: readonly (readonly [number, number, number])[] = [
  [0, 1, 1],
  [5, 0.75, 0.25],
  [6, 0.74, 0.2],
  [8, 0.72, 0.15],
  [10, 0.7, 0.115],
  [12, 0.68, 0.09],
  [16, 0.65, 0.065],
];

/** @throws RangeError for a ratio that the table does not hold */
export function gridTransmission(ratio: number): { primary: number; scatter: number } {
  const row = GRID_TRANSMISSION.find(([r]) => r === ratio);
  if (!row)
    throw new RangeError(`grid ratio ${ratio} is not in the table: ${GRID_TRANSMISSION.map(([r]) => r).join(', ')}`);
  return { primary: row[1], scatter: row[2] };
}

const RESPONSE_KVP = [50, 60, 70, 80, 90, 100, 110, 120, 140];
const RESPONSE_CM = [0, 3, 10, 20, 30];
const RESPONSE = [
  [0.32, 0.4, 0.53, 0.65, 0.72],
  [0.42, 0.52, 0.69, 0.83, 0.91],
  [0.51, 0.62, 0.8, 0.94, 1.02],
  [0.58, 0.7, 0.87, 1.0, 1.07],
  [0.63, 0.75, 0.92, 1.03, 1.07],
  [0.68, 0.79, 0.93, 1.02, 1.05],
  [0.71, 0.81, 0.94, 1.0, 1.0],
  [0.73, 0.82, 0.92, 0.96, 0.95],
  [0.75, 0.82, 0.88, 0.88, 0.84],
];

/** Place of a value between grid points, held at the ends. */
function bracket(points: readonly number[], value: number): [number, number] {
  const clamped = Math.min(Math.max(value, points[0]), points[points.length - 1]);
  let i = 0;
  while (i < points.length - 2 && points[i + 1] < clamped) i += 1;
  return [i, (clamped - points[i]) / (points[i + 1] - points[i])];
}

/** Energy response of the receptor relative to the calibration beam, bilinear in kVp and thickness. */
export function energyResponse(kVp: number, waterMm: number): number {
  const [i, s] = bracket(RESPONSE_KVP, kVp);
  const [j, t] = bracket(RESPONSE_CM, waterMm / 10);
  const row = (r: number) => RESPONSE[r][j] * (1 - t) + RESPONSE[r][j + 1] * t;
  return row(i) * (1 - s) + row(i + 1) * s;
}

/**
 * Exposure index per mAs (100 × receptor kerma in µGy × response).
 * @throws RangeError outside the model's range, naming value and range
 */
export function indexPerMas(c: BeamConditions): number {
  if (!(c.sidMm > 0)) throw new RangeError(`SID must be above 0 mm, got ${c.sidMm}`);
  if (!(c.thicknessMm >= 0)) throw new RangeError(`thickness must be 0 mm or more, got ${c.thicknessMm}`);
  const waterMm = c.thicknessMm * c.composition;
  const free = outputAtMetre(c.kVp, c.outputUGyPerMas, c.outputPower) * (1000 / c.sidMm) ** 2;
  const scatter = scatterToPrimary(waterMm, c.fieldMm);
  const grid = gridTransmission(c.gridRatio);
  const kerma = free * primaryTransmission(c.kVp, waterMm) * (grid.primary + grid.scatter * scatter);
  return 100 * kerma * energyResponse(c.kVp, waterMm);
}

/** Share that what lies between patient and receptor lets through: table with measuring cells, wall stand. Source: typical. */
export const SUPPORT_TRANSMISSION = { table: 0.85, wall: 0.95, none: 1 } as const;
export type Support = keyof typeof SUPPORT_TRANSMISSION;

function inRange(name: string, value: number, [low, high]: readonly [number, number]): void {
  if (!(value >= low && value <= high))
    throw new RangeError(`${name} must be ${low} to ${high}, got ${Math.round(value * 10) / 10}`);
}
