/** One line of text with its label. */
import { TextInput, View } from 'react-native';
import { useTheme } from './theme';
import { fonts, RADIUS, TARGET } from './tokens';
import { Words } from './Words';

type Props = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  max: number;
  numeric?: boolean;
  placeholder?: string;
  /** Lines that are seen, of a text that may have several. */
  lines?: number;
};

/** What was typed as a number, with a point or a comma; NaN for nothing or for something else. */
export const numberOf = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));

export function LineInput({ label, value, onChange, max, numeric, placeholder, lines = 1 }: Props) {
  const theme = useTheme();
  return (
    <View style={{ gap: 4 }}>
      <Words kind="small" tone="soft">
        {label}
      </Words>
      <TextInput
        aria-label={label}
        value={value}
        onChangeText={(text) => onChange(text.slice(0, max))}
        inputMode={numeric ? 'numeric' : 'text'}
        multiline={lines > 1}
        numberOfLines={lines}
        placeholder={placeholder}
        placeholderTextColor={theme.inkSoft}
        style={{
          minHeight: TARGET,
          borderWidth: 1,
          borderColor: theme.line,
          borderRadius: RADIUS,
          paddingHorizontal: 12,
          color: theme.ink,
          backgroundColor: theme.surface,
          fontFamily: fonts.body,
          fontSize: 17,
        }}
      />
    </View>
  );
}
