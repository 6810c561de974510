/** What is said of how a picture was taken: the criteria besides how the part lay, and what puts each right. */
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
  exposure: ({ index, targetIndex, mAs, rightMas }: Record<'index' | 'targetIndex' | 'mAs' | 'rightMas', number>) =>
    `Index ${Math.round(index)} instead of ${targetIndex}: ${rightMas} mAs instead of ${mAs}${
      index > targetIndex ? '; too much is no reason to repeat' : ', where noise hides what must be seen'
    }`,
} as const;
