/** What the console is set to besides kVp and mAs: current, focal spot, measuring cells and their density. */
import { AEC_CHOICES, OVERRIDE_RANGES, type Overrides, type Room, type Setup, significant } from '@taktik/core';
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { AEC_WORDS } from './words';

type Props = { setup: Setup; room: Room | undefined; overrides: Overrides; pull: (change: Overrides) => void };

export function TubeControls({ setup, room, overrides, pull }: Props) {
  const { exposure, receptor } = setup;
  const hasCells = room?.holders.find(({ kind }) => kind === receptor.holder)?.aec ?? false;
  return (
    <>
      <Stepper
        label="mA"
        unit="mA"
        value={exposure.mA}
        step={10}
        range={OVERRIDE_RANGES.mA}
        onChange={(mA) => pull({ mA })}
      />
      <Choice
        label="Focal spot"
        options={[
          { value: 'small', label: `small${room ? `, ${room.generator.smallFocusMm} mm` : ''}` },
          { value: 'large', label: `large${room ? `, ${room.generator.largeFocusMm} mm` : ''}` },
        ]}
        value={exposure.focalSpot}
        onChange={(focalSpot) => pull({ focalSpot })}
      />
      {hasCells && (
        <Choice
          label="Measuring cells"
          options={AEC_CHOICES.map((value) => ({ value, label: AEC_WORDS[value] }))}
          value={exposure.aec}
          onChange={(aecCells) => pull({ aecCells })}
        />
      )}
      {exposure.aec !== 'none' && (
        <>
          <Stepper
            label="AEC density"
            unit="steps"
            value={overrides.aecDensity ?? 0}
            step={1}
            range={OVERRIDE_RANGES.aecDensity}
            onChange={(aecDensity) => pull({ aecDensity })}
          />
          <Words kind="small">{`Back-up at ${significant(exposure.backupMas, 3)} mAs. If it is reached, find out why before repeating.`}</Words>
        </>
      )}
    </>
  );
}
