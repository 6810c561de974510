/** A line over an axis that may be uneven: time, or thickness. Loaded only where a chart is shown. */
import { LineChart } from 'react-native-gifted-charts';
import { View } from 'react-native';
import { useTheme } from '../theme';
import { fonts } from '../tokens';
import { Words } from '../Words';
import { Drawing } from './Drawing';

export type LinePoint = {
  x: number;
  y: number;
  /** Drawn as a mark; the square one is for what stands out. */
  mark?: 'dot' | 'square';
  tone?: 'lamp' | 'sage' | 'brick' | 'plate';
  /** Under the axis. */
  label?: string;
};
export type LineOverProps = {
  points: readonly LinePoint[];
  width: number;
  height: number;
  /** Ends and steps of the upright axis, with what stands at each step. */
  low: number;
  high: number;
  steps: readonly string[];
  /** Lines across, at most three. */
  across?: readonly number[];
  /** Only marks, without the line between them. */
  loose?: boolean;
  /** The chart in a sentence, for those who do not see it. */
  says: string;
};

const AXIS = 46;
/** A gap of nothing would be taken for one that is not given. */
const LEAST_GAP = 0.01;
/** Room at both ends of the line, so that no mark is cut. */
const START = 10;
const END = 24;
const LABEL = 76;

export default function LineOver({
  points,
  width,
  height,
  low,
  high,
  steps,
  across = [],
  loose = false,
  says,
}: LineOverProps) {
  const theme = useTheme();
  const inner = width - AXIS - START - END;
  const from = points[0]?.x ?? 0;
  const span = Math.max((points[points.length - 1]?.x ?? 1) - from, 1e-9);
  const clamped = (y: number) => Math.min(high, Math.max(low, y)) - low;
  const data = points.map(({ x, y, mark, tone }, i) => ({
    value: clamped(y),
    spacing: LEAST_GAP + (((points[i + 1]?.x ?? x) - x) / span) * (inner - LEAST_GAP * points.length),
    hideDataPoint: mark === undefined,
    dataPointColor: theme[tone ?? 'lamp'],
    dataPointRadius: 4.5,
    dataPointShape: mark === 'square' ? 'rectangular' : undefined,
    dataPointWidth: 9,
    dataPointHeight: 9,
  }));
  const line = (at: number | undefined) =>
    at === undefined
      ? {}
      : { position: at - low, config: { color: theme.inkSoft, thickness: 1, dashWidth: 4, dashGap: 4 } };
  const [first, second, third] = across.map(line);
  const small = { color: theme.inkSoft, fontFamily: fonts.label, fontSize: 13 };
  return (
    <View role="img" aria-label={says} style={{ width, height: height + 34, overflow: 'hidden' }}>
      <Drawing>
        <LineChart
          data={data}
          width={inner + START + END - 4}
          height={height}
          initialSpacing={START}
          endSpacing={END / 2}
          maxValue={high - low}
          noOfSections={steps.length - 1}
          yAxisLabelTexts={[...steps]}
          yAxisTextStyle={small}
          yAxisLabelWidth={AXIS - 6}
          yAxisColor={theme.line}
          xAxisColor={theme.line}
          rulesColor={theme.line}
          color={theme.lamp}
          thickness={loose ? 0 : 2}
          disableScroll
          isAnimated={false}
          showReferenceLine1={first !== undefined}
          referenceLine1Position={first?.position}
          referenceLine1Config={first?.config}
          showReferenceLine2={second !== undefined}
          referenceLine2Position={second?.position}
          referenceLine2Config={second?.config}
          showReferenceLine3={third !== undefined}
          referenceLine3Position={third?.position}
          referenceLine3Config={third?.config}
        />
        {points.map(({ x, label }, i) => {
          if (label === undefined) return null;
          const middle = AXIS + START - 6 + ((x - from) / span) * inner;
          const left = Math.min(Math.max(0, middle - LABEL / 2), width - LABEL);
          return (
            <Words
              key={i}
              kind="label"
              tone="soft"
              style={{ position: 'absolute', top: height + 14, left, width: LABEL, textAlign: 'center' }}
            >
              {label}
            </Words>
          );
        })}
      </Drawing>
    </View>
  );
}
