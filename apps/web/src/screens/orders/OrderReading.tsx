/** What each word of the order was taken for: a doubt is seen before the patient is. And which rule of the house changed it. */
import {
  asTakenHere,
  examsOf,
  namedIds,
  orderedExam,
  orderReadLines,
  withDefaults,
  withDepartmentDefaults,
} from '@taktik/core';
import { View } from 'react-native';
import { useDepartmentQuery, useRulesQuery, type Order } from '../../state/api';
import { Words } from '../../ui/Words';

export function OrderReading({ order: { exam, reason, side, patient } }: { order: Order }) {
  const { data } = useDepartmentQuery();
  const { data: rules } = useRulesQuery();
  const ordered = orderedExam(exam, examsOf(withDepartmentDefaults(data)), reason);
  if (!ordered) return null;
  const house = { rules: withDefaults(rules), ageYears: patient.body.ageYears ?? null };
  const { changes } = asTakenHere(ordered.projections, house, {
    named: namedIds(ordered),
    sideOrdered: side !== null,
  });
  const lines = [
    ...orderReadLines(ordered),
    ...changes.map(({ title, choice, reason: why }) => ({
      text: `House rule, ${title}: ${choice} (${why})`,
      doubtful: false,
    })),
  ];
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
