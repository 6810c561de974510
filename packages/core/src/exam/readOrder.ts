/**
 * The words of an order, read part by part: what each was taken for, what was not understood. Nothing is guessed: what
 * names no part is no order that can be read.
 */
import { exams as shippedExams, type Exam } from '../projections/exams';
import {
  CIRCUMSTANCES,
  ORDERED_PARTS,
  REASONS,
  SAID_BESIDE,
  SPELLED,
  type Circumstance,
  type OrderedPart,
  type OrderedView,
} from './orderLexicon';
import { projectionOf } from '../projections/catalogue';
import { digitsOf } from '../projections/digit';
import { digitsIn, OF_DIGIT } from './orderDigits';
import { jointsShown } from './orderJoints';
import { whatOf } from '../interchange/orderGuard';
import { notDenied } from '../interchange/reasonSituation';
import { plainOrder } from './orderWords';
import {
  sideAt,
  sideOfItsOwn,
  sidesByView,
  sidesOfParts,
  viewsWithSides,
  type SidesByView,
  type ViewSide,
} from './orderSides';

export type BodySide = 'left' | 'right';
/** Words of the order, and what they were taken for. */
export type ReadWords = {
  words: string;
  /** `joints`: those of a long bone, to be on its pictures. `digit`: which finger or toe; `ids` are the views that cannot be set for it. `beside`: how soon, or why. */
  as: 'view' | 'routine' | 'routine besides' | 'unread view' | 'left out' | 'digit' | 'beside' | 'joints';
  ids: readonly string[];
  /** What of the reason changed the routine, as it is written there. */
  because?: string;
};
export type OrderRead = {
  /** Views, in the order in which they are named, or the routine. */
  projections: readonly string[];
  /** Exams whose routine it is; none where views are named. */
  exams: readonly string[];
  read: readonly ReadWords[];
  /** Fingers or toes that it names, by their numbers. */
  digits: readonly number[];
  /** The side that lies down in a decubitus that the order names. */
  sideDown: BodySide | 'both' | null;
  /** Sides by view, where the order says others of one part than of another. */
  sided: SidesByView;
  /** How many views of the one part are asked for, where the order says it. */
  count: ViewCount | null;
  /** Words that say nothing to the reader. */
  unread: readonly string[];
};
/** @property most null where more are as good */
export type ViewCount = { words: string; least: number; most: number | null };

const WORD = /[\p{L}\p{N}]+/gu;
const KNOWN: ReadonlySet<string> = new Set([...SPELLED, ...SAID_BESIDE]);

const FILLER = new Set(
  (
    'nonstanding xray view views planes series study exam the of a an or more only routine min minimum at least in with without and to ' +
    'please right left both bilateral unilateral each side complete limited portable mobile bedside standing upright ' +
    'supine nicu icu picu crib trauma injury pain fx fracture fractured dislocation dislocated upper lower proximal above below diaphragm ' +
    'distal infant newborn baby neonate joint joints spine softtissue rotation semierect adult child patient room on ' +
    'bone bones number detail radiograph radiographs film comparison de la el y'
  ).split(' '),
);
/** A view of some part, though not of the one that is named. */
const ANY_VIEW =
  /\b(ap|pa|laterals?|obliques?|axial|mortise|tunnel|sunrise|skyline|merchant|lordotic|inlet|outlet|frog|swimmers|serendipity|odontoid|waters|caldwell|towne|axillary|decubitus|flexion|extension|rao|lao|rpo|lpo|tangential)\b/g;
const COUNT = /\b(\d)( ?(or|to|-) ?(\d))?( or more)? (views?|planes?)\b/;
const MASK = '·';
/** @example countIn('ankle 2 or 3 views') // { words: '2 or 3 views', least: 2, most: 3 } */
function countIn(text: string): ViewCount | null {
  const count = COUNT.exec(text);
  if (!count) return null;
  const open = /\bmin(imum)?\b|\bor more\b/.test(text);
  return { words: count[0], least: Number(count[1]), most: open ? null : Number(count[4] ?? count[1]) };
}
const blank = (text: string): string => text.replace(/[^ ]/g, MASK);

