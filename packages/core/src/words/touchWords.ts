/** Two points that are palpated, and how they lie to the receptor; what a level laid on something flat should read. */
import { formatAngle } from '../quantity/angle';
import { formatLength } from '../quantity/length';
import type { Speech } from './fact';

type Pair = { one: string; other: string };
export const TOUCH_WORDS = {
  'touch-even': ({ one, other }: Pair) => `${one} and ${other}: at the same distance from the receptor`,
  'touch-in-line': ({ one, other }: Pair) => `${one} and ${other} in line along the CR, the first nearer the tube`,
  /** @param mm how much farther `one` is, @param deg the line through both against the receptor */
  'touch-farther': ({ one, other, mm, deg }: Pair & { mm: number; deg: number }, { unit }: Speech) =>
    `${one} ${formatLength(mm, unit)} farther from the receptor than ${other}: the line through both at ${formatAngle(deg)} to it`,
  'gauge-tube': ({ deg }: { deg: number }) => `Flat on the lower face of the collimator: ${formatAngle(deg)}`,
  'gauge-receptor': ({ deg }: { deg: number }) => `Flat on the receptor: ${formatAngle(deg)}`,
  'gauge-trunk': ({ deg }: { deg: number }) => `Flat on the front or back of the trunk: ${formatAngle(deg)}`,
  'gauge-same': () => 'On target',
  'gauge-differs': ({ byDeg }: { byDeg: number }) =>
    `${formatAngle(Math.abs(byDeg))} ${byDeg > 0 ? 'more' : 'less'} than the target`,
} as const;
