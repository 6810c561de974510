/** Cautions that this patient and situation call for. */
import { isChild, type Patient } from '../body/patient';
import type { Projection } from '../projections/schema';
import type { Situation } from './request';
import type { SetupCaution } from './setup';

/** Ages between which pregnancy is asked after [local policy may differ]. */
const PREGNANCY_AGES = [11, 55] as const;
const TRUNK_REGIONS = new Set(['chest', 'spine', 'femur, hip, pelvis', 'abdomen', 'contrast overheads']);

/** Whether pregnancy is asked after for this person and projection. */
export const asksPregnancy = (
  { ageYears, sex }: { ageYears: number; sex?: Patient['sex'] },
  { region }: Pick<Projection, 'region'>,
): boolean =>
  sex !== 'male' && ageYears >= PREGNANCY_AGES[0] && ageYears <= PREGNANCY_AGES[1] && TRUNK_REGIONS.has(region);

export function cautionsFor(projection: Projection, patient: Patient, situation: Situation): SetupCaution[] {
  const applies: Record<Projection['cautions'][number]['when'], boolean> = {
    always: true,
    spineNotCleared: situation.spineNotCleared,
    fractureSuspected: situation.fractureSuspected,
    pregnancyPossible: situation.pregnancy === 'possible',
    child: isChild(patient),
  };
  const found: SetupCaution[] = projection.cautions
    .filter((caution) => applies[caution.when])
    .map(({ text, grave, group }) => ({ text, grave, group }));
  const named = found.some((caution) => caution.text.startsWith('Pregnancy'));
  if (!named && situation.pregnancy === 'possible' && TRUNK_REGIONS.has(projection.region)) {
    found.push({ text: 'Pregnancy possible: stop and follow local policy.', grave: true, group: 'patient' });
  }
  if (situation.pregnancy === 'not asked' && asksPregnancy(patient, projection)) {
    found.push({ text: 'Ask about pregnancy before the exposure.', grave: false, group: 'patient' });
  }
  return found;
}
