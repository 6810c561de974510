/** What another way costs, keeps, and what the reader of its picture must know: one sentence a code. */
import { formatAngle } from '../quantity/angle';
import { formatLength } from '../quantity/length';
import type { Speech } from './fact';

/** What of the patient is moved to take a position. */
const MOVED = {
  front: 'Turned onto the front',
  side: 'Turned onto the side',
  kneel: 'Has to kneel',
  'sat-up-against-rest': 'Sat up against the back rest',
  'lie-down': 'Has to lie down',
  'sit-up': 'Has to sit up',
} as const;
export type Moved = keyof typeof MOVED;

/** What a side position itself does to lung or gas. */
const POSTURES = {
  'lung-beneath': 'The lung beneath is hardly aired',
  'gas-by-stomach': 'On the right side gas hides beside the stomach; on the left it shows over the liver',
} as const;
export type Posture = keyof typeof POSTURES;

export const COST_WORDS = {
  'cost-other': ({ loses }: { loses: string }) => `Another projection in its place. Loses: ${loses}`,
  'cost-off': ({ deg }: { deg: number }) => `Ray ${formatAngle(deg)} off the wanted way through the part`,
  'cost-bend': ({ joint, deg }: { joint: string; deg: number }) => `${joint} ${formatAngle(deg)} from the usual pose`,
  'cost-distortion': ({ percent }: { percent: number }) => `Drawn ${percent} % longer on the slanted receptor`,
  'cost-heart': ({ percent }: { percent: number }) => `Heart drawn ${percent} % larger than in the usual picture`,
  'cost-size': ({ percent }: { percent: number }) => `Everything ${percent} % larger than usual`,
  'cost-blur': ({ mm }: { mm: number }) => `Edges ${mm.toFixed(1)} mm less sharp`,
  'cost-no-grid': () => 'No grid where one is wanted: scatter',
  'cost-grid-loss': ({ percent }: { percent: number }) => `Grid cuts off up to ${percent} % at the edge`,
  'cost-level': ({ sign }: { sign: string }) => `Does not show ${sign}: the ray is not level`,
  'cost-dose': ({ times }: { times: number }) => `${times.toFixed(1)} times the usual dose to the skin`,
  'cost-sid': ({ sidMm, wantedMm }: { sidMm: number; wantedMm: number }, { unit }: Speech) =>
    `SID ${formatLength(sidMm, unit)} of ${formatLength(wantedMm, unit)}`,
  'cost-posture': ({ posture }: { posture: Posture }) => POSTURES[posture],
  'cost-turn': ({ moved }: { moved: Moved }) => MOVED[moved],
  'cost-posing': ({ hurt }: { hurt: boolean }) => (hurt ? 'The hurt part is moved' : 'The part is posed'),
  'cost-slide': ({ under }: { under: 'board' | 'hurt' | 'patient' }) =>
    under === 'board'
      ? 'Receptor slid under the board'
      : under === 'hurt'
        ? 'Receptor slid under by several, the patient kept straight'
        : 'Receptor slid under the patient',
  'cost-holders': ({ count }: { count: number }) => `${count} ${count === 1 ? 'person' : 'people'} to hold`,
  'cost-tilt': () => 'Tube and receptor to be lined up by hand',
  'cost-reversed': () => 'The ray runs the other way through the part',
  'cost-second': () => 'Two exposures',
} as const;