/** Views of a list in which exams stand by their ids, as they are made here. */
const routineOf = (ids: readonly string[], exams: readonly Exam[]): string[] =>
  ids.flatMap((id) =>
    id.startsWith('exam:')
      ? ([...exams, ...shippedExams].find((exam) => exam.id === id.slice(5))?.projections ?? [])
      : [id],
  );
const examsIn = (ids: readonly string[]): string[] =>
  ids.flatMap((id) => (id.startsWith('exam:') ? [id.slice(5)] : []));

/** What is not to be done, as far as the next break; the weights of an acromioclavicular joint are a view of their own. */
const LEFT_OUT = /\b(no|not|without|except|excluding|omit|skip)\b(?! weights?\b)(?!$)[^,]*?(?=,|\band\b|$)/g;

type Mention = { part: OrderedPart; from: number; to: number; implied: boolean };

/**
 * Where parts are named, in the order of the words; a part that a view implies only where nothing else is named.
 * Named twice a part is one part, unless each time is of another side.
 */
function partsIn(text: string): { mentions: Mention[]; again: Mention[] } {
  let left = text;
  const mentions: Mention[] = [];
  for (const part of ORDERED_PARTS)
    for (;;) {
      const found = part.written.exec(left);
      if (!found || found[0].trim() === '') break;
      const [from, to] = [found.index, found.index + found[0].length];
      mentions.push({ part, from, to, implied: false });
      left = left.slice(0, from) + blank(left.slice(from, to)) + left.slice(to);
    }
  if (mentions.length > 0) {
    mentions.sort((a, b) => a.from - b.from);
    const isAgain = (each: Mention, i: number): boolean => {
      const before = mentions.slice(0, i).filter(({ part }) => part === each.part);
      const side = sideAt(text, each);
      return before.length > 0 && (side === '' || before.some((other) => [side, ''].includes(sideAt(text, other))));
    };
    return { mentions: mentions.filter((each, i) => !isAgain(each, i)), again: mentions.filter(isAgain) };
  }
  for (const part of ORDERED_PARTS) {
    const found = part.implied?.exec(text);
    if (found)
      return { mentions: [{ part, from: found.index, to: found.index + found[0].length, implied: true }], again: [] };
  }
  return { mentions: [], again: [] };
}

const BREAK = /,|\band\b|\bwith\b/g;
/** The words that belong to each part: what stands before it as far as the last break, and behind it. */
function stretches(text: string, mentions: readonly Mention[]): string[] {
  const cuts = mentions.slice(1).map(({ from }, i): [number, number] => {
    const after = mentions[i]!.to;
    const last = [...text.slice(after, from).matchAll(BREAK)].at(-1);
    return last ? [after + last.index, after + last.index + last[0].length] : [from, from];
  });
  return mentions.map(({ from, to, implied }, i) => {
    const start = cuts[i - 1]?.[1] ?? 0;
    const own = text.slice(start, cuts[i]?.[0] ?? text.length);
    return implied
      ? own
      : own.slice(0, from - start) + blank(own.slice(from - start, to - start)) + own.slice(to - start);
  });
}

/** "Thoracic and lumbar spine AP lateral": what is said of the last of several is said of all that nothing else is said of. */
function shared(own: readonly string[], text: string, mentions: readonly Mention[]): string[] {
  const all = [...own];
  for (let i = own.length - 2; i >= 0; i -= 1) {
    const between = text.slice(mentions[i]!.to, mentions[i + 1]!.from);
    const joined = /^[\s,]*(and)?[\s,]*((left|right|both)\s*)?$/.test(between);
    const words = [...own[i]!.matchAll(WORD)].map(([word]) => word).filter((word) => !FILLER.has(word));
    if (joined && words.length === 0) all[i] = `${own[i]} ${viewsOf(mentions[i]!.part, all[i + 1]!)}`;
  }
  return all;
}

