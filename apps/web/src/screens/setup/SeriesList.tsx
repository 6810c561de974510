/** The exam in hand as a list, with what is done. */
import { plannedName } from '@taktik/core';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';
import type { Session } from '../../state/session';

export function SeriesList({
  session,
  index,
  name,
  onShow,
}: {
  session: Session | null;
  index: number;
  name: string;
  onShow: (index: number) => void;
}) {
  if (!session) {
    return (
      <View style={{ gap: 4 }}>
        <Words kind="heading">{name}</Words>
        <Words kind="small" tone="soft">
          Not part of an exam: nothing is recorded.
        </Words>
      </View>
    );
  }
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading">{session.exam}</Words>
      <Words kind="small" tone="soft">
        {session.initials}
      </Words>
      {session.plan.map((planned, i) => {
        const label = plannedName(planned);
        const done = session.exposed[i] !== undefined;
        return (
          <Press
            key={`${planned.projectionId}-${i}`}
            label={`${label}${done ? ', exposed' : ''}`}
            chosen={i === index}
            plain
            onPress={() => onShow(i)}
            style={{ padding: 12 }}
          >
            <Words kind="bold">{label}</Words>
            {done && (
              <Words kind="label" tone="sage">
                ✓ exposed
              </Words>
            )}
          </Press>
        );
      })}
    </View>
  );
}
