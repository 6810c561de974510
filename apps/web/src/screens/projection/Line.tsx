/** A named line of a set-up. */
import { View } from 'react-native';
import { Words } from '../../ui/Words';

export function Line({ name, text }: { name: string; text: string }) {
  return (
    <View style={{ flexDirection: 'row', gap: 10 }}>
      <Words kind="small" tone="soft" style={{ width: 78 }}>
        {name}
      </Words>
      <Words kind="small" style={{ flex: 1 }}>
        {text}
      </Words>
    </View>
  );
}
