/** Rehearse without a set-up: choose one to try. */
import { projections } from '@taktik/core';
import { useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { useAppSelector } from '../../state/hooks';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';

export function PractiseMenu() {
  const router = useRouter();
  const recent = useAppSelector((state) => state.preferences.recent);
  const shown = (recent.length > 0 ? recent : ['chest-pa', 'knee-lateral', 'skull-pa']).flatMap(
    (id) => projections.find((entry) => entry.id === id) ?? [],
  );
  return (
    <Frame header={<PlaceHeader title="Rehearse" detail="Simulated pictures, no dose" />}>
      <ScrollView contentContainerStyle={{ padding: 16, gap: 12 }}>
        <View style={{ gap: 8 }}>
          {shown.map(({ id, name }) => (
            <Press
              key={id}
              label={`Try ${name}`}
              role="link"
              onPress={() => router.push({ pathname: '/rehearse', params: { p: id } })}
              style={{ paddingHorizontal: 14 }}
            >
              <Words>{name}</Words>
            </Press>
          ))}
        </View>
      </ScrollView>
    </Frame>
  );
}
