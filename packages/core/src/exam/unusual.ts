/** What is unusual about a patient, as facts for a list; none for the usual adult. */
import { z } from 'zod';
import { ADULT_AGE_YEARS } from '../body/anthropometry';
import type { PatientInput } from '../body/patient';
import { toCentimetres } from '../quantity/length';
import { situationFor, type Situation } from '../setup/request';
import { valuesSchema } from '../setup/setupSchema';
import type { Values } from '../words/fact';
import { UNUSUAL_WORDS, type Unusual, type UnusualCode } from '../words/unusualWords';

const CODES = Object.keys(UNUSUAL_WORDS) as [UnusualCode, ...UnusualCode[]];
export const unusualSchema: z.ZodType<Unusual> = z.strictObject({ code: z.enum(CODES), values: valuesSchema });

/** Beyond these an adult does not fit the routine of receptor and technique [typical]. */
const HEAVY_KG = 120;
const SLIGHT_KG = 45;
const TALL_MM = 1950;
const SHORT_MM = 1450;

/** What endangers first, then who it is, then what hinders. */
export function unusualOf(patient: PatientInput, known: Partial<Situation>): Unusual[] {
  const situation = situationFor(patient.ageYears, known);
  const { canTurn, proppedDeg } = situation;
  const list: Unusual[] = [];
  const tell = (code: UnusualCode, values: Values = {}): void => void list.push({ code, values });
  if (situation.spineNotCleared) tell('uncleared-spine');
  if (situation.fractureSuspected) tell('suspected-fracture');
  if (situation.pregnancy === 'possible') tell('possible-pregnancy');
  list.push(...sizeOf(patient));
  if (known.canStand === false) tell('stands-not');
  if (known.canSit === false) tell('sits-not');
  if (canTurn === 'none') tell('turns-not');
  else if (canTurn !== 'both') tell('turns-to', { side: canTurn });
  if (!situation.canLieFlat) tell('lies-flat-not');
  if (proppedDeg > 0) tell('propped', { deg: proppedDeg });
  for (const finding of situation.suspected) tell('asked', { finding });
  for (const part of situation.keepStill) tell('part-kept', { part });
  for (const item of situation.worn) tell('worn', { item });
  return list;
}

function sizeOf({ ageYears, massKg, statureMm }: PatientInput): Unusual[] {
  if (ageYears !== undefined && ageYears < 2)
    return [{ code: 'infant', values: { months: Math.max(1, Math.round(ageYears * 12)) } }];
  if (ageYears !== undefined && ageYears < ADULT_AGE_YEARS)
    return [{ code: 'child', values: { years: Math.floor(ageYears) } }];
  const list: Unusual[] = [];
  if (massKg !== undefined && (massKg >= HEAVY_KG || massKg <= SLIGHT_KG))
    list.push({ code: 'mass', values: { kg: Math.round(massKg) } });
  if (statureMm !== undefined && (statureMm >= TALL_MM || statureMm <= SHORT_MM))
    list.push({ code: 'stature', values: { cm: Math.round(toCentimetres(statureMm)) } });
  return list;
}
