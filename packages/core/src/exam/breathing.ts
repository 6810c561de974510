/** The words for the breath of a projection as a sequence with times, for a timer and a voice. */
import type { Setup } from '../setup/setup';
import { PATIENT_LANGUAGES, type PatientLanguage, type Phrase } from './breathingPhrases';

export type BreathStep = {
  phrase: Phrase;
  seconds: number;
  /** The exposure falls into this step. */
  expose: boolean;
};

/** Time to do what was said [typical]. */
const BREATH_S = 3;
/** Time in which the breath is held before the exposure can be made, besides the exposure itself [typical]. */
const READY_S = 3;
/** Quiet breathing blurs the ribs only over this long [taught]. */
const QUIET_S = 2;

/** What is said, in order. Nothing is left unsaid: the last step frees the patient. */
export function breathSequence({ breathing, exposure }: Pick<Setup, 'breathing' | 'exposure'>): BreathStep[] {
  // Nothing is said to one who does not follow words.
  if (!breathing.commanded) return [];
  const exposureS = exposure.timeMs / 1000;
  const hold = Math.ceil(READY_S + exposureS);
  const say = (phrase: Phrase, seconds = BREATH_S): BreathStep => ({ phrase, seconds, expose: false });
  const expose = (phrase: Phrase, seconds = hold): BreathStep => ({ phrase, seconds, expose: true });
  const end = say('normal', 0);
  switch (breathing.phase) {
    case 'quiet':
      return [expose('gently', Math.ceil(Math.max(QUIET_S, exposureS)) + 2), end];
    case 'swallow':
      return [say('swallow', 1), expose('hold'), end];
    case 'slowly in':
      return [expose('in'), end];
    case 'second in':
      return [say('in'), say('out'), say('deep'), expose('hold'), end];
    case 'in and out':
      return [say('in'), say('out'), expose('stop'), end];
    case 'out':
      return [say('out'), expose('stop'), end];
    case 'in':
      return [say('in'), expose('hold'), end];
    case 'suspended':
      return [say('still', 1), expose('stop'), end];
    case 'none':
      return [expose('still')];
  }
}

export const languageOf = (id: string): PatientLanguage =>
  PATIENT_LANGUAGES.find((each) => each.id === id) ?? PATIENT_LANGUAGES[0];
