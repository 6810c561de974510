/** Faults of a picture: the sign, the cause, what puts it right, and by what it is measured where it is. */
import { measureName, type Projection } from '@taktik/core';
import { View } from 'react-native';
import { Words } from '../../ui/Words';

type Fault = Pick<Projection['faults'][number], 'sign' | 'cause' | 'correction' | 'measuredBy'>;

export function FaultList({ faults }: { faults: readonly Fault[] }) {
  return faults.map(({ sign, cause, correction, measuredBy }) => (
    <View key={sign} style={{ gap: 2 }}>
      <Words kind="bold">{`▲ ${sign}`}</Words>
      <Words kind="small" tone="soft">{`Cause: ${cause}`}</Words>
      <Words>{correction}</Words>
      {measuredBy && <Words kind="small" tone="soft">{`How much: measured by “${measureName(measuredBy)}”`}</Words>}
    </View>
  ));
}
