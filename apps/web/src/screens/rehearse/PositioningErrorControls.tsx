/** How the part lies against how it should: three turns and two shifts, the breath, and what moved. */
import {
  IMPLANTS,
  POSITIONING_ERROR_RANGES,
  NO_POSITIONING_ERROR,
  type Implant,
  type PositioningError,
} from '@taktik/core';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';

type Props = {
  positioningError: PositioningError;
  breath: 'in' | 'out' | null;
  motionMm: number;
  onPositioningError: (positioningError: PositioningError) => void;
  onBreath: (breath: 'in' | 'out' | null) => void;
  onMotion: (mm: number) => void;
  /** Left out where no implant would be seen. */
  implant?: Implant;
  onImplant?: (implant: Implant) => void;
};

const MOTION_RANGE = [0, 20] as const;
const TURNS = [
  { key: 'rollDeg', label: 'Roll' },
  { key: 'tiltDeg', label: 'Tilt' },
  { key: 'turnDeg', label: 'Alignment with the field' },
] as const;
const SHIFTS = [
  { key: 'alongMm', label: 'Up the receptor' },
  { key: 'acrossMm', label: 'Across it' },
] as const;

export function PositioningErrorControls({
  positioningError,
  breath,
  motionMm,
  onPositioningError,
  onBreath,
  onMotion,
  implant,
  onImplant,
}: Props) {
  const set = (key: keyof PositioningError, value: number) => onPositioningError({ ...positioningError, [key]: value });
  const straight = Object.values(positioningError).every((value) => value === 0);
  return (
    <View style={{ gap: 10 }}>
      <Words kind="small" tone="soft">
        How the part lies against how it should. Drag the picture to move the part under the light.
      </Words>
      {TURNS.map(({ key, label }) => (
        <Stepper
          key={key}
          label={label}
          unit="°"
          value={positioningError[key]}
          step={1}
          digits={1}
          range={POSITIONING_ERROR_RANGES[key]}
          onChange={(value) => set(key, value)}
        />
      ))}
      {SHIFTS.map(({ key, label }) => (
        <Stepper
          key={key}
          label={label}
          unit="mm"
          value={Math.round(positioningError[key])}
          step={5}
          range={POSITIONING_ERROR_RANGES[key]}
          onChange={(value) => set(key, value)}
        />
      ))}
      <Choice
        label="Breath"
        options={[
          { value: 'asked', label: 'as asked' },
          { value: 'in', label: 'in' },
          { value: 'out', label: 'out' },
        ]}
        value={breath ?? 'asked'}
        onChange={(value) => onBreath(value === 'asked' ? null : value)}
      />
      <Stepper label="Motion" unit="mm" value={motionMm} step={1} range={MOTION_RANGE} onChange={onMotion} />
      {implant && onImplant && (
        <Choice
          label="Replaced joint"
          options={IMPLANTS.map((each) => ({ value: each, label: each }))}
          value={implant}
          onChange={onImplant}
        />
      )}
      <Press
        label="Lay the part as it should lie"
        disabled={straight && breath === null && motionMm === 0}
        onPress={() => {
          onPositioningError(NO_POSITIONING_ERROR);
          onBreath(null);
          onMotion(0);
        }}
        style={{ paddingHorizontal: 12 }}
      >
        <Words>Lay it as it should lie</Words>
      </Press>
    </View>
  );
}
