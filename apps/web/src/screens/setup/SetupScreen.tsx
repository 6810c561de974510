/** Set up: this projection, this patient, this room. The address holds what is asked; the session holds the exam. */
import { Button } from '@rneui/themed';
import {
  projectionOf,
  projections,
  roomForProjection,
  type Overrides,
  type SetupRequest,
  type StageLook,
  tubeAngleFrom,
} from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue, useEffect, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { opened, preferred } from '../../state/preferences';
import { mustNote } from '../../state/outbox';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note, Skeleton } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM, WIDE_FROM } from '../../ui/tokens';
import { useKeys } from '../../ui/useKeys';
import { useWakeLock } from '../../ui/useWakeLock';
import { Words } from '../../ui/Words';
import { useGates } from '../exam/useGates';
import { usePlanEntries } from '../exam/usePlanEntries';
import { useOtherDevice } from '../exam/useOtherDevice';
import { useReadiness } from '../exam/useReadiness';
import { useOwnEntries } from '../projection/useOwnEntries';
import { PersonChip } from '../people/PersonChip';
import { ConsolePicture } from '../rehearse/ConsolePicture';
import { useRoom } from '../room/useRoom';
import { ActionBar } from './ActionBar';
import { askedOf, toAddress } from './address';
import { addressOf } from './begin';
import { Assumptions } from './Assumptions';
import { BreathSheet } from './BreathSheet';
import { ChangeList } from './ChangeList';
import { ClockKeys } from './ClockKeys';
import { DigitChoice } from './DigitChoice';
import { ExamSheets } from './ExamSheets';
import { GaugeSheet } from './GaugeSheet';
import { HandKeys } from './HandKeys';
import { KeySheet } from './KeySheet';
import { NothingChosen } from './NothingChosen';
import { OtherSchools } from './OtherSchools';
import { PatientSheet } from './PatientSheet';
import { ReadoutGrid } from './ReadoutGrid';
import { READOUTS, ReadoutSheet, type ReadoutName } from './ReadoutSheet';
import { SeenSheet } from './SeenSheet';
import { SeriesList } from './SeriesList';
import { OneStep } from './OneStep';
import { ticked } from '../../state/session';
import { StagePane } from './StagePane';
import { RIGHT_WIDTH, SERIES_WIDTH, stageSize } from './stageSize';
import { nextStep, StepList } from './StepList';
import { useTerms } from '../../ui/terms/TermSheet';
import { shownWords } from './words';
import { hasWarnings, Warnings } from './Warnings';
import { TitleBar } from './TitleBar';
import { useAsked } from './useAsked';
import { useCompute } from './useCompute';
import { useExposing } from './useExposing';

const NO_TICKS: string[] = [];

export function SetupScreen() {
  const params = useLocalSearchParams();
  const session = useAppSelector((state) => state.session.current);
  if (typeof params.p === 'string' && params.p !== '') return <SetupOfView />;
  return <NothingChosen session={session} />;
}

