/**
 * Medians of the human body by age and sex, interpolated between the rows of the table.
 * Source: growth medians, long-bone series and adult surveys as listed in the data file; children's breadths ±10-15 %.
 */
import data from './data/anthropometry.json';

export type Sex = 'female' | 'male';

/** Lengths in mm, mass in kg. */
export type Medians = {
  statureMm: number;
  massKg: number;
  sittingMm: number;
  headLengthMm: number;
  headBreadthMm: number;
  headCircMm: number;
  chestAPMm: number;
  chestBreadthMm: number;
  abdomenAPMm: number;
  kneeBreadthMm: number;
  handMm: number;
  footMm: number;
  humerusMm: number;
  radiusMm: number;
  femurMm: number;
  tibiaMm: number;
  biacromialMm: number;
  hipBreadthMm: number;
};

type Row = Medians & { ageYears: number; sex: string };
const rows = data.rows as unknown as Row[];

/** From this age on the adult row holds. */
export const ADULT_AGE_YEARS = 18;

const rowsOf = (sex: 'F' | 'M') => rows.filter((row) => row.sex === 'MF' || row.sex === sex);
const tables = { F: rowsOf('F'), M: rowsOf('M') };

const FIELDS = Object.keys(rows[0]).filter((key) => key !== 'ageYears' && key !== 'sex') as (keyof Medians)[];

function mix(a: Medians, b: Medians, t: number): Medians {
  const result = { ...a };
  for (const field of FIELDS) result[field] = a[field] + (b[field] - a[field]) * t;
  return result;
}

function lookUp(table: readonly Row[], ageYears: number): Medians {
  const after = table.findIndex((row) => row.ageYears >= ageYears);
  if (after < 0) return table[table.length - 1];
  if (after === 0) return table[0];
  const low = table[after - 1];
  const high = table[after];
  return mix(low, high, (ageYears - low.ageYears) / (high.ageYears - low.ageYears));
}

/**
 * Medians for an age and sex; without a sex the mean of both.
 * @param ageYears 0 to 110
 * @throws RangeError outside that
 */
export function mediansFor(ageYears: number, sex?: Sex): Medians {
  if (!(ageYears >= 0 && ageYears <= 110)) throw new RangeError(`age must be 0 to 110 years, got ${ageYears}`);
  if (sex === 'female') return lookUp(tables.F, ageYears);
  if (sex === 'male') return lookUp(tables.M, ageYears);
  return mix(lookUp(tables.F, ageYears), lookUp(tables.M, ageYears), 0.5);
}
