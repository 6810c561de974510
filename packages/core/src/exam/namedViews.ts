/** Views that the words of an order name one by one: what is named is planned, or said to be missing - never dropped. */
import { projections } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { findProjections } from '../projections/search';
import { normalWords } from '../projections/searchWords';

export type NamedView = {
  /** The words of the order for it. */
  words: string;
  /** What they were taken for; null where nothing here answers to them. */
  projectionId: string | null;
};

/** A view that stands for itself: how it is written in orders, and what of an entry answers to it. */
type ViewWord = { id: string; written: RegExp; fits: (entry: Projection, words: ReadonlySet<string>) => boolean };

const has =
  (...any: readonly string[]) =>
  (_: Projection, words: ReadonlySet<string>): boolean =>
    any.some((word) => words.has(word));
const along =
  (...views: readonly string[]) =>
  ({ ray }: Projection): boolean =>
    views.includes(ray.view);

const VIEWS: readonly ViewWord[] = [
  { id: 'ap', written: /^(ap|anteroposterior)$/, fits: (entry, words) => along('AP')(entry) || words.has('ap') },
  { id: 'pa', written: /^(pa|posteroanterior)$/, fits: (entry, words) => along('PA')(entry) || words.has('pa') },
  {
    id: 'lateral',
    written: /^(lat|lats|laterals?)$/,
    fits: (entry, words) => along('lateral', 'medial')(entry) || words.has('lateral'),
  },
  { id: 'oblique', written: /^(obl|obls|obliques?)$/, fits: has('oblique') },
  ...['rao', 'lao', 'rpo', 'lpo'].map((id) => ({ id, written: new RegExp(`^${id}$`), fits: has(id) })),
  { id: 'decubitus', written: /^(decub|decubs|decubitus)$/, fits: has('decubitus') },
  { id: 'y', written: /^y$/, fits: has('y') },
  { id: 'axillary', written: /^(axillary|axilla)$/, fits: has('axillary') },
  { id: 'outlet', written: /^outlet$/, fits: has('outlet') },
  { id: 'inlet', written: /^inlet$/, fits: has('inlet') },
  { id: 'swimmer', written: /^(swimmers?|swimmer’s|swimmer's)$/, fits: has('swimmer') },
  { id: 'dens', written: /^(odontoid|dens)$/, fits: has('dens', 'odontoid') },
  { id: 'sunrise', written: /^(sunrise|skyline|merchant|tangential)$/, fits: has('tangential', 'sunrise') },
  { id: 'tunnel', written: /^(tunnel|notch)$/, fits: has('tunnel', 'fossa', 'notch') },
  { id: 'mortise', written: /^mortise$/, fits: has('mortise') },
  { id: 'axial', written: /^axial$/, fits: has('axial', 'tangential') },
  { id: 'lordotic', written: /^lordotic$/, fits: has('lordotic') },
  { id: 'frog', written: /^(frog|frogleg|frog-leg)$/, fits: has('frog') },
  { id: 'flexion', written: /^flexion$/, fits: has('flexion') },
  { id: 'extension', written: /^extension$/, fits: has('extension') },
  {
    id: 'supine',
    written: /^(supine|flat)$/,
    fits: ({ positions }) => positions.some(({ body }) => body === 'supine'),
  },
  { id: 'prone', written: /^prone$/, fits: ({ positions }) => positions.some(({ body }) => body === 'prone') },
  {
    id: 'upright',
    written: /^(upright|erect|standing)$/,
    fits: ({ positions }) => positions.some(({ body }) => body === 'upright'),
  },
];
/** Rotations of the shoulder stand for a view; before an oblique they only tell which. */
const ROTATIONS: readonly ViewWord[] = [
  { id: 'internal', written: /^(internal|int)$/, fits: has('internal') },
  { id: 'external', written: /^(external|ext)$/, fits: has('external') },
];
/** Methods named after persons, as they are searched for: the words of an entry's other names that are names. */
const METHODS: ReadonlySet<string> = new Set(
  projections
    .flatMap(({ alsoCalled }) => alsoCalled.flatMap((each) => each.split(/[^\p{L}]+/u)))
    .filter((word) => /^\p{Lu}\p{Ll}{3,}$/u.test(word))
    .flatMap(normalWords),
);
function viewOf(word: string, next = ''): ViewWord | undefined {
  const own = VIEWS.find(({ written }) => written.test(word));
  if (own) return own;
  const oblique = VIEWS.find(({ id }) => id === 'oblique')!.written.test(next);
  const rotation = oblique ? undefined : ROTATIONS.find(({ written }) => written.test(word));
  if (rotation) return rotation;
  // "Towne’s", "Townes", "Towne".
  const named = [word, word.replace(/['’]?s$/, '')].flatMap(normalWords).find((each) => METHODS.has(each));
  return named === undefined ? undefined : { id: 'method', written: new RegExp(`^${word}$`), fits: has(named) };
}
/** Positions stand for a view only where no course of the ray does. */
const POSITIONS = new Set(['supine', 'prone', 'upright']);
/** What may be said together of one view. */
const TOGETHER: Readonly<Record<string, readonly string[]>> = {
  decubitus: ['lateral', 'ap', 'pa', 'supine'],
  oblique: ['lateral', 'ap', 'pa'],
  rao: ['oblique', 'pa'],
  lao: ['oblique', 'pa'],
  rpo: ['oblique', 'ap'],
  lpo: ['oblique', 'ap'],
  supine: ['ap', 'lateral'],
  prone: ['pa', 'lateral'],
  upright: ['ap', 'pa', 'lateral'],
  ap: ['supine', 'upright'],
  pa: ['prone', 'upright'],
  lateral: ['supine', 'upright', 'prone'],
  axial: ['ap', 'pa', 'oblique'],
  frog: ['lateral'],
  internal: ['ap'],
  external: ['ap'],
  method: ['ap', 'pa', 'lateral', 'oblique', 'upright'],
  flexion: ['lateral'],
  extension: ['lateral'],
};

const SIDE = /^(r|l|rt|lt|right|left)$/;
const FILLER =
  /^(view|views|film|films|series|complete|xr|x-?rays?|radiographs?|min|minimum|of|the|a|or|more|only|routine|\d+v?|one|two|three|four|five|bilateral|both)$/;
/** From here on an order tells why, not what. */
const REASON =
  /\b(for|due to|because|rule out|r\/o|status post|s\/p|after|query|evaluate|eval|possible|suspected)\b|\?/;

const wordsOf = new Map<string, ReadonlySet<string>>(
  projections.map(({ id, name, alsoCalled }) => [id, new Set([name, ...alsoCalled].flatMap(normalWords))]),
);

/** One view for each group of words that belong together. */
function groupsOf(words: readonly string[]): { words: string[]; views: ViewWord[] }[] {
  const groups: { words: string[]; views: ViewWord[] }[] = [];
  let before: string[] = [];
  const named = words.filter((word) => viewOf(word)).length;
  for (const [i, word] of words.entries()) {
    const view = viewOf(word, words[i + 1]);
    const last = groups.at(-1);
    if (!view) {
      // "medial oblique", "left lateral": what tells views apart stands before them.
      before.push(word);
      continue;
    }
    const known = last?.views.at(-1);
    const joins =
      last !== undefined &&
      before.length === 0 &&
      known !== undefined &&
      TOGETHER[view.id]?.includes(known.id) &&
      // "AP lateral oblique" are three.
      !(named > 2 && view.id === 'oblique');
    if (joins) {
      last.words.push(word);
      last.views.push(view);
    } else groups.push({ words: [...before, word], views: [view] });
    before = [];
  }
  groups.at(-1)?.words.push(...before);
  return groups;
}

/**
 * @param text the words of the order, as they came
 * @returns the views that it names one by one; empty where it names an exam alone
 * @example namedViews('Knee AP, medial oblique, lateral') // knee-ap, knee-oblique-medial, knee-lateral
 */
export function namedViews(text: string): NamedView[] {
  const asked = text
    .toLowerCase()
    .split(REASON)[0]
    .replace(/[()[\]:]/g, ',');
  const chunks = asked.split(/[,;+&/]|\band\b|\bwith\b/).map((chunk) =>
    chunk
      .replace(/\bfrog[ -]?legs?\b/g, 'frog')
      .split(/[^\p{L}\p{N}’'-]+/u)
      .filter(Boolean),
  );
  const groups = chunks.flatMap(groupsOf);
  if (groups.length === 0) return [];
  const tells = new Set(groups.flatMap(({ words, views }) => words.filter((word) => viewOf(word) && views.length > 0)));
  // What is no view, no side and no filler is the part; what stands in one group alone tells that view from another.
  const first = groups[0].words.filter((word) => !viewOf(word));
  const part = chunks
    .flat()
    .filter((word) => !tells.has(word) && !SIDE.test(word) && !FILLER.test(word))
    .filter((word) => first.includes(word) || !groups.some(({ words }) => words.includes(word)));
  const ray = groups.some(({ views }) => views.some(({ id }) => !POSITIONS.has(id)));
  const single = groups.filter(({ views }) => !ray || views.some(({ id }) => !POSITIONS.has(id)) || groups.length > 1);
  const region = findProjections(part.join(' '))[0]?.projection.region;
  const read = (words: readonly string[], views: readonly ViewWord[]): string | null => {
    const own = words.filter((word) => !FILLER.test(word));
    const hits = findProjections([...new Set([...part, ...own])].join(' '));
    const fits = (entry: Projection): boolean =>
      views.every((view) => view.fits(entry, wordsOf.get(entry.id)!)) &&
      (region === undefined || entry.region === region);
    // The plainest that answers: a view that was not named further is not a special one.
    return hits.find(({ projection }) => fits(projection))?.projection.id ?? null;
  };
  return single.flatMap(({ words, views }): NamedView[] => {
    const whole = read(words, views);
    // Said in one breath, meant as two.
    if (whole === null && views.length > 1)
      return words.flatMap((word) => {
        const view = viewOf(word);
        return view ? [{ words: word, projectionId: read([word], [view]) }] : [];
      });
    return [{ words: words.join(' '), projectionId: whole }];
  });
}
