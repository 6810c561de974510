/** A named form in the list: a view done another way, worked out for the patient in hand when it is opened. */
import { projectionOf, type Form } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import { toAddress } from '../setup/address';
import type { Base } from './FindRow';

export function FormRow({ form, base }: { form: Form; base: Base }) {
  const router = useRouter();
  const [said, setSaid] = useState('');
  const entry = projectionOf(form.projectionId);
  const side = entry.sided === 'each' ? base.side : undefined;
  const name = side ? `${form.name}, ${side}` : form.name;
  const open = async () => {
    setSaid('Working it out');
    try {
      const planned = await compute().form(form.id, { ...base, side });
      setSaid(planned ? '' : 'This patient, or this room, has no such way: see Other ways of the view');
      if (!planned) return;
      const { patient = {}, situation = {}, room } = base;
      router.push({
        pathname: '/setup',
        params: toAddress({ ...planned, side: planned.side, patient, situation, roomId: room?.id }),
      });
    } catch (error) {
      setSaid((error as Error).message);
    }
  };
  return (
    <Press label={`${name}. A form of ${entry.name}`} role="link" onPress={() => void open()} style={{ padding: 12 }}>
      <Words kind="body">{name}</Words>
      <Words kind="small" tone={said.startsWith('This') ? 'brick' : 'soft'} role="status">
        {said === '' ? `◇ a form of ${entry.name}, worked out for this patient` : said}
      </Words>
    </Press>
  );
}
