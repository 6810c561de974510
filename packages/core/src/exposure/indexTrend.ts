/** How the deviation index of a room runs over time: where it lies, how far it scatters, and whether it drifts. */
import { mean, slopeOf } from '../quantity/statistics';

export type IndexTrend = {
  count: number;
  mean: number;
  /** One standard deviation about the line. */
  spread: number;
  /** Change in a week; null from too few readings or too short a time. */
  perWeek: number | null;
  /** The drift is more than its own uncertainty, twice over. */
  drifts: boolean;
};

const WEEK_MS = 7 * 86_400_000;
/** Fewer readings, or less time, say nothing of a drift. */
const LEAST_COUNT = 8;
const LEAST_WEEKS = 1;

/** @returns null without readings */
export function indexTrend(readings: readonly { at: number; di: number }[]): IndexTrend | null {
  if (readings.length === 0) return null;
  const weeks = readings.map(({ at }) => at / WEEK_MS);
  const dis = readings.map(({ di }) => di);
  const middle = mean(dis);
  const enough = readings.length >= LEAST_COUNT && Math.max(...weeks) - Math.min(...weeks) >= LEAST_WEEKS;
  const slope = enough ? slopeOf(weeks, dis) : 0;
  const centre = mean(weeks);
  const off = dis.map((di, i) => di - middle - slope * (weeks[i] - centre));
  const degrees = Math.max(1, readings.length - (enough ? 2 : 1));
  const spread = Math.sqrt(off.reduce((sum, each) => sum + each * each, 0) / degrees);
  const across = Math.sqrt(weeks.reduce((sum, week) => sum + (week - centre) ** 2, 0));
  return {
    count: readings.length,
    mean: middle,
    spread,
    perWeek: enough ? slope : null,
    drifts: enough && Math.abs(slope) > (2 * spread) / across,
  };
}
