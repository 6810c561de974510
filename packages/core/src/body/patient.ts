/**
 * What is known of the patient, and what was filled in for what is not.
 */
import { z } from 'zod';
import { toCentimetres } from '../quantity/length';
import type { Assumption } from '../quantity/provenance';
import { ADULT_AGE_YEARS, mediansFor, type Medians, type Sex } from './anthropometry';

/** Ranges inside which the body model was made; outside it says so instead of guessing. */
export const PATIENT_RANGES = {
  ageYears: [0, 110],
  statureMm: [420, 2200],
  massKg: [1.5, 250],
  partThicknessMm: [5, 600],
} as const;

const ranged = (field: keyof typeof PATIENT_RANGES, name: string, unit: string, per: number) => {
  const [low, high] = PATIENT_RANGES[field];
  const message = `${name} must be ${low / per} to ${high / per} ${unit}`;
  return z.number({ error: message }).min(low, { error: message }).max(high, { error: message });
};

export const HABITUS = ['hypersthenic', 'sthenic', 'hyposthenic', 'asthenic'] as const;
export type Habitus = (typeof HABITUS)[number];

/** What a caliper or tape on this patient may override, with its range in mm. */
export const MEASURED_RANGES = {
  headLengthMm: [80, 240],
  headBreadthMm: [60, 200],
  chestAPMm: [60, 450],
  chestBreadthMm: [70, 600],
  abdomenAPMm: [60, 500],
  hipBreadthMm: [60, 700],
  kneeBreadthMm: [30, 250],
  handMm: [45, 260],
  footMm: [60, 340],
} as const satisfies Partial<Record<keyof Medians, readonly [number, number]>>;
export type MeasuredPart = keyof typeof MEASURED_RANGES;

/** What the measures are called at the table. */
export const MEASURED_NAMES: Record<MeasuredPart, string> = {
  headLengthMm: 'Head length',
  headBreadthMm: 'Head breadth',
  chestAPMm: 'Chest, front to back',
  chestBreadthMm: 'Chest breadth',
  abdomenAPMm: 'Belly, front to back',
  hipBreadthMm: 'Hips, side to side',
  kneeBreadthMm: 'Knee breadth',
  handMm: 'Hand length',
  footMm: 'Foot length',
};

const measuredSchema = z
  .strictObject(
    Object.fromEntries(
      Object.entries(MEASURED_RANGES).map(([part, [low, high]]) => {
        const error = `${MEASURED_NAMES[part as MeasuredPart]} must be ${toCentimetres(low)} to ${toCentimetres(high)} cm`;
        return [part, z.number({ error }).min(low, { error }).max(high, { error }).optional()];
      }),
    ) as Record<MeasuredPart, z.ZodOptional<z.ZodNumber>>,
  )
  .partial();

/** Where a limb ends. */
export const AMPUTATIONS = [
  'left arm above the elbow',
  'left arm below the elbow',
  'left leg above the knee',
  'left leg below the knee',
  'right arm above the elbow',
  'right arm below the elbow',
  'right leg above the knee',
  'right leg below the knee',
] as const;
export type Amputation = (typeof AMPUTATIONS)[number];

export const patientInputSchema = z.strictObject({
  ageYears: ranged('ageYears', 'Age', 'years', 1).optional(),
  sex: z.enum(['female', 'male']).optional(),
  statureMm: ranged('statureMm', 'Height', 'cm', 10).optional(),
  massKg: ranged('massKg', 'Weight', 'kg', 1).optional(),
  habitus: z.enum(HABITUS).optional(),
  partThicknessMm: ranged('partThicknessMm', 'Measured thickness', 'cm', 10).optional(),
  /** Dimensions taken on this patient; each wins over what age, height and weight say. */
  measured: measuredSchema.optional(),
  /** Parts that the patient no longer has. */
  amputated: z.array(z.enum(AMPUTATIONS)).max(AMPUTATIONS.length).optional(),
});
export type PatientInput = z.infer<typeof patientInputSchema>;

/** The patient with every gap filled. `lengthFactor` and `girthFactor` compare with the median of that age. */
export type Patient = {
  ageYears: number;
  sex?: Sex;
  statureMm: number;
  massKg: number;
  habitus: Habitus;
  partThicknessMm?: number;
  measured: Partial<Record<MeasuredPart, number>>;
  amputated: readonly Amputation[];
  medians: Medians;
  lengthFactor: number;
  girthFactor: number;
};

/** Diameter of the cylinder of water with this mass and stature, mm. Source: equivalent-cylinder rule of dosimetry. */
export const equivalentDiameterMm = (massKg: number, statureMm: number): number =>
  2 * Math.sqrt((massKg * 1e6) / (Math.PI * statureMm));

/** Stature, and girth at that stature, against the median: the model goes no further. */
const LENGTH_FACTOR = [0.6, 1.5] as const;
const GIRTH_FACTOR = [0.6, 2] as const;

const ASSUMED_ADULT_AGE = 40;
/** Below this age habitus is not inferred from mass and stature. */
const HABITUS_FROM_AGE = 12;

