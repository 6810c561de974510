/** Before the patient: the room made ready, who it is, what must be asked, what must come off. */
import { Button } from '@rneui/themed';
import type { Answer, Question } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { Choice, Toggle } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { LineInput } from '../../ui/LineInput';
import { Caution, Note, Skeleton } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { usePlan } from '../exam/usePlan';
import { sendAnswers } from '../exam/sendAnswers';
import { useReadiness } from '../exam/useReadiness';
import { addressOf } from '../setup/begin';
import { answered, checkedOff, patientChanged, type Session } from '../../state/session';

const MAX_DECISION = 300;

export function BeforeScreen() {
  const session = useAppSelector((state) => state.session.current);
  const router = useRouter();
  if (session) return <Before session={session} />;
  return (
    <Frame header={<PlaceHeader title="Before the patient" />}>
      <View style={{ padding: 16 }}>
        <Note
          title="No exam in hand"
          text="Start an order: its room check, questions and what must come off stand here."
          action="Orders"
          onAction={() => router.replace('/orders')}
        />
      </View>
    </Frame>
  );
}

function Before({ session }: { session: Session }) {
  const theme = useTheme();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { questions, open, stops, ready } = useReadiness(session);
  const view = usePlan({ ...session, keepOrder: true });
  const send = (given: Record<string, Answer>, decisions: Record<string, string>) =>
    sendAnswers(dispatch, session, given, decisions);
  const answer = (question: Question, value: Answer) => {
    dispatch(answered({ id: question.id, answer: value }));
    send({ [question.id]: value }, {});
    if (question.id === 'pregnancy')
      dispatch(
        patientChanged({
          patient: session.patient,
          situation: { ...session.situation, pregnancy: value === 'yes' ? 'possible' : 'no' },
          roomId: session.roomId,
        }),
      );
  };
  const ticks = (title: string, items: readonly { id: string; text: string }[]) =>
    items.length > 0 && (
      <View style={{ gap: 4 }}>
        <Words kind="heading" role="heading" aria-level={2}>
          {title}
        </Words>
        {items.map(({ id, text }) => (
          <Toggle key={id} label={text} on={session.checked.includes(id)} onChange={() => dispatch(checkedOff(id))} />
        ))}
      </View>
    );
  const next = Math.max(
    0,
    session.plan.findIndex((_, i) => session.exposed[i] === undefined),
  );
  return (
    <Frame
      header={<PlaceHeader title="Before the patient" detail={`${session.exam}, ${session.initials}`} />}
      footer={
        <View style={{ padding: 8, borderTopWidth: 1, borderTopColor: theme.line, gap: 6 }}>
          <Words kind="small" tone={ready ? 'sage' : stops.length > 0 ? 'brick' : 'soft'} role="status">
            {ready
              ? '✓ All answered; nothing stops the exam'
              : stops.length > 0
                ? `▲ Stopped: ${stops.map(({ text }) => text).join('; ')}`
                : `${open.length} still to ask`}
          </Words>
          <Button
            title={next === 0 ? 'To the first projection' : 'Back to the projection'}
            onPress={() => router.push({ pathname: '/setup', params: addressOf(session, next) })}
          />
        </View>
      }
    >
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 20 }}>
        {!view && <Skeleton rows={3} height={90} />}
        {view && 'error' in view && <Caution text={view.error} />}
        {view &&
          !('error' in view) &&
          ticks(
            'Room, before the patient comes in',
            view.roomCheck.map(({ id, text }) => ({ id: `room-${id}`, text })),
          )}
        <View style={{ gap: 12 }}>
          <Words kind="heading" role="heading" aria-level={2}>
            Ask
          </Words>
          {questions.map((question) => {
            const given = session.answers.given[question.id];
            const stopped = question.stopsOn !== null && given === question.stopsOn;
            return (
              <View key={question.id} style={{ gap: 6 }}>
                <Choice
                  label={`${question.text} (${question.why})`}
                  options={[
                    { value: 'yes', label: 'yes' },
                    { value: 'no', label: 'no' },
                  ]}
                  value={given}
                  onChange={(value) => answer(question, value as Answer)}
                />
                {stopped && <Caution text={question.then} />}
                {stopped && question.decision && (
                  <Decision
                    question={question}
                    value={session.answers.decisions[question.id] ?? ''}
                    onKeep={(decision) => {
                      dispatch(answered({ id: question.id, decision }));
                      send({}, { [question.id]: decision });
                    }}
                  />
                )}
              </View>
            );
          })}
        </View>
        {view &&
          !('error' in view) &&
          view.takeOff.map(({ region, items }) => (
            <View key={region}>
              {ticks(
                `Off, for the ${region}`,
                items.map((item) => ({ id: `off-${item}`, text: item })),
              )}
            </View>
          ))}
      </ScrollView>
    </Frame>
  );
}

/** Written down, and kept when the field is left or the key is pressed: a half-typed name decides nothing. */
function Decision({ question, value, onKeep }: { question: Question; value: string; onKeep: (text: string) => void }) {
  return <DecisionField key={value} label={`${question.text}: who decided, and what`} value={value} onKeep={onKeep} />;
}

function DecisionField({ label, value, onKeep }: { label: string; value: string; onKeep: (text: string) => void }) {
  const [text, setText] = useState(value);
  return (
    <View style={{ gap: 6 }}>
      <LineInput label={label} value={text} onChange={setText} max={MAX_DECISION} />
      <Button
        title={value === '' ? 'Keep this decision' : 'Change this decision'}
        disabled={text.trim() === '' || text === value}
        onPress={() => onKeep(text.trim())}
      />
    </View>
  );
}
