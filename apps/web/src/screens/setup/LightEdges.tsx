/** Where the edges of the light lie on this patient: what the eye checks before the exposure. */
import { lightEdges, type LengthUnit, type Setup } from '@taktik/core';
import { View } from 'react-native';
import { Words } from '../../ui/Words';

export function LightEdges({ setup, unit }: { setup: Setup; unit: LengthUnit }) {
  const lines = lightEdges(setup, unit);
  if (lines.length === 0) return null;
  return (
    <View role="list" aria-label="Edges of the light" style={{ gap: 4 }}>
      <Words kind="small" tone="soft">
        Edges of the light
      </Words>
      {lines.map(({ text }) => (
        <View key={text} role="listitem">
          <Words>{text}</Words>
        </View>
      ))}
    </View>
  );
}
