/** The last steps: what the patient is told, rails up, everything collected. */
import { Button } from '@rneui/themed';
import { aftercareFor, entriesNamed, finishStepsFor } from '@taktik/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useAppDispatch } from '../../state/hooks';
import { Toggle } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { checkedOff, type Session } from '../../state/session';
import { useOwnEntries } from '../projection/useOwnEntries';
import { usePlan } from './usePlan';

type Props = { open: boolean; session: Session; onFinish: () => void; onClose: () => void };

export function FinishSheet({ open, session, onFinish, onClose }: Props) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const view = usePlan(open ? { ...session, keepOrder: true } : null);
  const ids = session.plan.map(({ projectionId }) => projectionId);
  const bring = view && !('error' in view) ? view.bring : [];
  const { own } = useOwnEntries();
  const entries = entriesNamed(ids, own);
  const steps = finishStepsFor(entries, session.situation.place ?? 'room', bring);
  const care = aftercareFor(entries);
  const open_ = steps.filter(({ id }) => !session.checked.includes(`end-${id}`)).length;
  return (
    <Sheet title="Finish" open={open} onClose={onClose}>
      <View style={{ gap: 4 }}>
        {steps.map(({ id, text }) => (
          <Toggle
            key={id}
            label={text}
            on={session.checked.includes(`end-${id}`)}
            onChange={() => dispatch(checkedOff(`end-${id}`))}
          />
        ))}
      </View>
      {care.length > 0 && (
        <Press
          label="Instructions for the patient, to print"
          role="link"
          onPress={() => {
            onClose();
            router.push({ pathname: '/aftercare', params: { of: ids.join(',') } });
          }}
          style={{ paddingHorizontal: 12 }}
        >
          <Words tone="lamp">{`Instructions for the patient, to print: ${care.map(({ title }) => title.toLowerCase()).join(', ')}`}</Words>
        </Press>
      )}
      {open_ > 0 && (
        <Words kind="small" tone="soft">
          {`${open_} not ticked`}
        </Words>
      )}
      <Button title={open_ > 0 ? 'Finish all the same' : 'Finish exam'} onPress={onFinish} />
    </Sheet>
  );
}
