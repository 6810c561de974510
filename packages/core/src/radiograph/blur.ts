/** Blur of a picture in two directions, by running sums: a box, and boxes in a row for a smooth one. */

function alongRows(from: Float32Array, to: Float32Array, columns: number, rows: number, radius: number): void {
  for (let y = 0; y < rows; y += 1) {
    const start = y * columns;
    let sum = 0;
    let count = 0;
    for (let x = -radius; x < columns; x += 1) {
      const enters = x + radius;
      if (enters < columns) {
        sum += from[start + enters];
        count += 1;
      }
      const leaves = x - radius - 1;
      if (leaves >= 0) {
        sum -= from[start + leaves];
        count -= 1;
      }
      if (x >= 0) to[start + x] = sum / count;
    }
  }
}

function turned(from: Float32Array, columns: number, rows: number): Float32Array {
  const to = new Float32Array(from.length);
  for (let y = 0; y < rows; y += 1) for (let x = 0; x < columns; x += 1) to[x * rows + y] = from[y * columns + x];
  return to;
}

/**
 * Mean over a box; at the edges over what there is.
 * @param radii half widths in whole pixels, along rows and along columns; 0 leaves that direction as it is
 */
export function boxBlur(
  picture: Float32Array,
  columns: number,
  rows: number,
  [across, down]: readonly [number, number],
  times = 1,
): Float32Array {
  let now = picture;
  const run = (width: number, height: number, radius: number) => {
    for (let i = 0; i < times && radius > 0; i += 1) {
      const next = new Float32Array(now.length);
      alongRows(now, next, width, height, radius);
      now = next;
    }
  };
  run(columns, rows, across);
  if (down > 0) {
    now = turned(now, columns, rows);
    run(rows, columns, down);
    now = turned(now, rows, columns);
  }
  return now;
}

/**
 * Smears a picture over a width that need not be whole pixels: a box of the next whole width, mixed with the one before.
 * @param width full width, pixels
 */
export function smear(picture: Float32Array, columns: number, rows: number, width: number): Float32Array {
  if (!(width > 0.05)) return picture;
  const low = Math.floor((width - 1) / 2);
  const radius = Math.max(0, low);
  const narrow = boxBlur(picture, columns, rows, [radius, radius]);
  const wide = boxBlur(picture, columns, rows, [radius + 1, radius + 1]);
  const share = Math.min(1, Math.max(0, width <= 1 ? width / 3 : (width - (2 * radius + 1)) / 2));
  return narrow.map((value, i) => value * (1 - share) + wide[i] * share);
}
