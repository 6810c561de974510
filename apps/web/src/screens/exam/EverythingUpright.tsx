/** "Everything upright": what each view of the plan becomes, what that costs, and which stay as they are. */
import type { PatientInput, Situation } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import type { Planned } from '../../state/session';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { UprightRow } from '../../workers/service';
import { useRoom } from '../room/useRoom';

type Props = {
  plan: readonly Planned[];
  nameOf: (planned: Planned) => string;
  patient: PatientInput;
  situation: Partial<Situation>;
  roomId: string;
  busy: boolean;
  onTake: (plan: Planned[]) => void;
};
/** Worked out for one plan: of another it says nothing. */
type Answer = { for: string; rows: UprightRow[] } | 'working' | 'failed' | null;

export function EverythingUpright({ plan, nameOf, patient, situation, roomId, busy, onTake }: Props) {
  const theme = useTheme();
  const { rooms, rules } = useRoom();
  const [answer, setAnswer] = useState<Answer>(null);
  const asked = JSON.stringify([plan, patient, situation, roomId]);
  const work = async () => {
    setAnswer('working');
    try {
      const room = rooms.find(({ id }) => id === roomId);
      setAnswer({ for: asked, rows: await compute().upright([...plan], { patient, situation, room, rules }) });
    } catch {
      setAnswer('failed');
    }
  };
  const rows = answer !== null && typeof answer === 'object' && answer.for === asked ? answer.rows : null;
  const changed = rows?.filter(({ planned }) => planned !== null).length ?? 0;
  const status =
    answer === 'working'
      ? 'Working it out'
      : answer === 'failed'
        ? '▲ It could not be worked out: see Other ways of each view'
        : rows && changed === 0
          ? 'Nothing changes'
          : '';
  return (
    <View style={{ gap: 6 }}>
      <Press
        label="Everything upright"
        disabled={busy || answer === 'working'}
        onPress={() => void work()}
        style={{ padding: 10, backgroundColor: theme.raised }}
      >
        <Words tone="lamp">Everything upright</Words>
      </Press>
      <Words kind="small" tone={answer === 'failed' ? 'brick' : 'soft'} role="status">
        {status}
      </Words>
      {rows && (
        <View role="list" aria-label="Everything upright" style={{ gap: 4 }}>
          {rows.map(({ says, planned }, at) => (
            <View key={at} role="listitem">
              <Words kind="small" tone={planned ? undefined : 'soft'}>{`${nameOf(plan[at]!)}: ${says}`}</Words>
            </View>
          ))}
        </View>
      )}
      {rows && changed > 0 && (
        <Press
          label={`Take ${changed === 1 ? 'this one' : `these ${changed}`} upright`}
          disabled={busy}
          onPress={() => onTake(plan.map((each, at) => rows[at]?.planned ?? each))}
          style={{ padding: 10, backgroundColor: theme.raised }}
        >
          <Words tone="lamp">{`Take ${changed === 1 ? 'this one' : `these ${changed}`} upright`}</Words>
        </Press>
      )}
    </View>
  );
}
