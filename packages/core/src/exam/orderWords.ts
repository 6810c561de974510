/** The words of an order made plain: abbreviations, other languages, misspellings, counts and reasons. */
import { withoutAges } from '../interchange/orderAge';

/** Said in Spanish or German orders for parts, sides, views and counts. */
const OTHER_LANGUAGES: Readonly<Record<string, string>> = {
  // Spanish
  torax: 'chest',
  rodilla: 'knee',
  rodillas: 'knees',
  tobillo: 'ankle',
  mano: 'hand',
  manos: 'hands',
  muneca: 'wrist',
  hombro: 'shoulder',
  codo: 'elbow',
  pie: 'foot',
  pies: 'feet',
  cadera: 'hip',
  caderas: 'hips',
  dedo: 'finger',
  pulgar: 'thumb',
  antebrazo: 'forearm',
  humero: 'humerus',
  clavicula: 'clavicle',
  costillas: 'ribs',
  craneo: 'skull',
  pierna: 'leg',
  talon: 'heel',
  lumbosacra: 'lumbar spine',
  columna: 'spine',
  sacro: 'sacrum',
  rotula: 'patella',
  escapula: 'scapula',
  calcaneo: 'calcaneus',
  cuello: 'neck',
  nariz: 'nasal bones',
  mandibula: 'mandible',
  senos: 'sinuses',
  derecha: 'right',
  derecho: 'right',
  izquierda: 'left',
  izquierdo: 'left',
  ambos: 'both',
  ambas: 'both',
  proyeccion: 'view',
  proyecciones: 'views',
  vistas: 'views',
  dos: '2',
  tres: '3',
  oblicua: 'oblique',
  axilar: 'axillary',
  frontal: 'frontal',
  oblicuas: 'obliques',
  radiografia: 'xray',
  carga: 'standing',
  // German
  thorax: 'chest',
  knie: 'knee',
  sprunggelenk: 'ankle',
  handgelenk: 'wrist',
  fuss: 'foot',
  schulter: 'shoulder',
  ellenbogen: 'elbow',
  ellbogen: 'elbow',
  hufte: 'hip',
  huft: 'hip',
  huefte: 'hip',
  becken: 'pelvis',
  beckenubersicht: 'pelvis',
  lws: 'lumbar spine',
  hws: 'cervical spine',
  bws: 'thoracic spine',
  lendenwirbelsaeule: 'lumbar spine',
  halswirbelsaeule: 'cervical spine',
  brustwirbelsaeule: 'thoracic spine',
  ubersicht: 'ap',
  rx: 'xray',
  schadel: 'skull',
  schaedel: 'skull',
  unterarm: 'forearm',
  oberarm: 'humerus',
  unterschenkel: 'lower leg',
  oberschenkel: 'femur',
  schlusselbein: 'clavicle',
  rippen: 'ribs',
  daumen: 'thumb',
  zehen: 'toes',
  zehe: 'toe',
  ferse: 'heel',
  fersenbein: 'calcaneus',
  kreuzbein: 'sacrum',
  steissbein: 'coccyx',
  nasennebenhohlen: 'sinuses',
  nasenbein: 'nasal bones',
  schulterblatt: 'scapula',
  kniescheibe: 'patella',
  kahnbein: 'scaphoid',
  unterkiefer: 'mandible',
  brustbein: 'sternum',
  abdomenubersicht: 'abdomen',
  seitlich: 'lateral',
  rechts: 'right',
  rechte: 'right',
  rechter: 'right',
  rechtes: 'right',
  links: 'left',
  linke: 'left',
  linker: 'left',
  linkes: 'left',
  beide: 'both',
  beider: 'both',
  beidseits: 'both',
  bds: 'both',
  ebenen: 'planes',
  ebene: 'planes',
  aufnahmen: 'views',
  stehend: 'standing',
  stehen: 'standing',
  liegend: 'supine',
  schrag: 'oblique',
  rontgen: 'xray',
  roentgen: 'xray',
};
const SPANISH = /\b(rodillas?|torax|radiografia|columna|derech[oa]|izquierd[oa]|proyecci|mano|tobillo|hombro|cadera)\b/;

