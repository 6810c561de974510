/** Rows of a technique chart that cannot be right: held against what the room's own beam would give. */
import { indexPerMas } from '../../exposure/beamModel';
import { hasProjection, projectionOf } from '../../projections/catalogue';
import type { Room } from '../../room/room';
import { chartRowFor, type ChartRow } from '../../room/techniqueChart';
import { problem, type Problem } from '../problem';
import { compositionAt } from './compositionAt';

export type OddRow = { row: number; field: 'row' | 'mas' | 'thickness_cm' | 'sid_cm'; message: string };

/** A row that gives more or less than this many times what is aimed at is a slip of the pen, not a school [typical]. */
const MOST_OFF = 8;
/** Of a measured beam less is unlikely. */
const MOST_OFF_MEASURED = 4;
/** Parts are this much thicker or thinner than the shipped chart's at the utmost. */
const MOST_THICKER = 3;

/** What the receptor would read by this row, against what the room aims at; null outside the model. */
export function shareOfTarget(row: ChartRow, { generator }: Room): number | null {
  const { exposure } = projectionOf(row.projectionId);
  const { targetIndex, targetIndexFree, outputUGyPerMas, outputPower } = generator;
  const target = exposure.chart.gridRatio > 0 ? targetIndex : (targetIndexFree ?? targetIndex);
  try {
    const perMas = indexPerMas({
      kVp: row.kVp,
      sidMm: row.sidMm,
      thicknessMm: row.thicknessMm,
      composition: compositionAt(exposure, row.thicknessMm),
      fieldMm: exposure.chart.fieldMm,
      gridRatio: row.gridRatio,
      outputUGyPerMas,
      outputPower,
    });
    return (row.mAs * perMas) / target;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/**
 * @returns what is wrong, by the place of each row: far off the beam, a thickness or SID in another unit, given twice
 */
export function oddChartRows(rows: readonly ChartRow[], room: Room): OddRow[] {
  const measured = (room.generator.points?.length ?? 0) > 0 || room.generator.basis === 'model';
  const most = measured ? MOST_OFF_MEASURED : MOST_OFF;
  const seen = new Map<string, number>();
  return rows.flatMap((row, i): OddRow[] => {
    const { name, exposure, sid } = projectionOf(row.projectionId);
    const key = [row.projectionId, row.thicknessMm, row.gridRatio > 0].join(' ');
    const before = seen.get(key);
    seen.set(key, i);
    if (before !== undefined)
      return [
        { row: i, field: 'row', message: `${name} stands twice for this thickness; the other is row ${before + 1}` },
      ];
    const thicker = row.thicknessMm / exposure.chart.thicknessMm;
    if (thicker > MOST_THICKER || thicker < 1 / MOST_THICKER / 1.5)
      return [
        {
          row: i,
          field: 'thickness_cm',
          message: `${row.thicknessMm / 10} cm is no thickness of ${name} (about ${exposure.chart.thicknessMm / 10} cm in an adult): it is given in centimetres`,
        },
      ];
    if (row.sidMm < sid.rangeMm[0] * 0.6 || row.sidMm > sid.rangeMm[1] * 1.6)
      return [
        {
          row: i,
          field: 'sid_cm',
          message: `${Math.round(row.sidMm / 10)} cm is no SID of ${name} (${Math.round(sid.rangeMm[0] / 10)} to ${Math.round(sid.rangeMm[1] / 10)} cm): it is given in centimetres`,
        },
      ];
    const share = shareOfTarget(row, room);
    if (share === null || (share < most && share > 1 / most)) return [];
    const times =
      share > 1 ? `${share >= 20 ? Math.round(share) : share.toFixed(1)} times` : `1/${Math.round(1 / share)} of`;
    return [
      {
        row: i,
        field: 'mas',
        message: `${row.mAs} mAs at ${row.kVp} kVp gives ${times} what ${room.name} aims at for ${name}: check mAs, kVp, thickness and grid, and that none are exchanged`,
      },
    ];
  });
}

/** Charts that were stored before rows were checked: what is wrong with the row from which this technique starts. */
export function chartProblems(projectionId: string, thicknessMm: number, gridRatio: number, room: Room): Problem[] {
  if (!hasProjection(projectionId)) return [];
  const row = chartRowFor(room.generator.chart ?? [], projectionId, thicknessMm, gridRatio);
  return (row ? oddChartRows([row], room) : []).map(({ message }) => problem('chart-row-odd', { why: message }));
}
