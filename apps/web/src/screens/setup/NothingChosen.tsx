/** Set up without a projection: go on with the exam in hand, or choose. */
import { Button } from '@rneui/themed';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Note } from '../../ui/States';
import { addressOf } from './begin';
import type { Session } from '../../state/session';
import { patientText } from './words';

export function NothingChosen({ session }: { session: Session | null }) {
  const router = useRouter();
  const resume = () =>
    session &&
    router.replace({
      pathname: '/setup',
      params: addressOf(
        session,
        Math.max(
          0,
          session.plan.findIndex((_, i) => session.exposed[i] === undefined),
        ),
      ),
    });
  return (
    <Frame header={<PlaceHeader title="Set up" />}>
      <View style={{ padding: 16, gap: 12 }}>
        {session ? (
          <Note
            title={`${session.exam} is open`}
            text={`For ${session.initials}: ${patientText(session.patient)}.`}
            action="Continue"
            onAction={resume}
          />
        ) : (
          <Note
            title="No projection chosen"
            text="Start an order, or find a projection."
            action="Orders"
            onAction={() => router.push('/orders')}
          />
        )}
        <Button title="Find a projection" onPress={() => router.push('/find')} />
      </View>
    </Frame>
  );
}
