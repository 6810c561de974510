/** The order's own words, and what each was taken for: a doubt is seen before the patient is. */
import { examsOf, orderedExam, orderReadLines, withDepartmentDefaults } from '@taktik/core';
import { View } from 'react-native';
import { useDepartmentQuery } from '../../state/api';
import { Words } from '../../ui/Words';

export function OrderReading({ exam }: { exam: string }) {
  const { data } = useDepartmentQuery();
  const ordered = orderedExam(exam, examsOf(withDepartmentDefaults(data)));
  const lines = ordered ? orderReadLines(ordered) : [];
  if (lines.length === 0) return null;
  return (
    <View style={{ gap: 4 }}>
      <Words kind="small" tone="soft">{`The order says “${exam}”`}</Words>
      <View role="list" style={{ gap: 2 }}>
        {lines.map(({ text, doubtful }) => (
          <View key={text} role="listitem">
            <Words kind="small" tone={doubtful ? 'brick' : 'soft'}>
              {doubtful ? `▲ ${text}` : text}
            </Words>
          </View>
        ))}
      </View>
    </View>
  );
}
