/**
 * What changes from the last exposure: verbs, in the order of the hands; what is taken back is marked. Below it, when it is
 * asked for, where everything stands then.
 */
import type { Change } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';

type Props = {
  changes: readonly Change[];
  from: string;
  /** Where patient, table, tray, tube and wall stand are for this exposure, in words. */
  stands: readonly string[];
};

export function ChangeList({ changes, from, stands }: Props) {
  const theme = useTheme();
  const [open, setOpen] = useState(false);
  if (changes.length === 0 && stands.length === 0) return null;
  return (
    <View style={{ backgroundColor: theme.surface, borderRadius: 4, padding: 12, gap: 6 }}>
      {changes.length > 0 && (
        <View role="region" aria-label={`Changes from ${from}`} style={{ gap: 6 }}>
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
      )}
      {stands.length > 0 && (
        <Press label="Where everything stands" plain expanded={open} onPress={() => setOpen(!open)}>
          <Words kind="small" tone="lamp">
            {`${open ? '▾' : '▸'} Where everything stands`}
          </Words>
        </Press>
      )}
      {open && (
        <View role="list" aria-label="Where everything stands" style={{ gap: 4 }}>
          {stands.map((line) => (
            <View key={line} role="listitem">
              <Words kind="small">{line}</Words>
            </View>
          ))}
        </View>
      )}
    </View>
  );
}
