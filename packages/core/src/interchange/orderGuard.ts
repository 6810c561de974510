/** What of an order is no x-ray, and what its words say of the side: nothing is guessed, contradictions are told. */

/** What is asked for besides plain x-rays, as it is written in orders; the first that fits names it. */
const NOT_XRAY: readonly (readonly [RegExp, string])[] = [
  [/\bpet([ /-]?ct|[ /-]?mri?)?\b|positron/i, 'PET'],
  [/\bc\.?t\.?a?\b|\bcat scan|computed tomogra|tomodensito/i, 'CT'],
  [/\bm\.?r\.?[ia]?\b|magnetic resonance|\bmrcp\b/i, 'MRI'],
  [/ultraso|sonogra|\becho\b|\bdoppler\b|echocardio|\bduplex\b|^\s*us\b/i, 'ultrasound'],
  [/mammo|tomosynthesis/i, 'mammography'],
  [/\bdexa\b|\bdxa\b|bone densi|densitometry/i, 'bone densitometry'],
  [/scintigra|nuclear medicine|\bspect\b|\bbone scan\b|\bv\/?q scan\b/i, 'nuclear medicine'],
  [
    /\bfluoro|arthrogra|myelogra|fistulogra|sialogra|modified barium|videofluoro|\bmbss?\b|hysterosalping|\bhsg\b|\bc[ -]arm\b|\bercp\b|image intensifier/i,
    'a study under fluoroscopy',
  ],
  [/angiogra|venogra|arteriogra|cathet|\bstent\b|embolis|emboliz/i, 'angiography or an intervention'],
  [
    /radiotherap|radiation therap|brachytherap|\bphysio\b|physiotherap|physical therap|occupational therap|\btherapy\b|\b[po]t (eval|treat|consult)/i,
    'therapy',
  ],
  [
    /\b(cast|splint|plaster|pin|suture|staple|drain|line)s? (removal|change|off|application)\b|\bremov(e|al) (of )?(the )?(cast|splint|plaster|pins?|sutures?|drain)\b/i,
    'a procedure',
  ],
  [
    /^\s*(xr )?(splint|cast|brace|crutch\w*)\b|\bwound (care|check)\b|\bfitting\b|orthotic|prosthe|biops|aspirat|injection|arthrocentes|(?<!\bpost[ -]?)\breduction\b|\bdressing\b|endoscop|colonoscop|gastroscop|bronchoscop|\becg\b|\bekg\b|\beeg\b|\bemg\b|spirometr|blood (test|count)|laborator|puncture|vaccin|urinalysis|\bconsult|(?<!\b(chest|cxr|abd\w*|kub|x-?rays?|xr)\b.*)\btube (change|placement)\b(?!.*\b(chest|cxr|abd\w*|kub|x-?rays?)\b)|appointment/i,
    'a procedure or test',
  ],
];
/** Pictures of the teeth, which are called x-rays too. */
const DENTAL = /\b(panorex|panorami(c|x)|orthopantomogra\w*|opg|bite ?wings?|periapical|dental|cephalogram|ceph)\b/i;

