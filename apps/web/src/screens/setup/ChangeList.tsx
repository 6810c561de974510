/** What changes from the last exposure: verbs, in the order of the hands; what is taken back is marked. */
import type { Change } from '@taktik/core';
import { View } from 'react-native';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';

export function ChangeList({ changes, from }: { changes: readonly Change[]; from: string }) {
  const theme = useTheme();
  if (changes.length === 0) return null;
  return (
    <View
      role="region"
      aria-label={`Changes from ${from}`}
      style={{ backgroundColor: theme.surface, borderRadius: 4, padding: 12, gap: 6 }}
    >
      <Words kind="small" tone="soft">{`Changes from ${from}`}</Words>
      <View role="list" style={{ gap: 6 }}>
        {changes.map((change, i) => (
          <View key={`${change.kind}-${i}`} role="listitem" style={{ flexDirection: 'row', gap: 10 }}>
            <Words kind="heading" tone="lamp" style={{ width: 18 }}>
              {i + 1}
            </Words>
            <Words style={{ flex: 1 }}>
              {change.text}
              {change.undo ? (
                <Words kind="label" tone="brick">
                  {'  undo'}
                </Words>
              ) : null}
            </Words>
          </View>
        ))}
      </View>
    </View>
  );
}
