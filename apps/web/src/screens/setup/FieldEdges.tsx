/** Where the edges of the light field lie on this patient: what the eye checks before the exposure. */
import { fieldEdges, type LengthUnit, type Setup } from '@taktik/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Words } from '../../ui/Words';

type Props = {
  setup: Setup;
  unit: LengthUnit;
  /** Landmarks that are not felt in this patient. */
  notFelt: readonly string[] | undefined;
  /** Beside the step that opens the field, which says what they are. */
  ofStep?: boolean;
};

export function FieldEdges({ setup, unit, notFelt, ofStep = false }: Props) {
  const lines = useMemo(() => fieldEdges(setup, unit, notFelt), [setup, unit, notFelt]);
  if (lines.length === 0) return null;
  return (
    <View role="list" aria-label="Edges of the light field" style={{ gap: 4 }}>
      {!ofStep && (
        <Words kind="small" tone="soft">
          Edges of the light field
        </Words>
      )}
      {lines.map(({ text }) => (
        <View key={text} role="listitem">
          <Words {...(ofStep ? { kind: 'small', tone: 'soft' } : {})}>{text}</Words>
        </View>
      ))}
    </View>
  );
}
