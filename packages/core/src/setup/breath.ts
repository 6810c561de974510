/** What is said for the breath, and when the exposure is made: by words, or by watching who cannot follow them. */
import type { Projection } from '../projections/schema';
import type { Situation } from './request';

export type Breathing = {
  /** Said to the patient; empty where nothing is said. */
  words: string;
  moment: string;
  /** False for one who does not follow words: the moment is watched for. */
  commanded: boolean;
};

/** Views whose words are about keeping a limb still, not about the breath. */
const OF_A_LIMB = /^(hand|arm|forearm|leg|foot|shoulder|femur)/;

/** @returns the entry's words for one who holds the breath when asked, else what to watch for */
export function breathFor({ breathing, region }: Projection, situation: Situation): Breathing {
  const { words, moment, breath } = breathing;
  if (situation.holdsBreath && situation.holdsStill) return { words, moment, commanded: true };
  if (OF_A_LIMB.test(region)) {
    if (situation.holdsStill) return { words, moment, commanded: true };
    return { words: '', moment: 'when the part is held still', commanded: false };
  }
  const watched =
    breath === 'out'
      ? 'between two breaths, when chest and belly have sunk'
      : 'at the top of a breath in; of one who cries, when the cry ends';
  return { words: '', moment: watched, commanded: false };
}

/** As one line: what is said and when, or what is watched for. */
export const breathWords = ({ words, moment, commanded }: Breathing): string =>
  commanded ? `“${words}” Expose at: ${moment}` : `No words: watch the patient, expose ${moment}`;
