/** Joints that go less far than healthy ones: least and greatest angle of each, with keys instead of typing. */
import { jointLimitOf, limitableJoints, type JointLimits, type Side } from '@taktik/core';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';

type Props = { joints: JointLimits; side: Side | undefined; onChange: (joints: JointLimits) => void };

const STEP_DEG = 5;

export function JointLimitList({ joints, side, onChange }: Props) {
  const known = Object.keys(joints) as (keyof JointLimits)[];
  const offered = limitableJoints(side).filter(({ motion }) => !known.includes(motion));
  const set = (motion: keyof JointLimits, limit: [number, number] | null) => {
    const rest = Object.fromEntries(Object.entries(joints).filter(([name]) => name !== motion)) as JointLimits;
    onChange(limit ? { ...rest, [motion]: limit } : rest);
  };
  return (
    <View role="group" aria-label="Joints" style={{ gap: 8 }}>
      <Words kind="small" tone="soft">
        Joints that do not go all the way
      </Words>
      {known.map((motion) => {
        const { says, range } = jointLimitOf(motion);
        const [low, high] = joints[motion]!;
        return (
          <View key={motion} style={{ gap: 6 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center' }}>
              <Words kind="bold" style={{ flex: 1 }}>
                {says}
              </Words>
              <Press
                label={`${says}: as usual again`}
                plain
                onPress={() => set(motion, null)}
                style={{ paddingHorizontal: 12 }}
              >
                <Words kind="small" tone="lamp">
                  As usual
                </Words>
              </Press>
            </View>
            <Stepper
              label={`${says}: from`}
              unit="°"
              value={low}
              step={STEP_DEG}
              digits={0}
              range={[range[0], high]}
              onChange={(value) => set(motion, [value, high])}
            />
            <Stepper
              label={`${says}: to`}
              unit="°"
              value={high}
              step={STEP_DEG}
              digits={0}
              range={[low, range[1]]}
              onChange={(value) => set(motion, [low, value])}
            />
          </View>
        );
      })}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {offered.map(({ motion, says, range }) => (
          <Press
            key={motion}
            label={`Limit: ${says}`}
            onPress={() => set(motion, [Math.max(0, range[0]), range[1]])}
            style={{ paddingHorizontal: 14 }}
          >
            <Words kind="small">{`+ ${says}`}</Words>
          </Press>
        ))}
      </View>
    </View>
  );
}
