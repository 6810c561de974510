/** Where the CR enters or exits, and how far from what is palpated: in the directions of the body, never of the room. */
import { lengthPair, type LengthUnit } from '../quantity/length';
import { capitalize } from '../quantity/text';
import type { Speech, Values } from './fact';

/** A direction from a landmark, as it is called at that part of the body. */
export const DIRECTIONS = {
  superior: 'superior',
  inferior: 'inferior',
  anterior: 'anterior',
  posterior: 'posterior',
  medial: 'medial',
  lateral: 'lateral',
  proximal: 'proximal',
  distal: 'distal',
  palmar: 'palmar',
  dorsal: 'dorsal',
  plantar: 'plantar',
  left: 'to the patient’s left',
  right: 'to the patient’s right',
} as const;
export type Direction = keyof typeof DIRECTIONS;
/** How far from a landmark, and which way. */
export type Bearing = { toward: Direction; mm: number };

/** "superior to", "to the patient’s left of". */
const leadsTo = (toward: Direction): string =>
  `${DIRECTIONS[toward]} ${toward === 'left' || toward === 'right' ? 'of' : 'to'}`;

/** Without the first length, which a readout shows large: "superior and ½ in (1.3 cm) anterior to the EAM". */
export const relationWords = (bearings: readonly Bearing[], name: string, unit: LengthUnit): string =>
  bearings
    .map(({ toward, mm }, i) => {
      const direction = i === bearings.length - 1 ? leadsTo(toward) : DIRECTIONS[toward];
      return i === 0 ? direction : `${lengthPair(mm, unit)} ${direction}`;
    })
    .join(' and ') + ` ${name}`;

/** @example bearingWords([{ toward: 'distal', mm: 13 }], 'the apex of the patella', 'in') // "½ in (1.3 cm) distal to the apex of the patella" */
export const bearingWords = (bearings: readonly Bearing[], name: string, unit: LengthUnit): string => {
  const [first] = bearings;
  return first ? `${lengthPair(first.mm, unit)} ${relationWords(bearings, name, unit)}` : `level with ${name}`;
};

type From = { toward: readonly string[]; mm: readonly number[]; name: string };
const bearingsOf = ({ toward, mm }: Pick<From, 'toward' | 'mm'>): Bearing[] =>
  toward.map((each, i) => ({ toward: each as Direction, mm: mm[i] ?? 0 }));

export const CENTRE_WORDS = {
  'centre-through': ({ line }: { line: string }) => `CR through: ${line}`,
  'centre-at': ({ exits, name, line }: { exits: boolean; name: string | null; line: string }) =>
    `CR ${exits ? 'exits' : 'enters'}${name === null ? `: ${line}` : name === `the ${line}` ? ` at ${name}` : ` at ${name}, ${line}`}`,
  'centre-from': ({ exits, line, ...from }: From & { exits: boolean; line: string }, { unit }: Speech) =>
    `CR ${exits ? 'exits' : 'enters'} ${bearingWords(bearingsOf(from), from.name, unit)}, ${line}`,
  /** A lateral of the trunk: its level, and how far behind the midcoronal plane (in front below 0). */
  'centre-level': ({ behindMm, ...from }: From & { behindMm: number }, { unit }: Speech) => {
    const bearings = bearingsOf(from);
    const level = bearings.length === 0 ? `level of ${from.name}` : bearingWords(bearings, from.name, unit);
    return `${capitalize(level)}, ${planeWords(behindMm, unit)}`;
  },
  'touch-from': (from: From, { unit }: Speech) => bearingWords(bearingsOf(from), from.name, unit),
  /** An aim of one's own: from the usual one so far on. @param usual code of the usual one, whose values stand beside it */
  'centre-own': ({ usual, ownToward, ownMm, ...values }: Values, speech: Speech): string => {
    const way = bearingsOf({ toward: ownToward as readonly string[], mm: ownMm as readonly number[] });
    return `${centreSaid({ ...values, centre: usual as CentreCode }, speech)}; from there ${wayWords(way, speech.unit)}: your own centring`;
  },
} as const;

/** @example wayWords([{ toward: 'superior', mm: 25 }], 'in') // "1 in (2.5 cm) superior" */
const wayWords = (bearings: readonly Bearing[], unit: LengthUnit): string =>
  bearings.map(({ toward, mm }) => `${lengthPair(mm, unit)} ${DIRECTIONS[toward]}`).join(' and ');

export type CentreCode = Exclude<keyof typeof CENTRE_WORDS, 'touch-from'>;
/** A fact of the centring within another fact: its code stands among the values. */
export type CentreFact = { centre: CentreCode } & Values;
export const centreSaid = ({ centre, ...values }: CentreFact, speech: Speech): string =>
  (CENTRE_WORDS[centre] as (values: Values, speech: Speech) => string)(values, speech);

/** Several landmarks with the way from each, in flat lists: of each landmark so many ways as is counted. */
export type TouchFacts = {
  names: readonly string[];
  counts: readonly number[];
  toward: readonly string[];
  mm: readonly number[];
};
export const touchSaid = ({ names, counts, toward, mm }: TouchFacts, speech: Speech): string => {
  let from = 0;
  return names
    .map((name, i) => {
      const to = from + (counts[i] ?? 0);
      const own = { name, toward: toward.slice(from, to), mm: mm.slice(from, to) };
      from = to;
      return CENTRE_WORDS['touch-from'](own, speech);
    })
    .join('; ');
};

const planeWords = (behindMm: number, unit: LengthUnit): string =>
  behindMm === 0
    ? 'on the midcoronal plane'
    : `${lengthPair(Math.abs(behindMm), unit)} ${behindMm > 0 ? 'posterior to' : 'anterior to'} the midcoronal plane`;
