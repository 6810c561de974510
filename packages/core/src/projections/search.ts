/**
 * Forgiving search over the catalogue: names, method names, order wording, body parts; spelling may be off.
 */
import MiniSearch from 'minisearch';
import { projections } from './catalogue';
import type { Projection } from './schema';

export type ProjectionHit = { projection: Projection; score: number };
export type ProjectionFilter = { region?: string };

/** Words that orders use for the same thing. */
const SYNONYMS: Record<string, string> = {
  xray: '',
  'x-ray': '',
  view: '',
  views: '',
  portable: 'mobile',
  side: 'lateral',
  lat: 'lateral',
  cxr: 'chest pa',
  tspine: 'thoracic spine',
  sacral: 'sacrum',
  tibfib: 'leg tibia fibula',
  sinusses: 'sinuses',
  hips: 'pelvis',
};

const index = new MiniSearch<Projection & { words: string }>({
  fields: ['name', 'words', 'part', 'region', 'shows'],
  idField: 'id',
  extractField: (entry, field) =>
    field === 'words' ? entry.alsoCalled.join(' ') : ((entry as Record<string, unknown>)[field] as string),
  tokenize: (text) =>
    text
      .toLowerCase()
      .replace(/['’]s?\b/g, '')
      .split(/[^\p{L}\p{N}]+/u)
      .filter(Boolean),
  searchOptions: {
    prefix: (term) => term.length > 1,
    fuzzy: (term) => (term.length > 3 ? 0.25 : false),
    boost: { name: 4, words: 3, part: 2 },
    combineWith: 'AND',
  },
});
index.addAll(projections as (Projection & { words: string })[]);

/** Longest query that is read; the rest adds nothing. */
const MAX_QUERY = 200;

/**
 * @param query what was typed; empty returns the whole catalogue in its own order
 * @returns best first; when no entry has every word, those that have some
 */
export function findProjections(query: string, filter: ProjectionFilter = {}): ProjectionHit[] {
  const keep = (projection: Projection) => filter.region === undefined || projection.region === filter.region;
  const words = query
    .slice(0, MAX_QUERY)
    .toLowerCase()
    .split(/\s+/)
    .flatMap((word) => (SYNONYMS[word] ?? word).split(' '))
    .filter(Boolean)
    .join(' ');
  if (words === '') return projections.filter(keep).map((projection) => ({ projection, score: 0 }));
  const byId = new Map(projections.map((projection) => [projection.id, projection]));
  let found = index.search(words);
  if (found.length === 0) found = index.search(words, { combineWith: 'OR' });
  return found
    .map(({ id, score }) => ({ projection: byId.get(id as string) as Projection, score }))
    .filter(({ projection }) => keep(projection));
}
