/** Anything that is pressed: large enough for a glove, with corner ticks on keyboard focus or when it is the chosen one. */
import { useState, type ReactNode } from 'react';
import { Pressable, type StyleProp, type ViewStyle } from 'react-native';
import { CornerTicks } from './CornerTicks';
import { useTheme } from './theme';
import { RADIUS, TARGET } from './tokens';

type Props = {
  label: string;
  onPress?: () => void;
  children: ReactNode;
  chosen?: boolean;
  role?: 'button' | 'link' | 'radio' | 'checkbox' | 'tab';
  checked?: boolean;
  disabled?: boolean;
  plain?: boolean;
  hint?: string;
  /** A file of the server to be kept, instead of an action. */
  download?: string;
  style?: StyleProp<ViewStyle>;
  testID?: string;
};

export function Press({
  label,
  onPress,
  children,
  chosen = false,
  role = 'button',
  checked,
  disabled,
  plain,
  hint,
  download,
  style,
  testID,
}: Props) {
  const theme = useTheme();
  const [focused, setFocused] = useState(false);
  const toggles = role === 'radio' || role === 'checkbox';
  return (
    <Pressable
      role={role}
      aria-label={label}
      aria-checked={toggles ? Boolean(checked) : undefined}
      aria-selected={role === 'tab' ? chosen : undefined}
      aria-disabled={disabled || undefined}
      accessibilityHint={hint}
      disabled={disabled}
      onPress={onPress}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      testID={testID}
      {...(download ? { href: download, hrefAttrs: { download: true } } : {})}
      style={({ pressed }) => [
        {
          minHeight: TARGET,
          minWidth: TARGET,
          borderRadius: RADIUS,
          justifyContent: 'center',
          backgroundColor: pressed ? theme.raised : plain ? 'transparent' : theme.surface,
          opacity: disabled ? 0.55 : 1,
        },
        style,
      ]}
    >
      {children}
      {(chosen || focused) && <CornerTicks />}
    </Pressable>
  );
}
