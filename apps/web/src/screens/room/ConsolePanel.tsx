/** The number that the console shows, in general form, and what is aimed at. */
import { STANDARD_SCALE, type IndexScale } from '@taktik/core';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { indexText } from '../setup/words';
import type { RoomDraft } from './useRoomDraft';

/** Where a form starts that was not set before; typical, to be replaced by the maker's own. */
const STARTS: Record<IndexScale['kind'], IndexScale> = {
  standard: STANDARD_SCALE,
  inverse: { kind: 'inverse', kUGy: 1750 },
  log: { kind: 'log', base: 2000, slope: 1000, referenceUGy: 8.73 },
};
const TARGET_RANGE = [20, 5000] as const;

export function ConsolePanel({ draft, mayChange }: { draft: RoomDraft; mayChange: boolean }) {
  const { scale = STANDARD_SCALE, targetIndex, targetIndexFree } = draft.generator;
  const set = (next: IndexScale) => draft.change({ scale: next.kind === 'standard' ? null : next });
  const aims = [
    `trunk and head ${indexText(targetIndex, scale)}`,
    `limbs without a grid ${indexText(targetIndexFree ?? targetIndex, scale)}`,
  ];
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Number of the console
      </Words>
      <Words>{`Aimed at: ${aims.join('; ')}`}</Words>
      {mayChange && (
        <>
          <Choice
            label="Form of the number"
            options={[
              { value: 'standard', label: 'standard index' },
              { value: 'inverse', label: 'falls with the exposure' },
              { value: 'log', label: 'by the logarithm' },
            ]}
            value={scale.kind}
            onChange={(kind) => set(kind === scale.kind ? scale : STARTS[kind])}
          />
          {scale.kind === 'inverse' && (
            <Stepper
              label="Number times kerma"
              unit="µGy"
              value={scale.kUGy}
              step={10}
              digits={1}
              range={[1, 100_000]}
              onChange={(kUGy) => set({ ...scale, kUGy })}
            />
          )}
          {scale.kind === 'log' && (
            <>
              <Stepper
                label="Number at the reference"
                unit=""
                value={scale.base}
                step={10}
                digits={2}
                range={[-10_000, 100_000]}
                onChange={(base) => set({ ...scale, base })}
              />
              <Stepper
                label="Rise for ten times the kerma"
                unit=""
                value={scale.slope}
                step={10}
                digits={2}
                range={[0.1, 10_000]}
                onChange={(slope) => set({ ...scale, slope })}
              />
              <Stepper
                label="Reference kerma"
                unit="µGy"
                value={scale.referenceUGy}
                step={0.1}
                digits={2}
                range={[0.01, 1000]}
                onChange={(referenceUGy) => set({ ...scale, referenceUGy })}
              />
            </>
          )}
          <Stepper
            label="Target, trunk and head"
            unit="EI"
            value={targetIndex}
            step={10}
            range={TARGET_RANGE}
            onChange={(value) => draft.change({ targetIndex: value })}
          />
          <Stepper
            label="Target, limbs without a grid"
            unit="EI"
            value={targetIndexFree ?? targetIndex}
            step={10}
            range={TARGET_RANGE}
            onChange={(value) => draft.change({ targetIndexFree: value })}
          />
        </>
      )}
    </View>
  );
}
