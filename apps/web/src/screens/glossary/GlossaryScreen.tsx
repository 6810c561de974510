/** The glossary: every term of the trade that the app uses, searchable, with drawings from the model; for print too. */
import { findTerms, projections, TERM_GROUPS, type Term } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue, useEffect, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Stage } from '../../ui/Stage';
import { Note } from '../../ui/States';
import { TermEntry } from '../../ui/terms/TermEntry';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM } from '../../ui/tokens';
import { LEAF, NO_PRINT, usePrintStyle } from '../../ui/usePrintStyle';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { FindRow } from '../../workers/service';

const MAX_QUERY = 60;
/** The address follows the hand after this pause. */
const ADDRESS_AFTER_MS = 300;
const ALL = 'all';
const PICTURE = { width: 150, height: 150 };

export function GlossaryScreen() {
  const { width } = useWindowDimensions();
  const router = useRouter();
  const inAddress = useLocalSearchParams().q;
  const [query, setQuery] = useState(typeof inAddress === 'string' ? inAddress.slice(0, MAX_QUERY) : '');
  const [group, setGroup] = useState<string>(ALL);
  const asked = useDeferredValue(query.trim());
  usePrintStyle();
  // The address keeps what was asked: reload and back find it again.
  useEffect(() => {
    const timer = setTimeout(() => router.setParams({ q: asked === '' ? undefined : asked }), ADDRESS_AFTER_MS);
    return () => clearTimeout(timer);
    // The router is the same for as long as the screen is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
  const found = findTerms(asked).filter((term) => group === ALL || term.group === group);
  const groups = asked === '' ? TERM_GROUPS.filter((each) => group === ALL || each === group) : ['found' as const];
  const columns = width >= RAIL_FROM ? 2 : 1;
  return (
    <Frame header={<PlaceHeader title="Glossary" detail={`${found.length} terms`} />}>
      <ScrollView contentContainerStyle={{ padding: 16, gap: 16 }} keyboardShouldPersistTaps="handled">
        <View style={{ gap: 12 }} {...NO_PRINT}>
          <LineInput label="Term, abbreviation or everyday word" value={query} onChange={setQuery} max={MAX_QUERY} />
          <Choice
            label="Group"
            options={[
              { value: ALL, label: 'all' },
              ...TERM_GROUPS.map((value) => ({ value: value as string, label: value })),
            ]}
            value={group}
            onChange={setGroup}
          />
        </View>
        {found.length === 0 && (
          <Note title={`No term for “${asked}”`} text="Try an abbreviation, the part of the body, or fewer words." />
        )}
        {groups.map((name) => {
          const terms = name === 'found' ? found : found.filter((term) => term.group === name);
          if (terms.length === 0) return null;
          return (
            <View key={name} style={{ gap: 10 }}>
              {name !== 'found' && (
                <Words kind="heading" role="heading" aria-level={2}>
                  {name.charAt(0).toUpperCase() + name.slice(1)}
                </Words>
              )}
              <View role="list" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
                {terms.map((term) => (
                  <View
                    key={term.id}
                    role="listitem"
                    style={{ width: columns === 2 ? '48%' : '100%', flexGrow: 1 }}
                    {...LEAF}
                  >
                    <Entry term={term} />
                  </View>
                ))}
              </View>
            </View>
          );
        })}
      </ScrollView>
    </Frame>
  );
}

function Entry({ term }: { term: Term }) {
  const theme = useTheme();
  const [open, setOpen] = useState(false);
  const entry = projections.find(({ id }) => id === term.drawnBy);
  return (
    <View style={{ padding: 12, gap: 8, backgroundColor: theme.surface }}>
      <TermEntry term={term} />
      {entry && !open && (
        <Press
          label={`Show ${term.term} on the body`}
          onPress={() => setOpen(true)}
          plain
          style={{ alignSelf: 'flex-start' }}
        >
          <Words kind="small" tone="lamp">
            Show it
          </Words>
        </Press>
      )}
      {entry && open && <Drawing projectionId={entry.id} sided={entry.sided === 'each'} />}
    </View>
  );
}

/** The set-up that shows the term, drawn small. */
function Drawing({ projectionId, sided }: { projectionId: string; sided: boolean }) {
  const unit = useAppSelector((state) => state.preferences.unit);
  const [made, setMade] = useState<FindRow | { error: string } | null>(null);
  useEffect(() => {
    let here = true;
    compute()
      .row(projectionId, { patient: {}, side: sided ? 'left' : undefined })
      .then((row) => here && setMade(row))
      .catch((error: Error) => here && setMade({ error: error.message }));
    return () => {
      here = false;
    };
  }, [projectionId, sided]);
  if (!made) return <View style={PICTURE} />;
  if ('error' in made && made.error !== '') return <Words kind="small" tone="brick">{`▲ ${made.error}`}</Words>;
  if (!('setup' in made) || !made.setup || !made.stage) return null;
  const { setup, stage } = made;
  return (
    <View style={{ gap: 4 }}>
      <Stage small drawing={stage.drawing} mannequin={stage.mannequin} setup={setup} unit={unit} {...PICTURE} />
      <Words kind="small" tone="soft">
        {setup.name}
      </Words>
    </View>
  );
}
