/** Local reference levels of dose: what a department calls usual for a projection and an age, as it found itself. */
import { z } from 'zod';
import { ADULT_AGE_YEARS } from '../body/anthropometry';
import { hasProjection } from '../projections/catalogue';

const within = (name: string, low: number, high: number, unit: string) => {
  const error = `${name} must be ${low} to ${high} ${unit}`;
  return z.number({ error }).min(low, { error }).max(high, { error });
};

export const doseLevelSchema = z.strictObject({
  projectionId: z
    .string()
    .refine(hasProjection, { error: (issue) => `There is no projection "${String(issue.input)}"` }),
  /** Holds from this age until the next one of the same projection. */
  fromYears: within('Age of a dose level', 0, 120, 'years'),
  kapGyCm2: within('A dose level', 0.0001, 200, 'Gy·cm²'),
});
export type DoseLevel = z.infer<typeof doseLevelSchema>;

/** The level that holds for a patient; null where the department has none. */
export function doseLevelFor(
  levels: readonly DoseLevel[],
  projectionId: string,
  ageYears: number = ADULT_AGE_YEARS,
): DoseLevel | null {
  return levels
    .filter((level) => level.projectionId === projectionId && level.fromYears <= ageYears)
    .reduce<DoseLevel | null>((best, level) => (best && best.fromYears >= level.fromYears ? best : level), null);
}

export type SummedDose = {
  kapGyCm2: number;
  /** Share within which the sum is known: the output is off the same way in all, so nothing evens out. */
  spread: number;
};

/** Doses of an exam with its repeats; each share of spread counts with its dose. */
export function sumDoses(doses: readonly { kapGyCm2: number; spread: number }[]): SummedDose {
  const kapGyCm2 = doses.reduce((sum, dose) => sum + dose.kapGyCm2, 0);
  const off = doses.reduce((sum, dose) => sum + dose.kapGyCm2 * dose.spread, 0);
  return { kapGyCm2, spread: kapGyCm2 > 0 ? off / kapGyCm2 : 0 };
}
