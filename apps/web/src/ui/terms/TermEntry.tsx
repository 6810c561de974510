/** A term of the glossary: its name, how it is written short, and one plain sentence. */
import type { Term } from '@taktik/core';
import { View } from 'react-native';
import { Words } from '../Words';

export function TermEntry({ term: { term, short, says } }: { term: Term }) {
  return (
    <View style={{ gap: 2 }}>
      <Words kind="bold">{short ? `${short} · ${term}` : term}</Words>
      <Words>{says}</Words>
    </View>
  );
}
