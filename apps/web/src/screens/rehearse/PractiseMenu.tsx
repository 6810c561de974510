/** Rehearse without a set-up: what to practise next, what there is, and set-ups to try. */
import { Button } from '@rneui/themed';
import { projections } from '@taktik/core';
import type { ExerciseKind, Level, Scenario } from '@taktik/core/exercise';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Caution, Skeleton } from '../../ui/States';
import { RAIL_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { useExercises } from './useExercises';

/** Set-ups to try for somebody who has opened none yet. */
const FIRST_TO_TRY = ['chest-pa', 'knee-lateral', 'skull-pa', 'pelvis-ap'];
const MOST_TO_TRY = 6;

export const KIND_TITLES: Readonly<Record<ExerciseKind, string>> = {
  'set it up': 'Set it up',
  'spot the fault': 'Spot the fault',
  'which view': 'Which view is it',
  'fewest turns': 'Fewest turns',
};

export function PractiseMenu() {
  const router = useRouter();
  const { width } = useWindowDimensions();
  const recent = useAppSelector((state) => state.preferences.recent);
  const person = useAppSelector((state) => state.who.person);
  const { core, practised, problem } = useExercises();
  const [kind, setKind] = useState<ExerciseKind | 'all'>('all');
  const [level, setLevel] = useState<Level | null>(null);
  const [now] = useState(() => Date.now());
  const wide = width >= RAIL_FROM;
  const toTry = (recent.length > 0 ? recent : FIRST_TO_TRY)
    .flatMap((id) => projections.find((entry) => entry.id === id) ?? [])
    .slice(0, MOST_TO_TRY);
  const open = (id: string) => router.push({ pathname: '/rehearse', params: { x: id } });
  const advised = core?.levelFor(core.scenarios, practised) ?? 1;
  const shownLevel = level ?? advised;
  const list = core
    ? core.inTurn(core.scenarios, practised, now, {
        level: shownLevel,
        ...(kind !== 'all' && { kind }),
      })
    : [];
  const tries = (
    <View style={{ gap: 8, flex: wide ? 1 : undefined }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Try a set-up
      </Words>
      <Words kind="small" tone="soft">
        The picture that it will give, what is measured on it, and what puts it right.
      </Words>
      {toTry.map(({ id, name, sided }) => (
        <Press
          key={id}
          label={`Try ${name}`}
          role="link"
          onPress={() =>
            router.push({ pathname: '/rehearse', params: { p: id, ...(sided === 'each' && { side: 'right' }) } })
          }
          style={{ paddingHorizontal: 14 }}
        >
          <Words>{name}</Words>
        </Press>
      ))}
      <Press
        label="Find another projection"
        role="link"
        onPress={() => router.push('/find')}
        style={{ paddingHorizontal: 14 }}
      >
        <Words tone="lamp">Find another projection</Words>
      </Press>
      <Press
        label="Competence and signatures"
        role="link"
        onPress={() => router.push('/competence')}
        style={{ paddingHorizontal: 14 }}
      >
        <Words tone="lamp">Competence and signatures</Words>
      </Press>
    </View>
  );
  const practise = (
    <View style={{ gap: 10, flex: wide ? 2 : undefined }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Practise
      </Words>
      {person === null && (
        <Words kind="small" tone="mauve">
          ● Nobody is signed in: an exercise is scored, but kept for nobody.
        </Words>
      )}
      {problem !== '' && <Caution text={problem} />}
      {!core && problem === '' && <Skeleton rows={4} height={64} />}
      {list.length > 0 && <Button title={`Go on: ${list[0].about}`} onPress={() => open(list[0].id)} />}
      {core && (
        <>
          <Choice
            label={`Level; ${advised} is advised`}
            options={core.LEVELS.map((each) => ({ value: String(each), label: String(each) }))}
            value={String(shownLevel)}
            onChange={(value) => setLevel(Number(value) as Level)}
          />
          <Choice
            label="Kind"
            options={[
              { value: 'all', label: 'all' },
              ...core.EXERCISE_KINDS.map((each) => ({ value: each, label: KIND_TITLES[each] })),
            ]}
            value={kind}
            onChange={setKind}
          />
        </>
      )}
      <View role="list" style={{ gap: 6 }}>
        {list.map((scenario) => (
          <View role="listitem" key={scenario.id}>
            <Line
              scenario={scenario}
              says={stateOf(
                practised.find(({ scenarioId }) => scenarioId === scenario.id),
                now,
              )}
              onPress={() => open(scenario.id)}
            />
          </View>
        ))}
      </View>
    </View>
  );
  return (
    <Frame header={<PlaceHeader title="Rehearse" detail="Simulated pictures, no dose" />}>
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 20 }}>
        <View style={wide ? { flexDirection: 'row', gap: 28, alignItems: 'flex-start' } : { gap: 20 }}>
          {practise}
          {tries}
        </View>
      </ScrollView>
    </Frame>
  );
}

const DAY_MS = 86_400_000;

/** "new", "due", "83 %, again in 4 days". */
function stateOf(row: { share: number; memory: { due: number } } | undefined, now: number): string {
  if (!row) return 'new';
  const share = `${Math.round(row.share * 100)} %`;
  if (row.memory.due <= now) return `${share}, due`;
  const days = Math.ceil((row.memory.due - now) / DAY_MS);
  return `${share}, again in ${days} ${days === 1 ? 'day' : 'days'}`;
}

function Line({ scenario, says, onPress }: { scenario: Scenario; says: string; onPress: () => void }) {
  return (
    <Press
      label={`${KIND_TITLES[scenario.kind]}: ${scenario.about}, ${says}`}
      role="link"
      onPress={onPress}
      style={{ paddingHorizontal: 14, paddingVertical: 8 }}
    >
      <Words kind="small" tone="soft">{`${KIND_TITLES[scenario.kind]} · ${says}`}</Words>
      <Words>{scenario.about}</Words>
    </Press>
  );
}
