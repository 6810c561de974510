/**
 * An mAs as the generator gives it: one of its mAs stations, or the product of a current and a time where it has
 * stations of time; with a current that the focal spot bears.
 */
import { nearestStation } from '../quantity/station';
import { currentFor, type CurrentAndTime, type TubeLoad } from './tubeLoad';

export type Stations = {
  masStations: readonly number[];
  /** Where there are any, current and time are chosen, and the mAs follows. */
  timeStationsMs?: readonly number[];
};
export type SettledMas = { mAs: number; current: CurrentAndTime | null };

/**
 * @param neededMas what the factors come to, > 0
 * @param longMs wanted time of a view in quiet breathing
 * @param askedMas an mAs set by hand: kept as it is
 * @returns `current` null when no station of the focal spot bears it
 * @throws RangeError unless kVp and mAs are above 0
 */
export function settleMas(
  kVp: number,
  neededMas: number,
  stations: Stations,
  load: TubeLoad,
  longMs?: number,
  askedMas?: number,
): SettledMas {
  if (askedMas !== undefined) return { mAs: askedMas, current: currentFor(kVp, askedMas, load, longMs) };
  const { timeStationsMs } = stations;
  if (!timeStationsMs) {
    const mAs = nearestStation(neededMas, stations.masStations);
    return { mAs, current: currentFor(kVp, mAs, load, longMs) };
  }
  // Of the products nearest to what is wanted: the shortest time, or for a long view the first that is long enough.
  const borne = load.maStations
    .flatMap((mA) => timeStationsMs.map((timeMs) => ({ mAs: (mA * timeMs) / 1000, mA, timeMs })))
    .filter(({ mA, timeMs }) => currentFor(kVp, (mA * timeMs) / 1000, { ...load, maStations: [mA] }) !== null);
  if (borne.length === 0) return { mAs: nearestStation(neededMas, stations.masStations), current: null };
  const off = ({ mAs }: { mAs: number }) => Math.abs(Math.log(mAs / neededMas));
  const least = Math.min(...borne.map(off));
  const near = borne.filter((each) => off(each) <= Math.max(least, CLOSE) + 1e-9).sort((a, b) => a.timeMs - b.timeMs);
  const taken = longMs === undefined ? near[0] : (near.find(({ timeMs }) => timeMs >= longMs) ?? near[near.length - 1]);
  const current = currentFor(kVp, taken.mAs, { ...load, maStations: [taken.mA] });
  return { mAs: taken.mAs, current };
}

/** Products this close to what is wanted, by ratio, are as good as each other: a third of an mAs step. */
const CLOSE = Math.log(1.08);
