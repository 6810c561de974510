/** Fingers and toes that an order names. */

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
