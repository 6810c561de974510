/** What is unusual about a patient, in a few words for a list; empty for the usual adult. */
import { ADULT_AGE_YEARS } from '../body/anthropometry';
import type { PatientInput } from '../body/patient';
import { toCentimetres } from '../quantity/length';
import { situationFor, type Situation } from '../setup/request';

/** Beyond these an adult does not fit the routine of receptor and technique [typical]. */
const HEAVY_KG = 120;
const LIGHT_KG = 45;
const TALL_MM = 1950;
const SHORT_MM = 1450;

export function unusualOf(patient: PatientInput, known: Partial<Situation>): string[] {
  const { ageYears, massKg, statureMm } = patient;
  const situation = situationFor(ageYears, known);
  const list: string[] = [];
  if (situation.spineNotCleared) list.push('spine not cleared');
  if (situation.fractureSuspected) list.push('fracture suspected');
  if (situation.pregnancy === 'possible') list.push('pregnancy possible');
  if (ageYears !== undefined && ageYears < 2) list.push(`infant, ${monthsText(ageYears)}`);
  else if (ageYears !== undefined && ageYears < ADULT_AGE_YEARS) list.push(`child, ${Math.floor(ageYears)} years`);
  else {
    if (massKg !== undefined && (massKg >= HEAVY_KG || massKg <= LIGHT_KG)) list.push(`${Math.round(massKg)} kg`);
    if (statureMm !== undefined && (statureMm >= TALL_MM || statureMm <= SHORT_MM))
      list.push(`${Math.round(toCentimetres(statureMm))} cm tall`);
  }
  if (known.canStand === false) list.push('cannot stand');
  if (known.canSit === false) list.push('cannot sit');
  if (situation.canTurn === 'none') list.push('cannot turn');
  else if (situation.canTurn !== 'both') list.push(`turns ${situation.canTurn} only`);
  if (!situation.canLieFlat) list.push('cannot lie flat');
  if (situation.proppedDeg > 0) list.push(`propped at ${situation.proppedDeg}°`);
  for (const each of situation.suspected) list.push(`${each}?`);
  for (const part of situation.keepStill) list.push(`${part} not to be moved`);
  for (const each of situation.worn) list.push(each);
  return list;
}

function monthsText(ageYears: number): string {
  const months = Math.max(1, Math.round(ageYears * 12));
  return months === 1 ? '1 month' : `${months} months`;
}
