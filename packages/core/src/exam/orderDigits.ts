/** Fingers and toes that an order names, and the one that a view is set for: where they differ it is told. */
import type { Projection } from '../projections/schema';

const WRITTEN: readonly (readonly [RegExp, number])[] = [
  [/\b(great|big|first|1st|hallux)\b/, 1],
  [/\b(index|second|2nd)\b/, 2],
  [/\b(middle|long|third|3rd)\b/, 3],
  [/\b(ring|fourth|4th)\b/, 4],
  [/\b(little|small|pinky|fifth|5th)\b/, 5],
];
export const OF_DIGIT =
  /\b(great|big|first|1st|hallux|index|second|2nd|middle|long|third|3rd|ring|fourth|4th|little|small|pinky|fifth|5th)\b/g;

/** @returns digits that are named, each with its word, in the order of the hand or foot */
export const digitsIn = (text: string): { words: string; digit: number }[] =>
  WRITTEN.flatMap(([written, digit]) => {
    const found = written.exec(text);
    return found ? [{ words: found[0], digit }] : [];
  });

const MARK_OF_DIGIT = /^(?:env_)?(?:finger|toe|p)_?(?:distal_|middle_|proximal_)?(\d)_L$/;
/** The one digit that a view is set for; null where it shows several, or none. */
export function digitOf({ cover }: Pick<Projection, 'cover'>): number | null {
  const digits = new Set(
    cover.flatMap((item) => ('structure' in item ? (MARK_OF_DIGIT.exec(item.structure)?.[1] ?? []) : [])),
  );
  return digits.size === 1 ? Number([...digits][0]) : null;
}

const HAND = ['thumb', 'index finger', 'middle finger', 'ring finger', 'little finger'] as const;
const FOOT = ['great toe', 'second toe', 'third toe', 'fourth toe', 'fifth toe'] as const;
export const digitName = ({ region }: Pick<Projection, 'region'>, digit: number): string =>
  (region === 'foot and ankle' ? FOOT : HAND)[digit - 1]!;
