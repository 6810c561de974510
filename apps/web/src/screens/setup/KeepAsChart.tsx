/** A lead makes the technique of this set-up a row of the room's own chart. */
import type { ChartRow, Room, Setup } from '@taktik/core';
import { View } from 'react-native';
import { reasonsOf, useChangeRoomMutation, useRoomsQuery } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';

/** What is exposed with here, as a row. */
const rowOf = ({ projectionId, exposure, tube, receptor }: Setup): ChartRow => ({
  projectionId,
  kVp: exposure.kVp,
  mAs: exposure.mAs,
  sidMm: Math.round(tube.sidMm),
  thicknessMm: Math.round(exposure.thicknessMm),
  gridRatio: receptor.grid?.ratio ?? 0,
});

export function KeepAsChart({ setup, room, own }: { setup: Setup; room: Room; own: boolean }) {
  const lead = useAppSelector((state) => state.who.person?.role === 'lead');
  const { data: rooms } = useRoomsQuery();
  const [put, { isLoading, error, isSuccess, data }] = useChangeRoomMutation();
  // The set-up was asked with the rows of its own projection; the chart is the room's whole one.
  const whole = rooms?.find(({ id }) => id === room.id);
  if (!lead || !whole || own || !setup.exposure.masKnown) return null;
  const row = rowOf(setup);
  const chart = whole.generator.chart ?? [];
  const same = (each: ChartRow) =>
    each.projectionId === row.projectionId &&
    each.thicknessMm === row.thicknessMm &&
    each.gridRatio > 0 === row.gridRatio > 0;
  const kept = chart.some((each) => same(each) && each.mAs === row.mAs && each.kVp === row.kVp);
  const keep = () =>
    put({ id: whole.id, change: { generator: { chart: [...chart.filter((each) => !same(each)), row] } } });
  return (
    <View style={{ gap: 4 }}>
      <Press
        label={`Keep ${row.kVp} kVp and ${row.mAs} mAs in the chart of ${whole.name}`}
        disabled={isLoading || kept}
        onPress={() => void keep()}
        style={{ paddingHorizontal: 12 }}
      >
        <Words tone={kept ? 'sage' : 'lamp'}>
          {kept ? `✓ In the chart of ${whole.name}` : `Keep in the chart of ${whole.name}`}
        </Words>
      </Press>
      {isSuccess && (
        <Words kind="small" tone="soft" role="status">
          {`${data.generator.chart?.length ?? 0} rows in the chart`}
        </Words>
      )}
      {error && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ Not stored. ${reasonsOf(error).join('. ')}`}
        </Words>
      )}
    </View>
  );
}
