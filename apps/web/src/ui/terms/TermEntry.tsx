/** A term of the glossary: its name, how it is written short, and one plain sentence. */
import type { Term } from '@taktik/core';
import { View } from 'react-native';
import { Words } from '../Words';

export function TermEntry({ term: { term, short, says, not } }: { term: Term }) {
  return (
    <View style={{ gap: 2 }}>
      <Words kind="bold">{short ? `${short} · ${term}` : term}</Words>
      <Words>{says}</Words>
      {not.length > 0 && <Words kind="small" tone="soft">{`Also found by: ${not.slice(0, 3).join(', ')}`}</Words>}
    </View>
  );
}
