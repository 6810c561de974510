/** Tube current and time for an mAs, within what the focal spot bears. Source: power = kVp · mA of a high-frequency generator. */

export type TubeLoad = {
  /** Most power of a focal spot for a tenth of a second, kW. */
  ratedKw: number;
  maStations: readonly number[];
};

/** A tenth of a second is what focal spots are rated for; longer exposures bear less [typical, IEC 60613-type curve]. */
const RATED_MS = 100;
/** Of its rating a focal spot bears this much at one second. */
const AT_A_SECOND = 0.6;

/** Power that a focal spot bears for a time, kW: falls from its rating with the logarithm of the time. @throws RangeError unless the time is above 0 */
export function bearableKw(ratedKw: number, timeMs: number): number {
  if (!(timeMs > 0)) throw new RangeError(`the time must be above 0 ms, got ${timeMs}`);
  if (timeMs <= RATED_MS) return ratedKw;
  const decades = Math.log10(timeMs / RATED_MS);
  return ratedKw * Math.max(0.2, 1 - (1 - AT_A_SECOND) * decades);
}

export type CurrentAndTime = { mA: number; timeMs: number; loadShare: number };

/**
 * The current for an mAs: the shortest time that the focal spot bears, or for a long exposure the lowest current that
 * reaches the wanted time.
 * @param longMs wanted time of a view in quiet breathing; undefined for the shortest
 * @returns null when no station bears it
 * @throws RangeError unless kVp and mAs are above 0
 */
export function currentFor(
  kVp: number,
  mAs: number,
  { ratedKw, maStations }: TubeLoad,
  longMs?: number,
): CurrentAndTime | null {
  if (!(kVp > 0) || !(mAs > 0)) throw new RangeError(`kVp and mAs must be above 0, got ${kVp} and ${mAs}`);
  const borne = maStations
    .map((mA): CurrentAndTime => {
      const timeMs = (mAs / mA) * 1000;
      return { mA, timeMs, loadShare: (kVp * mA) / 1000 / bearableKw(ratedKw, Math.max(timeMs, 1)) };
    })
    .filter(({ loadShare }) => loadShare <= 1)
    .sort((a, b) => a.timeMs - b.timeMs);
  if (borne.length === 0) return null;
  if (longMs === undefined) return borne[0];
  return borne.find(({ timeMs }) => timeMs >= longMs) ?? borne[borne.length - 1];
}
