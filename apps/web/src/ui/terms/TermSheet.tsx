/** The terms of what stands on a page, or on one line of it, explained over the screen. */
import { termsIn, type Term } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useAppDispatch } from '../../state/hooks';
import { termsRead } from '../../state/preferences';
import { Press } from '../Press';
import { Sheet } from '../Sheet';
import { Words } from '../Words';
import { TermEntry } from './TermEntry';

/** @returns the terms of some lines, each once, in the order in which they stand */
const termsOf = (texts: readonly string[]): Term[] => [
  ...new Set(texts.flatMap((text) => termsIn(text).map(({ term }) => term))),
];

type Terms = {
  /** Opens with the terms of these lines. */
  explain: (texts: readonly string[]) => void;
  sheet: ReactNode;
};

export function useTerms(): Terms {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [texts, setTexts] = useState<readonly string[] | null>(null);
  const terms = useMemo(() => termsOf(texts ?? []), [texts]);
  const close = () => setTexts(null);
  const sheet = (
    <Sheet title="Terms" open={texts !== null} onClose={close}>
      {terms.length === 0 && <Words>No term of the glossary stands here.</Words>}
      <View role="list" style={{ gap: 14 }}>
        {terms.map((term) => (
          <View key={term.id} role="listitem">
            <TermEntry term={term} />
          </View>
        ))}
      </View>
      <Press
        label="Open the whole glossary"
        role="link"
        onPress={() => {
          close();
          router.push('/glossary');
        }}
        style={{ paddingHorizontal: 12 }}
      >
        <Words kind="small" tone="lamp">
          Whole glossary
        </Words>
      </Press>
    </Sheet>
  );
  return {
    explain: (lines) => {
      setTexts(lines);
      dispatch(termsRead(termsOf(lines).map(({ id }) => id)));
    },
    sheet,
  };
}
