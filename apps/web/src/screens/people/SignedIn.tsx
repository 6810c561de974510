/** Shows what it holds to whoever is signed in; to others the sign-in. */
import type { PropsWithChildren } from 'react';
import { ScrollView } from 'react-native';
import { useAppSelector } from '../../state/hooks';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { SignIn } from './SignIn';

export function SignedIn({ title, purpose, children }: PropsWithChildren<{ title: string; purpose: string }>) {
  const person = useAppSelector((state) => state.who.person);
  if (person) return <>{children}</>;
  return (
    <Frame header={<PlaceHeader title={title} />}>
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4 }}>
        <SignIn purpose={purpose} />
      </ScrollView>
    </Frame>
  );
}