function SetupOfView() {
  const { asked, session, index, go, choose, changePatient, settle } = useAsked();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const theme = useTheme();
  const { width, height } = useWindowDimensions();
  const { unit, look, theme: picked } = useAppSelector((state) => state.preferences);
  const person = useAppSelector((state) => state.who.person?.name ?? null);
  const { room, rules } = useRoom(asked.roomId, asked.rules);
  const { own, loading: ownLoading } = useOwnEntries();
  const mine = own.find(({ id }) => id === asked.projectionId);
  const [readout, setReadout] = useState<ReadoutName | null>(null);
  const [patientOpen, setPatientOpen] = useState(false);
  const [keysOpen, setKeysOpen] = useState(false);
  const { explain, sheet: terms } = useTerms();
  /** The sheet over the screen, of those that belong to the exam or to the steps. */
  const [sheet, setSheet] = useState<
    'exam' | 'finish' | 'repeat' | 'note' | 'gate' | 'seen' | 'breath' | 'one' | 'gauge' | null
  >(null);
  const close = () => setSheet(null);
  const { ready, open: toAsk, stops } = useReadiness(session);
  const gates = useGates(session, index);
  const entries = usePlanEntries(session?.plan);
  const other = useOtherDevice(session);
  useWakeLock(session !== null);
  const [loose, setLoose] = useState<{ of: string; ticks: string[] }>({ of: '', ticks: NO_TICKS });

  const toNote = useAppSelector((state) => mustNote(state.outbox));
  const versions = useAppSelector((state) => state.news.seen);
  const madeWith = versions ? { rules: versions.rules, room: room && versions.rooms[room.id] } : undefined;

  const wide = width >= WIDE_FROM;
  const rail = width >= RAIL_FROM ? 84 : 0;
  const stage = stageSize(width - rail, height, wide);
  const request: SetupRequest = {
    projectionId: asked.projectionId,
    own: mine,
    side: asked.side,
    patient: asked.patient,
    situation: asked.situation,
    room: room && roomForProjection(room, asked.projectionId),
    rules,
    ...askedOf(asked),
  };
  const looks: readonly StageLook[] = wide ? ['side', 'ray'] : [look];
  const aspects = Object.fromEntries(looks.map((each) => [each, stage[each].width / stage[each].height]));
  const before = session?.last && session.exposed[index] === undefined ? session.last : null;
  const { result, errors, pending } = useCompute({ request, before, state: session?.state ?? null, aspects });

  const steps = session ? (session.ticks[index] ?? NO_TICKS) : loose.of === asked.projectionId ? loose.ticks : NO_TICKS;
  const tick = (stepId: string) => {
    if (session) dispatch(ticked({ index, stepId }));
    else
      setLoose({
        of: asked.projectionId,
        ticks: steps.includes(stepId) ? steps.filter((id) => id !== stepId) : [...steps, stepId],
      });
  };
  const show = (to: number) => {
    if (session && session.plan[to]) router.replace({ pathname: '/setup', params: addressOf(session, to) });
  };
  const done = session !== null && session.exposed[index] !== undefined;
  const { expose, accept, repeat, keepNote, finish } = useExposing({
    ...{ session, index, asked, request, result, madeWith, ready, go },
    blocked: done || pending || toNote || errors.length > 0,
    waits: gates.length > 0,
    entries,
  });
  const openWays = async () => {
    await settle();
    router.push({ pathname: '/ways', params: toAddress(asked) });
  };
  const switchLook = () => dispatch(preferred({ look: look === 'side' ? 'ray' : 'side' }));

  useKeys({
    f: () => router.push('/find'),
    ...Object.fromEntries(READOUTS.slice(0, 5).map((name, i) => [String(i + 1), () => setReadout(name)])),
    ArrowLeft: () => show(index - 1),
    ArrowRight: () => show(index + 1),
    ' ': () => {
      const next = result && nextStep(result.setup, steps);
      if (next) tick(next.id);
    },
    p: () => setPatientOpen(true),
    v: switchLook,
    u: () => dispatch(preferred({ unit: unit === 'in' ? 'cm' : 'in' })),
    t: () => dispatch(preferred({ theme: (picked ?? theme.name) === 'dim' ? 'day' : 'dim' })),
    e: () => (ready && gates.length > 0 ? setSheet('gate') : expose()),
    w: () => void openWays(),
    g: () => router.push({ pathname: '/rehearse', params: toAddress(asked) }),
    a: accept,
    n: () => session?.exposed[index] !== undefined && setSheet('note'),
    o: () => setSheet('one'),
    b: () => setSheet('breath'),
    l: () => setSheet('gauge'),
    y: () => setSheet('seen'),
    '?': () => setKeysOpen(true),
    h: () => result && explain(shownWords(result.setup)),
  });

  const setup = result?.setup.projectionId === asked.projectionId ? result.setup : null;
  const shownId = setup?.projectionId;
  useEffect(() => {
    if (shownId) dispatch(opened(shownId));
  }, [shownId, dispatch]);
  // Numbers and stage first; the long list follows in the same breath without holding them up.
  const late = useDeferredValue(setup, null);
  if (!setup || !result) {
    const unknown = !mine && !projections.some(({ id }) => id === asked.projectionId);
    const waiting = unknown && ownLoading;
    return (
      <Frame header={<PlaceHeader title="Set up" />}>
        <View style={{ padding: 16, gap: 12 }}>
          {errors.length > 0 && !waiting ? (
            <Note
              tone="brick"
              title={unknown ? 'Unknown projection' : 'This set-up cannot be computed'}
              text={errors.map((error) => error.message).join('. ')}
              action="Find a projection"
              onAction={() => router.push('/find')}
            />
          ) : (
            <Skeleton rows={5} height={110} />
          )}
          {errors.some(({ field }) => field === 'side') && (
            <Button title="Right side" onPress={() => go({ side: 'right' })} />
          )}
          {errors.some(({ field }) => field === 'side') && (
            <Button title="Left side" onPress={() => go({ side: 'left' })} />
          )}
          {errors.length > 0 && !unknown && <Button title="Change patient" onPress={() => setPatientOpen(true)} />}
        </View>
        <PatientSheet
          open={patientOpen}
          patient={asked.patient}
          situation={asked.situation}
          side={asked.side}
          errors={errors.map((error) => error.message)}
          onChange={changePatient}
          onClose={() => setPatientOpen(false)}
        />
      </Frame>
    );
  }

  const title = (
    <TitleBar
      setup={setup}
      asked={asked.patient}
      session={session}
      index={index}
      onShow={show}
      onPatient={() => setPatientOpen(true)}
      onExam={() => setSheet('exam')}
      roomId={asked.roomId}
      assumed={setup.assumptions.some(({ provenance }) => provenance === 'median' || provenance === 'scaled')}
    />
  );
  const nobody = session !== null && person === null;
  const elsewhere = (nobody || other.plan !== null || other.says !== '') && (
    <View role="status" style={{ gap: 6, padding: 12, backgroundColor: theme.raised, borderRadius: 4 }}>
      {nobody && (
        <>
          <Words
            kind="small"
            tone="mauve"
          >{`● Nobody is signed in: an exposure is recorded as ${session.by}’s and waits here.`}</Words>
          <PersonChip />
        </>
      )}
      {other.says !== '' && <Words kind="small" tone="mauve">{`● ${other.says}`}</Words>}
      {other.plan && (
        <>
          <Words kind="small" tone="mauve">{`● ${other.plan.by} has changed the plan on another device.`}</Words>
          <Press label="Take the new plan" onPress={other.takePlan} style={{ paddingHorizontal: 12 }}>
            <Words tone="lamp">Take the new plan</Words>
          </Press>
        </>
      )}
    </View>
  );
  const digit = (
    <DigitChoice entry={mine ?? projectionOf(setup.projectionId)} way={asked.way} onChange={(way) => go({ way })} />
  );
  const clockKeys = session && entries?.[index] && <ClockKeys session={session} index={index} entry={entries[index]} />;
  const handsFree = (
    <HandKeys
      name={setup.name}
      feasible={setup.feasible}
      hasSteps={setup.steps.length > 0}
      onWays={() => void openWays()}
      onOpen={setSheet}
    />
  );
  const warnings = <Warnings setup={setup} errors={errors} instead={result.instead} onWays={() => void openWays()} />;
  const readouts = result.allowed && (
    <ReadoutGrid result={result} pulled={asked.overrides} open={readout} onOpen={setReadout} columns={wide ? 2 : 3} />
  );
  const changes = (
    <ChangeList
      changes={result.changes}
      stands={session && result.allowed ? result.stands : []}
      from={session?.last ? (projections.find(({ id }) => id === session.last?.projectionId)?.name ?? '') : ''}
    />
  );
  const actions = (
    <ActionBar
      session={session}
      index={index}
      feasible={setup.feasible && errors.length === 0}
      done={done}
      askFirst={
        ready
          ? gates.map(({ why }) => `Waits: ${why}`).join('; ')
          : stops.length > 0
            ? `Stopped: ${stops.map(({ text }) => text).join('; ')}`
            : `${toAsk.length} still to ask before anything is exposed`
      }
      onAsk={() => (ready ? setSheet('gate') : router.push('/before'))}
      asks={ready ? 'What it waits for' : 'Before the patient'}
      onWays={() => void openWays()}
      onExpose={expose}
      onAccept={accept}
      onRepeat={() => setSheet('repeat')}
      onNote={() => setSheet('note')}
      onNext={() => show(index + 1)}
      onFinish={() => setSheet('finish')}
    />
  );
  // Of what must not be done nothing is drawn, told in numbers, or simulated.
  const { allowed } = result;
  const panes = !allowed
    ? null
    : looks.map((each) => (
        <StagePane
          key={each}
          look={each}
          drawing={result.drawings[each]}
          setup={setup}
          unit={result.unit}
          width={stage[each].width}
          height={stage[each].height}
          onSwitch={wide ? undefined : switchLook}
          onDrag={(change) => go({ overrides: { ...asked.overrides, ...change } })}
        />
      ));
  const exposureId = session?.exposed[index];
  // The last exposure may be of the other side of the same view.
  const last = session?.last;
  const exposedAs = last?.projectionId === asked.projectionId && last.side === asked.side ? last : request;
  const consoleShows = exposureId !== undefined && (
    <ConsolePicture
      key={exposureId}
      exposureId={exposureId}
      request={exposedAs}
      name={setup.name}
      size={wide ? Math.min(480, stage.side.width) : Math.min(width - 24, height * 0.5)}
    />
  );
  const otherSchools = setup.schools.length > 0 && (
    <OtherSchools
      followed={setup.schools}
      request={request}
      address={toAddress(asked)}
      chosen={asked.rules ?? {}}
      onChoose={choose}
    />
  );
  const openRehearse = async () => {
    await settle();
    router.push({ pathname: '/rehearse', params: toAddress(asked) });
  };
  const stepList = late && (
    <StepList
      setup={late}
      unit={unit}
      notFelt={request.overrides?.notFelt}
      done={steps}
      onTick={tick}
      onAsk={(text) => explain([text])}
    />
  );
  const rehearseLink = allowed && (
    <Press
      label={`Rehearse ${setup.name}: the picture that this set-up will give`}
      role="link"
      onPress={() => void openRehearse()}
      style={{ paddingHorizontal: 12 }}
    >
      <Words kind="small" tone="lamp">
        Rehearse: the picture this will give
      </Words>
    </Press>
  );
  const pageLink = (
    <Press
      label={`Read about ${setup.name}: criteria, faults, what serves instead`}
      role="link"
      onPress={() => router.push({ pathname: '/projection', params: toAddress(asked) })}
      style={{ paddingHorizontal: 12 }}
    >
      <Words kind="small" tone="lamp">
        Criteria, faults, schools, what serves instead
      </Words>
    </Press>
  );
  const termsKey = (
    <Press
      label="Terms on this page"
      onPress={() => explain(shownWords(setup))}
      plain
      style={{ paddingHorizontal: 12 }}
    >
      <Words kind="small" tone="lamp">
        ? Terms on this page
      </Words>
    </Press>
  );
  const toTube = tubeAngleFrom(setup);
  const sheets = (
    <>
      <ReadoutSheet
        name={readout}
        setup={setup}
        request={request}
        room={room}
        unit={result.unit}
        overrides={asked.overrides ?? {}}
        onChange={(overrides: Overrides) => go({ overrides })}
        onClose={() => setReadout(null)}
      />
      <PatientSheet
        open={patientOpen}
        patient={asked.patient}
        situation={asked.situation}
        side={asked.side}
        errors={errors.map((error) => error.message)}
        onChange={changePatient}
        onClose={() => setPatientOpen(false)}
      />
      <KeySheet open={keysOpen} onClose={() => setKeysOpen(false)} />
      {terms}
      <GaugeSheet
        open={sheet === 'gauge' && setup.steps.length > 0}
        setup={setup}
        unit={result.unit}
        onTube={toTube && ((deg) => go({ overrides: { ...asked.overrides, angleDeg: toTube(deg) } }))}
        onClose={close}
      />
      <SeenSheet
        open={sheet === 'seen'}
        request={request}
        onTake={({ patient = {}, situation = {}, overrides = {} }) => {
          const changed = {
            patient: { ...asked.patient, ...patient },
            situation: { ...asked.situation, ...situation },
          };
          changePatient(changed.patient, changed.situation);
          go({ ...changed, overrides: { ...asked.overrides, ...overrides } });
          close();
        }}
        onClose={close}
      />
      <BreathSheet open={sheet === 'breath' && setup.steps.length > 0} setup={setup} onClose={close} />
      <OneStep
        open={sheet === 'one' && setup.steps.length > 0}
        setup={setup}
        unit={unit}
        notFelt={request.overrides?.notFelt}
        done={steps}
        onTick={tick}
        onClose={close}
      />
      {session && (
        <ExamSheets
          sheet={sheet}
          session={session}
          index={index}
          setup={setup}
          of={mine ?? setup.projectionId}
          gates={gates}
          request={exposedAs}
          unit={result.unit}
          onShow={show}
          onRepeat={repeat}
          onKeepNote={keepNote}
          onFinish={finish}
          onClose={close}
        />
      )}
    </>
  );
  if (wide) {
    return (
      <Frame>
        <View style={{ flex: 1, flexDirection: 'row', minHeight: 0 }}>
          <ScrollView
            style={{ width: SERIES_WIDTH, flexGrow: 0, borderRightWidth: 1, borderRightColor: theme.line }}
            contentContainerStyle={{ padding: 16, gap: 14 }}
          >
            <SeriesList session={session} index={index} name={setup.name} onShow={show} />
            {changes}
            {allowed && <Assumptions setup={setup} />}
            {otherSchools}
            {rehearseLink}
            {pageLink}
            {termsKey}
          </ScrollView>
          <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: 14, gap: 10 }}>
            {title}
            {elsewhere}
            {warnings}
            {digit}
            {consoleShows}
            {panes && <View style={{ flexDirection: 'row', gap: 8 }}>{panes}</View>}
          </ScrollView>
          <View style={{ width: RIGHT_WIDTH, minHeight: 0 }}>
            <ScrollView contentContainerStyle={{ padding: 14, paddingLeft: 0, gap: 12 }}>
              {readouts}
              {clockKeys}
              {handsFree}
              {stepList}
            </ScrollView>
            {actions}
          </View>
        </View>
        {sheets}
      </Frame>
    );
  }
  return (
    <Frame header={<View style={{ paddingHorizontal: 12 }}>{title}</View>} footer={actions}>
      <ScrollView contentContainerStyle={{ padding: 12, paddingTop: 0, gap: 8 }}>
        {elsewhere}
        {hasWarnings(setup, errors) && warnings}
        {digit}
        {consoleShows}
        {panes}
        {readouts}
        {changes}
        {clockKeys}
        {handsFree}
        {stepList}
        {allowed && <Assumptions setup={setup} />}
        {otherSchools}
        {rehearseLink}
        {pageLink}
        {termsKey}
      </ScrollView>
      {sheets}
    </Frame>
  );
}
