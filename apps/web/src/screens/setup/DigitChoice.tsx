/** Which finger or toe a view of one digit is set for. */
import { askedText, askedWay, digitOf, digitsOf, digitWord, type Projection } from '@taktik/core';
import { Choice } from '../../ui/Choice';

type Props = {
  entry: Projection;
  /** Short text of the way that is asked for; the usual one of the entry's own digit when left out. */
  way: string | undefined;
  onChange: (way: string) => void;
};

export function DigitChoice({ entry, way, onChange }: Props) {
  const digits = digitsOf(entry);
  // An entry that is of one digit alone leaves no choice.
  if (digits.length < 2) return null;
  const asked = askedWay(way);
  return (
    <Choice
      label={entry.region === 'foot and ankle' ? 'Which toe' : 'Which finger'}
      options={digits.map((digit) => ({ value: String(digit), label: digitWord(entry, digit) }))}
      value={String(asked.digit ?? digitOf(entry))}
      onChange={(digit) => onChange(askedText({ ...asked, digit: Number(digit) })!)}
    />
  );
}
