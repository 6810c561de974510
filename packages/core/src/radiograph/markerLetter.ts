/** Lead letters in five by seven cells, as they lie on the receptor; seen from the tube they read right. */
const LETTERS: Record<'R' | 'L', readonly string[]> = {
  R: ['####.', '#...#', '#...#', '####.', '#.#..', '#..#.', '#...#'],
  L: ['#....', '#....', '#....', '#....', '#....', '#....', '#####'],
};
/** Height of a letter [typical: 12 mm]. */
const HEIGHT_MM = 12;
/** Of the signal under lead. */
const PASSES = 0.02;

/**
 * Puts the letter into a picture in place.
 * @param at middle of the letter, column and row; @param mirrored where the picture will be hung the other way round
 */
export function drawLetter(
  signal: Float32Array,
  columns: number,
  rows: number,
  pixelMm: number,
  letter: 'R' | 'L',
  [column, row]: readonly [number, number],
  mirrored: boolean,
): void {
  const cell = HEIGHT_MM / 7 / pixelMm;
  const [w, h] = [5 * cell, 7 * cell];
  for (let y = Math.max(0, Math.ceil(row - h / 2)); y < Math.min(rows, row + h / 2); y += 1)
    for (let x = Math.max(0, Math.ceil(column - w / 2)); x < Math.min(columns, column + w / 2); x += 1) {
      const i = Math.min(4, Math.floor((x - column + w / 2) / cell));
      const j = Math.min(6, Math.floor((y - row + h / 2) / cell));
      if (LETTERS[letter][j][mirrored ? 4 - i : i] === '#') signal[y * columns + x] *= PASSES;
    }
}
