/** Which exam the words of an order mean, and which projections it makes here. */
import { projectionOf, projections } from '../projections/catalogue';
import { exams as shippedExams, type Exam } from '../projections/exams';
import { findExams, findProjections } from '../projections/search';
import { listWords } from '../quantity/text';

export type Planned = {
  projectionId: string;
  side?: 'left' | 'right';
  /** Done in another way than the usual one: its short text. */
  way?: string;
};
export type Ordered = { exam: Exam | null; name: string; projections: readonly string[] };

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/** Exams whose names' words all stand in the order, longest first, no word used twice: "Chest and pelvis" is two. */
function named(asked: string, exams: readonly Exam[]): Exam[] {
  const left = new Set(asked.split(' '));
  const names = exams.flatMap((exam) =>
    [exam.name, ...exam.alsoCalled].map((name) => ({ exam, words: plain(name.split(',')[0]).split(' ') })),
  );
  const found: Exam[] = [];
  for (;;) {
    const fits = names.filter(({ words }) => words.every((word) => left.has(word)));
    if (fits.length === 0) return found;
    const length = ({ words }: (typeof fits)[number]) => words.join(' ').length;
    const best = fits.reduce((one, other) => (length(other) > length(one) ? other : one));
    found.push(best.exam);
    for (const word of best.words) left.delete(word);
  }
}

/**
 * An exam by its id or one of its names, else a single projection by its name, else the nearest exam, else the nearest
 * projection; null where nothing is near.
 */
export function orderedExam(words: string, exams: readonly Exam[] = shippedExams): Ordered | null {
  const asked = plain(words);
  if (asked === '') return null;
  const whole = exams.find(({ id, name, alsoCalled }) =>
    [id, name, ...alsoCalled].some((each) => plain(each) === asked),
  );
  const one = whole ? undefined : projections.find(({ name }) => plain(name) === asked);
  const near = whole || one ? undefined : findExams(words)[0];
  const exam = whole ?? exams.find(({ id }) => id === near?.id);
  if (exam) return { exam, name: exam.name, projections: exam.projections };
  const several = one ? [] : named(asked, exams);
  if (several.length === 1) return { exam: several[0], name: several[0].name, projections: several[0].projections };
  if (several.length > 1)
    return {
      exam: null,
      name: listWords(several.map(({ name }) => name)),
      projections: [...new Set(several.flatMap((each) => each.projections))],
    };
  const hit = one ?? findProjections(words)[0]?.projection;
  return hit ? { exam: null, name: hit.name, projections: [hit.id] } : null;
}

/** The projections of an exam, sided where they have a side. @param side the side ordered, for sided ones */
export const plannedFor = (ids: readonly string[], side: 'left' | 'right' | null): Planned[] =>
  ids.map((projectionId) =>
    projectionOf(projectionId).sided === 'each' && side ? { projectionId, side } : { projectionId },
  );
