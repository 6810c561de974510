/** Which exam the words of an order mean, and which projections it makes here. */
import { projectionOf, projections } from '../projections/catalogue';
import { exams as shippedExams, type Exam } from '../projections/exams';
import type { Projection } from '../projections/schema';
import { listWords } from '../quantity/text';
import { notXray } from '../interchange/orderGuard';
import { digitOf, digitsOf } from '../projections/digit';
import { askedText } from '../setup/placing/adaptedWay';
import { ofBoth, sideLiesDown, sidesOfView } from './orderSides';
import { readOrder, type OrderRead, type ReadWords } from './readOrder';

export type Planned = {
  projectionId: string;
  side?: 'left' | 'right';
  /** Done in another way than the usual one: its short text. */
  way?: string;
};
/** Words of an order that name a view, and what they were taken for; null where nothing here answers to them. */
export type NamedView = { words: string; projectionId: string | null };
export type Ordered = {
  exam: Exam | null;
  name: string;
  projections: readonly string[];
  /** Views that the order names one by one, and what each was taken for. */
  named: readonly NamedView[];
  /** What every group of words was taken for; empty where the order is a name that is known here. */
  read: readonly ReadWords[];
  /** Words that say nothing to the reader. */
  unread: readonly string[];
  /** Fingers or toes that it names, by their numbers. */
  digits: readonly number[];
  /** The side that lies down in a decubitus, where the order says it. */
  sideDown: OrderRead['sideDown'];
  /** Sides by view, where the order says others of one part than of another. */
  sided: OrderRead['sided'];
  /** How many views are asked for, where one part is, and the order says it. */
  count: OrderRead['count'];
};

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/** The names of exams and views are few, and stand beside every order anew. */
const plainNames = new Map<string, string>();
const MOST_NAMES = 5000;
function plainName(name: string): string {
  const known = plainNames.get(name);
  if (known !== undefined) return known;
  if (plainNames.size >= MOST_NAMES) plainNames.clear();
  const made = plain(name);
  plainNames.set(name, made);
  return made;
}

