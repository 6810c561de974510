/** What is practised: one patient, one projection or series, one question. */
import type { SetupRequest } from '../setup/request';
import type { PositioningError } from '../radiograph/positioningError';
import type { SeriesRequest } from '../series/planSeries';

export const EXERCISE_KINDS = ['set it up', 'spot the fault', 'which view', 'fewest turns'] as const;
export type ExerciseKind = (typeof EXERCISE_KINDS)[number];
export const LEVELS = [1, 2, 3] as const;
export type Level = (typeof LEVELS)[number];

/** Under which a result counts in the competence of a student. */
export const PATIENT_TYPES = ['adult', 'child', 'trauma', 'mobile'] as const;
export type PatientType = (typeof PATIENT_TYPES)[number];

export type Case = Pick<SetupRequest, 'projectionId' | 'side' | 'patient' | 'situation'>;

type Common = { id: string; level: Level; about: string; seed: number };
export type Scenario =
  | (Common & { kind: 'set it up'; of: Case })
  | (Common & { kind: 'spot the fault'; of: Case; faultId: string; positioningError: PositioningError })
  | (Common & { kind: 'which view'; of: Case })
  | (Common & { kind: 'fewest turns'; of: Case; items: SeriesRequest['items'][number][] });

/** Up to this age competence counts as that with children. Source: usual rule of training programmes [B]. */
const CHILD_UNTIL_YEARS = 6;

export function patientTypeOf({ patient, situation }: Pick<SetupRequest, 'patient' | 'situation'>): PatientType {
  if ((patient?.ageYears ?? Infinity) <= CHILD_UNTIL_YEARS) return 'child';
  const { place, spineNotCleared, fractureSuspected, keepStill } = situation ?? {};
  if (place === 'bedside') return 'mobile';
  const hurt = place === 'resuscitation bay' || spineNotCleared || fractureSuspected || (keepStill ?? []).length > 0;
  return hurt ? 'trauma' : 'adult';
}
