/** Repeats by their cause, as a share of all exposures. */
import { View } from 'react-native';
import type { ExposureRow } from '../../state/api';
import { NumberedBars } from '../../ui/charts/lazy';
import { useWidth } from '../../ui/useWidth';
import { Words } from '../../ui/Words';

const HEIGHT = 110;

export function RepeatsPane({ rows }: { rows: readonly ExposureRow[] }) {
  const [width, onLayout] = useWidth(340);
  const repeated = rows.filter(({ verdict }) => verdict === 'repeat');
  const causes = new Map<string, number>();
  for (const { cause } of repeated) causes.set(cause ?? 'not said', (causes.get(cause ?? 'not said') ?? 0) + 1);
  const bars = [...causes].sort((a, b) => b[1] - a[1]).map(([name, value]) => ({ name, value, says: `${value}` }));
  return (
    <View style={{ gap: 8 }} onLayout={onLayout}>
      <Words kind="heading" role="heading" aria-level={2}>
        Repeats
      </Words>
      <Words kind="small">{`${repeated.length} of ${rows.length} exposures (${((100 * repeated.length) / Math.max(1, rows.length)).toFixed(1)} %)`}</Words>
      {bars.length > 0 && <NumberedBars bars={bars} width={width} height={HEIGHT} title="Repeats by cause" />}
    </View>
  );
}
