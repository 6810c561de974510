/** The technique chart of a department: what it exposes with, for which thickness and under which conditions. */
import { z } from 'zod';
import { hasProjection } from '../projections/catalogue';

const from = (name: string, low: number, high: number, unit: string) => {
  const error = `${name} must be ${low} to ${high} ${unit}`.trim();
  return z.number({ error }).min(low, { error }).max(high, { error });
};

export const chartRowSchema = z.strictObject({
  projectionId: z
    .string()
    .max(60)
    .refine(hasProjection, { error: (issue) => `There is no projection "${String(issue.input)}"` }),
  kVp: from('kVp of a chart', 45, 140, 'kV'),
  mAs: from('mAs of a chart', 0.1, 600, 'mAs'),
  sidMm: from('SID of a chart', 400, 3000, 'mm'),
  thicknessMm: from('Thickness of a chart', 5, 500, 'mm'),
  /** 0 without a grid. */
  gridRatio: z.union([z.literal(0), from('Grid ratio of a chart', 4, 17, '')], {
    error: 'Grid ratio of a chart must be 0 without a grid, or 4 to 17',
  }),
});
export type ChartRow = z.infer<typeof chartRowSchema>;

export const chartSchema = z.array(chartRowSchema).max(1000, { error: 'A chart may have 1000 rows at most' });

/**
 * The row for a projection that needs the least conversion: with a grid for with one, then the nearest thickness by ratio.
 * @returns null when the chart does not have the projection
 */
export function chartRowFor(
  chart: readonly ChartRow[],
  projectionId: string,
  thicknessMm: number,
  gridRatio: number,
): ChartRow | null {
  const off = (row: ChartRow) =>
    Math.abs(Math.log(row.thicknessMm / thicknessMm)) + (row.gridRatio > 0 === gridRatio > 0 ? 0 : OTHER_GRID);
  return chart
    .filter((row) => row.projectionId === projectionId)
    .reduce<ChartRow | null>((best, row) => (best && off(best) <= off(row) ? best : row), null);
}

/** More than any ratio of thicknesses. */
const OTHER_GRID = 10;
