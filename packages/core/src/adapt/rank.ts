/** Which ways are alike, which candidates are worth computing, and what must be beaten to be shown. */
import type { Candidate } from './candidates';
import type { OtherWay } from './otherWay';

/** Ways shown at most. */
export const MOST_WAYS = 5;

const SIDEWAYS = /^(lateral|medial)$/;
/** What a way is, coarsely: of those that are alike only the cheapest is shown. */
export const kindOf = ({ setup, request }: OtherWay): string =>
  [
    request.projectionId,
    // An erect view of one who only sits is taken seated.
    setup.position.body === 'upright' && !setup.situation.canStand ? 'seated' : setup.position.body,
    setup.tube.beam,
    request.way?.half ?? '',
    request.way?.onStool ?? '',
    SIDEWAYS.test(setup.position.facing) ? 'side' : setup.position.facing,
    // Where fluid is looked for, either side may be the suspect one.
    setup.situation.suspected.includes('fluid level') ? (request.way?.on ?? '') : '',
  ].join(' ');

export type Priced = Candidate & { least: number };

/** Candidates of a kind that are tried, when the better ones cannot be done. */
const MOST_TRIED = 3;

/**
 * The candidates of each kind, so that none crowds out the others; the kind that may cost least first.
 * @returns of each kind the best, and after it what stands in when that cannot be done
 */
export function chosenFrom(candidates: readonly Priced[]): Priced[][] {
  const kinds = new Map<string, Priced[]>();
  for (const candidate of candidates) {
    const { position, beam, half, reversed, asItLies, on, backRestDeg, onStool } = candidate.way;
    const kind = [position, beam, half, reversed, asItLies, on, backRestDeg, onStool].join(' ');
    kinds.set(kind, [...(kinds.get(kind) ?? []), candidate]);
  }
  return [...kinds.values()]
    .map((each) => each.sort((a, b) => a.least - b.least).slice(0, MOST_TRIED))
    .sort(([a], [b]) => a!.least - b!.least);
}

/** The points that a way must come under to be among those that are shown. */
export function worstShown(found: readonly OtherWay[]): number {
  const kinds = new Map<string, number>();
  for (const each of found) {
    const kind = kindOf(each);
    kinds.set(kind, Math.min(each.points, kinds.get(kind) ?? Infinity));
  }
  return [...kinds.values()].sort((a, b) => a - b)[MOST_WAYS - 1] ?? Infinity;
}
