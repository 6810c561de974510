/**
 * The steps that a generator offers. A computed mAs is only useful as one of them.
 */

/** mAs stations of the R'10 preferred series (each about 25 % above the one before), 0.5 to 500. */
export const MAS_STATIONS: readonly number[] = [
  0.5, 0.63, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.2, 4, 5, 6.3, 8, 10, 12.5, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125, 160, 200,
  250, 320, 400, 500,
];

/**
 * The station nearest to a value by ratio (exposure is judged by ratio, not by difference).
 * @param value wanted value, > 0
 * @param stations ascending, all > 0
 * @throws RangeError when the value is not a positive number or there are no stations
 */
export function nearestStation(value: number, stations: readonly number[]): number {
  if (!(value > 0) || !Number.isFinite(value)) throw new RangeError(`a station needs a value above 0, got ${value}`);
  if (stations.length === 0) throw new RangeError('this generator lists no stations');
  let best = stations[0];
  for (const station of stations) {
    if (Math.abs(Math.log(station / value)) < Math.abs(Math.log(best / value))) best = station;
  }
  return best;
}
