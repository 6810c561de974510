/** Brightness and contrast of the picture for the eye; the exposure stays what it was. */
import type { Window } from '@taktik/core';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';

/** Decades by which a key moves the middle, and share by which it stretches the range. */
const LEVEL_STEP = 0.08;
const WIDTH_STEP = 1.15;

type Props = { window: Window; changed: boolean; onChange: (window: Window | null) => void };

export function WindowControls({ window: { level, width }, changed, onChange }: Props) {
  const key = (label: string, sign: string, to: Window | null) => (
    <Press label={label} onPress={() => onChange(to)} style={{ flex: 1, alignItems: 'center' }}>
      <Words kind="small">{sign}</Words>
    </Press>
  );
  return (
    <View role="group" aria-label="Brightness and contrast of the picture" style={{ flexDirection: 'row', gap: 6 }}>
      {key('Darker', 'Darker', { level: level - LEVEL_STEP, width })}
      {key('Brighter', 'Brighter', { level: level + LEVEL_STEP, width })}
      {key('Less contrast', 'Softer', { level, width: width * WIDTH_STEP })}
      {key('More contrast', 'Harder', { level, width: width / WIDTH_STEP })}
      {changed && key('By the content of the field', 'Auto', null)}
    </View>
  );
}
