/** The last bar of the screen: expose, go on, finish. */
import { Button } from '@rneui/themed';
import { View } from 'react-native';
import { useExposureQuery } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { Session } from './session';
import { signed } from './words';

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
      {done && <Kept exposureId={session.exposed[index]} />}
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

/** What came of the exposure: on this device first, with the detector's index as soon as the server has it. */
function Kept({ exposureId }: { exposureId: string }) {
  const waiting = useAppSelector((state) => state.outbox.waiting.some(({ id }) => id === exposureId));
  const { data } = useExposureQuery(exposureId, { skip: waiting });
  return (
    <Words kind="small" tone="sage" style={{ flex: 1, paddingLeft: 6 }} role="status">
      {`✓ Exposed and kept${data ? ` · EI ${data.exposureIndex}, DI ${signed(data.deviationIndex)}` : ''}`}
    </Words>
  );
}