/** What of some words a part has views for, and how many there are to be. */
const viewsOf = (part: OrderedPart, words: string): string =>
  [...part.views.map(({ written }) => written), COUNT].flatMap((written) => written.exec(words)?.[0] ?? []).join(' , ');

/** A larger part named right behind a smaller one of it, with nothing between but a side. */
function namesOnlyWhere(part: OrderedPart, before: Mention | undefined, text: string, from: number): boolean {
  return before?.part.within === part.id && !/,|\band\b|\bwith\b/.test(text.slice(before.to, from));
}

/** Parts of which there are several on each side. */
const DIGITAL: ReadonlySet<string> = new Set(['finger', 'toes']);

/** A view with what says its course. */
const WITH_COURSE = /\b(crosstable|frog|axial) ?(laterals?)?\b/;

const SEGMENT = /(,|\band\b|\bwith\b)/;
/**
 * A view by the name of its method, alone in its breath but for the course of its ray: that is no view besides. With more
 * in one breath each word is its own: "AP Grashey", but "AP mortise lateral".
 * @returns the same words with the course masked, and how each such view was written
 */
function withoutCourses(views: readonly OrderedView[], text: string): { left: string; full: Map<number, string> } {
  const full = new Map<number, string>();
  let at = 0;
  const left = text.split(SEGMENT).map((segment) => {
    const start = at;
    at += segment.length;
    for (const { written, course } of views) {
      const hit = course && written.exec(segment);
      if (!hit) continue;
      const end = hit.index + hit[0].length;
      const isBeside = ({ 0: word, index }: RegExpExecArray): boolean =>
        (index < hit.index || index >= end) && word !== '1' && (word === 'y' || !FILLER.has(word));
      const beside = [...segment.matchAll(WORD)].filter(isBeside);
      if (beside.length === 0 || !course.test(beside.map(([word]) => word).join(' '))) return segment;
      const first = Math.min(hit.index, beside[0]!.index);
      const last = beside.at(-1)!;
      const whole = segment.slice(first, Math.max(end, last.index + last[0].length));
      full.set(start + hit.index, whole.replaceAll(MASK, '').trim().replace(/\s+/g, ' '));
      return segment.replace(WORD, (word, index: number) =>
        beside.some((each) => each.index === index) ? blank(word) : word,
      );
    }
    return segment;
  });
  return { left: left.join(''), full };
}

type PartRead = Omit<OrderRead, 'unread' | 'digits' | 'sided' | 'count'> & { left: string; viewSides: ViewSide[] };

/** What the reason tells that matters here, each with the words that tell it. */
function reasonsIn(why: string): Map<Circumstance, string> {
  const left = notDenied(why);
  return new Map(
    REASONS.flatMap(([written, is]): [Circumstance, string][] => {
      const found = written.exec(left);
      return found ? [[is, found[0].trim()]] : [];
    }),
  );
}

