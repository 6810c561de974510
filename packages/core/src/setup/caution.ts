/** Cautions that this patient and situation call for. */
import { isChild, type Patient } from '../body/patient';
import type { Projection } from '../projections/schema';
import type { Situation, Worn } from './request';
import type { SetupCaution } from './setup';
import { isBroken } from './kept';

/** Ages between which pregnancy is asked after [local policy may differ]. */
const PREGNANCY_AGES = [11, 55] as const;
const TRUNK_REGIONS = new Set(['chest', 'spine', 'femur, hip, pelvis', 'abdomen', 'contrast overheads']);

/** Whether pregnancy is asked after for this person and projection. */
export const asksPregnancy = (
  { ageYears, sex }: { ageYears: number; sex?: Patient['sex'] },
  { region }: Pick<Projection, 'region'>,
): boolean =>
  sex !== 'male' && ageYears >= PREGNANCY_AGES[0] && ageYears <= PREGNANCY_AGES[1] && TRUNK_REGIONS.has(region);

const OF_WORN: Partial<Record<Worn, string>> = {
  collar: 'The collar stays on until the neck is cleared.',
  board: 'The board stays until the spine is cleared; what lies under it is counted in.',
  splint: 'The splint stays on unless the physician takes it off.',
  traction: 'Traction is not let go and not moved without the physician.',
  lines: 'Lines and tubes: see where each one runs before anything is moved.',
};

export function cautionsFor(projection: Projection, patient: Patient, situation: Situation): SetupCaution[] {
  const applies: Record<Projection['cautions'][number]['when'], boolean> = {
    always: true,
    spineNotCleared: situation.spineNotCleared,
    fractureSuspected: isBroken(situation),
    pregnancyPossible: situation.pregnancy === 'possible',
    child: isChild(patient),
  };
  const own = projection.cautions.filter((caution) => applies[caution.when]);
  const found: SetupCaution[] = own.map(({ text, grave, group }) => ({ text, grave, group }));
  for (const worn of situation.worn) {
    const text = OF_WORN[worn];
    if (text) found.push({ text, grave: worn === 'traction', group: 'position' });
  }
  if (situation.holder === 'may be pregnant')
    found.push({ text: 'Whoever may be pregnant does not hold and leaves the room.', grave: true, group: 'protect' });
  const named = own.some(({ when }) => when === 'pregnancyPossible');
  if (!named && situation.pregnancy === 'possible' && TRUNK_REGIONS.has(projection.region)) {
    found.push({ text: 'Pregnancy possible: stop and follow local policy.', grave: true, group: 'patient' });
  }
  if (situation.pregnancy === 'not asked' && asksPregnancy(patient, projection)) {
    found.push({ text: 'Ask about pregnancy before the exposure.', grave: false, group: 'patient' });
  }
  return found;
}
