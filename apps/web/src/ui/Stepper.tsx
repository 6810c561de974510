/** A number changed by two large keys or typed; what is typed stays until it is right, and says what is wrong. */
import { useState } from 'react';
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
  /** Where the keys stop instead of at steps, rising. */
  stations?: readonly number[];
  range: readonly [number, number];
  /** Digits after the point. */
  digits?: number;
  placeholder?: string;
  assumed?: boolean;
  onChange: (value: number) => void;
  /** A value that may be taken back: emptied, it is not known any more. */
  onClear?: () => void;
};

const MAX_TYPED = 12;

export function Stepper({
  label,
  unit,
  value,
  step,
  stations,
  range,
  digits = 0,
  placeholder,
  assumed,
  onChange,
  onClear,
}: Props) {
  const theme = useTheme();
  const show = (number: number | undefined) => (number === undefined ? '' : String(Number(number.toFixed(digits))));
  // What was typed holds as long as the value it was typed against; a step or a reset replaces it.
  const [draft, setDraft] = useState<{ text: string; against: number | undefined } | null>(null);
  const typed = draft && draft.against === value ? draft.text : show(value);

  const [low, high] = range;
  const problemOf = (text: string): string => {
    const number = Number(text.replace(',', '.'));
    if (text.trim() === '' && onClear) return '';
    if (text.trim() === '' || !Number.isFinite(number))
      return `${label}: type a number, ${show(low)} to ${show(high)} ${unit}`;
    return number < low || number > high ? `${label} must be ${show(low)} to ${show(high)} ${unit}` : '';
  };
  const error = draft && draft.against === value ? problemOf(draft.text) : '';
  const take = (entered: string) => {
    const text = entered.slice(0, MAX_TYPED);
    if (text.trim() === '' && onClear) {
      setDraft(null);
      onClear();
      return;
    }
    const good = problemOf(text) === '';
    const number = Number(text.replace(',', '.'));
    setDraft({ text, against: good ? number : value });
    if (good) onChange(number);
  };
  const move = (by: number) => {
    const shown = Number(placeholder ?? low);
    const from = value ?? (Number.isFinite(shown) ? shown : low);
    const past = stations && (by > 0 ? stations.find((each) => each > from) : stations.findLast((each) => each < from));
    onChange(Math.min(high, Math.max(low, past ?? Number((from + by).toFixed(digits)))));
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
          aria-label={unit === '' ? label : `${label} in ${unit}`}
          aria-invalid={error !== ''}
          value={typed}
          placeholder={placeholder}
          placeholderTextColor={theme.inkSoft}
          inputMode="decimal"
          onChangeText={take}
          style={{
            width: 92,
            minHeight: TARGET,
            textAlign: 'center',
            color: theme.ink,
            backgroundColor: theme.surface,
            borderColor: error ? theme.brick : theme.line,
            borderWidth: 1,
            borderRadius: RADIUS,
            fontFamily: fonts.figure,
            fontSize: 21,
          }}
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
