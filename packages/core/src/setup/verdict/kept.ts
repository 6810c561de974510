/** What of this patient must stay as it lies, and why: read from the situation alone. */
import type { Situation, Worn } from '../request';
import type { Side } from '../setup';

export const ARM_OR_LEG_WORN: readonly Worn[] = ['splint', 'external fixator', 'traction'];

export const isHipHurt = ({ suspected }: Pick<Situation, 'suspected'>): boolean => suspected.includes('hip fracture');

/** A fracture or dislocation is suspected, wherever. */
export const isBroken = (situation: Situation): boolean =>
  situation.fractureSuspected || isHipHurt(situation) || situation.suspected.includes('dislocation');

/** Nothing is moved for the picture that could be broken. */
export const isInjured = (situation: Situation): boolean => situation.spineNotCleared || isBroken(situation);

const ARM_PART = /^(clavicle|scapula|upperarm|forearm|radius|hand|finger)/;
const LEG_PART = /^(pelvis|thigh|patella|shank|talus|foot|toes)/;

/** The limb that is examined is to be kept as it lies; of the pelvis either leg counts. @param part segment of the body */
export function partStays(part: string, situation: Situation): boolean {
  const { keepStill } = situation;
  const side = part.endsWith('_L') ? 'left' : part.endsWith('_R') ? 'right' : null;
  if (ARM_PART.test(part)) return keepStill.some((each) => each === `${side} arm`);
  if (!LEG_PART.test(part)) return false;
  const hipKept = keepStill.includes('hip') || keepStill.includes('pelvis');
  return hipKept || legsKept(situation).some((each) => side === null || each === side);
}

/** A collar or a halo says as much as a neck that is to be kept. */
export const neckKept = ({ keepStill, worn }: Situation): boolean =>
  keepStill.includes('neck') || worn.includes('collar') || worn.includes('halo');
export const neckStays = (situation: Situation): boolean => situation.spineNotCleared || neckKept(situation);

/** Legs that must not be moved; which one is in traction is not told, so neither is. */
export const legsKept = ({ keepStill, worn }: Situation): Side[] =>
  (['left', 'right'] as const).filter((side) => keepStill.includes(`${side} leg`) || worn.includes('traction'));