const NUMBERS: Readonly<Record<string, string>> = {
  single: '1',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
};
/** Short forms, and words that are written in more than one way. */
const SAME: readonly (readonly [RegExp, string])[] = [
  [/(?<=\w)\(e?s\)/g, ''],
  [/\bw\/o\b/g, 'without'],
  [/\bw\/?(?=\s)/g, 'with'],
  [/(?<=\d)\+\s*(v|vws?|views?)\b/g, ' or more views'],
  [/(?<=\d)\+/g, ' or more '],
  [/&|\+/g, ' and '],
  [/\b([a-z])\.([a-z])\.([a-z])\b\.?/g, '$1$2$3'],
  [/\b(a|s)\.(c|i)\b\.?/g, '$1$2'],
  [/\ba\.?\s?p\.(?=\W|$)/g, 'ap'],
  [/\bp\.?\s?a\.(?=\W|$)/g, 'pa'],
  [/\bd\.?\s?p\.(?=\W|$)/g, 'pa'],
  [/\bb\/l\b/g, 'bilateral'],
  [/\b(u\/l|unilat)\b\.?/g, 'unilateral'],
  [/\bflex\s*(\/|-|and)?\s*ext\b/g, 'flexion extension'],
  [/\binc(l|luding)?\b\.?/g, 'with'],
  [/\bjts?\b/g, 'joints'],
  [/\b(\d)\s*(v|vw|vws|view)\b/g, '$1 views'],
  [/\b(ap)\s*[/-]\s*(lat\w*)/g, '$1 $2'],
  [/\b(pa)\s*[/-]\s*(lat\w*)/g, '$1 $2'],
  [/\bx[ -]?rays?\b|\bxr\b/g, 'xray'],
  [/\bswimmer[’']?s?\b/g, 'swimmers'],
  [/\btowne[’']?s?\b/g, 'towne'],
  [/\bwater[’']?s\b/g, 'waters'],
  [/\bfrog[ -]?legs?\b/g, 'frog'],
  [/\bcross[ -]?table\b|\bx[ -]?table\b|\bhorizontal beam\b/g, 'crosstable'],
  [/\b(non|not)[ -]?weight[ -]?bearing\b|\bnwb\b|\bnon[ -]standing\b/g, 'nonstanding'],
  [/\bweight[ -]?bearing\b|\bwt[ -]?bearing\b|\bwb\b|\bde pie\b/g, 'standing'],
  [/\b(semi[ -]?erect|semi[ -]?upright)\b/g, 'semierect'],
  [/\bc ?,? ?t ?,? ?(and )?l ?s?[ -]?spines?\b/g, 'cervical spine, thoracic spine and lumbar spine'],
  [/\bt ?(,|and) ?l ?s?[ -]?spines?\b/g, 'thoracic spine and lumbar spine'],
  [/\bc ?(,|and) ?t[ -]?spines?\b/g, 'cervical spine and thoracic spine'],
  [/\b([ctl])x[ -]?spine\b/g, '$1spine'],
  [/\bl\/?s[ -]?spine\b/g, 'lumbar spine'],
  [/\bd ?[/,-]? ?l[ -]?spine\b/g, 'thoracic spine and lumbar spine'],
  [/\b(airway|adenoids?) (lateral|ap) neck\b/g, '$1 $2'],
  // Regions cut short before the spine or alone.
  [/\bcerv\b\.?/g, 'cervical'],
  [/\b(thor|thorac)\b\.?(?= ?(spine|sp\b))/g, 'thoracic'],
  [/\blumb\b\.?/g, 'lumbar'],
  [/\b([ctld])[ -]?spine\b/g, '$1spine'],
  [/\bap pelvis\b/g, ', ap pelvis'],
  [/\bsoft tissues?\b/g, 'softtissue'],
  [/\btail ?bone\b/g, 'coccyx'],
  [/\boblique views\b/g, 'obliques'],
  [/\bopen[ -]mouth\b/g, 'openmouth'],
  [/\bshoot[ -]?through\b/g, 'crosstable'],
  [/\bkub\b/g, 'abdomen supine'],
  [/\baxr\b/g, 'abdomen'],
  [/\b(scap|scapular?)\.? y\b|\by[ -]?(view )?(of (the )?)?scapula\b/g, 'scapular y'],
  [/(?<=\w)wirbelsaule\b/g, 'wirbelsaeule'],
  // German joints: knee joint, hip joint.
  [/\b(knie|huft|schulter|ellenbogen)gelenk\b/g, '$1'],
  [/\bport\b/g, 'portable'],
];
const WORD: Readonly<Record<string, string>> = {
  cspine: 'cervical spine',
  tspine: 'thoracic spine',
  lspine: 'lumbar spine',
  dspine: 'thoracic spine',
  prox: 'proximal',
  dist: 'distal',
  lat: 'lateral',
  lats: 'laterals',
  obl: 'oblique',
  obls: 'obliques',
  decub: 'decubitus',
  decubs: 'decubitus',
  rt: 'right',
  lt: 'left',
  r: 'right',
  l: 'left',
  bilat: 'bilateral',
  bil: 'bilateral',
  int: 'internal',
  ext: 'external',
  rot: 'rotation',
  abd: 'abdomen',
  ft: 'foot',
  shldr: 'shoulder',
  clav: 'clavicle',
  scap: 'scapula',
  calc: 'calcaneus',
  fem: 'femur',
  fx: 'fracture',
  erect: 'upright',
  vw: 'views',
  film: 'views',
  films: 'views',
  esophagus: 'oesophagus',
  esophagram: 'oesophagram',
  compare: 'comparison',
  compared: 'comparison',
  vs: 'comparison',
  versus: 'comparison',
};

/** Steps from one word to another: a letter more, less, other, or two that changed places. */
function stepsBetween(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  const rows = [Array.from({ length: b.length + 1 }, (_, j) => j)];
  for (let i = 1; i <= a.length; i += 1) {
    rows[i] = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min(rows[i - 1]![j]! + 1, rows[i]![j - 1]! + 1, rows[i - 1]![j - 1]! + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, rows[i - 2]![j - 2]! + 1);
      rows[i]![j] = least;
    }
  }
  return rows[a.length]![b.length]!;
}

/** Orders say the same words again and again, and each is compared with every word that is known. */
const spelledBefore = new WeakMap<ReadonlySet<string>, Map<string, string>>();
const MOST_SPELLED = 5000;
function spelledOnce(word: string, known: ReadonlySet<string>): string {
  const before = spelledBefore.get(known) ?? new Map<string, string>();
  spelledBefore.set(known, before);
  const found = before.get(word);
  if (found !== undefined) return found;
  if (before.size >= MOST_SPELLED) before.clear();
  const now = spelled(word, known);
  before.set(word, now);
  return now;
}

/** The one word that a misspelt one is nearest to; itself where it is known, short, or near to several. */
function spelled(word: string, known: ReadonlySet<string>): string {
  if (word.length < 5 || known.has(word) || /\d/.test(word)) return word;
  const most = word.length < 7 ? 1 : 2;
  let [best, least, several] = [word, most + 1, false];
  for (const each of known) {
    if (each.length < 4 || each[0] !== word[0]) continue;
    // Of two that are as near, the one that begins alike for longer.
    const steps = stepsBetween(word, each, most);
    const far = steps > most ? most + 1 : steps - alike(word, each) / 100;
    if (far < least) [best, least, several] = [each, far, false];
    else if (far === least && least <= most) several = true;
  }
  return several ? word : best;
}

/** How many letters two words begin with alike. */
function alike(a: string, b: string): number {
  let i = 0;
  while (i < a.length && a[i] === b[i]) i += 1;
  return i;
}

/** "<4 views" */
const FEWER = /(?:<|\b(?:less|fewer) than) ?([2-9])\b/g;

/** Words that the reader writes together, as people write them. */
const WRITTEN: readonly (readonly [RegExp, string])[] = [
  [/\bcrosstable\b/g, 'cross-table'],
  [/\bsemierect\b/g, 'semi-erect'],
  [/\bsofttissue\b/g, 'soft tissue'],
  [/\bnonstanding\b/g, 'not standing'],
  [/\bxray\b/g, 'x-ray'],
];
/** @example asWritten('crosstable lateral') // 'cross-table lateral' */
export const asWritten = (words: string): string => WRITTEN.reduce((text, [from, to]) => text.replace(from, to), words);

/**
 * @param known words that are spelled right
 * @returns lower case words and separators, in plain English
 * @example plainOrder('Rodilla derecha AP y lateral', known) // 'knee right ap and lateral'
 */
export function plainOrder(text: string, known: ReadonlySet<string>): string {
  const folded = text.normalize('NFD').replace(/\p{M}/gu, '').replace(/ß/g, 'ss').toLowerCase();
  // "y" is "and" where the rest is Spanish, and a view of the shoulder where it is not.
  const spanish = SPANISH.test(folded) ? folded.replace(/\by\b/g, 'and').replace(/\bde pie\b/g, 'standing') : folded;
  const german = withoutAges(spanish.replace(/\bund\b/g, 'and')).replace(
    FEWER,
    (_, most) => `1 to ${Number(most) - 1}`,
  );
  const same = SAME.reduce((words, [from, to]) => words.replace(from, to), german);
  return same
    .replace(/[^\p{L}\p{N},;/ -]+/gu, ' ')
    .replace(/[;/]/g, ' , ')
    .replace(/,/g, ' , ')
    .replace(/(?<=\p{L})-(?=\p{L})|-(?=\s)/gu, ' ')
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => {
      const one = OTHER_LANGUAGES[word] ?? NUMBERS[word] ?? WORD[word] ?? word;
      return one === word ? spelledOnce(word, known) : one;
    })
    .join(' ');
}
