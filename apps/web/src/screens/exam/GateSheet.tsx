/** What a view waits for: the pictures, and the word of whoever read them, which is written down. */
import { Button } from '@rneui/themed';
import { plannedName, type Gate } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useAppDispatch } from '../../state/hooks';
import { answered, type Session } from '../../state/session';
import type { AppDispatch } from '../../state/store';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { useOwnEntries } from '../projection/useOwnEntries';
import { sendAnswers } from './sendAnswers';

type Props = {
  open: boolean;
  session: Session;
  gates: readonly Gate[];
  name: string;
  onShow: (to: number) => void;
  onClose: () => void;
};

const MOST_CHARACTERS = 300;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

export function GateSheet({ open, session, gates, name, onShow, onClose }: Props) {
  return (
    <Sheet title={`${name} waits`} open={open && gates.length > 0} onClose={onClose}>
      {gates.map((gate) => (
        <OneGate key={gate.id} {...{ gate, session, onShow, onClose }} />
      ))}
    </Sheet>
  );
}

function OneGate({ gate, session, onShow, onClose }: { gate: Gate } & Pick<Props, 'session' | 'onShow' | 'onClose'>) {
  const dispatch = useAppDispatch() as AppDispatch;
  const { own } = useOwnEntries();
  const [word, setWord] = useState('');
  const go = () => {
    dispatch(answered({ id: gate.id, decision: word.trim() }));
    sendAnswers(dispatch, session, {}, { [gate.id]: word.trim() });
    onClose();
  };
  return (
    <View style={{ gap: 8 }}>
      <Words kind="bold">{capital(gate.why)}</Words>
      {gate.waitsFor.map((place) => {
        const planned = session.plan[place];
        const called = planned ? plannedName(planned, own) : '';
        const missing = gate.missing.includes(place);
        const state = !missing ? 'accepted' : session.exposed[place] === undefined ? 'not exposed' : 'not yet accepted';
        return (
          <Press
            key={place}
            label={`${called}: ${state}`}
            onPress={() => {
              onClose();
              onShow(place);
            }}
            style={{ paddingHorizontal: 12 }}
          >
            <Words tone={missing ? 'ink' : 'sage'}>{`${missing ? '▲' : '✓'} ${called}: ${state}`}</Words>
          </Press>
        );
      })}
      <Words kind="small" tone="soft">
        {gate.asks === 'read'
          ? 'Read by whom, and what was said: it stays with the exam.'
          : 'Look at each and accept it. To go on without, write who decides it and why: it stays with the exam.'}
      </Words>
      <LineInput label="Who, and what was said" value={word} onChange={setWord} max={MOST_CHARACTERS} />
      <Button title="Go on" disabled={word.trim() === ''} onPress={go} />
    </View>
  );
}
