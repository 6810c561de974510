/** The last bar of the screen: expose, go on, finish. */
import { Button } from '@rneui/themed';
import { View } from 'react-native';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { Session } from './session';

type Props = {
  session: Session | null;
  index: number;
  feasible: boolean;
  done: boolean;
  onExpose: () => void;
  onNext: () => void;
  onFinish: () => void;
};

export function ActionBar({ session, index, feasible, done, onExpose, onNext, onFinish }: Props) {
  const theme = useTheme();
  if (!session) return null;
  const all = session.plan.every((_, i) => session.exposed[i] !== undefined);
  const hasNext = session.plan[index + 1] !== undefined;
  return (
    <View
      style={{
        flexDirection: 'row',
        gap: 8,
        padding: 8,
        borderTopWidth: 1,
        borderTopColor: theme.line,
        alignItems: 'center',
      }}
    >
      {done && (
        <Words kind="small" tone="sage" style={{ flex: 1, paddingLeft: 6 }} role="status">
          ✓ Exposed and kept
        </Words>
      )}
      {!done && (
        <View style={{ flex: 1 }}>
          <Button title={feasible ? 'Expose' : 'Not to be exposed like this'} disabled={!feasible} onPress={onExpose} />
        </View>
      )}
      {done && hasNext && !all && <Button title="Next projection" onPress={onNext} />}
      {(all || (done && !hasNext)) && <Button title="Finish exam" onPress={onFinish} />}
    </View>
  );
}
