/** Cautions that this patient and situation call for. */
import { isChild, type Patient } from '../../body/patient';
import type { Projection } from '../../projections/schema';
import { say } from '../../words/say';
import type { CAUTION_WORDS } from '../../words/stepWords';
import type { Situation, Worn } from '../request';
import type { SetupCaution } from '../setup';
import { isBroken } from '../verdict/kept';

/** Ages between which pregnancy is asked after [local policy may differ]. */
const PREGNANCY_AGES = [11, 55] as const;
const TRUNK_REGIONS = new Set(['chest', 'spine', 'femur, hip, pelvis', 'abdomen', 'contrast overheads']);

/** Whether pregnancy is asked after for this person and projection. */
export const asksPregnancy = (
  { ageYears, sex }: { ageYears: number; sex?: Patient['sex'] },
  { region }: Pick<Projection, 'region'>,
): boolean =>
  sex !== 'male' && ageYears >= PREGNANCY_AGES[0] && ageYears <= PREGNANCY_AGES[1] && TRUNK_REGIONS.has(region);

type CautionCode = keyof typeof CAUTION_WORDS;
const OF_WORN: Readonly<Record<Worn, CautionCode>> = {
  collar: 'caution-collar',
  halo: 'caution-halo',
  board: 'caution-board',
  splint: 'caution-splint',
  'external fixator': 'caution-fixator',
  traction: 'caution-traction',
  lines: 'caution-lines',
};
const caution = (code: CautionCode, group: SetupCaution['group'], grave = false): SetupCaution => ({
  code,
  text: say({ code, values: {} }, { unit: 'in' }),
  grave,
  group,
});

export function cautionsFor(projection: Projection, patient: Patient, situation: Situation): SetupCaution[] {
  const applies: Record<Projection['cautions'][number]['when'], boolean> = {
    always: true,
    spineNotCleared: situation.spineNotCleared,
    fractureSuspected: isBroken(situation),
    pregnancyPossible: situation.pregnancy === 'possible',
    child: isChild(patient),
  };
  const own = projection.cautions.filter((caution) => applies[caution.when]);
  const asksNow = situation.pregnancy === 'not asked' && asksPregnancy(patient, projection);
  const possible = situation.pregnancy === 'possible' && TRUNK_REGIONS.has(projection.region);
  return [
    ...own.map(({ text, grave, group }) => ({ code: 'caution-own', text, grave, group })),
    ...situation.worn.map((worn) => caution(OF_WORN[worn], 'position', worn === 'traction')),
    ...(situation.place === 'incubator' ? [caution('caution-incubator', 'position')] : []),
    ...(patient.amputated.length > 0 ? [caution('caution-prosthesis', 'position')] : []),
    ...(situation.holder === 'may be pregnant' ? [caution('caution-holder', 'protect', true)] : []),
    ...(possible && !own.some(({ when }) => when === 'pregnancyPossible')
      ? [caution('caution-pregnancy', 'patient', true)]
      : []),
    ...(asksNow ? [caution('caution-ask-pregnancy', 'patient')] : []),
  ];
}
