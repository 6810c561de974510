/** One exercise: the question, the answer, the score item by item, and what to do next. */
import { Button } from '@rneui/themed';
import { ROOM_ONE } from '@taktik/core';
import type { ExerciseAnswer, Scenario, Score } from '@taktik/core/exercise';
import { useRouter } from 'expo-router';
import { nanoid } from 'nanoid';
import { useEffect, useRef, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { post } from '../../state/sender';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Caution, Note, Skeleton } from '../../ui/States';
import { WIDE_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import type { ExerciseCore } from '../../workers/onDemand';
import { useRoom } from '../room/useRoom';
import { KIND_TITLES } from './PractiseMenu';
import { OrderQuestion } from './OrderQuestion';
import { ScoreList } from './ScoreList';
import { SetUpQuestion } from './SetUpQuestion';
import { SpotQuestion } from './SpotQuestion';
import { useExercises } from './useExercises';
import { ViewQuestion } from './ViewQuestion';

export function ExerciseScreen({ id }: { id: string }) {
  const { core, practised, problem } = useExercises();
  const router = useRouter();
  const scenario = core?.scenarios.find((each) => each.id === id);
  if (!core || !scenario)
    return (
      <Frame header={<PlaceHeader title="Rehearse" />}>
        <View style={{ padding: 16 }}>
          {problem !== '' && <Caution text={problem} />}
          {core && (
            <Note
              tone="brick"
              title="Unknown exercise"
              text={`There is no exercise "${id}".`}
              action="All exercises"
              onAction={() => router.replace('/rehearse')}
            />
          )}
          {!core && problem === '' && <Skeleton rows={4} height={110} />}
        </View>
      </Frame>
    );
  return <Exercise core={core} scenario={scenario} practised={practised} />;
}

function Exercise({
  core,
  scenario,
  practised,
}: {
  core: ExerciseCore;
  scenario: Scenario;
  practised: ReturnType<typeof useExercises>['practised'];
}) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { width, height } = useWindowDimensions();
  const person = useAppSelector((state) => state.who.person);
  const unit = useAppSelector((state) => state.preferences.unit);
  const { room: inHand } = useRoom(undefined);
  const [start] = useState(() => Date.now());
  const [score, setScore] = useState<Score | null>(null);
  const [problem, setProblem] = useState('');
  /** The right answers of this exercise were shown already. */
  const [shown, setShown] = useState(false);
  const [counted, setCounted] = useState(true);
  // The first room that was known: its numbers must not change under the hand.
  const [room] = useState(inHand ?? ROOM_ONE);
  const wide = width >= WIDE_FROM;
  const scroll = useRef<ScrollView | null>(null);
  // The score stands on top, the key that asks for it at the foot.
  useEffect(() => {
    if (score) scroll.current?.scrollTo({ y: 0, animated: false });
  }, [score]);

  const answer = (answered: ExerciseAnswer) => {
    try {
      setScore(core.scoreExercise(scenario, answered, room, unit));
      setProblem('');
    } catch (error) {
      setProblem((error as Error).message);
      return;
    }
    // Once the right answers were shown, a further try is practice and is not counted.
    if (person === null || shown) return;
    setShown(true);
    const now = Date.now();
    const id = nanoid(16);
    post(dispatch, {
      id,
      madeAt: now,
      path: '/practice',
      body: {
        id,
        scenarioId: scenario.id,
        personId: person.id,
        roomId: room.id,
        answer: answered,
        seconds: Math.min(86_400, Math.round((now - start) / 1000)),
        at: now,
      },
      what: `exercise: ${scenario.about}`,
    });
  };
  const goOn = () => {
    const rest = core
      .inTurn(core.scenarios, practised, Date.now(), { level: scenario.level })
      .filter(({ id }) => id !== scenario.id);
    router.replace({ pathname: '/rehearse', params: { x: rest[0].id } });
  };
  const size = wide ? Math.min(width - 84 - 480, height - 200) : Math.min(width - 24, height * 0.5);
  const shared = { core, room, size, done: score !== null, onAnswer: answer };
  return (
    <Frame header={<PlaceHeader title={KIND_TITLES[scenario.kind]} detail={scenario.about} roomId={room.id} />}>
      <ScrollView ref={scroll} contentContainerStyle={{ padding: 12, gap: 14 }}>
        {problem !== '' && <Caution text={`${problem}. What you answered is kept.`} />}
        {score && (
          <View style={{ gap: 10, maxWidth: 720 }}>
            <ScoreList score={score} passedFrom={core.PASSED_FROM} />
            {!counted && (
              <Words kind="small" tone="soft">
                Not counted: the right answers were shown before. It comes back on another day.
              </Words>
            )}
            <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
              <Button title="Next exercise" onPress={goOn} />
              <Press
                label="Once more"
                onPress={() => {
                  setScore(null);
                  setCounted(false);
                }}
                style={{ paddingHorizontal: 14, justifyContent: 'center' }}
              >
                <Words>Once more</Words>
              </Press>
              <Press
                label="All exercises"
                role="link"
                onPress={() => router.replace('/rehearse')}
                style={{ paddingHorizontal: 14, justifyContent: 'center' }}
              >
                <Words tone="lamp">All exercises</Words>
              </Press>
            </View>
          </View>
        )}
        {scenario.kind === 'set it up' && <SetUpQuestion scenario={scenario} {...shared} />}
        {scenario.kind === 'spot the fault' && <SpotQuestion scenario={scenario} {...shared} />}
        {scenario.kind === 'which view' && <ViewQuestion scenario={scenario} {...shared} />}
        {scenario.kind === 'fewest turns' && <OrderQuestion scenario={scenario} {...shared} />}
      </ScrollView>
    </Frame>
  );
}
