/** What is seen at the table, typed in a few words: what each is read as stands there before anything changes. */
import { Button } from '@rneui/themed';
import type { SeenChange, SetupRequest } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import { useAnswer } from '../rehearse/useAnswer';

type Props = { open: boolean; request: SetupRequest; onTake: (change: SeenChange) => void; onClose: () => void };

const MOST_CHARACTERS = 200;
/** What can be said, as examples that are tapped into the line. */
const EXAMPLES = [
  'C7 not felt',
  '7 in below the notch',
  'SID 36 in',
  'chest 29 cm',
  'knee bends only to 40',
  'cannot hold the breath',
];

export function SeenSheet({ open, request, onTake, onClose }: Props) {
  // What is typed stays while the sheet is closed and opened again.
  const [text, setText] = useState('');
  const read = useAnswer(
    open && text.trim() !== '' ? { request, text } : null,
    async (asked) => await compute().seen(asked.request, asked.text),
  );
  const some = read?.clauses.some(({ change }) => change !== null) ?? false;
  return (
    <Sheet title="Say what you see" open={open} onClose={onClose}>
      <LineInput label="In a few words, parted by commas" value={text} onChange={setText} max={MOST_CHARACTERS} />
      <View role="status" aria-label="Read as" style={{ gap: 4 }}>
        {read?.clauses.map(({ words, says }, i) => (
          <Words key={`${words} ${i}`} tone={says === '' ? 'brick' : 'ink'}>
            {says === '' ? `▲ Not understood, and nothing is changed by it: ${words}` : `✓ ${says}`}
          </Words>
        ))}
      </View>
      <Button
        title="Change the set-up"
        disabled={!some}
        onPress={() => {
          if (read) onTake(read.change);
          setText('');
        }}
      />
      <Words kind="small" tone="soft">
        For example
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {EXAMPLES.map((example) => (
          <Press
            key={example}
            label={`Add: ${example}`}
            onPress={() =>
              setText((now) => (now.trim() === '' ? example : `${now}, ${example}`).slice(0, MOST_CHARACTERS))
            }
            style={{ paddingHorizontal: 12 }}
          >
            <Words kind="small">{example}</Words>
          </Press>
        ))}
      </View>
    </Sheet>
  );
}
