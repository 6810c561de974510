/** An age in the words of an order: "3 mo old", "45 y/o", "aged 6 weeks". */

/** @property words as they stand; @property least, most years that they may mean */
export type SaidAge = { words: string; years: number; least: number; most: number };

type Unit = 'year' | 'month' | 'week' | 'day';
const PER_YEAR: Readonly<Record<Unit, number>> = { year: 1, month: 12, week: 52.18, day: 365.25 };
/** Ages are rounded, and an order waits: so much of the unit is the same age. */
const LOOSE: Readonly<Record<Unit, readonly [below: number, above: number]>> = {
  year: [1, 2],
  month: [2, 3],
  week: [3, 6],
  day: [14, 28],
};
const UNIT = String.raw`(y(?:ea)?rs?|y|months?|mths?|mos?|m|weeks?|wks?|w|days?|d)`;
/** An old fracture is none of the patient's years. */
const OF_A_THING = String.raw`(?! (fractur|fx|injur|wound|hardware|cast|implant|prosthe|repair|surgery|scar))`;
const NUMBER = String.raw`(\d{1,3})(?:\.\d+)?[ -]?`;
const WRITTEN = new RegExp(
  String.raw`\b${NUMBER}${UNIT}(?:[ -]olds?\b${OF_A_THING}|\/?o\b)|\baged?:? ${NUMBER}${UNIT}\b`,
  'gi',
);

const unitOf = (written: string): Unit => {
  const first = written.charAt(0).toLowerCase();
  return first === 'y' ? 'year' : first === 'm' ? 'month' : first === 'w' ? 'week' : 'day';
};

const ageOf = ([words, old, oldUnit, , aged, agedUnit]: RegExpExecArray | RegExpMatchArray): SaidAge => {
  const unit = unitOf(oldUnit ?? agedUnit ?? '');
  const per = PER_YEAR[unit];
  const count = Number(old ?? aged);
  const [below, above] = LOOSE[unit];
  return { words, years: count / per, least: Math.max(0, count - below) / per, most: (count + above) / per };
};

/** @returns the one age that is said; null where none is, or several that differ */
export function ageIn(text: string): SaidAge | null {
  const said = [...text.matchAll(WRITTEN)].map(ageOf);
  const [first] = said;
  return first && said.every(({ years }) => years === first.years) ? first : null;
}

/** @returns the words with each age as the reader of orders takes it: an infant, or nothing. @example withoutAges('hips, 6 month old') */
export const withoutAges = (text: string): string =>
  text.replace(WRITTEN, (...found) => (ageOf(found as unknown as RegExpMatchArray).years < 1 ? ' infant ' : ' '));

/** Whether an age that is known can be the one that is said. */
export const isOfAge = ({ least, most }: SaidAge, ageYears: number): boolean => ageYears >= least && ageYears <= most;

const aged = (years: number): string => (years < 2 ? `${Math.floor(years * 12)} months` : `${Math.floor(years)} years`);

/**
 * Why the age in the words of an order cannot be the patient's; null where it can, or where either is not known.
 * @example ageApart('Chest 2 views 3 mo old', 45) // '“3 mo old” is said, and the patient’s age is 45 years: …'
 */
export function ageApart(exam: string, ageYears: number | undefined): string | null {
  const said = ageIn(exam);
  if (!said || ageYears === undefined || isOfAge(said, ageYears)) return null;
  return `“${said.words}” is said, and the patient’s age is ${aged(ageYears)}: ask whoever ordered it`;
}
