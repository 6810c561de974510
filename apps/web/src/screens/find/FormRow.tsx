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
  const [state, setState] = useState<{ says: string; failed: boolean } | null>(null);
  const entry = projectionOf(form.projectionId);
  const side = entry.sided === 'each' ? base.side : undefined;
  const name = side ? `${form.name}, ${side}` : form.name;
  const open = async () => {
    setState({ says: 'Working it out', failed: false });
    try {
      const planned = await compute().form(form.id, { ...base, side });
      const none = { says: 'This patient, or this room, has no such way: see Other ways of the view', failed: true };
      setState(planned ? null : none);
      if (!planned) return;
      const { patient = {}, situation = {}, room } = base;
      router.push({
        pathname: '/setup',
        params: toAddress({ ...planned, side: planned.side, patient, situation, roomId: room?.id }),
      });
    } catch (error) {
      setState({ says: (error as Error).message, failed: true });
    }
  };
  return (
    <Press label={`${name}. A form of ${entry.name}`} role="link" onPress={() => void open()} style={{ padding: 12 }}>
      <Words kind="body">{name}</Words>
      <Words kind="small" tone={state?.failed ? 'brick' : 'soft'} role="status">
        {state?.says ?? `◇ a form of ${entry.name}, worked out for this patient`}
      </Words>
    </Press>
  );
}
