/** One of the readouts: a figure to be read from two metres, and a control. */
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { ReadoutText } from './words';

type Props = {
  name: string;
  text: ReadoutText;
  was: string | null;
  chosen: boolean;
  pulled: boolean;
  onPress: () => void;
};

export function ReadoutCard({ name, text, was, chosen, pulled, onPress }: Props) {
  const theme = useTheme();
  // Long figures ("14½×16") give way a little rather than break.
  const size = text.figure.length > 7 ? 24 : text.figure.length > 5 ? 28 : 32;
  const spoken = `${name}: ${text.figure} ${text.unit}, ${text.line}. ${text.other}${was ? `. Was ${was}` : ''}${pulled ? '. Set by hand' : ''}`;
  return (
    <Press
      label={spoken}
      hint="How this was computed, and to change it"
      onPress={onPress}
      chosen={chosen}
      style={{ flexGrow: 1, flexBasis: 0, minWidth: 96, padding: 10, justifyContent: 'flex-start' }}
    >
      <Words kind="label" tone="soft">
        {pulled ? `${name} · by hand` : name}
      </Words>
      <View style={{ flexDirection: 'row', alignItems: 'baseline', flexWrap: 'wrap', columnGap: 4 }}>
        <View style={{ borderBottomWidth: 3, borderBottomColor: was ? theme.lampFill : 'transparent' }}>
          <Words kind="figure" style={{ fontSize: size }} numberOfLines={1}>
            {text.figure}
          </Words>
        </View>
        {text.unit !== '' && <Words kind="small">{text.unit}</Words>}
      </View>
      <Words kind="small" numberOfLines={3}>
        {text.line}
      </Words>
      <Words kind="label" tone="soft" numberOfLines={1}>
        {text.other}
      </Words>
      {was && (
        <Words kind="label" tone="soft" numberOfLines={1} style={{ textDecorationLine: 'line-through' }}>
          {was}
        </Words>
      )}
    </Press>
  );
}
