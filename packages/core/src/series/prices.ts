/**
 * What a change costs, in points of work: the department's own estimate, for comparing orders of a series. The
 * defaults are typical and not measured: a quarter turn of the patient is dear, an angle of the tube cheap.
 */
import { z } from 'zod';

const points = z
  .number({ error: 'A price must be 0 to 500 points' })
  .min(0, { error: 'A price must be 0 to 500 points' })
  .max(500, { error: 'A price must be 0 to 500 points' });

export const PRICES = {
  turn: { title: 'Each turn of the patient, however small', default: 5 },
  quarterTurn: { title: 'For each quarter that the patient turns', default: 20 },
  transfer: { title: 'Patient stands up, sits or lies down', default: 45 },
  limb: { title: 'Part positioned anew, the patient stays', default: 8 },
  otherLimb: { title: 'To the other limb', default: 6 },
  holder: { title: 'Receptor to another holder', default: 10 },
  plate: { title: 'Another receptor, or its orientation', default: 5 },
  beam: { title: 'Tube to a horizontal or vertical beam', default: 12 },
  sid: { title: 'Another SID', default: 6 },
  angle: { title: 'Angle on, off or other', default: 4 },
  grid: { title: 'Grid on or off', default: 4 },
  aim: { title: 'Another centring', default: 2 },
} as const;
export type PriceId = keyof typeof PRICES;
export const PRICE_IDS = Object.keys(PRICES) as [PriceId, ...PriceId[]];

export const pricesSchema = z
  .strictObject(Object.fromEntries(PRICE_IDS.map((id) => [id, points])) as Record<PriceId, typeof points>)
  .partial();
export type Prices = Record<PriceId, number>;

export const defaultPrices: Prices = Object.fromEntries(PRICE_IDS.map((id) => [id, PRICES[id].default])) as Prices;

/** Moves of a hurt patient count this many times: they cost pain, not only work. */
export const PAIN = 3;