function readPart(
  part: OrderedPart,
  stretch: string,
  all: string,
  exams: readonly Exam[],
  why: ReadonlyMap<Circumstance, string>,
): PartRead {
  const circumstances = new Set<Circumstance>([
    ...CIRCUMSTANCES.flatMap(([written, is]) => (written.test(all) ? [is] : [])),
    ...why.keys(),
  ]);
  // Both ends of a part are all of it.
  if (circumstances.has('upper') && circumstances.has('lower')) {
    circumstances.delete('upper');
    circumstances.delete('lower');
  }
  const inCase = <T>(when: Readonly<Partial<Record<Circumstance, T>>> | undefined, usual: T): T =>
    (Object.entries(when ?? {}) as [Circumstance, T][]).find(([each]) => circumstances.has(each))?.[1] ?? usual;
  const spread = stretch
    .replace(/\bfrontal\b/g, part.frontal ?? 'ap')
    // "AP lateral oblique" in one breath are three views.
    .replace(/\b(ap|pa) lateral (obliques?)\b/g, '$1 , lateral , $2');
  const { left: uncoursed, full } = withoutCourses(part.views, spread);
  let left = uncoursed;
  const found: { at: number; words: string; ids: readonly string[]; side: BodySide | null }[] = [];
  let sideDown: OrderRead['sideDown'] = null;
  for (const { written, ids, when } of part.views)
    for (;;) {
      const hit = written.exec(left);
      if (!hit || hit[0].trim() === '') break;
      const before = left.slice(0, hit.index);
      if (/decubitus/.test(hit[0])) {
        const down =
          /(right|left|bilateral|both)\s*$/.exec(before)?.[1] ?? /\b(right|left|bilateral)\b/.exec(hit[0])?.[1];
        if (down) sideDown = down === 'right' || down === 'left' ? down : 'both';
      }
      const taken = inCase(when, ids);
      const side = sideOfItsOwn(before, routineOf(taken, exams));
      found.push({ at: hit.index, words: full.get(hit.index) ?? hit[0].trim(), ids: taken, side });
      left = before + blank(hit[0]) + left.slice(hit.index + hit[0].length);
    }
  const views = found.filter(({ ids }) => ids.length > 0).sort((a, b) => a.at - b.at);
  // "Knee 3 views with sunrise": what is usual, and these too.
  const first = views[0];
  const besides =
    first !== undefined &&
    /\bwith\b/.test(stretch.slice(0, first.at)) &&
    !views.some(({ ids }) => examsIn(ids).length > 0);
  const named = views.flatMap(({ ids }) => routineOf(ids, exams));
  const count = COUNT.exec(all);
  const counted = count ? Number(count[4] ?? count[1]) : null;
  const routine = (): readonly string[] => {
    const usual = inCase(part.when, part.routine);
    const counts = usual === part.routine ? part.counts : inCase(part.countsWhen, {});
    if (counted === null) return usual;
    // "Knee 4 views with sunrise": what is usual and those that are named are as many.
    if (besides && new Set([...routineOf(usual, exams), ...named]).size >= counted) return usual;
    // So many views as are asked for by number are made, whatever the reason.
    const byWord = CIRCUMSTANCES.some(([written, is]) => part.when?.[is] === usual && written.test(all));
    if (usual !== part.routine && !byWord && part.counts?.[counted]) return part.counts[counted]!;
    if (usual !== part.routine && !counts?.[counted]) return usual;
    if (count![6]!.startsWith('plane')) return counts?.[2] ?? usual;
    // "Min 4 views": the routine, where it has as many, else the next that has; "1 or 2 views": no more than that.
    const usually = routineOf(usual, exams).length;
    const least = Number(count![1]);
    const open = /\bmin(imum)?\b|\bor more\b/.test(all);
    if (usually >= least && (open ? usually >= counted : usually <= counted)) return usual;
    const known = Object.keys(counts ?? {})
      .map(Number)
      .sort((a, b) => a - b);
    const next = open
      ? known.find((each) => each >= counted)
      : known.filter((each) => each >= least && each <= counted).at(-1);
    return next === undefined ? usual : counts![next]!;
  };
  const others = [...left.matchAll(ANY_VIEW)].map(([words]): ReadWords => ({ words, as: 'unread view', ids: [] }));
  const rest = left.replace(ANY_VIEW, blank);
  // "Knee 3 views sunrise": fewer are named than are counted, and with what is usual they are as many.
  const counts =
    count !== null &&
    new Set(named).size < Number(count[1]) &&
    new Set([...routineOf(routine(), exams), ...named]).size === counted;
  // All of it, and these too; or views that nothing answers to, beside what is usual.
  const whole =
    first === undefined ||
    besides ||
    counts ||
    circumstances.has('complete') ||
    (others.length > 0 && !/\bonly\b/.test(stretch));
  const usual = whole ? routine() : [];
  const changedBy = [...why].find(
    ([each]) => part.when?.[each] === usual && !CIRCUMSTANCES.some(([written, is]) => is === each && written.test(all)),
  );
  return {
    projections: [...new Set([...routineOf(usual, exams), ...named])],
    exams: [...examsIn(usual), ...views.flatMap(({ ids }) => examsIn(ids))],
    read: [
      ...views.map(({ words, ids }): ReadWords => ({ words, as: 'view', ids: routineOf(ids, exams) })),
      ...others,
      ...(usual.length > 0
        ? [
            {
              words: part.id,
              as: first ? ('routine besides' as const) : ('routine' as const),
              ids: routineOf(usual, exams),
              ...(changedBy ? { because: changedBy[1] } : {}),
            },
          ]
        : []),
    ],
    sideDown,
    viewSides: views.map(({ ids, side }) => ({ ids: routineOf(ids, exams), side })),
    left: rest,
  };
}

