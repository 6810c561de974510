/** Stations of a generator as a list that is typed; kept as typed until it is right. */
import { useState } from 'react';
import { View } from 'react-native';
import { LineInput } from '../../ui/LineInput';
import { Words } from '../../ui/Words';

type Props = {
  label: string;
  unit: string;
  values: readonly number[] | undefined;
  most: number;
  /** Where none are known. */
  without?: string;
  onChange: (values: number[] | null) => void;
};

const MAX_TYPED = 600;
const show = (values: readonly number[] | undefined): string => (values ?? []).join(' ');

/** @returns the numbers, null for none, or what is wrong */
export function readStations(text: string, most: number): number[] | null | string {
  const parts = text.split(/[\s;]+/).filter((part) => part !== '');
  if (parts.length === 0) return null;
  const values = parts.map((part) => Number(part.replace(',', '.')));
  const wrong = parts.find((_, i) => !Number.isFinite(values[i]) || values[i] < 0.1 || values[i] > most);
  if (wrong !== undefined) return `“${wrong}” is not a number from 0.1 to ${most}`;
  const falls = values.findIndex((value, i) => i > 0 && value <= values[i - 1]);
  return falls < 0 ? values : `${values[falls]} must be more than ${values[falls - 1]}`;
}

export function Stations({ label, unit, values, most, without, onChange }: Props) {
  // What was typed holds as long as the list it came to: changes that are dropped take it along.
  const [typed, setTyped] = useState<{ text: string; against: string } | null>(null);
  const text = typed && typed.against === show(values) ? typed.text : show(values);
  const found = readStations(text, most);
  const error = typeof found === 'string' ? found : found === null && !without ? 'At least one station' : '';
  const take = (next: string) => {
    const result = readStations(next, most);
    const good = typeof result !== 'string' && (result !== null || without !== undefined);
    setTyped({ text: next, against: show(good ? (result ?? undefined) : values) });
    if (good) onChange(result);
  };
  return (
    <View style={{ gap: 2 }}>
      <LineInput
        label={`${label}, ${unit}, with spaces between`}
        value={text}
        onChange={take}
        max={MAX_TYPED}
        placeholder={without}
      />
      {error !== '' && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ ${error}. What you typed is kept; the last good list is used.`}
        </Words>
      )}
    </View>
  );
}
