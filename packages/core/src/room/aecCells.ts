/** Measuring cells of an automatic exposure control, in the plane of the receptor. */
import { z } from 'zod';

const from = (low: number, high: number, name: string) => {
  const error = `${name} of a cell must be ${low} to ${high} mm`;
  return z.number({ error }).min(low, { error }).max(high, { error });
};

export const aecCellSchema = z.strictObject({
  /** Outer cells lie to both sides; both count as one choice, or one alone. */
  kind: z.enum(['centre', 'outer']),
  /** Middle of the cell from the middle of the receptor: across it, and up it (to the head). */
  acrossMm: from(-250, 250, 'Place'),
  upMm: from(-250, 250, 'Place'),
  widthMm: from(5, 200, 'Width'),
  heightMm: from(5, 200, 'Height'),
});
export type AecCell = z.infer<typeof aecCellSchema>;

/** Cells that a choice switches on. */
export const cellsOf = (cells: readonly AecCell[] | undefined, aec: 'none' | 'centre' | 'outer' | 'all'): AecCell[] =>
  aec === 'none' ? [] : (cells ?? USUAL_CELLS).filter(({ kind }) => aec === 'all' || kind === aec);

/** Corners of a cell in the plane of the receptor: across it and up it, mm from its middle, in order round. */
export const cellCorners = ({ acrossMm, upMm, widthMm, heightMm }: AecCell): [number, number][] =>
  [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([i, j]) => [acrossMm + (i * widthMm) / 2, upMm + (j * heightMm) / 2]);

/** Two outer cells above the middle and one below it [typical; layouts differ between rooms]. */
const USUAL_CELLS: readonly AecCell[] = [
  { kind: 'outer', acrossMm: -85, upMm: 55, widthMm: 42, heightMm: 62 },
  { kind: 'outer', acrossMm: 85, upMm: 55, widthMm: 42, heightMm: 62 },
  { kind: 'centre', acrossMm: 0, upMm: -20, widthMm: 42, heightMm: 62 },
];