/** How it came to it, as the last of the words: what was fallen on is not what is ordered. */
const MECHANISM =
  /[\s,;:–—-]*\b(foosh|fell|fall(en|ing)?|stubbed|twisted|tripped|slipped|stepped on|dropped|kicked|punched|jammed|struck|hit (by|on|with)|collided|assault(ed)?)\b[^,;:–—]*$/i;
/** Cut off only where something is ordered before it: "fell on left knee" is a knee. */
function withoutMechanism(text: string): { what: string; how: string | null } {
  const found = MECHANISM.exec(text);
  const what = found ? text.slice(0, found.index) : text;
  if (!found || partsIn(plainOrder(what, KNOWN)).mentions.length === 0) return { what: text, how: null };
  return { what, how: found[0].replace(/^[\s,;:–—-]+/, '').toLowerCase() };
}

/**
 * @param text the words of the order as they came
 * @param reason why it was ordered, where that stands apart: it may change the routine, and never a view that is named
 * @param exams of the department
 * @returns null where they name no part of the body that is x-rayed
 * @example readOrder('Knee AP, medial oblique, lateral right').projections // knee-ap, knee-oblique-medial, knee-lateral
 */
export function readOrder(text: string, exams: readonly Exam[] = shippedExams, reason: string = ''): OrderRead | null {
  const { what: ordered, how } = withoutMechanism(whatOf(text));
  const { rest: what, words: joints } = jointsShown(ordered);
  const why = reasonsIn(`${text.slice(ordered.length)} ${reason}`);
  const worded = plainOrder(what, KNOWN);
  const asked = worded.replace(LEFT_OUT, blank);
  const { mentions: parted, again } = partsIn(asked);
  if (parted.length === 0) return null;
  const plain = again.reduce(
    (text, { from, to }) => text.slice(0, from) + blank(text.slice(from, to)) + text.slice(to),
    asked,
  );
  const mentions = parted.filter(({ part, from }, i) => !namesOnlyWhere(part, parted[i - 1], plain, from));
  const leftOut = [...worded.matchAll(LEFT_OUT)].map(([words]): ReadWords => {
    const views = mentions.flatMap(({ part }) => readPart(part, words, words, exams, why).read);
    return { words: words.trim(), as: 'left out', ids: views.flatMap(({ as, ids }) => (as === 'view' ? ids : [])) };
  });
  const without = new Set(leftOut.flatMap(({ ids }) => ids));
  const own = shared(stretches(plain, mentions), plain, mentions);
  const parts = mentions.map(({ part }, i): PartRead & { part: OrderedPart } => ({
    part,
    ...readPart(part, own[i]!, mentions.length === 1 ? plain : own[i]!, exams, why),
  }));
  // "AP pelvis and cross-table lateral", of a hip: a view that its own part does not have is that of another that is named.
  parts.forEach((each, i) => {
    if (!each.read.some(({ as }) => as === 'unread view')) return;
    const words = WITH_COURSE.exec(own[i]!)?.[0] ?? '';
    const taker = mentions.findIndex(
      ({ part }, j) => j !== i && readPart(part, words, words, exams, why).read.some(({ as }) => as === 'view'),
    );
    if (words === '' || taker < 0) return;
    const read = readPart(mentions[taker]!.part, words, words, exams, why);
    const without = readPart(each.part, own[i]!.replace(words, blank), own[i]!.replace(words, blank), exams, why);
    parts[i] = { ...without, part: each.part };
    const takes = parts[taker]!;
    const named = takes.read.filter(({ as }) => as === 'view');
    parts[taker] = {
      ...takes,
      // Named views win over the routine of a part that had none.
      projections: [...new Set([...named.flatMap(({ ids }) => ids), ...read.projections])],
      exams: named.length > 0 ? takes.exams : [],
      read: [...named, ...read.read],
    };
  });
  const down = /\b(left|right) side down\b/.exec(plain)?.[1] as BodySide | undefined;
  const downs = new Set([...parts.flatMap(({ sideDown }) => sideDown ?? []), ...(down ? [down] : [])]);
  const sides = sidesOfParts(
    plain,
    mentions.map(({ from, to }, i) => ({ from, to, ids: parts[i]!.projections })),
  );
  const sameSides = (i: number, j: number): boolean => [...sides[i]!].sort().join() === [...sides[j]!].sort().join();
  // "Acute series with chest": the chest is in it.
  const inOthers = (i: number): boolean => {
    const own = parts[i]!;
    const { length } = own.projections;
    if (own.read.some(({ as }) => as === 'view')) return false;
    return parts.some((each, j) => {
      // One part named of each side is two.
      if (each.part === own.part && !sameSides(i, j)) return false;
      const larger = each.projections.length > length || (each.projections.length === length && j < i);
      return j !== i && larger && own.projections.some((id) => each.projections.includes(id));
    });
  };
  const kept = parts.filter((_, i) => !inOthers(i));
  const ofDigits = kept.some(({ part }) => DIGITAL.has(part.id));
  const named = ofDigits ? digitsIn(plain) : [];
  const digits = named.map(({ words, digit }): ReadWords => {
    const apart = kept
      .flatMap(({ projections }) => projections)
      .filter((id) => {
        const can = digitsOf(projectionOf(id));
        return can.length > 0 && !can.includes(digit);
      });
    return { words, as: 'digit', ids: [...new Set(apart)] };
  });
  const inPart = parts.map((each) => each.left).join(' ');
  const left = ofDigits
    ? inPart.replace(OF_DIGIT, blank).replace(/\b(foot|feet|hands?|toes?|fingers?|digits?)\b/g, blank)
    : inPart;
  const words = [...left.matchAll(WORD)]
    .map(([word]) => word)
    .filter((word) => !FILLER.has(word) && !/^\d+$/.test(word));
  const beside = words.filter((word) => SAID_BESIDE.has(word));
  return {
    projections: [...new Set(kept.flatMap(({ projections }) => projections))].filter((id) => !without.has(id)),
    exams: [...new Set(kept.flatMap(({ exams }) => exams))],
    read: [
      ...kept.flatMap(({ read }) => read),
      ...digits,
      ...leftOut,
      ...(joints === null ? [] : [{ words: joints, as: 'joints' as const, ids: [] }]),
      ...(how ? [{ words: how, as: 'beside' as const, ids: [] }] : []),
      ...(beside.length > 0 ? [{ words: beside.join(' '), as: 'beside' as const, ids: [] }] : []),
    ],
    count: mentions.length === 1 ? countIn(plain) : null,
    digits: named.map(({ digit }) => digit),
    sideDown: downs.size > 1 ? 'both' : ([...downs][0] ?? null),
    sided: sidesByView(
      parts.flatMap(({ projections, viewSides }, i) => {
        if (inOthers(i)) return [];
        const named = new Set(viewSides.flatMap(({ ids }) => ids));
        const others = projections.filter((id) => !named.has(id));
        return viewsWithSides(plain, mentions[i]!, sides[i]!, viewSides, others);
      }),
    ),
    unread: words.filter((word) => !SAID_BESIDE.has(word)),
  };
}
