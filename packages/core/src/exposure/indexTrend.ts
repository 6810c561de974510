/** How the deviation index of a room runs over time: where it lies, how far it scatters, and whether it drifts. */
import { mean, slopeOf } from '../quantity/statistics';

export type IndexTrend = {
  count: number;
  mean: number;
  /** One standard deviation about the line. */
  spread: number;
  /** Change in a week; null from too few readings or too short a time. */
  perWeek: number | null;
  /** The drift is more than chance makes of a steady room, and large enough to matter. */
  drifts: boolean;
  /** The room as a whole lies off its target by more than chance and by enough to matter. */
  off: boolean;
};

const WEEK_MS = 7 * 86_400_000;
/** Clocks of devices are never quite alike; what is dated further ahead is left out. */
const AHEAD_MS = 10 * 60_000;
/** Fewer readings, or less time, say nothing of a drift. */
const LEAST_COUNT = 10;
const LEAST_WEEKS = 1;
/** So many standard errors are chance in fewer than one steady room in a thousand: rooms are looked at every day. */
const SURE = 3.3;
/** Smaller changes and levels are nothing to look after [house: half a band of the deviation index]. */
const MATTERS_PER_WEEK = 0.1;
const MATTERS_IN_ALL = 0.5;
const MATTERS_OFF = 1;

/**
 * @param now readings dated after it are left out: one of them would tilt the line of all
 * @returns null without readings
 */
export function indexTrend(all: readonly { at: number; di: number }[], now: number = Infinity): IndexTrend | null {
  const readings = all.filter(({ at, di }) => at <= now + AHEAD_MS && Number.isFinite(di));
  if (readings.length === 0) return null;
  const weeks = readings.map(({ at }) => at / WEEK_MS);
  const dis = readings.map(({ di }) => di);
  const middle = mean(dis);
  const first = weeks.reduce((least, week) => Math.min(least, week), Infinity);
  const last = weeks.reduce((most, week) => Math.max(most, week), -Infinity);
  const enough = readings.length >= LEAST_COUNT && last - first >= LEAST_WEEKS;
  const slope = enough ? slopeOf(weeks, dis) : 0;
  const centre = mean(weeks);
  const off = dis.map((di, i) => di - middle - slope * (weeks[i] - centre));
  const degrees = Math.max(1, readings.length - (enough ? 2 : 1));
  const spread = Math.sqrt(off.reduce((sum, each) => sum + each * each, 0) / degrees);
  const across = Math.sqrt(weeks.reduce((sum, week) => sum + (week - centre) ** 2, 0));
  const sureSlope = Math.abs(slope) > (SURE * spread) / across;
  const large = Math.abs(slope) >= MATTERS_PER_WEEK && Math.abs(slope) * (last - first) >= MATTERS_IN_ALL;
  // One reading that lies far ahead of the others in time must not make the line by itself.
  const lone = readings.length > 2 && leverageOf(weeks, centre) > MOST_LEVERAGE;
  return {
    count: readings.length,
    mean: middle,
    spread,
    perWeek: enough ? slope : null,
    drifts: enough && sureSlope && large && !lone,
    off:
      readings.length >= LEAST_COUNT &&
      Math.abs(middle) >= MATTERS_OFF &&
      Math.abs(middle) > (SURE * spread) / Math.sqrt(readings.length),
  };
}

/** Share of the whole spread in time that a single reading makes up. */
const MOST_LEVERAGE = 0.8;
function leverageOf(weeks: readonly number[], centre: number): number {
  const squares = weeks.map((week) => (week - centre) ** 2);
  const sum = squares.reduce((total, each) => total + each, 0);
  return sum === 0 ? 0 : squares.reduce((most, each) => Math.max(most, each), 0) / sum;
}
