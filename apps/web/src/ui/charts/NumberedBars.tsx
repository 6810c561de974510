/** Bars with numbers under them and their names in a list: long names stay readable. */
import { BarChart } from 'react-native-gifted-charts';
import { View } from 'react-native';
import { useTheme } from '../theme';
import { fonts } from '../tokens';
import { Words } from '../Words';
import { Drawing } from './Drawing';

export type Bar = {
  name: string;
  value: number;
  /** The value in words. */
  says: string;
  /** A line that it should stay under. */
  most?: number | null;
};
export type NumberedBarsProps = { bars: readonly Bar[]; width: number; height: number; title: string };

const AXIS = 44;
const SECTIONS = 3;

/** Top and steps of the upright axis: counts are told in whole numbers. */
export function axisFor(most: number, bars: readonly Bar[]): { top: number; steps: string[] } {
  const whole = bars.every(({ value, most: line }) => Number.isInteger(value) && Number.isInteger(line ?? 0));
  const sections = whole ? Math.min(SECTIONS, most) : SECTIONS;
  const top = whole ? Math.ceil(most / sections) * sections : most;
  const step = top / sections;
  return {
    top,
    steps: Array.from({ length: sections + 1 }, (_, i) => String(Number((step * i).toPrecision(2)))),
  };
}

export default function NumberedBars({ bars, width, height, title }: NumberedBarsProps) {
  const theme = useTheme();
  const { top, steps } = axisFor(Math.max(...bars.map(({ value, most }) => Math.max(value, most ?? 0)), 1e-6), bars);
  const each = Math.min(70, (width - AXIS - 20) / Math.max(bars.length, 1));
  const passed = ({ value, most }: Bar) => most != null && value > most;
  const small = { color: theme.inkSoft, fontFamily: fonts.label, fontSize: 13 };
  return (
    <View style={{ gap: 6 }}>
      <View style={{ width, height: height + 28, overflow: 'hidden' }}>
        <Drawing>
          <BarChart
            data={bars.map((bar, i) => ({
              value: bar.value,
              label: String(i + 1),
              frontColor: passed(bar) ? theme.brick : theme.plate,
            }))}
            width={width - AXIS - 10}
            height={height}
            maxValue={top}
            noOfSections={steps.length - 1}
            yAxisLabelTexts={steps}
            yAxisLabelWidth={AXIS - 8}
            yAxisTextStyle={small}
            xAxisLabelTextStyle={small}
            yAxisColor={theme.line}
            xAxisColor={theme.line}
            rulesColor={theme.line}
            barWidth={each * 0.6}
            spacing={each * 0.4}
            initialSpacing={10}
            disableScroll
            isAnimated={false}
          />
        </Drawing>
      </View>
      <View role="list" aria-label={title} style={{ gap: 2 }}>
        {bars.map((bar, i) => (
          <View role="listitem" key={`${bar.name} ${i}`}>
            <Words kind="small" tone={passed(bar) ? 'brick' : 'ink'}>
              {`${passed(bar) ? '▲ ' : ''}${i + 1}  ${bar.name}: ${bar.says}`}
            </Words>
          </View>
        ))}
      </View>
    </View>
  );
}
