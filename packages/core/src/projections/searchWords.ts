/** Words of orders, and what they are called in the catalogue. */

/** Words that tell views of one part apart: they are never guessed at from a few letters. */
export const VIEW_WORDS: ReadonlySet<string> = new Set([
  'ap',
  'pa',
  'lateral',
  'oblique',
  'axial',
  'tangential',
  'decubitus',
  'upright',
  'supine',
  'prone',
  'standing',
  'inlet',
  'outlet',
  'stress',
  'flexion',
  'extension',
  'mortise',
  'frog',
  'axillary',
  'scout',
  'rao',
  'lao',
  'rpo',
  'lpo',
]);

/** Said in orders, and adding nothing. */
const EMPTY = new Set([
  'xray',
  'x',
  'ray',
  'rays',
  'view',
  'views',
  'film',
  'films',
  'the',
  'of',
  'a',
  'for',
  'with',
  'to',
  'please',
  'r',
  'l',
  'rt',
  'lt',
  'right',
  'left',
  'image',
  'radiograph',
]);

/** One word for another; several words where one stands for more. */
const SAME: Readonly<Record<string, string>> = {
  lat: 'lateral',
  laterals: 'lateral',
  side: 'lateral',
  obl: 'oblique',
  obliques: 'oblique',
  decub: 'decubitus',
  portable: 'mobile',
  erect: 'upright',
  weightbearing: 'weight bearing',
  wb: 'weight bearing',
  cspine: 'cervical spine',
  tspine: 'thoracic spine',
  lspine: 'lumbar spine',
  lsspine: 'lumbar spine',
  dorsal: 'thoracic',
  sacral: 'sacrum',
  coccygeal: 'coccyx',
  tibfib: 'tib fib',
  sinusses: 'sinuses',
  sinus: 'sinuses',
  esophagus: 'oesophagus',
  esophageal: 'oesophagus',
  orbital: 'orbits',
  nasal: 'nasal',
  facial: 'face',
  cranial: 'skull',
  cranium: 'skull',
  patellar: 'patella',
  kneecap: 'patella',
  femoral: 'femur',
  tibial: 'tibia',
  fibular: 'fibula',
  humeral: 'humerus',
  clavicular: 'clavicle',
  scapular: 'scapula',
  pelvic: 'pelvis',
  fingers: 'finger',
  digits: 'digit',
  toe: 'toes',
  rib: 'ribs',
  hips: 'hip',
  knees: 'knee',
  hands: 'hand',
  ankles: 'ankle',
  elbows: 'elbow',
  dislocated: 'dislocation',
  broken: 'fracture',
  fx: 'fracture',
  odontoid: 'dens',
  axilla: 'axillary',
  standing: 'standing',
  tiptoes: 'toes',
  anteroposterior: 'ap',
  posteroanterior: 'pa',
  mediolateral: 'lateral',
  lateromedial: 'lateral',
  calcaneal: 'calcaneus',
  oscalcis: 'calcaneus',
};

/** Two words that are one. */
const JOINED: readonly (readonly [RegExp, string])[] = [
  [/\bc[\s-]?spine\b/g, 'cspine'],
  [/\bt[\s-]?spine\b/g, 'tspine'],
  [/\bl[\s-]?s?[\s-]?spine\b/g, 'lspine'],
  [/\bx[\s-]?rays?\b/g, ' '],
  [/\bos calcis\b/g, 'calcaneus'],
  [/\bknee cap\b/g, 'patella'],
  [/\bweight[\s-]bearing\b/g, 'weight bearing'],
  [/\bwaters\b/g, 'water'],
  [/\bswimmers\b/g, 'swimmer'],
];

/** Lower case, without accents, apostrophes and empty words; other words for the same made one. */
export function normalWords(text: string): string[] {
  let plain = text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/['’]s?\b/g, '')
    .replace(/[^\p{L}\p{N}½¼¾\s-]+/gu, ' ');
  for (const [from, to] of JOINED) plain = plain.replace(from, to);
  return plain
    .split(/[\s-]+/)
    .filter((word) => word !== '' && !EMPTY.has(word))
    .flatMap((word) => (SAME[word] ?? word).split(' '));
}
