/** The stage in its place: measures the room it has, and switches between the two looks. */
import type { LengthUnit, Overrides, Setup, StageDrawing, StageLook } from '@taktik/core';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Stage } from '../../ui/Stage';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { StageHandle } from './StageHandle';
import { useMannequin } from './useMannequin';

type Props = {
  drawing: StageDrawing | undefined;
  setup: Setup;
  unit: LengthUnit;
  look: StageLook;
  width: number;
  height: number;
  onSwitch?: () => void;
  onDrag: (change: Overrides) => void;
};

const NAMES: Record<StageLook, string> = { side: 'from the side', ray: 'along the CR' };

export function StagePane({ drawing, setup, unit, look, width, height, onSwitch, onDrag }: Props) {
  const theme = useTheme();
  const mannequin = useMannequin(setup, drawing);
  return (
    <View style={{ width, height, backgroundColor: theme.surface }}>
      {drawing && mannequin && (
        <Stage drawing={drawing} mannequin={mannequin} setup={setup} unit={unit} width={width} height={height} />
      )}
      {drawing && <StageHandle setup={setup} drawing={drawing} width={width} onDrag={onDrag} />}
      {onSwitch && (
        <Press
          label={`Look ${NAMES[look === 'side' ? 'ray' : 'side']}`}
          onPress={onSwitch}
          style={{
            position: 'absolute',
            right: 6,
            ...(look === 'ray' ? { bottom: 6 } : { top: 6 }),
            paddingHorizontal: 12,
            backgroundColor: theme.raised,
          }}
        >
          <Words kind="label">{NAMES[look === 'side' ? 'ray' : 'side']}</Words>
        </Press>
      )}
    </View>
  );
}
