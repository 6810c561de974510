/** The five readouts in their fixed order, and the technique. */
import type { Overrides } from '@taktik/core';
import { View } from 'react-native';
import { ReadoutCard } from './ReadoutCard';
import { isPulled, READOUT_TITLES, READOUTS, type ReadoutName } from './ReadoutSheet';
import type { Computed } from './useCompute';
import { centreText, fieldText, receptorText, sidText, techniqueText, tubeText } from './words';

export function ReadoutGrid({
  result,
  pulled,
  open,
  onOpen,
  columns,
}: {
  result: Computed;
  pulled: Overrides | undefined;
  open: ReadoutName | null;
  onOpen: (name: ReadoutName) => void;
  columns: 2 | 3;
}) {
  const { setup, unit, changes } = result;
  const texts = {
    receptor: receptorText(setup),
    sid: sidText(setup, unit),
    tube: tubeText(setup),
    centre: centreText(setup, unit),
    field: fieldText(setup, unit),
    technique: techniqueText(setup),
  };
  const was = (name: ReadoutName) =>
    changes.find(({ readout, was: before }) => readout === name && before !== null)?.was ?? null;
  const rows = Array.from({ length: READOUTS.length / columns }, (_, i) =>
    READOUTS.slice(i * columns, (i + 1) * columns),
  );
  return (
    <View role="group" aria-label="Readouts" aria-live="polite" style={{ gap: 6 }}>
      {rows.map((row) => (
        <View key={row.join()} style={{ flexDirection: 'row', gap: 6 }}>
          {row.map((name) => (
            <ReadoutCard
              key={name}
              name={READOUT_TITLES[name]}
              text={texts[name]}
              was={was(name)}
              chosen={open === name}
              pulled={isPulled(name, pulled)}
              onPress={() => onOpen(name)}
            />
          ))}
        </View>
      ))}
    </View>
  );
}
