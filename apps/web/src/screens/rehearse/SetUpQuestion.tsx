/** Set it up: from a room as it was left to this projection for this patient; the picture follows. */
import { Button } from '@rneui/themed';
import {
  angledTo,
  centimetres,
  inches,
  POSITIONING_ERROR_RANGES,
  OVERRIDE_RANGES,
  type PositioningError,
} from '@taktik/core';
import type { AnswerTo } from '@taktik/core/exercise';
import { useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { WIDE_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { patientText, situationText } from '../setup/words';
import { useAppSelector } from '../../state/hooks';
import { ExercisePicture } from './ExercisePicture';
import type { QuestionProps } from './questionProps';
import { useDragPart } from './useDragPart';

/** Keys step by what a tape and a dial show. */
const STEPS = { cm: { sid: 5, field: 1 }, in: { sid: 2, field: 0.5 } } as const;

export function SetUpQuestion({ scenario, core, room, size, done, onAnswer }: QuestionProps<'set it up'>) {
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const start = useMemo(() => core.leftBehind(scenario, room), [core, scenario, room]);
  const [answer, setAnswer] = useState<AnswerTo<'set it up'>>(start);
  const right = useMemo(() => core.setupOf(scenario.of, room), [core, scenario, room]);
  const sizes = useMemo(() => core.receptorsFor(room, right), [core, room, right]);
  const set = (change: Partial<AnswerTo<'set it up'>>) => setAnswer((old) => ({ ...old, ...change }));
  // What is shown is how far the hand has moved it; how wrong it lay is to be seen on the picture.
  const moved = (key: keyof PositioningError) => Math.round(answer.positioningError[key] - start.positioningError[key]);
  const move = (key: keyof PositioningError, by: number) =>
    set({ positioningError: { ...answer.positioningError, [key]: start.positioningError[key] + by } });
  const rangeOf = (key: keyof PositioningError) =>
    POSITIONING_ERROR_RANGES[key].map((end) => end - start.positioningError[key]) as [number, number];
  const drag = useDragPart(answer.positioningError, (positioningError) => set({ positioningError }));
  const { sidMm, angleDeg, receptorId, orientation, fieldMm } = answer;
  const unit = useAppSelector((state) => state.preferences.unit);
  const perUnit = unit === 'in' ? inches(1) : centimetres(1);
  const inUnit = ([low, high]: readonly [number, number]) => [low / perUnit, high / perUnit] as const;
  const [head, feet] = right.tube.ways;
  const picture = (
    <ExercisePicture
      input={{
        request: { ...scenario.of, room, overrides: { sidMm, angleDeg, receptorId, orientation, fieldMm } },
        positioningError: answer.positioningError,
        breath: null,
        motionMm: 0,
        seed: scenario.seed,
        exposure: 0,
        marker: answer.marker,
      }}
      size={size}
      name={scenario.about}
      onDrag={done ? undefined : drag}
    />
  );
  const controls = (
    <View style={{ gap: 10, width: wide ? 400 : undefined }}>
      <Words kind="small" tone="soft">
        {`${patientText(scenario.of.patient ?? {})} · ${situationText(right.situation)}. The room is as the one before left it.`}
      </Words>
      <Stepper
        label="SID"
        unit={unit}
        value={sidMm / perUnit}
        step={STEPS[unit].sid}
        digits={1}
        range={inUnit(OVERRIDE_RANGES.sidMm)}
        onChange={(typed) => set({ sidMm: typed * perUnit })}
      />
      <Stepper
        label={`Tube angle, ${angledTo(head)} above 0, ${angledTo(feet)} below`}
        unit="°"
        value={angleDeg}
        step={1}
        range={OVERRIDE_RANGES.angleDeg}
        onChange={(degrees) => set({ angleDeg: degrees })}
      />
      {!right.receptor.size.fixed && (
        <>
          <Choice
            label="Receptor"
            options={sizes.map(({ id, name }) => ({ value: id, label: name }))}
            value={receptorId}
            onChange={(id) => set({ receptorId: id })}
          />
          <Choice
            label="Receptor laid"
            options={[
              { value: 'lengthwise', label: 'lengthwise' },
              { value: 'crosswise', label: 'crosswise' },
            ]}
            value={orientation}
            onChange={(value) => set({ orientation: value })}
          />
        </>
      )}
      {(['across', 'along'] as const).map((axis, i) => (
        <Stepper
          key={axis}
          label={`Light ${axis}`}
          unit={unit}
          value={fieldMm[i] / perUnit}
          step={STEPS[unit].field}
          digits={1}
          range={inUnit(OVERRIDE_RANGES.fieldMm)}
          onChange={(typed) =>
            set({ fieldMm: i === 0 ? [typed * perUnit, fieldMm[1]] : [fieldMm[0], typed * perUnit] })
          }
        />
      ))}
      <Choice
        label="Marker"
        options={[
          { value: 'R', label: 'R' },
          { value: 'L', label: 'L' },
        ]}
        value={answer.marker}
        onChange={(marker) => set({ marker })}
      />
      <Words kind="small" tone="soft">
        The part lies wrong too: turn it, and move it by dragging the picture. The numbers say how far you have moved
        it.
      </Words>
      {(
        [
          ['rollDeg', 'Roll'],
          ['tiltDeg', 'Tilt'],
          ['turnDeg', 'Alignment with the field'],
        ] as const
      ).map(([key, label]) => (
        <Stepper
          key={key}
          label={label}
          unit="°"
          value={moved(key)}
          step={1}
          range={rangeOf(key)}
          onChange={(by) => move(key, by)}
        />
      ))}
      {(
        [
          ['alongMm', 'Up the receptor'],
          ['acrossMm', 'Across it'],
        ] as const
      ).map(([key, label]) => (
        <Stepper
          key={key}
          label={label}
          unit="mm"
          value={moved(key)}
          step={5}
          range={rangeOf(key)}
          onChange={(by) => move(key, by)}
        />
      ))}
      {!done && <Button title="Check" onPress={() => onAnswer(answer)} />}
    </View>
  );
  return wide ? (
    <View style={{ flexDirection: 'row', gap: 20, alignItems: 'flex-start' }}>
      {picture}
      {controls}
    </View>
  ) : (
    <View style={{ gap: 12 }}>
      {picture}
      {controls}
    </View>
  );
}
