/** Which exam the words of an order mean, and which projections it makes here. */
import { projectionOf, projections } from '../projections/catalogue';
import { exams as shippedExams, type Exam } from '../projections/exams';
import type { Projection } from '../projections/schema';
import { findExams, findProjections } from '../projections/search';
import { listWords } from '../quantity/text';
import { notXray } from '../interchange/orderGuard';
import { namedViews, type NamedView } from './namedViews';

export type Planned = {
  projectionId: string;
  side?: 'left' | 'right';
  /** Done in another way than the usual one: its short text. */
  way?: string;
};
export type Ordered = {
  exam: Exam | null;
  name: string;
  projections: readonly string[];
  /** Views that the order names one by one, and what each was taken for. */
  named: readonly NamedView[];
};

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

/** What the words mean as an exam or a single projection, whatever views they name. */
function examOf(words: string, asked: string, exams: readonly Exam[]): Omit<Ordered, 'named'> | null {
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

/**
 * An exam by its id or one of its names, else a single projection by its name, else the nearest exam, else the nearest
 * projection; null where nothing is near. Views that are named one by one win over what the exam usually makes.
 */
export function orderedExam(words: string, exams: readonly Exam[] = shippedExams): Ordered | null {
  const asked = plain(words);
  if (asked === '' || notXray(words) !== null) return null;
  const found = examOf(words, asked, exams);
  const isExam = exams.some(({ id, name, alsoCalled }) =>
    [id, name, ...alsoCalled].some((each) => plain(each) === asked),
  );
  const isOne = projections.some(({ name }) => plain(name) === asked);
  const read = isExam ? [] : namedViews(words);
  // "Wrist AP, oblique" is two views, though one is called "Wrist, AP oblique".
  const views = isOne && read.length < 2 ? [] : read;
  const planned = [...new Set(views.flatMap(({ projectionId }) => projectionId ?? []))];
  if (planned.length === 0) return found && { ...found, named: views };
  // A view that nothing answers to leaves the routine standing beside those that were named.
  const unread = views.some(({ projectionId }) => projectionId === null);
  const all = unread ? [...new Set([...planned, ...(found?.projections ?? [])])] : planned;
  const name = listWords(planned.map((id) => projectionOf(id).name));
  return { exam: null, name: found?.exam?.name ?? name, projections: all, named: views };
}

/** An entry whose side is the side that lies down: no side of the body is asked for by it. */
const sideLiesDown = ({ positions }: Projection): boolean =>
  positions[0].body === 'lateral-recumbent' && positions[0].beam === 'horizontal';

/** Whether a side of the body must be known to take these. */
export const needsSide = (ids: readonly string[]): boolean =>
  ids.map(projectionOf).some((entry) => entry.sided === 'each' && !sideLiesDown(entry));

const OTHER = { left: 'right', right: 'left' } as const;

/**
 * The projections of an exam, sided where they have a side; a lateral that stands twice in it is taken from both sides.
 * @param side the side ordered, or both, for sided ones; where none was, a decubitus is taken on either side
 */
export function plannedFor(ids: readonly string[], side: 'left' | 'right' | 'both' | null): Planned[] {
  const seen = new Map<string, number>();
  return ids.flatMap((projectionId): Planned[] => {
    const entry = projectionOf(projectionId);
    const before = seen.get(projectionId) ?? 0;
    seen.set(projectionId, before + 1);
    if (entry.sided === 'each') {
      const lies = sideLiesDown(entry);
      if (side === 'both' || (side === null && lies))
        return [
          { projectionId, side: 'right' },
          { projectionId, side: 'left' },
        ];
      return side === null ? [{ projectionId }] : [{ projectionId, side }];
    }
    if (!entry.nearSide || !ids.some((id, i) => id === projectionId && ids.indexOf(id) !== i))
      return [{ projectionId }];
    const first = side === 'left' || side === 'right' ? side : entry.nearSide;
    return [{ projectionId, side: before % 2 === 0 ? first : OTHER[first] }];
  });
}
