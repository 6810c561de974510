/** Index and deviation over time, by room, with the bands of the department; and what a drift comes to. */
import { bandOf, indexTrend, signed, withDepartmentDefaults } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useDepartmentQuery, useTrendsQuery, type ExposureRow } from '../../state/api';
import { LineOver } from '../../ui/charts/lazy';
import type { LinePoint } from '../../ui/charts/LineOver';
import { Choice } from '../../ui/Choice';
import { useWidth } from '../../ui/useWidth';
import { Words } from '../../ui/Words';

const HEIGHT = 190;
/** Readings further off stand at the edge of the chart. */
const MOST_DI = 5;
const ALL = 'all';
const DATE: Intl.DateTimeFormatOptions = { day: 'numeric', month: 'short' };
const date = (at: number): string => new Date(at).toLocaleDateString('en-GB', DATE);

export function TrendPane({ rows, from }: { rows: readonly ExposureRow[]; from: number }) {
  const [room, setRoom] = useState(ALL);
  const [show, setShow] = useState<'deviation' | 'index'>('deviation');
  const [width, onLayout] = useWidth(340);
  const { data } = useDepartmentQuery();
  const { bands } = withDepartmentDefaults(data);
  const rooms = [...new Map(rows.map((row) => [row.roomId, row.room]))];
  const chosen = rows.filter(({ roomId }) => room === ALL || roomId === room).sort((a, b) => a.exposedAt - b.exposedAt);
  const [now] = useState(Date.now);
  const { data: trends } = useTrendsQuery({ from });
  const here = indexTrend(
    chosen.map(({ exposedAt, deviationIndex }) => ({ at: exposedAt, di: deviationIndex })),
    now,
  );
  // The server counts every exposure of the time; what is drawn may be the newest of them.
  const counted = rooms.length === 1 && room === ALL ? trends?.[0] : trends?.find(({ roomId }) => roomId === room);
  const trend = counted ?? here;
  const alarmed = (trends ?? []).filter(({ drifts, off }) => drifts || off);
  if (!trend) return null;
  const highest = Math.max(...chosen.map(({ exposureIndex }) => exposureIndex));
  const top = Math.ceil(highest / 200) * 200;
  const tone = (di: number): Pick<LinePoint, 'tone' | 'mark'> => {
    const { id } = bandOf(di, bands);
    return id === 'on target' || id === 'acceptable'
      ? { tone: 'sage', mark: 'dot' }
      : { tone: id.startsWith('far') ? 'brick' : 'lamp', mark: 'square' };
  };
  const labelled = new Set([0, Math.floor(chosen.length / 2), chosen.length - 1]);
  const points = chosen.map(({ exposedAt, exposureIndex, deviationIndex }, i): LinePoint => ({
    x: exposedAt,
    y: show === 'deviation' ? deviationIndex : exposureIndex,
    ...tone(deviationIndex),
    label: labelled.has(i) ? date(exposedAt) : undefined,
  }));
  const outside = chosen.filter(({ deviationIndex }) => tone(deviationIndex).mark === 'square').length;
  const drift =
    trend.perWeek === null
      ? 'Too few, or too short a time, to tell a drift.'
      : trend.drifts
        ? `It ${trend.perWeek > 0 ? 'rises' : 'sinks'} by ${Math.abs(trend.perWeek).toFixed(1)} DI a week: have receptor and output looked at.`
        : 'No drift beyond its own scatter.';
  const level = trend.off ? ` The room as a whole lies ${trend.mean > 0 ? 'over' : 'under'} its target.` : '';
  const others = room === ALL && rooms.length > 1 ? alarmed.map((each) => each.room) : [];
  const says = `${trend.count} exposures, mean deviation ${signed(trend.mean)}, scatter ${trend.spread.toFixed(1)}; ${outside} to look at. ${drift}${level}${others.length > 0 ? ` Look at: ${others.join(', ')}.` : ''}`;
  return (
    <View style={{ gap: 8 }} onLayout={onLayout}>
      <Words kind="heading" role="heading" aria-level={2}>
        Over time
      </Words>
      <Choice
        label="Room"
        options={[{ value: ALL, label: 'all rooms' }, ...rooms.map(([value, label]) => ({ value, label }))]}
        value={room}
        onChange={setRoom}
      />
      <Choice
        label="Shown"
        options={[
          { value: 'deviation', label: 'deviation (DI)' },
          { value: 'index', label: 'index (EI)' },
        ]}
        value={show}
        onChange={setShow}
      />
      {show === 'deviation' ? (
        <LineOver
          points={points}
          width={width}
          height={HEIGHT}
          low={-MOST_DI}
          high={MOST_DI}
          steps={['−5', '−3', '−1', '+1', '+3', '+5']}
          across={[bands.acceptable, 0, -bands.acceptable]}
          loose
          says={`Deviation index over time. ${says}`}
        />
      ) : (
        <LineOver
          points={points}
          width={width}
          height={HEIGHT}
          low={0}
          high={top}
          steps={[0, 1, 2, 3, 4].map((i) => String((top * i) / 4))}
          loose
          says={`Exposure index over time. ${says}`}
        />
      )}
      <Words kind="small" tone="soft">
        {`● acceptable (within ±${bands.acceptable})  ■ to look at`}
      </Words>
      <Words kind="small" tone={trend.drifts || trend.off || others.length > 0 ? 'brick' : 'ink'}>
        {`${trend.drifts || trend.off || others.length > 0 ? '▲ ' : ''}${says}`}
      </Words>
    </View>
  );
}
