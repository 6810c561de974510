/** Where a view waits for minutes in the position, or for minutes after the contrast: the keys that begin to count. */
import { needsContrast, type Projection } from '@taktik/core';
import { View } from 'react-native';
import { useAppDispatch } from '../../state/hooks';
import { contrastBegun, settling, stopped, type Session } from '../../state/session';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';

type Props = { session: Session; index: number; entry: Projection };

export function ClockKeys({ session, index, entry }: Props) {
  const dispatch = useAppDispatch();
  const { settle, contrastAt } = session.clocks;
  if (session.exposed[index] !== undefined) return null;
  const key = (label: string, text: string, onPress: () => void) => (
    <Press label={label} onPress={onPress} style={{ flex: 1, paddingHorizontal: 12 }}>
      <Words kind="small">{text}</Words>
    </Press>
  );
  const waits = entry.settleMinutes !== undefined;
  const runs = settle[index] !== undefined;
  const contrast = needsContrast(entry);
  if (!waits && !contrast) return null;
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      {waits &&
        key(
          runs ? 'Stop the clock of this position' : `In position now: ${entry.settleMinutes} minutes begin`,
          runs ? 'Stop the clock' : `In position: start ${entry.settleMinutes} min`,
          () => dispatch(runs ? stopped(index) : settling(index)),
        )}
      {contrast &&
        key(
          contrastAt === null ? 'Contrast given now: its minutes begin' : 'Contrast given again: count from now',
          contrastAt === null ? 'Contrast given now' : 'Contrast: count from now',
          () => dispatch(contrastBegun()),
        )}
    </View>
  );
}
