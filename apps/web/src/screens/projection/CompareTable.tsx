/** Two set-ups in lines beside each other, the lines that differ marked. */
import type { SummaryLine } from '@taktik/core';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';

export type CompareColumn = {
  name: string;
  lines: readonly SummaryLine[];
  note?: string;
  /** What a press on the head of the column does, in words. */
  press: string;
  onPress: () => void;
};

/** How many lines differ. */
export const unlikeLines = ([one, other]: readonly (readonly SummaryLine[])[]): number =>
  one.filter((line, i) => line.text !== other[i]?.text).length;

export function CompareTable({ columns }: { columns: readonly CompareColumn[] }) {
  const theme = useTheme();
  return (
    <View role="table" aria-label="Comparison" style={{ gap: 2 }}>
      <View role="row" style={{ flexDirection: 'row', gap: 8 }}>
        {columns.map(({ name, note, press, onPress }, i) => (
          <View key={i} role="columnheader" style={{ flex: 1 }}>
            <Press label={press} role="link" onPress={onPress} style={{ padding: 10 }}>
              <Words kind="heading">{name}</Words>
              {note && (
                <Words kind="label" tone="soft">
                  {note}
                </Words>
              )}
            </Press>
          </View>
        ))}
      </View>
      {columns[0].lines.map(({ name }, at) => {
        const texts = columns.map(({ lines }) => lines[at]?.text ?? '');
        const differs = texts.some((each) => each !== texts[0]);
        return (
          <View
            key={name}
            role="row"
            style={{ paddingVertical: 8, borderTopWidth: 1, borderTopColor: theme.line, gap: 4 }}
          >
            <Words role="rowheader" kind="label" tone={differs ? 'lamp' : 'soft'}>
              {differs ? `◆ ${name} differs` : name}
            </Words>
            <View style={{ flexDirection: 'row', gap: 8 }}>
              {texts.map((each, i) => (
                <View
                  key={i}
                  role="cell"
                  style={{
                    flex: 1,
                    padding: 8,
                    backgroundColor: theme.surface,
                    borderBottomWidth: 2,
                    borderBottomColor: differs ? theme.lamp : 'transparent',
                  }}
                >
                  <Words kind="small" tone={differs ? 'ink' : 'soft'}>
                    {each}
                  </Words>
                </View>
              ))}
            </View>
          </View>
        );
      })}
    </View>
  );
}
