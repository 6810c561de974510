/** What is said of how a picture was taken: the criteria besides how the part lay, and what puts each right. */
import { significant } from '../quantity/significant';

export const TAKEN_NAMES = {
  diaphragm: 'Posterior ribs above the diaphragm',
  motion: 'No motion: outlines sharp',
  gridCentre: 'Grid cut-off at the centre',
  gridEdge: 'Grid cut-off at the edge',
  exposure: 'Receptor exposure',
} as const;

/** @param letters of the sides, "R and L" */
export const markerName = (letters: string): string => `Marker: ${letters}`;
export const markerSaid = (asked: string, laid: string): string =>
  asked === laid ? `${laid}, as it should be` : `${laid}, should be ${asked}`;

export const TAKEN_REMEDIES = {
  breath: ({ moment, words }: { moment: string; words: string }) => `Expose at ${moment}: ${words}`,
  motion: ({ motionMm, timeMs }: { motionMm: number; timeMs: number }) =>
    `Outlines are ${Number(motionMm.toFixed(1))} mm wide: immobilize, and expose shorter than ${timeMs} ms`,
  marker: ({ asked }: { asked: string }) =>
    `Lay ${asked}; a wrong letter on a picture that is kept is corrected by the department’s rule, never in silence`,
  /** @param action what follows from the band in which the deviation lies */
  exposure: ({
    index,
    targetIndex,
    mAs,
    rightMas,
    action,
  }: Record<'index' | 'targetIndex' | 'mAs' | 'rightMas', number> & { action: string }) =>
    `Index ${Math.round(index)} instead of ${targetIndex}: ${significant(rightMas, 2)} mAs instead of ${mAs}. ${action}`,
} as const;
