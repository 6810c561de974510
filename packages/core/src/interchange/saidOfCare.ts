/** What the words of an order say that those near the patient must know: isolation, allergy, falls, what is implanted. */
import { lately } from '../quantity/lately';
import type { Unusual } from '../words/unusualWords';
import { stands } from './saidOfPatient';

type Said = readonly [written: RegExp, unusual: Unusual];

const isolation = (kind: '' | 'contact' | 'droplet' | 'airborne'): Unusual => ({ code: 'isolation', values: { kind } });
const allergy = (to: 'contrast' | 'latex' | 'iodine' | 'tape'): Unusual => ({ code: 'allergy', values: { to } });
const implant = (item: string): Unusual => ({ code: 'implant', values: { item } });
const allergic = (to: string): RegExp =>
  new RegExp(`\\b${to} (allerg(y|ies)|reaction)\\b|\\b(allerg(ic|y)|react(s|ed|ion)) to (iv )?${to}\\b`, 'g');

const SAID: readonly Said[] = [
  [/\bairborne\b|\b(tb|tuberculosis|measles|varicella|chicken ?pox)\b/g, isolation('airborne')],
  [/\bdroplet\b|\b(influenza|flu|covid(-?19)?|rsv|pertussis)\b/g, isolation('droplet')],
  [/\bcontact (isolation|precautions?)\b|\b(mrsa|vre|esbl|c\.? ?diff(icile)?|norovirus)\b/g, isolation('contact')],
  [allergic('contrast( media| dye)?'), allergy('contrast')],
  [allergic('iodine'), allergy('iodine')],
  [allergic('latex'), allergy('latex')],
  [allergic('(adhesive )?tape'), allergy('tape')],
  [/\bfalls? risk\b|\bhigh risk (of|for) falls?\b|\bfall precautions?\b/g, { code: 'fall-risk', values: {} }],
  [/\b(pacemaker|ppm)\b/g, implant('pacemaker')],
  [/\bicd\b(?![ -]*(9|10|11|code|:))|\bimplanted defibrillator\b/g, implant('defibrillator')],
  [/\bcochlear implants?\b/g, implant('cochlear implant')],
];
const ANY_ISOLATION = /\b(in )?isolation\b|\bisolation (room|precautions?)\b/g;

/**
 * @param words what is ordered and why
 * @returns each once; isolation without its kind where none is named, never where it is denied
 * @example saidOfCare('Chest; MRSA, allergic to contrast') // contact isolation, contrast allergy
 */
export const saidOfCare = (words: string): readonly Unusual[] => known(words, () => read(words.toLowerCase()));

/** The orders of a day are listed again and again. */
const MOST_KEPT = 2000;
const known = lately<readonly Unusual[]>(MOST_KEPT);

function read(text: string): Unusual[] {
  const found = SAID.filter(([written]) => stands(text, written)).map(([, said]) => said);
  const named = found.some(({ code }) => code === 'isolation');
  return !named && stands(text, ANY_ISOLATION) ? [isolation(''), ...found] : found;
}