/** "Do not perform" as the last word on the order: what must not be done beside it (a sling taken away) is no such word. */
const NOT_TO_BE_DONE =
  /\b(do not|don['’]?t|not to be) (perform(ed)?|do(ne)?|x-?ray(ed)?)( (this|it|the)?\s*(exam|order|study)?)?\W*$|^\W*(cancell?ed|duplicate order)\b/i;

/** Whether the words of an order say that it is not to be carried out. @example saysNotToBeDone('Ankle left - do not perform') */
export const saysNotToBeDone = (exam: string): boolean => NOT_TO_BE_DONE.test(exam);

/** From here on an order tells why, not what. */
const REASON =
  /\b(for|due to|because|rule out|r\/o|status post|s\/p|after|query|possible|suspected|hx of|history of|(pre|post)[ -]?(mri|op\w*|surg\w*|reduction|fall|mva|line|intubation|placement|screening))\b|\?/;

/** What is ordered, without why, as it came. */
export const whatOf = (text: string): string => {
  const reason = REASON.exec(text.toLowerCase());
  const before = reason ? text.slice(0, reason.index) : text;
  return before.trim() === '' ? text : before;
};

/** What is told of the patient behind a comma, as far as the next. */
const COMPLAINT =
  /(?<=[,;:–—]|\s-)[^,;:–—]*\b(pain(ful)?|aches?|swelling|swollen|injur(y|ed)|trauma|fell|fall|twisted|tender(ness)?|stiff(ness)?|numbness|limp(ing)?|hurts?|c\/o|complain\w*)\b[^,;:–—]*/gi;
/** What was done or known before says nothing of the side that is asked for now. */
const BEFORE_NOW =
  /\b(s\/p|status post|hx( of)?|h\/o|history of|after|previous(ly)?|prior|old|known|chronic|post[ -]?\w*)\b[^,;.]*/gi;

/** Sides of what is complained of; what lies back counts for nothing. */
const sidesOfComplaint = (why: string): ReadonlySet<BodySide> => sidesIn(why.replace(BEFORE_NOW, ' '));

/**
 * Whether a reason tells of the other side than the one that was ordered.
 * @example otherSideInReason('left', 'pain in the right knee') // 'right'
 */
export function otherSideInReason(side: BodySide, reason: string): BodySide | null {
  const said = sidesOfComplaint(reason);
  const [only] = said;
  return said.size === 1 && only !== side ? only! : null;
}

/** A place of an order that may name a side, with how it is called. */
export type SideMention = { from: string; sides: ReadonlySet<BodySide> };

/**
 * Sides in the words of an order: those of what is asked for, and where these are one, those of why, which may contradict
 * them. @param from how the words are called
 * @example sideMentions('Left knee, pain right knee', 'the exam') // left, and right in its reason
 */
export function sideMentions(exam: string, from: string): SideMention[] {
  const what = whatOf(exam);
  const asked = sidesIn(what.replace(COMPLAINT, ' '));
  if (asked.size !== 1) return [{ from, sides: sidesIn(exam) }];
  const beside = [...what.matchAll(COMPLAINT)].map(([words]) => words).join(', ');
  const why = sidesOfComplaint(`${beside}, ${exam.slice(what.length)}`);
  const apart = why.size === 1 && ![...asked].some((side) => why.has(side));
  return [{ from, sides: asked }, ...(apart ? [{ from: `the reason in ${from}`, sides: why }] : [])];
}

/**
 * Sides in the text of an order and in each of its codes, which may contradict one another.
 * @param texts the order's own words first
 */
export const sidesOfTexts = (texts: readonly string[]): SideMention[] =>
  texts.flatMap((words, i) => sideMentions(words, i === 0 ? 'the exam' : `its code “${words.slice(0, 60)}”`));

/** So many of them, from the first, make pictures; what follows may be why an x-ray is asked for. */
const IMAGING = NOT_XRAY.findIndex(([, what]) => what === 'nuclear medicine') + 1;
/** Orbits are x-rayed before an MRI, and for one. */
const BEFORE_MRI =
  /\b(pre|before|prior to|clear(ance|ed) (for|prior to))[ -]+(an? |the )?mri?( (clearance|screen(ing)?|safety))?\b|\bmri? (clearance|screen(ing)?|safety)\b/gi;
const ORBITS_FOR_MRI = /\b(orbit(s|al)?|eyes?)\b(?! mri?\b).*\bfor (an? |the )?mri?\b/i;
const SPOKEN_OF =
  /\b(pre|post|before|prior to|after|on|per|from|by|previous|recent|old|known)[ -]+(the |a |an |recent |previous |old )*\S+/gi;
/** Words by which an order says that it is one for x-rays, whatever else it names. */
const XRAY = /\bx[ -]?rays?\b|\bxr\b|radiogra|\bplain films?\b|\b\d ?views?\b|\bviews?\b/i;

/**
 * @param exam what was ordered, not why
 * @returns what it is instead of an x-ray; null for one, or where it says x-ray itself
 */
export function notXray(exam: string): string | null {
  const what = whatOf(exam).replace(BEFORE_MRI, ' ');
  if (DENTAL.test(what)) return 'a dental picture';
  if (XRAY.test(what) || ORBITS_FOR_MRI.test(exam)) return null;
  const asked = NOT_XRAY.find(([written]) => written.test(what));
  if (asked) return asked[1];
  // "Knee pain? MRI" asks for one in its reason; "pre MRI" and "seen on CT" only speak of one.
  const why = exam.slice(whatOf(exam).length).replace(SPOKEN_OF, ' ');
  return NOT_XRAY.slice(0, IMAGING).find(([written]) => written.test(why))?.[1] ?? null;
}

export type BodySide = 'left' | 'right';

const OF_LIMB =
  /\b(hand|wrist|finger|thumb|digit|forearm|elbow|humerus|shoulder|clavicle|scapula|toe|foot|feet|heel|calcan\w*|ankle|tib\w*|fib\w*|leg|knee|patella\w*|femur|hip)s?\b/i;
const PAIR =
  /\b(hands|feet|knees|wrists|elbows|shoulders|ankles|hips|forearms|heels|clavicles|femurs|rodillas|manos|pies|caderas)\b/i;
/** Sides that words name: left, right, or both; "left decubitus" and "left lateral" name a position. */
export function sidesIn(text: string): ReadonlySet<BodySide> {
  const plain = text
    // Which hand a person writes with.
    .replace(/\b(left|right)[ -]?(handed(ness)?|hand[ -]dominan\w*)\b/gi, ' ')
    .replace(/\b[lt][ -]?s?[ -]?spine\b/gi, ' ')
    .replace(/\b(both|bilateral)\s+(obliques?|joints)\b/gi, ' ')
    .replace(
      /\b(left|right|lt|rt|l|r)\.?\s+(lateral\s+)?(decub\w*|side down|anterior oblique|posterior oblique)/gi,
      ' ',
    )
    // Of a limb "right lateral" is the lateral of the right one, of the trunk it is which side is against the receptor.
    .replace(OF_LIMB.test(text) ? /$^/ : /\b(left|right|lt|rt|l|r)\.?\s+lateral/gi, ' ');
  const sides = new Set<BodySide>();
  if (
    /\b(left|lt|izquierd[oa]|links?)\b/i.test(plain) ||
    /(^|[\s(,])l(?=$|[\s),])(?!\s*\d(?!\s*(v|vw|views?|planes?)\b))/i.test(plain)
  )
    sides.add('left');
  if (/\b(right|rt|derech[oa]|rechts?)\b/i.test(plain) || /(^|[\s(,])r(?=$|[\s),])/i.test(plain)) sides.add('right');
  if (/\b(both|bilateral|bilat|bil|ambos|ambas|beide[rns]?|beidseits|bds|r ?[+&/] ?l|l ?[+&/] ?r)\b/i.test(plain))
    return new Set(['left', 'right']);
  // "Feet" with no side are both.
  return sides.size === 0 && PAIR.test(plain.replace(/\bhips? to ankles?\b/i, ' '))
    ? new Set(['left', 'right'])
    : sides;
}

export type SideRead = { side: BodySide | null; bothSides: boolean; contradiction: string | null };

/**
 * One side out of everything that says one.
 * @param mentions each place that may name a side, with how it is called; the first that does is the order's own words
 */
export function readSides(mentions: readonly SideMention[]): SideRead {
  const saying = mentions.filter(({ sides }) => sides.size > 0);
  const all = new Set(saying.flatMap(({ sides }) => [...sides]));
  if (all.size <= 1) return { side: [...all][0] ?? null, bothSides: false, contradiction: null };
  const words = (sides: ReadonlySet<BodySide>) => (sides.size === 2 ? 'both sides' : `the ${[...sides][0]}`);
  const both = saying.find(({ sides }) => sides.size === 2);
  const single = saying.filter(({ sides }) => sides.size === 1);
  const [named] = single;
  const apart = named && single.find(({ sides }) => ![...sides].every((side) => named.sides.has(side)));
  // One place that says both, and others that name either of them, or none: both.
  if (both && (single.length === 0 || apart)) return { side: null, bothSides: true, contradiction: null };
  const [a, b] = both ? [both, named] : [named, apart];
  return {
    side: null,
    bothSides: false,
    contradiction: `${[a, b].flatMap((place) => (place ? [`${place.from} says ${words(place.sides)}`] : [])).join(', ')}: ask whoever ordered it`,
  };
}
