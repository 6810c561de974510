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
  'second in': { say: 'Breathe in. Out. In again, deep. Hold it.', moment: 'second full inspiration' },
  in: { say: 'Breathe in. Hold it.', moment: 'full inspiration' },
  'slowly in': { say: 'Breathe in slowly and go on.', moment: 'slow inspiration' },
  out: { say: 'Breathe out. Hold it out.', moment: 'full expiration' },
  'in and out': { say: 'Breathe in, out, hold it out.', moment: 'full expiration' },
  quiet: { say: 'Breathe gently all the time.', moment: 'quiet breathing' },
  suspended: { say: 'Stop breathing.', moment: 'suspended respiration' },
  swallow: { say: 'Drink, and hold your breath after the swallow.', moment: 'while the mouthful goes down' },
};

const keepStill = (still: Asked['still']): string =>
  still === undefined || still === 'whole' ? 'Keep still.' : `Keep the ${still} still.`;

/** How full the lungs are at the exposure: diaphragm and organs lie by it. */
export const lungsAt = ({ phase }: Pick<Asked, 'phase'>): 'in' | 'out' =>
  phase === 'out' || phase === 'in and out' ? 'out' : 'in';

/** A shorter exposure blurs no rib: then the breath is stopped instead. */
const QUIET_FROM_MS = 1000;
/** What is done with the breath in an exposure of this length. */
const inTime = (asked: Asked, timeMs: number | null): Asked =>
  asked.phase === 'quiet' && timeMs !== null && timeMs < QUIET_FROM_MS
    ? { ...asked, phase: 'suspended', why: 'the exposure is too short to blur the ribs' }
    : asked;

/** The words for one who follows them. */
function spoken({ phase, still, drops, why }: Asked, timeMs: number | null): Pick<Breathing, 'words' | 'moment'> {
  if (phase === 'none') return { words: keepStill(still), moment: '' };
  const { say, moment } = WORDS[phase];
  const said = drops ? `Breathe out and let the ${drops} drop. Hold it out.` : say;
  return {
    words: [said, ...(still ? [keepStill(still)] : [])].join(' '),
    moment: [
      phase === 'quiet' && timeMs !== null ? `${moment} for ${(timeMs / 1000).toFixed(1)} s` : moment,
      ...(why ? [why] : []),
    ].join(': '),
  };
}

const WATCHED: Readonly<Record<'still' | 'in' | 'out' | 'between', string>> = {
  still: 'when the part is held still',
  out: 'at the end of expiration, when chest and abdomen have sunk',
  in: 'at the end of inspiration; in a crying child, when the cry ends',
  between: 'between two breaths, when the patient is still',
};

function watchedFor({ phase }: Asked): string {
  if (phase === 'none') return WATCHED.still;
  if (phase === 'suspended') return WATCHED.between;
  return WATCHED[lungsAt({ phase })];
}

/**
 * @param timeMs length of the exposure, where it is known
 * @returns the words for one who holds the breath when asked, else what to watch for
 */
export function breathFor(
  { breathing }: Pick<Projection, 'breathing'>,
  { holdsBreath, holdsStill }: Pick<Situation, 'holdsBreath' | 'holdsStill'>,
  timeMs: number | null = null,
): Breathing {
  const asked = inTime(breathing, timeMs);
  const { phase } = asked;
  const follows = holdsStill && (holdsBreath || phase === 'none');
  return follows
    ? { phase, ...spoken(asked, timeMs), commanded: true }
    : { phase, words: '', moment: watchedFor(asked), commanded: false };
}

/** As one line: what is said and when, or what is watched for. */
export const breathWords = ({ words, moment, commanded }: Breathing): string =>
  say({ code: 'step-breath', values: { words: commanded ? words : null, moment } }, { unit: 'in' });
