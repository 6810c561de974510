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

function downColumns(from: Float32Array, to: Float32Array, columns: number, rows: number, radius: number): void {
  const sums = new Float64Array(columns);
  const add = (row: number, sign: number) => {
    const start = row * columns;
    for (let x = 0; x < columns; x += 1) sums[x] += sign * from[start + x];
  };
  let count = 0;
  for (let y = -radius; y < rows; y += 1) {
    if (y + radius < rows) {
      add(y + radius, 1);
      count += 1;
    }
    if (y - radius - 1 >= 0) {
      add(y - radius - 1, -1);
      count -= 1;
    }
    if (y < 0) continue;
    const start = y * columns;
    const share = 1 / count;
    for (let x = 0; x < columns; x += 1) to[start + x] = sums[x] * share;
  }
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
  for (const [radius, blurred] of [
    [across, alongRows],
    [down, downColumns],
  ] as const)
    for (let i = 0; i < times && radius > 0; i += 1) {
      const next = new Float32Array(now.length);
      blurred(now, next, columns, rows, radius);
      now = next;
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
  // With no radius the narrow one is the picture itself, which stays as it is.
  for (let i = 0; i < wide.length; i += 1) wide[i] = narrow[i] + (wide[i] - narrow[i]) * share;
  return wide;
}
