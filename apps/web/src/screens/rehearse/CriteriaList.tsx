/** The criteria of a projection, measured on the simulated scene, with what would put right those that fail. */
import { formatLength, signed, type Correction } from '@taktik/core';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { RADIUS } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import type { FailedCriterion } from '../../workers/rehearsal';

type Props = {
  criteria: readonly FailedCriterion[];
  unit: 'in' | 'cm';
  /** Left out where nothing can be moved any more. */
  onCorrect?: (correction: Correction) => void;
};

/** "1.6 cm inside the light field", "6 mm, should be 0 ± 3 mm". */
export function criterionText(
  { id, value, target: target, tolerance, unit, says }: FailedCriterion,
  lengths: 'in' | 'cm',
): string {
  if (says) return says;
  if (unit === '%') return `${Math.round(value)} %, up to ${Math.round(tolerance)} % is borne`;
  if (unit === 'ribs') return `${value.toFixed(1)}, should be ${target.toFixed(1)} ± ${tolerance.toFixed(1)}`;
  if (id.startsWith('edge '))
    return value >= 0
      ? `${formatLength(value, lengths)} inside the field`
      : `clipped by ${formatLength(-value, lengths)}`;
  return `${signed(value)} ${unit}, should be ${signed(target)} ± ${tolerance.toFixed(1)} ${unit}`;
}

export function CriteriaList({ criteria, unit, onCorrect }: Props) {
  const theme = useTheme();
  const failed = criteria.filter(({ passes }) => !passes).length;
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Measured on the picture
      </Words>
      <Words kind="small" tone={failed > 0 ? 'brick' : 'sage'} role="status">
        {failed > 0 ? `▲ ${failed} of ${criteria.length} fail` : `✓ All ${criteria.length} pass`}
      </Words>
      <View role="list" style={{ gap: 6 }}>
        {criteria.map((criterion) => (
          <View
            key={criterion.id}
            role="listitem"
            style={{
              padding: 10,
              gap: 4,
              backgroundColor: theme.surface,
              borderRadius: RADIUS,
              borderLeftWidth: 4,
              borderLeftColor: criterion.passes ? theme.sage : theme.brick,
            }}
          >
            <Words kind="small">{`${criterion.passes ? '✓' : '▲'} ${criterion.name}`}</Words>
            <Words kind="small" tone="soft">
              {criterionText(criterion, unit)}
            </Words>
            {!criterion.passes && criterion.remedy && <Words kind="small">{criterion.remedy}</Words>}
            {criterion.correction && (
              <>
                <Words kind="small">{criterion.correction.text}</Words>
                <Words kind="label" tone="soft">
                  {criterion.correction.formula}
                </Words>
                {onCorrect && (
                  <Press
                    label={`Do it: ${criterion.correction.text}`}
                    onPress={() => onCorrect(criterion.correction as Correction)}
                    style={{ paddingHorizontal: 12, alignSelf: 'flex-start' }}
                  >
                    <Words tone="lamp">Do it</Words>
                  </Press>
                )}
              </>
            )}
          </View>
        ))}
      </View>
    </View>
  );
}
