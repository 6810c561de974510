/** Which finger or toe a view is set for; all of them where it shows several. */
import { askedText, askedWay, digitOf, digitsOf, digitWord, type Projection } from '@taktik/core';
import { Choice } from '../../ui/Choice';

type Props = {
  entry: Projection;
  /** Short text of the way that is asked for; the usual one of the entry's own digit when left out. */
  way: string | undefined;
  onChange: (way: string | undefined) => void;
};

const ALL = 'all';

export function DigitChoice({ entry, way, onChange }: Props) {
  const digits = digitsOf(entry);
  // An entry that is of one digit alone leaves no choice.
  if (digits.length < 2) return null;
  const asked = askedWay(way);
  const own = digitOf(entry);
  return (
    <Choice
      label={entry.region === 'foot and ankle' ? 'Which toe' : 'Which finger'}
      options={[
        ...(own === null ? [{ value: ALL, label: ALL }] : []),
        ...digits.map((digit) => ({ value: String(digit), label: digitWord(entry, digit) })),
      ]}
      value={String(asked.digit ?? own ?? ALL)}
      onChange={(digit) => onChange(askedText({ ...asked, digit: digit === ALL ? undefined : Number(digit) }))}
    />
  );
}
