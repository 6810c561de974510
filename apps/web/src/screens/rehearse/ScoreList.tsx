/** The score of an exercise, item by item: what was answered, and what is right. */
import type { Score } from '@taktik/core/exercise';
import { View } from 'react-native';
import { useTheme } from '../../ui/theme';
import { RADIUS } from '../../ui/tokens';
import { Words } from '../../ui/Words';

export function ScoreList({ score: { share, items, next }, passedFrom }: { score: Score; passedFrom: number }) {
  const theme = useTheme();
  const passed = share >= passedFrom;
  return (
    <View style={{ gap: 8 }} role="status">
      <Words kind="title" tone={passed ? 'sage' : 'brick'}>
        {`${passed ? '✓' : '▲'} ${Math.round(share * 100)} %`}
      </Words>
      <View role="list" style={{ gap: 4 }}>
        {items.map((item) => {
          const sign = item.share === 1 ? '✓' : item.share > 0 ? '◆' : '▲';
          const tone = item.share === 1 ? 'sage' : item.share > 0 ? 'lamp' : 'brick';
          return (
            <View
              key={item.id}
              role="listitem"
              style={{ padding: 8, gap: 2, backgroundColor: theme.surface, borderRadius: RADIUS }}
            >
              <Words kind="small" tone={tone}>
                {`${sign} ${item.name}${item.grave ? ': grave, not passed with it' : item.share === 0.5 ? ', near' : ''}`}
              </Words>
              <Words kind="small">{item.share === 1 ? item.said : `${item.said}. Right: ${item.right}`}</Words>
            </View>
          );
        })}
      </View>
      {next !== '' && <Words kind="small" tone="soft">{`To look at next: ${next}`}</Words>}
    </View>
  );
}
