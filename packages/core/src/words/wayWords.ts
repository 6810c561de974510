/** What another way costs, keeps, and what the reader of its picture must know: one sentence a code. */
import { formatAngle } from '../quantity/angle';
import { formatLength } from '../quantity/length';
import type { Speech } from './fact';

/** What of the patient is moved to take a position. */
const MOVED = {
  front: 'Rolled prone',
  side: 'Rolled onto the side',
  kneel: 'Has to kneel',
  'sat-up-against-rest': 'Sat up against the back rest',
  'lie-down': 'Has to lie down',
  'sit-up': 'Has to sit up',
} as const;
export type Moved = keyof typeof MOVED;

/** What a side position itself does to lung or gas. */
const POSTURES = {
  'lung-beneath': 'The dependent lung is poorly aerated',
  'gas-by-stomach':
    'In right lateral decubitus free air hides beside the gastric gas; in left lateral decubitus it shows along the liver',
} as const;
export type Posture = keyof typeof POSTURES;

export const COST_WORDS = {
  'cost-other': ({ loses }: { loses: string }) => `Another projection in its place. Loses: ${loses}`,
  'cost-off': ({ deg }: { deg: number }) => `CR ${formatAngle(deg)} off the usual course through the part`,
  'cost-bend': ({ joint, deg }: { joint: string; deg: number }) =>
    `${joint} ${formatAngle(deg)} from the usual position`,
  'cost-distortion': ({ percent }: { percent: number }) => `Elongated by ${percent} % on the tilted receptor`,
  'cost-heart': ({ percent }: { percent: number }) => `Heart magnified ${percent} % more than in the usual projection`,
  'cost-size': ({ percent }: { percent: number }) => `Magnified ${percent} % more than usual`,
  'cost-blur': ({ mm }: { mm: number }) => `Edges ${mm.toFixed(1)} mm less sharp`,
  'cost-no-grid': () => 'No grid where one is wanted: scatter',
  'cost-grid-loss': ({ percent }: { percent: number }) => `Grid cuts off up to ${percent} % at the edge`,
  'cost-level': ({ sign }: { sign: string }) => `Does not show ${sign}: the beam is not horizontal`,
  'cost-wrong-side': ({ sign, down }: { sign: string; down: string }) =>
    `Does not show ${sign} where it is suspected: that needs the ${down} side down`,
  'cost-dose': ({ times }: { times: number }) => `${times.toFixed(1)} times the usual dose to the skin`,
  'cost-sid': ({ sidMm, neededMm }: { sidMm: number; neededMm: number }, { unit }: Speech) =>
    `SID ${formatLength(sidMm, unit)} of ${formatLength(neededMm, unit)}`,
  'cost-posture': ({ posture }: { posture: Posture }) => POSTURES[posture],
  'cost-turn': ({ moved }: { moved: Moved }) => MOVED[moved],
  'cost-posing': ({ hurt }: { hurt: boolean }) => (hurt ? 'The affected part is moved' : 'The part is posed'),
  'cost-slide': ({ under }: { under: 'board' | 'hurt' | 'patient' }) =>
    under === 'board'
      ? 'Receptor slid under the board'
      : under === 'hurt'
        ? 'Receptor slid under by several, the patient kept straight'
        : 'Receptor slid under the patient',
  'cost-stool': () => 'A padded stool is set under the leg',
  'cost-holders': ({ count }: { count: number }) => `${count} ${count === 1 ? 'person' : 'people'} to hold`,
  'cost-tilt': () => 'Tube and receptor to be aligned by hand',
  'cost-reversed': () => 'The CR runs the other way through the part',
  'cost-second': () => 'Two exposures',
} as const;

/** What a way keeps of the usual one. */
export const KEEP_WORDS = {
  /** @param offDeg 0 where the CR runs as usual */
  'keeps-course': ({ offDeg }: { offDeg: number }) =>
    offDeg === 0
      ? 'The usual course of the CR through the part'
      : `The usual course of the CR within ${formatAngle(offDeg)}`,
  'keeps-receptor-square': () => 'Receptor perpendicular to the CR',
  'keeps-level': () => 'Horizontal beam: air-fluid levels and free air show',
  'keeps-grid': ({ ratio }: { ratio: number }) => `Grid ${ratio}:1`,
  'keeps-size': () => 'The usual magnification',
  'keeps-unrolled': () => 'The patient is not rolled',
  'keeps-halves': ({ joint }: { joint: string }) => `Each half of the ${joint} perpendicular to its own CR`,
} as const;

/** What the reader of its picture must know, besides what it costs. */
export const TELL_WORDS = {
  'tell-marked': ({ signs }: { signs: readonly string[] }) => `Marked: ${signs.join(', ')}`,
  'tell-fluid': ({ side }: { side: string }) =>
    `Pleural fluid layers on the ${side} side, which is dependent: the suspect side down`,
  'tell-gas': () => 'Free air collects on the side up',
  'tell-no-levels': () => 'No air-fluid levels: the beam is not horizontal',
  'tell-halves': ({ joint }: { joint: string }) => `The ${joint} in two exposures: it does not extend`,
} as const;
