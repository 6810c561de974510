/** What stands on every simulated picture and cannot be taken off it: burnt into the grey values. */
export const CAPTION = 'SIMULATED, NOT A PATIENT';

/** Five by seven cells a letter; only those of the caption. */
const GLYPHS: Readonly<Record<string, readonly string[]>> = {
  S: ['.####', '#....', '#....', '.###.', '....#', '....#', '####.'],
  I: ['###', '.#.', '.#.', '.#.', '.#.', '.#.', '###'],
  M: ['#...#', '##.##', '#.#.#', '#.#.#', '#...#', '#...#', '#...#'],
  U: ['#...#', '#...#', '#...#', '#...#', '#...#', '#...#', '.###.'],
  L: ['#....', '#....', '#....', '#....', '#....', '#....', '#####'],
  A: ['.###.', '#...#', '#...#', '#####', '#...#', '#...#', '#...#'],
  T: ['#####', '..#..', '..#..', '..#..', '..#..', '..#..', '..#..'],
  E: ['#####', '#....', '#....', '####.', '#....', '#....', '#####'],
  D: ['####.', '#...#', '#...#', '#...#', '#...#', '#...#', '####.'],
  N: ['#...#', '##..#', '#.#.#', '#..##', '#...#', '#...#', '#...#'],
  O: ['.###.', '#...#', '#...#', '#...#', '#...#', '#...#', '.###.'],
  P: ['####.', '#...#', '#...#', '####.', '#....', '#....', '#....'],
  ',': ['..', '..', '..', '..', '..', '.#', '#.'],
  ' ': ['...', '...', '...', '...', '...', '...', '...'],
};
const ROWS = 7;
const WIDEST = 0.95;
const PIXELS_A_CELL = 300;

/** The caption as rows of cells, true where it is written. */
function cells(): boolean[][] {
  const rows: boolean[][] = Array.from({ length: ROWS }, () => []);
  for (const letter of CAPTION)
    GLYPHS[letter].forEach((line, y) => {
      rows[y].push(...[...line].map((cell) => cell === '#'), false);
    });
  return rows;
}

/**
 * Burns the caption into the foot of a picture, white on a black strip.
 * @param grey changed in place
 */
export function burnCaption(grey: Uint8ClampedArray, columns: number, rows: number): void {
  const written = cells();
  const wide = written[0].length;
  // As large as a picture that is shown at half its size needs to be read, and no wider than the picture.
  const most = Math.floor((columns * WIDEST) / wide);
  const size = Math.max(1, Math.min(most, Math.round(Math.max(columns, rows) / PIXELS_A_CELL)));
  // A picture too small for the letters shows as much as there is room for, from the left.
  const left = Math.max(0, columns - wide * size - 2 * size);
  const top = Math.max(0, rows - (ROWS + 2) * size);
  for (let y = top; y < rows; y += 1)
    for (let x = left; x < columns; x += 1) {
      const i = Math.floor((x - left) / size) - 1;
      const j = Math.floor((y - top) / size) - 1;
      grey[y * columns + x] = written[j]?.[i] ? 255 : 0;
    }
}
