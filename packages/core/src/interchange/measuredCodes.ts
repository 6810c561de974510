/** Codes by which height, mass and pregnancy are told in messages, and the units that they may come in. Source: LOINC, UCUM. */
import { centimetres } from '../quantity/length';

export const HEIGHT = '8302-2';
export const WEIGHT = '29463-7';
/** Source: LOINC 82810-3, pregnancy status; answers LA15173-0 and LA26683-5, SNOMED CT 77386006 and 60001007. */
export const PREGNANCY = '82810-3';
export const PREGNANCY_ANSWERS: Readonly<Record<string, 'possible' | 'no'>> = {
  'LA15173-0': 'possible',
  '77386006': 'possible',
  'LA26683-5': 'no',
  '60001007': 'no',
};
export const LENGTH_TO_MM: Record<string, number> = { cm: centimetres(1), m: centimetres(100), mm: 1 };
export const MASS_TO_KG: Record<string, number> = { kg: 1, g: 0.001 };
