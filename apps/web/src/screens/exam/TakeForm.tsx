/** A named form for the plan: worked out for this patient in this room when it is asked for. */
import { formOf, projectionOf, type PatientInput, type Situation } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import type { Planned } from '../../state/session';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import { useRoom } from '../room/useRoom';

type Props = {
  formId: string;
  side: 'left' | 'right' | null;
  patient: PatientInput;
  situation: Partial<Situation>;
  roomId: string;
  busy: boolean;
  onTake: (planned: Planned) => void;
};

export function TakeForm({ formId, side, patient, situation, roomId, busy, onTake }: Props) {
  const theme = useTheme();
  const { rooms, rules } = useRoom();
  const [says, setSays] = useState<'' | 'working' | 'none' | 'failed'>('');
  const form = formOf(formId);
  if (!form) return null;
  const sided = projectionOf(form.projectionId).sided === 'each' && side ? { side } : {};
  const name = sided.side ? `${form.name}, ${sided.side}` : form.name;
  const take = async () => {
    setSays('working');
    try {
      const room = rooms.find(({ id }) => id === roomId);
      const planned = await compute().form(formId, { patient, situation, room, rules, ...sided });
      setSays(planned ? '' : 'none');
      if (planned) onTake(planned);
    } catch {
      setSays('failed');
    }
  };
  return (
    <View style={{ gap: 4 }}>
      <Press
        label={`Plan it as ${name}`}
        disabled={busy || says === 'working'}
        onPress={() => void take()}
        style={{ padding: 10, backgroundColor: theme.raised }}
      >
        <Words tone="lamp">{`Plan it as ${name}`}</Words>
      </Press>
      <Words kind="small" tone={says === 'working' ? 'soft' : 'brick'} role="status">
        {SAYS[says]}
      </Words>
    </View>
  );
}
const SAYS = {
  '': '',
  working: 'Working it out',
  none: '▲ This patient, or this room, has no such way: see Other ways of the view',
  failed: '▲ It could not be worked out: see Other ways of the view',
} as const;
