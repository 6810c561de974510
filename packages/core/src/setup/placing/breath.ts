/** What is said for the breath, and when the exposure is made: by words, or by watching who cannot follow them. */
import type { Projection } from '../../projections/schema';
import type { BreathPhase } from '../../projections/vocabulary';
import { say } from '../../words/say';
import type { Situation } from '../request';

export type Breathing = {
  phase: BreathPhase;
  /** Said to the patient; empty where nothing is said. */
  words: string;
  /** Of the breath; empty where none is waited for. */
  moment: string;
  /** False for one who does not follow words: the moment is watched for. */
  commanded: boolean;
};

type Asked = Projection['breathing'];

const WORDS: Readonly<Record<Exclude<BreathPhase, 'none'>, { say: string; moment: string }>> = {
  'second in': { say: 'Breathe in. Out. In again, deep. Hold it.', moment: 'second full breath in' },
  in: { say: 'Breathe in. Hold it.', moment: 'end of the breath in' },
  'slowly in': { say: 'Breathe in slowly and go on.', moment: 'during a slow breath in' },
  out: { say: 'Breathe out. Hold it out.', moment: 'end of the breath out' },
  'in and out': { say: 'Breathe in, out, hold it out.', moment: 'end of the breath out' },
  quiet: { say: 'Breathe gently all the time.', moment: 'quiet breathing, two seconds or longer' },
  suspended: { say: 'Stop breathing.', moment: 'suspended' },
  swallow: { say: 'Drink, and hold your breath after the swallow.', moment: 'while the mouthful goes down' },
};

const keepStill = (still: Asked['still']): string =>
  still === undefined || still === 'whole' ? 'Keep still.' : `Keep the ${still} still.`;

/** How full the lungs are at the exposure: diaphragm and organs lie by it. */
export const lungsAt = ({ phase }: Pick<Asked, 'phase'>): 'in' | 'out' =>
  phase === 'out' || phase === 'in and out' ? 'out' : 'in';

/** The words for one who follows them. */
function spoken({ phase, still, drops, why }: Asked): Pick<Breathing, 'words' | 'moment'> {
  if (phase === 'none') return { words: keepStill(still), moment: '' };
  const { say, moment } = WORDS[phase];
  const said = drops ? `Breathe out and let the ${drops} drop. Hold it out.` : say;
  return {
    words: [said, ...(still ? [keepStill(still)] : [])].join(' '),
    moment: [moment, ...(why ? [why] : [])].join(': '),
  };
}

const WATCHED: Readonly<Record<'still' | 'in' | 'out' | 'between', string>> = {
  still: 'when the part is held still',
  out: 'between two breaths, when chest and belly have sunk',
  in: 'at the top of a breath in; of one who cries, when the cry ends',
  between: 'between two breaths, when the patient is still',
};

function watchedFor({ phase }: Asked): string {
  if (phase === 'none') return WATCHED.still;
  if (phase === 'suspended') return WATCHED.between;
  return WATCHED[lungsAt({ phase })];
}

/** @returns the words for one who holds the breath when asked, else what to watch for */
export function breathFor(
  { breathing }: Pick<Projection, 'breathing'>,
  { holdsBreath, holdsStill }: Pick<Situation, 'holdsBreath' | 'holdsStill'>,
): Breathing {
  const { phase } = breathing;
  const follows = holdsStill && (holdsBreath || phase === 'none');
  return follows
    ? { phase, ...spoken(breathing), commanded: true }
    : { phase, words: '', moment: watchedFor(breathing), commanded: false };
}

/** As one line: what is said and when, or what is watched for. */
export const breathWords = ({ words, moment, commanded }: Breathing): string =>
  say({ code: 'step-breath', values: { words: commanded ? words : null, moment } }, { unit: 'in' });
