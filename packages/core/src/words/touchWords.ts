/**
 * Two points that are palpated, and how they lie to the receptor; what a level laid on something flat should read; where
 * the edges of the light lie.
 */
import { formatAngle } from '../quantity/angle';
import { formatLength, lengthPair } from '../quantity/length';
import { capitalize, listWords } from '../quantity/text';
import { bearingWords, DIRECTIONS, type Direction } from './centreWords';
import type { Speech } from './fact';

type Pair = { one: string; other: string };
type Edges = { edges: readonly Direction[] };
/** @example edgeWords(['medial', 'lateral']) // "Medial and lateral edges" */
const edgeWords = (edges: readonly Direction[]): string => {
  const aside = edges.some((each) => each === 'left' || each === 'right');
  const names = edges.map((each) => (each === 'left' || each === 'right' ? each : DIRECTIONS[each]));
  const which = `${listWords(names)} ${edges.length > 1 ? 'edges' : 'edge'}`;
  return capitalize(aside ? `patient’s ${which}` : which);
};
export const TOUCH_WORDS = {
  'touch-even': ({ one, other }: Pair) => `${one} and ${other}: at the same distance from the receptor`,
  'touch-in-line': ({ one, other }: Pair) => `${one} and ${other} in line along the CR, the first nearer the tube`,
  /** @param mm how much farther `one` is, @param deg the line through both against the receptor */
  'touch-farther': ({ one, other, mm, deg }: Pair & { mm: number; deg: number }, { unit }: Speech) =>
    `${one} ${formatLength(mm, unit)} farther from the receptor than ${other}: the line through both at ${formatAngle(deg)} to it`,
  /** @param part on whose skin the light ends within the edge */
  'edge-beyond': ({ edges, mm, part }: Edges & { mm: number; part: string }, { unit }: Speech) =>
    `${edgeWords(edges)}: ${lengthPair(mm, unit)} beyond the skin of the ${part}`,
  'edge-from': (
    { edges, toward, mm, name }: Edges & { toward: Direction; mm: number; name: string },
    { unit }: Speech,
  ) => `${edgeWords(edges)}: ${bearingWords([{ toward, mm }], name, unit)}`,
  'edge-level': ({ edges, name }: Edges & { name: string }) => `${edgeWords(edges)}: at ${name}`,
  'gauge-tube': ({ deg }: { deg: number }) => `Flat on the lower face of the collimator: ${formatAngle(deg)}`,
  'gauge-receptor': ({ deg }: { deg: number }) => `Flat on the receptor: ${formatAngle(deg)}`,
  'gauge-trunk': ({ deg }: { deg: number }) => `Flat on the front or back of the trunk: ${formatAngle(deg)}`,
  'gauge-same': () => 'On target',
  'gauge-differs': ({ byDeg }: { byDeg: number }) =>
    `${formatAngle(Math.abs(byDeg))} ${byDeg > 0 ? 'more' : 'less'} than the target`,
} as const;
