/** Loading, empty and error, in the shape of what will stand there. */
import { Button } from '@rneui/themed';
import { View } from 'react-native';
import { useTheme } from './theme';
import { RADIUS } from './tokens';
import { Words } from './Words';

export function Skeleton({ rows, height = 96 }: { rows: number; height?: number }) {
  const theme = useTheme();
  return (
    <View role="status" aria-label="Loading" style={{ gap: 10 }}>
      {Array.from({ length: rows }, (_, i) => (
        <View key={i} style={{ height, borderRadius: RADIUS, backgroundColor: theme.surface }} />
      ))}
    </View>
  );
}

export function Note({
  title,
  text,
  action,
  onAction,
  tone = 'soft',
}: {
  title: string;
  text: string;
  action?: string;
  onAction?: () => void;
  tone?: 'soft' | 'brick';
}) {
  const theme = useTheme();
  return (
    <View
      role={tone === 'brick' ? 'alert' : undefined}
      style={{
        padding: 20,
        gap: 10,
        backgroundColor: theme.surface,
        borderRadius: RADIUS,
        borderLeftWidth: 4,
        borderLeftColor: tone === 'brick' ? theme.brick : theme.line,
      }}
    >
      <Words kind="heading">{tone === 'brick' ? `▲ ${title}` : title}</Words>
      <Words tone="soft">{text}</Words>
      {action && onAction && <Button title={action} onPress={onAction} />}
    </View>
  );
}

/** A caution: brick, a sign and words. */
export function Caution({ text }: { text: string }) {
  const theme = useTheme();
  return (
    <View
      style={{
        flexDirection: 'row',
        gap: 10,
        padding: 12,
        backgroundColor: theme.surface,
        borderLeftWidth: 4,
        borderLeftColor: theme.brick,
        borderRadius: RADIUS,
      }}
    >
      <Words tone="brick" aria-hidden>
        ▲
      </Words>
      <Words style={{ flex: 1 }}>{text}</Words>
    </View>
  );
}

/** Small tag with a sign, so that colour is not alone. */
export function Tag({ text, tone }: { text: string; tone: 'brick' | 'mauve' | 'sage' | 'lamp' }) {
  const theme = useTheme();
  const color = theme[tone];
  const sign = { brick: '▲', mauve: '●', sage: '✓', lamp: '◆' }[tone];
  return (
    <View
      style={{ borderWidth: 1, borderColor: color, borderRadius: RADIUS, paddingHorizontal: 8, paddingVertical: 2 }}
    >
      <Words kind="label" tone={tone}>{`${sign} ${text}`}</Words>
    </View>
  );
}