/**
 * Fills the gaps with medians of the age.
 * @throws RangeError when a value, or mass for this stature, lies outside the model's range
 */
export function resolvePatient(input: PatientInput): { patient: Patient; assumed: Assumption[] } {
  for (const [field, [low, high]] of Object.entries(PATIENT_RANGES)) {
    const value = input[field as keyof typeof PATIENT_RANGES];
    if (value !== undefined && !(value >= low && value <= high)) {
      throw new RangeError(`patient.${field} must be ${low} to ${high}, got ${value}`);
    }
  }
  for (const [part, value] of Object.entries<number | undefined>(input.measured ?? {})) {
    if (!Object.hasOwn(MEASURED_RANGES, part)) throw new RangeError(`patient.measured has no "${part}"`);
    const [low, high] = MEASURED_RANGES[part as MeasuredPart];
    if (value !== undefined && !(value >= low && value <= high))
      throw new RangeError(`patient.measured.${part} must be ${low} to ${high}, got ${value}`);
  }
  const assumed: Assumption[] = [];
  const ageYears = input.ageYears ?? ASSUMED_ADULT_AGE;
  if (input.ageYears === undefined) {
    assumed.push({
      field: 'patient.ageYears',
      value: `adult, ${ageYears} y`,
      provenance: 'median',
      affects: 'size and proportions of the body',
    });
  }
  const medians = mediansFor(ageYears, input.sex);
  const statureMm = input.statureMm ?? medians.statureMm;
  if (input.statureMm === undefined) {
    assumed.push({
      field: 'patient.statureMm',
      value: `${Math.round(toCentimetres(statureMm))} cm, median for the age`,
      provenance: 'median',
      affects: 'landmark distances, field and receptor',
    });
  }
  const lengthFactor = statureMm / medians.statureMm;
  if (lengthFactor < LENGTH_FACTOR[0] || lengthFactor > LENGTH_FACTOR[1]) {
    throw new RangeError(
      `A height of ${Math.round(toCentimetres(statureMm))} cm at ${ageYears} years is outside the model: ${LENGTH_FACTOR.map((factor) => Math.round(toCentimetres(medians.statureMm * factor))).join(' to ')} cm`,
    );
  }
  // At equal build mass follows stature squared, so the median build of a tall person is heavier.
  const expectedMassKg = medians.massKg * lengthFactor ** 2;
  const massKg = input.massKg ?? expectedMassKg;
  if (input.massKg === undefined) {
    assumed.push({
      field: 'patient.massKg',
      value: `${Math.round(massKg * 10) / 10} kg, median for age and height`,
      provenance: input.statureMm === undefined ? 'median' : 'scaled',
      affects: 'thickness, technique, field width',
    });
  }
  const girthFactor = equivalentDiameterMm(massKg, statureMm) / equivalentDiameterMm(expectedMassKg, statureMm);
  if (girthFactor < GIRTH_FACTOR[0] || girthFactor > GIRTH_FACTOR[1]) {
    const limit = (factor: number) => Math.round(expectedMassKg * factor ** 2);
    throw new RangeError(
      `A weight of ${massKg} kg at ${Math.round(toCentimetres(statureMm))} cm is outside the model: ${GIRTH_FACTOR.map(limit).join(' to ')} kg`,
    );
  }
  checkMeasured(input.measured ?? {}, medians, girthFactor * lengthFactor);
  const habitus = input.habitus ?? inferHabitus(ageYears, massKg, statureMm);
  return {
    patient: {
      ageYears,
      sex: input.sex,
      statureMm,
      massKg,
      habitus,
      partThicknessMm: input.partThicknessMm,
      measured: input.measured ?? {},
      amputated: input.amputated ?? [],
      medians,
      lengthFactor,
      girthFactor,
    },
    assumed,
  };
}

/** A measure may differ from what age, height and weight give by these factors. */
const MEASURED_FACTOR = [0.55, 1.9] as const;

function checkMeasured(measured: Partial<Record<MeasuredPart, number>>, medians: Medians, build: number): void {
  for (const [key, value] of Object.entries(measured)) {
    const part = key as MeasuredPart;
    const expected = medians[part] * build;
    const [low, high] = MEASURED_FACTOR.map((factor) => Math.round(toCentimetres(expected * factor)));
    const taken = toCentimetres(value);
    if (taken < low || taken > high)
      throw new RangeError(
        `${MEASURED_NAMES[part]}: ${taken} cm is outside the model for this patient: ${low} to ${high} cm`,
      );
  }
}

/** Habitus from the body-mass index [C]: it measures fat, habitus the frame, so the user may always override it. */
function inferHabitus(ageYears: number, massKg: number, statureMm: number): Habitus {
  if (ageYears < HABITUS_FROM_AGE) return 'sthenic';
  const index = massKg / (statureMm / 1000) ** 2;
  if (index < 18) return 'asthenic';
  if (index < 22) return 'hyposthenic';
  return index < 30 ? 'sthenic' : 'hypersthenic';
}

export const isChild = (patient: Pick<Patient, 'ageYears'>): boolean => patient.ageYears < ADULT_AGE_YEARS;
