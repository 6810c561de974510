/** Fingers and toes that an order names. */

const WRITTEN: readonly (readonly [RegExp, number])[] = [
  [/\b(great|big|first|1st|hallux)\b/, 1],
  [/\b(index|second|2nd)\b/, 2],
  [/\b(middle|long|third|3rd)\b/, 3],
  [/\b(ring|fourth|4th)\b/, 4],
  [/\b(little|small|pinky|fifth|5th)\b/, 5],
];
const NTH = '(?:st|nd|rd|th)?';
/** "2-5", "2nd to 4th"; a count of views is none. */
const RANGE = new RegExp(`\\b([1-5])${NTH} ?(?:-|to|through|thru) ?([1-5])${NTH}\\b(?! ?(?:views?|planes?))`);
/** "Toes 2, 3 and 4". */
const LIST =
  /\b(?:toes?|fingers?|digits?) ((?:[1-5](?: ?, ?| and | (?=\d)|\b))+)(?! ?(?:views?|planes?|or\b|to\b|-|\d))/;
export const OF_DIGIT =
  /\b(great|big|first|1st|hallux|index|second|2nd|middle|long|third|3rd|ring|fourth|4th|little|small|pinky|fifth|5th)\b/g;

type NamedDigit = { words: string; digit: number };

function numbered(text: string): NamedDigit[] {
  const range = RANGE.exec(text);
  if (range) {
    const [from, to] = [Number(range[1]), Number(range[2])].sort((a, b) => a - b) as [number, number];
    return Array.from({ length: to - from + 1 }, (_, i) => ({ words: range[0], digit: from + i }));
  }
  const list = LIST.exec(text);
  return [...(list?.[1] ?? '').matchAll(/[1-5]/g)].map(([digit]) => ({
    words: list![1]!.trim(),
    digit: Number(digit),
  }));
}

/** @returns digits that are named, each with its word, in the order of the hand or foot */
export function digitsIn(text: string): NamedDigit[] {
  const ranged = numbered(text);
  if (ranged.length > 0) return ranged;
  return WRITTEN.flatMap(([written, digit]) => {
    const found = written.exec(text);
    return found ? [{ words: found[0], digit }] : [];
  });
}
