/** What is unusual about a patient or an order, in a few words for a list. */
import type { Fact } from './fact';

export const UNUSUAL_WORDS = {
  // What the orderer did with an order that was known here already.
  'order-called-off': () => 'called off by the orderer: stop and ask',
  'order-on-hold': () => 'on hold: ask the orderer',
  'order-corrected': () => 'corrected by the orderer: read the order again',
  'order-merged': () => 'two numbers were found to be of one patient: check who it is',
  // What endangers.
  'uncleared-spine': () => 'spine not cleared',
  'suspected-fracture': () => 'fracture suspected',
  'possible-pregnancy': () => 'pregnancy possible',
  // What those near the patient must know.
  isolation: ({ kind }: { kind: '' | 'contact' | 'droplet' | 'airborne' }) =>
    kind ? `${kind} isolation` : 'isolation',
  allergy: ({ to }: { to: 'contrast' | 'latex' | 'iodine' | 'tape' }) => `${to} allergy`,
  'fall-risk': () => 'falls easily: not left alone',
  implant: ({ item }: { item: string }) => item,
  // Who it is.
  infant: ({ months }: { months: number }) => `infant, ${months} ${months === 1 ? 'month' : 'months'}`,
  child: ({ years }: { years: number }) => `child, ${years} ${years === 1 ? 'year' : 'years'}`,
  mass: ({ kg }: { kg: number }) => `${kg} kg`,
  stature: ({ cm }: { cm: number }) => `${cm} cm tall`,
  // What hinders.
  'stands-not': () => 'cannot stand',
  'sits-not': () => 'cannot sit',
  'turns-not': () => 'cannot turn',
  'turns-to': ({ side }: { side: 'left' | 'right' }) => `turns ${side} only`,
  'lies-flat-not': () => 'cannot lie flat',
  propped: ({ deg }: { deg: number }) => `propped at ${deg}°`,
  asked: ({ finding }: { finding: string }) => `${finding}?`,
  'part-kept': ({ part }: { part: string }) => `${part} not to be moved`,
  worn: ({ item }: { item: string }) => item,
} as const;
export type UnusualCode = keyof typeof UNUSUAL_WORDS;
export type Unusual = Fact & { code: UnusualCode };
/** What stops the hand before it begins; the rest only tells. */
const WARNS: ReadonlySet<UnusualCode> = new Set([
  'order-called-off',
  'order-on-hold',
  'order-corrected',
  'order-merged',
  'uncleared-spine',
  'suspected-fracture',
  'possible-pregnancy',
  'isolation',
  'allergy',
]);

export const warns = ({ code }: Unusual): boolean => WARNS.has(code);

/** @example unusualWords({ code: 'mass', values: { kg: 148 } }) // '148 kg' */
export const unusualWords = ({ code, values }: Unusual): string =>
  (UNUSUAL_WORDS[code] as (values: Fact['values']) => string)(values);
