/** Spot the fault: a picture that went wrong; which fault, which way, and how much to bring it back. */
import { Button } from '@rneui/themed';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { ExercisePicture } from './ExercisePicture';
import type { QuestionProps } from './questionProps';

const MOST = { '°': 45, mm: 200 } as const;

export function SpotQuestion({ scenario, core, room, size, done, onAnswer }: QuestionProps<'spot the fault'>) {
  const [faultId, setFault] = useState<string | undefined>(undefined);
  const [direction, setDirection] = useState<'more' | 'less' | undefined>(undefined);
  const [amount, setAmount] = useState<number | undefined>(undefined);
  const faults = useMemo(() => core.faultyOf(scenario, room).faults, [core, scenario, room]);
  const fault = faults.find(({ id }) => id === faultId);
  const unit = fault?.about.endsWith('Mm') ? 'mm' : '°';
  const ready = faultId !== undefined && direction !== undefined && amount !== undefined;
  return (
    <View style={{ gap: 12 }}>
      <ExercisePicture
        input={{
          request: { ...scenario.of, room },
          positioningError: scenario.positioningError,
          breath: null,
          motionMm: 0,
          seed: scenario.seed,
          exposure: 0,
        }}
        size={size}
        name="a faulty view"
      />
      <Words kind="small" tone="soft">
        One thing is not as it should be on this picture.
      </Words>
      <Choice
        label="What should be, and is not"
        options={faults.map(({ id, name }) => ({ value: id, label: name }))}
        value={faultId}
        onChange={(id) => {
          setFault(id);
          setDirection(undefined);
          setAmount(undefined);
        }}
      />
      {fault && (
        <>
          <Choice
            label="Which way"
            options={[
              { value: 'more', label: fault.more },
              { value: 'less', label: fault.less },
            ]}
            value={direction}
            onChange={setDirection}
          />
          <Stepper
            label="Bring the part back by"
            unit={unit}
            value={amount}
            placeholder="0"
            step={unit === 'mm' ? 5 : 1}
            range={[0, MOST[unit]]}
            onChange={setAmount}
            onClear={() => setAmount(undefined)}
          />
        </>
      )}
      {!done && (
        <Button
          title="Check"
          disabled={!ready}
          onPress={() => ready && onAnswer({ kind: 'spot the fault', faultId, direction, amount })}
        />
      )}
    </View>
  );
}
