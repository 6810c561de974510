/** Anything that is pressed: large enough for a glove, with corner ticks on keyboard focus or when it is the chosen one. */
import { useState, type KeyboardEvent, type ReactNode, type Ref } from 'react';
import { Pressable, type StyleProp, type View, type ViewStyle } from 'react-native';
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
  /** What it shows is open. */
  expanded?: boolean;
  disabled?: boolean;
  plain?: boolean;
  hint?: string;
  /** A file of the server to be kept, instead of an action. */
  download?: string;
  style?: StyleProp<ViewStyle>;
  testID?: string;
  /** Of a group in which the arrow keys move: only one of it is reached by Tab. */
  tabIndex?: 0 | -1;
  onArrow?: (by: 1 | -1) => void;
  /** What stands behind it: by a long press, or by “?” while it has the focus. */
  onAsk?: () => void;
  ref?: Ref<View>;
};

const ARROWS: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

export function Press({
  label,
  onPress,
  children,
  chosen = false,
  role = 'button',
  checked,
  expanded,
  disabled,
  plain,
  hint,
  download,
  style,
  testID,
  tabIndex,
  onArrow,
  onAsk,
  ref,
}: Props) {
  const theme = useTheme();
  const [focused, setFocused] = useState(false);
  const toggles = role === 'radio' || role === 'checkbox';
  // Space presses what is switched too, where the browser knows it for buttons alone.
  const onKeyDown = (event: KeyboardEvent) => {
    const by = ARROWS[event.key];
    if (by !== undefined && onArrow) {
      event.preventDefault();
      event.stopPropagation();
      onArrow(by);
    } else if (event.key === '?' && onAsk) {
      event.preventDefault();
      event.stopPropagation();
      onAsk();
    } else if (event.key === ' ' && toggles && !disabled) {
      event.preventDefault();
      event.stopPropagation();
      onPress?.();
    }
  };
  return (
    <Pressable
      ref={ref}
      role={role}
      aria-label={label}
      aria-expanded={expanded}
      aria-checked={toggles ? Boolean(checked) : undefined}
      aria-selected={role === 'tab' ? chosen : undefined}
      aria-disabled={disabled || undefined}
      accessibilityHint={hint}
      disabled={disabled}
      onPress={onPress}
      onLongPress={onAsk}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      testID={testID}
      {...(tabIndex === undefined ? {} : { tabIndex })}
      {...({ onKeyDown } as object)}
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
