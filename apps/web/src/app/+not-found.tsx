import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Frame, PlaceHeader } from '../ui/Frame';
import { Note } from '../ui/States';

export default function NotFound() {
  const router = useRouter();
  return (
    <Frame header={<PlaceHeader title="Not here" />}>
      <View style={{ padding: 16 }}>
        <Note
          title="There is no such page"
          text="The address is not one of Taktik’s."
          action="To the orders"
          onAction={() => router.replace('/orders')}
        />
      </View>
    </Frame>
  );
}
