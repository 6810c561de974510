/** A number changed by two large keys or typed; what is typed stays until it is right, and says what is wrong. */
import { useEffect, useState } from 'react';
import { TextInput, View } from 'react-native';
import { Press } from './Press';
import { useTheme } from './theme';
import { fonts, RADIUS, TARGET } from './tokens';
import { Words } from './Words';

type Props = {
  label: string;
  unit: string;
  value: number | undefined;
  step: number;
  range: readonly [number, number];
  /** Digits after the point. */
  digits?: number;
  placeholder?: string;
  assumed?: boolean;
  onChange: (value: number) => void;
};

const MAX_TYPED = 12;

export function Stepper({ label, unit, value, step, range, digits = 0, placeholder, assumed, onChange }: Props) {
  const theme = useTheme();
  const show = (number: number | undefined) => (number === undefined ? '' : String(Number(number.toFixed(digits))));
  const [typed, setTyped] = useState(show(value));
  const [error, setError] = useState('');
  useEffect(() => {
    setTyped((now) => (Number(now.replace(',', '.')) === value ? now : show(value)));
    setError('');
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [value]);

  const [low, high] = range;
  const take = (text: string) => {
    setTyped(text.slice(0, MAX_TYPED));
    const number = Number(text.replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(number)) setError(`${label}: type a number, ${show(low)} to ${show(high)} ${unit}`);
    else if (number < low || number > high) setError(`${label} must be ${show(low)} to ${show(high)} ${unit}`);
    else {
      setError('');
      onChange(number);
    }
  };
  const move = (by: number) => {
    const from = value ?? Number(placeholder ?? low);
    onChange(Math.min(high, Math.max(low, Number((from + by).toFixed(digits)))));
  };
  return (
    <View style={{ gap: 2 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Words kind="body">{label}</Words>
          {assumed && (
            <Words kind="label" tone="mauve">
              ● assumed
            </Words>
          )}
        </View>
        <Press label={`${label} less`} onPress={() => move(-step)} style={{ alignItems: 'center', width: TARGET }}>
          <Words kind="title">−</Words>
        </Press>
        <TextInput
          aria-label={`${label} in ${unit}`}
          aria-invalid={error !== ''}
          value={typed}
          placeholder={placeholder}
          placeholderTextColor={theme.inkSoft}
          inputMode="decimal"
          onChangeText={take}
          style={{ width: 92, minHeight: TARGET, textAlign: 'center', color: theme.ink, backgroundColor: theme.surface, borderColor: error ? theme.brick : theme.line, borderWidth: 1, borderRadius: RADIUS, fontFamily: fonts.figure, fontSize: 21 }}
        />
        <Press label={`${label} more`} onPress={() => move(step)} style={{ alignItems: 'center', width: TARGET }}>
          <Words kind="title">+</Words>
        </Press>
        <Words kind="small" tone="soft" style={{ width: 34 }}>
          {unit}
        </Words>
      </View>
      {error !== '' && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ ${error}. What you typed is kept; the last good value is used.`}
        </Words>
      )}
    </View>
  );
}
