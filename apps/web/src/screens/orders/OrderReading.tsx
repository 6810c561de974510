/** What each word of the order was taken for: a doubt is seen before the patient is. */
import { examsOf, orderedExam, orderReadLines, withDepartmentDefaults } from '@taktik/core';
import { View } from 'react-native';
import { useDepartmentQuery } from '../../state/api';
import { Words } from '../../ui/Words';

export function OrderReading({ exam, reason }: { exam: string; reason: string }) {
  const { data } = useDepartmentQuery();
  const ordered = orderedExam(exam, examsOf(withDepartmentDefaults(data)), reason);
  const lines = ordered ? orderReadLines(ordered) : [];
  if (lines.length === 0) return null;
  return (
    <View role="list" aria-label="What the order’s words were taken for" style={{ gap: 2 }}>
      {lines.map(({ text, doubtful }) => (
        <View key={text} role="listitem">
          <Words kind="small" tone={doubtful ? 'brick' : 'soft'}>
            {doubtful ? `▲ ${text}` : text}
          </Words>
        </View>
      ))}
    </View>
  );
}
