/** One of a few, as large keys in a row. */
import { useRef } from 'react';
import { View } from 'react-native';
import { Press } from './Press';
import { useTheme } from './theme';
import { RADIUS } from './tokens';
import { Words } from './Words';

type Option<T extends string> = { value: T; label: string };

export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
}: {
  label: string;
  options: readonly Option<T>[];
  value: T | undefined;
  onChange: (value: T) => void;
}) {
  const keys = useRef(new Map<T, View>());
  const chosen = options.findIndex((option) => option.value === value);
  /** Arrow keys go round the group and choose as they go. */
  const move = (from: number, by: 1 | -1) => {
    const to = options[(from + by + options.length) % options.length];
    keys.current.get(to.value)?.focus();
    onChange(to.value);
  };
  return (
    <View style={{ gap: 6 }} role="radiogroup" aria-label={label}>
      <Words kind="small" tone="soft">
        {label}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {options.map((option, i) => (
          <Press
            key={option.value}
            ref={(key: View | null) => {
              if (key) keys.current.set(option.value, key);
            }}
            tabIndex={i === Math.max(0, chosen) ? 0 : -1}
            onArrow={(by) => move(i, by)}
            label={option.label}
            role="radio"
            checked={option.value === value}
            chosen={option.value === value}
            onPress={() => onChange(option.value)}
            style={{ paddingHorizontal: 16, maxWidth: '100%' }}
          >
            <Words kind="body">{option.label}</Words>
          </Press>
        ))}
      </View>
    </View>
  );
}

/** On or off, as one large key with a sign. */
export function Toggle({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <Press
      label={label}
      role="checkbox"
      checked={on}
      onPress={() => onChange(!on)}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        justifyContent: 'flex-start',
        gap: 12,
        paddingHorizontal: 12,
      }}
    >
      <Tick on={on} />
      <Words kind="body" style={{ flex: 1 }}>
        {label}
      </Words>
    </Press>
  );
}

export function Tick({ on }: { on: boolean }) {
  const theme = useTheme();
  return (
    <View
      aria-hidden
      style={{
        width: 26,
        height: 26,
        borderWidth: 2,
        borderRadius: RADIUS,
        borderColor: on ? theme.sage : theme.inkSoft,
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      {on && (
        <Words kind="small" tone="sage" style={{ lineHeight: 20 }}>
          ✓
        </Words>
      )}
    </View>
  );
}

/** Any of a few, as large keys in a row. */
export function Several<T extends string>({
  label,
  options,
  values,
  onChange,
}: {
  label: string;
  options: readonly Option<T>[];
  values: readonly T[];
  onChange: (values: T[]) => void;
}) {
  return (
    <View style={{ gap: 6 }} role="group" aria-label={label}>
      <Words kind="small" tone="soft">
        {label}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {options.map((option) => {
          const on = values.includes(option.value);
          return (
            <Press
              key={option.value}
              label={option.label}
              role="checkbox"
              checked={on}
              chosen={on}
              onPress={() => onChange(on ? values.filter((each) => each !== option.value) : [...values, option.value])}
              style={{ paddingHorizontal: 16, maxWidth: '100%' }}
            >
              <Words kind="body">{`${on ? '✓ ' : ''}${option.label}`}</Words>
            </Press>
          );
        })}
      </View>
    </View>
  );
}
