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

/** What is said, in order, for the English words of an entry. Nothing is left unsaid: the last step frees the patient. */
export function breathSequence({ breathing, exposure }: Pick<Setup, 'breathing' | 'exposure'>): BreathStep[] {
  // Nothing is said to one who does not follow words, nor in records of earlier versions to the contrary.
  if (breathing.commanded === false) return [];
  const words = breathing.words.toLowerCase();
  const hold = Math.ceil(READY_S + exposure.timeMs / 1000);
  const say = (phrase: Phrase, seconds = BREATH_S): BreathStep => ({ phrase, seconds, expose: false });
  const expose = (phrase: Phrase, seconds = hold): BreathStep => ({ phrase, seconds, expose: true });
  const end = say('normal', 0);
  if (words.includes('gently'))
    return [expose('gently', Math.ceil(Math.max(QUIET_S, exposure.timeMs / 1000)) + 2), end];
  if (words.startsWith('drink')) return [say('swallow', 1), expose('hold'), end];
  if (words.includes('slowly')) return [expose('in', hold), end];
  if (words.includes('in again')) return [say('in'), say('out'), say('deep'), expose('hold'), end];
  if (/in, out, hold it out/.test(words)) return [say('in'), say('out'), expose('stop'), end];
  if (words.startsWith('breathe out')) return [say('out'), expose('stop'), end];
  if (words.startsWith('breathe in')) return [say('in'), expose('hold'), end];
  if (words.startsWith('stop breathing')) return [say('still', 1), expose('stop'), end];
  return [expose('still', hold)];
}

export const languageOf = (id: string): PatientLanguage =>
  PATIENT_LANGUAGES.find((each) => each.id === id) ?? PATIENT_LANGUAGES[0];
