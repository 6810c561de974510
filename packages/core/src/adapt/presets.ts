/** Situations that are met often, each a tap that sets many things. What is not named stays as it is. */
import type { PatientInput } from '../body/patient';
import type { Situation } from '../setup/request';

export type SituationPreset = {
  id: string;
  name: string;
  situation: Partial<Situation>;
  /** Of the patient, where that is what the preset is about. */
  patient?: PatientInput;
};

const LYING = { canStand: false, canSit: false } as const satisfies Partial<Situation>;
/** A back bent forward for good, standing or lying: least angle of the trunk [typical]. */
const BENT_BACK_DEG = 25;
/** A patient for whom table, receptor and technique are at their limits [typical]. */
const HEAVY_KG = 160;
/** Two weeks. */
const NEWBORN_YEARS = 0.04;
/** How far a stiff knee still bends [typical]. */
const STIFF_KNEE_DEG = 15;

export function situationPresets(side: 'left' | 'right' = 'right'): SituationPreset[] {
  const suffix = side === 'left' ? 'L' : 'R';
  return [
    {
      id: 'board',
      name: 'Trauma on a board',
      situation: {
        ...LYING,
        place: 'resuscitation bay',
        canTurn: 'none',
        canProne: false,
        spineNotCleared: true,
        fractureSuspected: true,
        keepStill: ['neck'],
        worn: ['collar', 'board'],
      },
    },
    {
      id: 'ward-propped',
      name: 'Ward, semi-erect',
      situation: { ...LYING, place: 'bedside', canTurn: 'none', canProne: false, canLieFlat: false, proppedDeg: 45 },
    },
    {
      id: 'wheelchair',
      name: 'Wheelchair',
      situation: { place: 'chair', canStand: false, canSit: true, canTurn: 'none', canProne: false },
    },
    {
      id: 'infant',
      name: 'Infant, no head control',
      situation: { ...LYING, canProne: false, holdsBreath: false, holdsStill: false, holder: 'someone' },
      patient: { ageYears: 0.25 },
    },
    {
      id: 'incubator',
      name: 'Newborn, incubator',
      situation: {
        ...LYING,
        place: 'incubator',
        canProne: false,
        holdsBreath: false,
        holdsStill: false,
        holder: 'someone',
      },
      patient: { ageYears: NEWBORN_YEARS },
    },
    {
      id: 'restless',
      name: 'Restless child',
      situation: { holdsBreath: false, holdsStill: false, holder: 'someone' },
      patient: { ageYears: 3 },
    },
    {
      id: 'arm',
      name: `${side === 'left' ? 'Left' : 'Right'} arm fixed`,
      situation: { keepStill: [`${side} arm`], canRaiseArm: side === 'left' ? 'right' : 'left' },
    },
    {
      id: 'knee',
      name: `Stiff ${side} knee`,
      situation: { joints: { [`kneeFlexion_${suffix}`]: [0, STIFF_KNEE_DEG] } },
    },
    {
      id: 'kyphosis',
      name: 'Kyphosis',
      situation: { canLieFlat: false, canProne: false, joints: { trunkFlexion: [BENT_BACK_DEG, 85] } },
    },
    { id: 'heavy', name: `${HEAVY_KG} kg`, situation: { canProne: false }, patient: { massKg: HEAVY_KG } },
  ];
}
