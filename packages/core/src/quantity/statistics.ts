/** Means and slopes of a few numbers. */

/** @returns NaN of none */
export const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Slope of the straight line through points, by least squares; NaN where all lie at one x. */
export function slopeOf(xs: readonly number[], ys: readonly number[]): number {
  const [mx, my] = [mean(xs), mean(ys)];
  const across = xs.reduce((sum, x) => sum + (x - mx) ** 2, 0);
  return xs.reduce((sum, x, i) => sum + (x - mx) * (ys[i] - my), 0) / across;
}
