/** mAs over thickness for this projection as it is set, with this patient in it and the rows of the room's own chart. */
import { formatLength, type LengthUnit, type TechniqueCurve, significant } from '@taktik/core';
import { View } from 'react-native';
import { LineOver } from '../../ui/charts/lazy';
import type { LinePoint } from '../../ui/charts/LineOver';
import { useWidth } from '../../ui/useWidth';
import { Words } from '../../ui/Words';

const HEIGHT = 150;
/** The mAs axis is one of ratios, as exposure is judged. */
const log = (mAs: number): number => Math.log10(mAs);

export function CurvePane({ curve, unit }: { curve: TechniqueCurve; unit: LengthUnit }) {
  const [width, onLayout] = useWidth(340);
  const { points, here, rows } = curve;
  const all = [...points, ...rows].map(({ mAs }) => mAs);
  const low = Math.floor(log(Math.min(...all)) * 3) / 3;
  const high = Math.ceil(log(Math.max(...all)) * 3) / 3;
  const count = 4;
  const steps = Array.from({ length: count + 1 }, (_, i) =>
    String(Number(significant(10 ** (low + ((high - low) * i) / count), 2))),
  );
  const first = points[0];
  const last = points[points.length - 1];
  const line: LinePoint[] = points.map(({ thicknessMm, mAs }) => ({ x: thicknessMm, y: log(mAs) }));
  const marks: LinePoint[] = [
    ...line,
    { x: here.thicknessMm, y: log(here.mAs), mark: 'dot', label: formatLength(here.thicknessMm, unit) },
  ];
  const sorted = marks
    .sort((a, b) => a.x - b.x)
    .map((point, i, list) =>
      i === 0
        ? { ...point, label: point.label ?? formatLength(first.thicknessMm, unit) }
        : i === list.length - 1
          ? { ...point, label: point.label ?? formatLength(last.thicknessMm, unit) }
          : point,
    );
  const says = (point: { thicknessMm: number; mAs: number }) =>
    `${significant(point.mAs, 2)} mAs at ${formatLength(point.thicknessMm, unit)}`;
  return (
    <View style={{ gap: 4 }} onLayout={onLayout}>
      <Words kind="heading">mAs by thickness</Words>
      <LineOver
        points={sorted}
        width={width}
        height={HEIGHT}
        low={low}
        high={high}
        steps={steps}
        says={`mAs by thickness: ${says(first)}, ${says(here)} for this patient, ${says(last)}`}
      />
      <Words kind="small" tone="soft">{`● this patient: ${says(here)}. All else as it is set.`}</Words>
      {rows.length > 0 && (
        <Words kind="small">{`Rows of the room’s chart, brought to this set-up: ${rows.map(says).join('; ')}`}</Words>
      )}
    </View>
  );
}
