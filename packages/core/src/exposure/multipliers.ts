/**
 * What lies round the part or has changed it, as factors on the mAs. Teaching figures, not measurements; a department's
 * own chart comes first. Confidence: casts ±20 %, conditions unsure.
 */

export type Multiplier = { name: string; factor: number; range: readonly [number, number] };

/** Casts and boards. Source: textbook ranges; the middle is taken. */
export const CASTS = {
  none: { name: 'no cast', factor: 1, range: [1, 1] },
  fibreglass: { name: 'fibreglass cast', factor: 1.15, range: [1, 1.25] },
  'dry plaster': { name: 'dry plaster cast', factor: 2, range: [1.7, 2.3] },
  'wet plaster': { name: 'wet or large plaster cast', factor: 3, range: [2.5, 3.5] },
  'air splint': { name: 'air splint', factor: 1, range: [1, 1.05] },
} as const satisfies Record<string, Multiplier>;
export type Cast = keyof typeof CASTS;
export const CAST_IDS = Object.keys(CASTS) as [Cast, ...Cast[]];

/** A spine board under the patient. Source: textbook, 1.05 to 1.25. */
export const BOARD: Multiplier = { name: 'spine board', factor: 1.15, range: [1.05, 1.25] };

/** Conditions that make the part denser (above 1) or less dense (below 1). Source: teaching figures. */
export const CONDITIONS = {
  none: { name: 'nothing that changes the exposure', factor: 1, range: [1, 1] },
  ascites: { name: 'ascites', factor: 1.6, range: [1.5, 1.75] },
  'pleural effusion': { name: 'pleural effusion', factor: 1.35, range: [1.25, 1.5] },
  'pulmonary oedema': { name: 'pulmonary oedema', factor: 1.5, range: [1.3, 1.7] },
  pneumonia: { name: 'pneumonia', factor: 1.5, range: [1.3, 1.7] },
  'dense bone': { name: 'dense bone (sclerotic)', factor: 1.5, range: [1.3, 1.75] },
  'swollen soft tissue': { name: 'swollen soft tissue', factor: 1.35, range: [1.25, 1.5] },
  emphysema: { name: 'emphysema', factor: 0.6, range: [0.5, 0.65] },
  pneumothorax: { name: 'pneumothorax', factor: 0.65, range: [0.55, 0.75] },
  'bowel obstruction': { name: 'bowel full of gas', factor: 0.65, range: [0.55, 0.75] },
  'thin bone': { name: 'thin bone (porotic, lytic)', factor: 0.65, range: [0.5, 0.75] },
  wasting: { name: 'wasting', factor: 0.65, range: [0.5, 0.75] },
} as const satisfies Record<string, Multiplier>;
export type Condition = keyof typeof CONDITIONS;
export const CONDITION_IDS = Object.keys(CONDITIONS) as [Condition, ...Condition[]];
