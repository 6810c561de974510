/** Views of fingers and toes: which one an entry is set for, and the same entry set for another. */
import { patched } from '../quantity/record';
import { capitalize } from '../quantity/text';
import type { Projection } from './schema';

const MARK_OF_DIGIT = /^(?:env_)?(?:finger|toe|p)_?(?:distal_|middle_|proximal_)?(\d)_L$/;
/** The one digit that a view is set for; null where it shows several, or none. */
export function digitOf({ cover }: Pick<Projection, 'cover'>): number | null {
  const digits = new Set(
    cover.flatMap((item) => ('structure' in item ? (MARK_OF_DIGIT.exec(item.structure)?.[1] ?? []) : [])),
  );
  return digits.size === 1 ? Number([...digits][0]) : null;
}

const HAND = ['thumb', 'index', 'middle', 'ring', 'little'] as const;
const FOOT = ['great', 'second', 'third', 'fourth', 'fifth'] as const;
const isOfFoot = ({ region }: Pick<Projection, 'region'>): boolean => region === 'foot and ankle';
/** One among its neighbours: "ring". @param digit 1 to 5 */
export const digitWord = (entry: Pick<Projection, 'region'>, digit: number): string =>
  (isOfFoot(entry) ? FOOT : HAND)[digit - 1]!;
/** By its whole name: "ring finger". @param digit 1 to 5 */
export const digitName = (entry: Pick<Projection, 'region'>, digit: number): string => {
  const word = digitWord(entry, digit);
  return isOfFoot(entry) ? `${word} toe` : digit === 1 ? word : `${word} finger`;
};

/** Digits that an entry can be set for, its own among them; none where it cannot be set for one. */
export function digitsOf(entry: Projection): number[] {
  const own = digitOf(entry);
  return [...(own === null ? [] : [own]), ...entry.digits.map(({ digit }) => digit)].sort((a, b) => a - b);
}

/** A mark of a digit: what stands before its number, the number, what stands behind it. */
const OF_DIGIT =
  /^((?:env_)?(?:finger|toe)|PIP|MC|mc|mt|p_(?:distal|middle|proximal)_|toe_(?:distal|middle|proximal)_)(\d)(_.*)?$/;

/** The same of another digit: names of marks are the only strings that have such a form. */
function ofDigit<T>(value: T, from: number, to: number): T {
  if (typeof value === 'string')
    return value.replace(OF_DIGIT, (mark, before: string, digit: string, behind = '') =>
      Number(digit) === from ? `${before}${to}${behind}` : mark,
    ) as T;
  if (Array.isArray(value)) return value.map((each: unknown) => ofDigit(each, from, to)) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, ofDigit(each as unknown, from, to)])) as T;
}

/** The same entry of the same digit is the same object: what is known of it is found again. */
const known = new WeakMap<Projection, Map<number, Projection>>();

/**
 * The entry set for one of its digits: marks, position and name are those of that digit. A view of several digits is
 * limited to the one.
 * @param digit 1 to 5
 * @throws RangeError for a digit that the entry cannot be set for
 * @example withDigit(projectionOf('finger-lateral'), 5).name // "Little finger, lateral"
 */
export function withDigit(entry: Projection, digit: number): Projection {
  const own = digitOf(entry);
  const other = entry.digits.find((each) => each.digit === digit);
  if (digit !== own && !other) throw new RangeError(noSuchDigit(entry));
  let digits = known.get(entry);
  if (!digits) known.set(entry, (digits = new Map<number, Projection>()));
  let made = digits.get(digit);
  if (!made) {
    const { aim, cover, ray, alongBone, brightBones } = entry;
    const marked = own === null ? {} : ofDigit({ aim, cover, ray, alongBone, brightBones }, own, digit);
    const set = patched({ ...entry, ...marked }, other?.set ?? {});
    const name = `${capitalize(digitName(entry, digit))}${set.name.slice(set.name.indexOf(','))}`;
    // The note of such an entry says which digit it is drawn for.
    made = { ...set, name, note: undefined };
    digits.set(digit, made);
  }
  return made;
}

/** Why a digit is refused. */
export function noSuchDigit(entry: Projection): string {
  const digits = digitsOf(entry);
  return digits.length === 0
    ? `${entry.name} is not a view of one digit`
    : `${entry.name} can be set for the ${digits.map((each) => digitName(entry, each)).join(', ')}`;
}