/** Exams whose names' words all stand in the order, longest first, no word used twice: "Chest and pelvis" is two. */
function named(asked: string, exams: readonly Exam[]): Exam[] {
  const left = new Set(asked.split(' '));
  const names = exams.flatMap((exam) =>
    [exam.name, ...exam.alsoCalled].map((name) => ({ exam, words: plainName(name.split(',')[0]).split(' ') })),
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

const AS_NAMED = { named: [], read: [], unread: [], digits: [], sideDown: null, sided: null, count: null } as const;

const oneView = ({ id, name }: Projection, words: string): Ordered => ({
  ...AS_NAMED,
  exam: null,
  name,
  projections: [id],
  named: [{ words, projectionId: id }],
});

/** An exam or a view that is called just so. */
function calledSo(asked: string, exams: readonly Exam[]): Ordered | null {
  const exam = exams.find(({ id, name, alsoCalled }) =>
    [id, name, ...alsoCalled].some((each) => plainName(each) === asked),
  );
  if (exam) return { ...AS_NAMED, exam, name: exam.name, projections: exam.projections };
  const view = projections.find(({ name }) => plainName(name) === asked);
  return view ? oneView(view, asked) : null;
}

/** Exams or views whose names stand in the words: what the reader of parts does not know. */
function calledWithin(asked: string, exams: readonly Exam[]): Ordered | null {
  const several = named(asked, exams);
  if (several.length > 0)
    return {
      ...AS_NAMED,
      exam: several.length === 1 ? several[0] : null,
      name: listWords(several.map(({ name }) => name)),
      projections: [...new Set(several.flatMap((each) => each.projections))],
    };
  const view = projections.find(({ alsoCalled }) =>
    alsoCalled.some((each) => plain(each).length >= LONG_NAME && ` ${asked} `.includes(` ${plain(each)} `)),
  );
  return view ? oneView(view, asked) : null;
}
/** A shorter name may be a word of something else. */
const LONG_NAME = 6;

const namedIn = (read: readonly ReadWords[]): NamedView[] =>
  read.flatMap(({ words, as, ids }): NamedView[] =>
    as === 'unread view'
      ? [{ words, projectionId: null }]
      : as === 'view'
        ? ids.map((projectionId) => ({ words, projectionId }))
        : [],
  );

/**
 * An exam or a view by one of its names, else what the words say of parts and views; null where they name nothing that is
 * x-rayed here. Views that are named one by one win over what the exam usually makes.
 * @param reason of the order: one of a dislocation changes the routine of a shoulder
 */
export function orderedExam(words: string, exams: readonly Exam[] = shippedExams, reason: string = ''): Ordered | null {
  const asked = plain(words);
  if (asked === '' || notXray(words) !== null) return null;
  const read = readOrder(words, exams, reason);
  const known = calledSo(asked, exams);
  // A name that is known here is that exam, unless the reason asks for another routine of it.
  if (known && !read?.read.some(({ because }) => because !== undefined))
    return { ...known, digits: read?.digits ?? [] };
  if (!read) return calledWithin(asked, exams);
  const views = namedIn(read.read);
  const [only] = read.exams;
  const made = new Set(read.projections);
  // All that an exam makes, and no more, is that exam, whatever of it is named besides.
  const exam =
    (read.exams.length === 1 &&
      exams.find(
        ({ id, projections: usual }) =>
          id === only && usual.every((each) => made.has(each)) && made.size === new Set(usual).size,
      )) ||
    null;
  const ids = exam?.projections ?? read.projections;
  return {
    exam,
    name: exam?.name ?? listWords(ids.map((id) => projectionOf(id).name)),
    projections: ids,
    named: views,
    ...{
      read: read.read,
      unread: read.unread,
      digits: read.digits,
      sideDown: read.sideDown,
      sided: read.sided,
      count: read.count,
    },
  };
}

/** Views that the order names one by one. */
export const namedIds = ({ named }: Pick<Ordered, 'named'>): string[] =>
  named.flatMap(({ projectionId }) => projectionId ?? []);

/** Whether a side of the body must be known to take these. */
export const needsSide = (ids: readonly string[]): boolean =>
  ids.map(projectionOf).some((entry) => entry.sided === 'each' && !ofBoth(entry));

const OTHER = { left: 'right', right: 'left' } as const;

/**
 * The projections of an exam, sided where they have a side; a lateral that stands twice in it is taken from both sides.
 * @param side the side ordered, or both, for sided ones; where none was, what comes in pairs is taken of both
 * @param said what else the order says: the side that lies down in a decubitus; sides of one view apart from another;
 * digits: a view of one digit is taken of each of them that it can be set for; one that shows several is limited to the
 * one where only one is named
 */
export function plannedFor(
  ids: readonly string[],
  side: 'left' | 'right' | 'both' | null,
  said: Partial<Pick<Ordered, 'sideDown' | 'digits' | 'sided'>> = {},
): Planned[] {
  const { digits = [] } = said;
  return sidedFor(ids, side, said).flatMap((planned) => {
    const entry = projectionOf(planned.projectionId);
    const can = digitsOf(entry);
    const showsAll = digitOf(entry) === null && digits.length > 1;
    const asked = showsAll ? [] : digits.filter((digit) => can.includes(digit));
    return asked.length === 0 ? [planned] : asked.map((digit) => ({ ...planned, way: askedText({ digit }) }));
  });
}

function sidedFor(
  ids: readonly string[],
  ordered: 'left' | 'right' | 'both' | null,
  { sideDown = null, sided = null }: Partial<Pick<Ordered, 'sideDown' | 'sided'>>,
): Planned[] {
  const seen = new Map<string, number>();
  return ids.flatMap((projectionId): Planned[] => {
    const entry = projectionOf(projectionId);
    const before = seen.get(projectionId) ?? 0;
    seen.set(projectionId, before + 1);
    const own = sidesOfView(sided, projectionId);
    const side = own === null ? ordered : own.length > 1 ? 'both' : own[0]!;
    if (entry.sided === 'each') {
      const asked = sideLiesDown(entry) ? (sideDown ?? side) : side;
      if (asked === 'both' || (asked === null && ofBoth(entry)))
        return [
          { projectionId, side: 'right' },
          { projectionId, side: 'left' },
        ];
      return asked === null ? [{ projectionId }] : [{ projectionId, side: asked }];
    }
    const twice = ids.some((id, i) => id === projectionId && ids.indexOf(id) !== i);
    if (!entry.nearSide || !twice) {
      // Of a part that is usually taken from both sides, once: from the side that was ordered.
      const paired = entry.variants.some(({ oneSide }) => oneSide);
      if (paired && side === 'both')
        return [
          { projectionId, side: 'left' },
          { projectionId, side: 'right' },
        ];
      return [paired && (side === 'left' || side === 'right') ? { projectionId, side } : { projectionId }];
    }
    const first = side === 'left' || side === 'right' ? side : entry.nearSide;
    return [{ projectionId, side: before % 2 === 0 ? first : OTHER[first] }];
  });
}
