/**
 * Forgiving search over the catalogue: names, method names, order wording, abbreviations, structures; spelling may be
 * off. What is taken most often for the part that was named comes first.
 */
import MiniSearch from 'minisearch';
import { projections } from './catalogue';
import { exams, placeInExams, type Exam } from './exams';
import type { Projection } from './schema';
import { normalWords, VIEW_WORDS } from './searchWords';

export type ProjectionHit = {
  projection: Projection;
  score: number;
  /** The other name through which it was answered, where its own name does not have what was typed. */
  matched: string | null;
};
export type ProjectionFilter = { region?: string };

type Indexed = { id: string; name: string; called: string; part: string; region: string; shows: string };

/** Share of a word that may be wrong: one letter of four, two of five and more. */
const mayBeOff = (term: string): number => (term.length > 4 ? 2 / term.length : 0.25);
const index = new MiniSearch<Indexed>({
  fields: ['name', 'called', 'part', 'region', 'shows'],
  idField: 'id',
  tokenize: (text) => text.split(' '),
  processTerm: (term) => term,
  searchOptions: {
    prefix: (term) => term.length > 2 && !VIEW_WORDS.has(term),
    fuzzy: (term) => (term.length > 3 && !VIEW_WORDS.has(term) ? mayBeOff(term) : false),
    boost: { name: 4, called: 3, part: 3, region: 0.7, shows: 0.8 },
    weights: { fuzzy: 0.35, prefix: 0.6 },
  },
});

const asText = (words: string): string => normalWords(words).join(' ');
const phrases = new Map<string, string[]>();
const nameWords = new Map<string, ReadonlySet<string>>();
/** Times the score of what no exam holds, by the place in the exam: first, second, later. */
const EXAM_WEIGHT = [1.5, 1.35, 1.2] as const;
const weight = new Map<string, number>();

for (const projection of projections) {
  const { id, name, alsoCalled, part, region, shows } = projection;
  const called = alsoCalled.map(asText);
  index.add({
    id,
    name: asText(name),
    called: called.join(' '),
    part: asText(part),
    region: asText(region),
    shows: asText(shows),
  });
  // Who types the name of an exam means its first picture.
  const led = exams.filter((exam) => exam.projections[0] === id).flatMap((exam) => [exam.name, ...exam.alsoCalled]);
  phrases.set(id, [asText(name), ...called, ...led.map(asText)]);
  nameWords.set(id, new Set([...normalWords(name), ...called.flatMap((phrase) => phrase.split(' '))]));
  const place = placeInExams(projection);
  weight.set(id, place === null ? 1 : EXAM_WEIGHT[Math.min(place, EXAM_WEIGHT.length - 1)]);
}

const byId = new Map(projections.map((projection) => [projection.id, projection]));

/** Longest query that is read; the rest adds nothing. */
const MAX_QUERY = 200;
const PHRASE_BONUS = { whole: 2.6, part: 1.5 };
const WRONG_VIEW = 0.45;
const UNASKED_VIEW = 0.93;

/** What the words alone do not say: whole phrases, the view that was asked for, how usual the projection is. */
function judged(id: string, score: number, words: readonly string[]): number {
  const text = words.join(' ');
  const own = phrases.get(id)!;
  const names = nameWords.get(id)!;
  let value = score * weight.get(id)!;
  if (own.includes(text)) value *= PHRASE_BONUS.whole;
  else if (own.some((phrase) => phrase.includes(' ') && ` ${text} `.includes(` ${phrase} `)))
    value *= PHRASE_BONUS.part;
  const views = words.filter((word) => VIEW_WORDS.has(word));
  for (const view of views) if (!names.has(view)) value *= WRONG_VIEW;
  // Nobody names a view that was not asked for: the plainer one is meant.
  for (const view of VIEW_WORDS)
    if (names.has(view) && !views.includes(view) && own[0].includes(view)) value *= UNASKED_VIEW;
  return value;
}

/** Every word that was typed begins a word of the phrase. */
const holds = (phrase: string, words: readonly string[]): boolean => {
  const own = normalWords(phrase);
  return words.every((word) => own.some((each) => each.startsWith(word)));
};
/** The method or everyday name that was meant, shown back so that it is known for the right one; the shortest. */
function matchedBy({ name, alsoCalled }: Projection, words: readonly string[]): string | null {
  if (holds(name, words)) return null;
  const [shortest] = alsoCalled.filter((phrase) => holds(phrase, words)).sort((a, b) => a.length - b.length);
  return shortest ?? null;
}

/**
 * @param query what was typed; empty returns the whole catalogue in its own order
 * @returns best first; when no entry has every word, those that have some
 */
export function findProjections(query: string, filter: ProjectionFilter = {}): ProjectionHit[] {
  const keep = (projection: Projection) => filter.region === undefined || projection.region === filter.region;
  const words = normalWords(query.slice(0, MAX_QUERY));
  if (words.length === 0)
    return projections.filter(keep).map((projection) => ({ projection, score: 0, matched: null }));
  const text = words.join(' ');
  let found = index.search(text, { combineWith: 'AND' });
  if (found.length === 0) found = index.search(text, { combineWith: 'OR' });
  return found
    .map(({ id, score }) => ({ projection: byId.get(id as string)!, score: judged(id as string, score, words) }))
    .map((hit) => ({ ...hit, matched: matchedBy(hit.projection, words) }))
    .filter(({ projection }) => keep(projection))
    .sort((a, b) => b.score - a.score);
}

/** Whether every word of a query begins a word of a phrase, whatever the order and the spelling of the trade. */
export const hasWords = (phrase: string, query: string): boolean =>
  holds(phrase, normalWords(query.slice(0, MAX_QUERY)));

/** Exams whose name or other name holds every word that was typed, as far as it is typed; the shortest name first. */
export function findExams(query: string): Exam[] {
  const words = normalWords(query.slice(0, MAX_QUERY));
  if (words.length === 0) return [];
  return exams
    .filter(({ name, alsoCalled }) => [name, ...alsoCalled].some((each) => holds(each, words)))
    .sort((a, b) => a.name.length - b.name.length);
}
