/** A technique chart as a table (CSV with a head line), and back. What the rows mean is here; reading text is the reader's. */
import { projectionOf } from '../projections/catalogue';
import { centimetres } from '../quantity/length';
import { chartRowSchema, type ChartRow } from '../room/techniqueChart';

export const CHART_COLUMNS = ['projection', 'name', 'kvp', 'mas', 'sid_cm', 'thickness_cm', 'grid_ratio'] as const;
type Column = (typeof CHART_COLUMNS)[number];
/** The name is for people; it is not read. */
const NEEDED: readonly Column[] = CHART_COLUMNS.filter((column) => column !== 'name');

export type ChartFault = { line: number; field: string; message: string };

const perCm = (mm: number): number => Math.round((mm / centimetres(1)) * 100) / 100;

/** One object for a row, in the order of the columns. */
export const chartToTable = (chart: readonly ChartRow[]): Record<Column, string | number>[] =>
  chart.map(({ projectionId, kVp, mAs, sidMm, thicknessMm, gridRatio }) => ({
    projection: projectionId,
    name: projectionOf(projectionId).name,
    kvp: kVp,
    mas: mAs,
    sid_cm: perCm(sidMm),
    thickness_cm: perCm(thicknessMm),
    grid_ratio: gridRatio,
  }));

const FIELD: Record<string, Column> = {
  projectionId: 'projection',
  kVp: 'kvp',
  mAs: 'mas',
  sidMm: 'sid_cm',
  thicknessMm: 'thickness_cm',
  gridRatio: 'grid_ratio',
};

/** @param columns of the head line; all or nothing of the rows is taken */
export function chartFromTable(
  columns: readonly string[],
  rows: readonly { line: number; cells: Partial<Record<string, string>> }[],
): { chart: ChartRow[] } | { faults: ChartFault[] } {
  const faults: ChartFault[] = [
    ...columns
      .filter((column) => !(CHART_COLUMNS as readonly string[]).includes(column))
      .map((column) => ({
        line: 1,
        field: column.slice(0, 40),
        message: `There is no column “${column.slice(0, 40)}”; columns: ${CHART_COLUMNS.join(', ')}`,
      })),
    ...NEEDED.filter((column) => !columns.includes(column)).map((column) => ({
      line: 1,
      field: column,
      message: `The column ${column} is missing`,
    })),
  ];
  if (faults.length > 0) return { faults };
  const chart = rows.flatMap(({ line, cells }): ChartRow[] => {
    const number = (column: Column) => {
      const text = (cells[column] ?? '').trim().replace(',', '.');
      return text === '' ? NaN : Number(text);
    };
    const read = chartRowSchema.safeParse({
      projectionId: (cells.projection ?? '').trim(),
      kVp: number('kvp'),
      mAs: number('mas'),
      sidMm: number('sid_cm') * centimetres(1),
      thicknessMm: number('thickness_cm') * centimetres(1),
      gridRatio: number('grid_ratio'),
    });
    if (read.success) return [read.data];
    for (const { path, message } of read.error.issues)
      faults.push({ line, field: FIELD[String(path[0])] ?? 'row', message });
    return [];
  });
  return faults.length > 0 ? { faults } : { chart };
}
