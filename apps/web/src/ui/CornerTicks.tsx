/** Four right-angled brackets, as the corners of a light field fall on a table: our mark of focus and selection. */
import { View } from 'react-native';
import { useTheme } from './theme';

const ARM = 12;

export function CornerTicks({ inset = 0 }: { inset?: number }) {
  const { lamp } = useTheme();
  const side = { position: 'absolute' as const, width: ARM, height: ARM, borderColor: lamp };
  return (
    <View pointerEvents="none" style={{ position: 'absolute', top: inset, left: inset, right: inset, bottom: inset }}>
      <View style={[side, { top: 0, left: 0, borderTopWidth: 2, borderLeftWidth: 2 }]} />
      <View style={[side, { top: 0, right: 0, borderTopWidth: 2, borderRightWidth: 2 }]} />
      <View style={[side, { bottom: 0, left: 0, borderBottomWidth: 2, borderLeftWidth: 2 }]} />
      <View style={[side, { bottom: 0, right: 0, borderBottomWidth: 2, borderRightWidth: 2 }]} />
    </View>
  );
}
