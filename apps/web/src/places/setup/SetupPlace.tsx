/** Set up: this projection, this patient, this room. The address holds what is asked; the session holds the exam. */
import { Button } from '@rneui/themed';
import { projections, type Overrides, type PatientInput, type SetupRequest, type Situation, type StageLook } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { preferred } from '../../state/preferences';
import { post } from '../../state/sender';
import { Frame, PlaceHeader, RoomChip } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Caution, Note, Skeleton } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM, WIDE_FROM } from '../../ui/tokens';
import { useKeys } from '../../ui/useKeys';
import { Words } from '../../ui/Words';
import { useRoom } from '../room/useRoom';
import { fromAddress, toAddress } from './address';
import { addressOf } from './begin';
import { ChangeList } from './ChangeList';
import { KeySheet } from './KeySheet';
import { PatientSheet } from './PatientSheet';
import { ReadoutCard } from './ReadoutCard';
import { isPulled, READOUT_TITLES, READOUTS, ReadoutSheet, type ReadoutName } from './ReadoutSheet';
import { ended, exposed, patientChanged, ticked, type Session } from './session';
import { StagePane } from './StagePane';
import { nextStep, StepList } from './StepList';
import { useCompute, type Computed } from './useCompute';
import { centreText, fieldText, patientText, receptorText, sidText, situationText, techniqueText, tubeText } from './words';

const NO_TICKS: string[] = [];

export function SetupPlace() {
  const params = useLocalSearchParams();
  const session = useAppSelector((state) => state.session.current);
  if (typeof params.p === 'string' && params.p !== '') return <SetupScreen />;
  return <NothingChosen session={session} />;
}

function NothingChosen({ session }: { session: Session | null }) {
  const router = useRouter();
  const resume = () => session && router.replace({ pathname: '/setup', params: addressOf(session, Math.max(0, session.plan.findIndex((_, i) => session.exposed[i] === undefined))) });
  return (
    <Frame header={<PlaceHeader title="Set up" />}>
      <View style={{ padding: 16, gap: 12 }}>
        {session ? <Note title={`${session.exam} is open`} text={`For ${session.initials}: ${patientText(session.patient)}.`} action="Continue" onAction={resume} /> : <Note title="No projection chosen" text="Start an order, or find a projection." action="Orders" onAction={() => router.push('/orders')} />}
        <Button title="Find a projection" onPress={() => router.push('/find')} />
      </View>
    </Frame>
  );
}

/** What is asked, and how to change it: the address is the only place where it stands. */
function useAsked() {
  const router = useRouter();
  const params = useLocalSearchParams();
  const dispatch = useAppDispatch();
  const session = useAppSelector((state) => state.session.current);
  const key = JSON.stringify(params);
  const asked = useMemo(() => fromAddress(JSON.parse(key) as Record<string, string>), [key]);
  const index = session ? session.plan.findIndex((planned) => planned.projectionId === asked.projectionId && (planned.side === undefined || planned.side === asked.side)) : -1;
  const go = (change: Partial<typeof asked>) => {
    const address = toAddress({ ...asked, ...change });
    // A parameter that is left out of setParams stays; undefined takes it away.
    const cleared = Object.fromEntries(Object.keys(params).map((name) => [name, undefined]));
    router.setParams({ ...cleared, ...address });
  };
  const changePatient = (patient: PatientInput, situation: Partial<Situation>) => {
    if (index >= 0) dispatch(patientChanged({ patient, situation, roomId: asked.roomId ?? session!.roomId }));
    go({ patient, situation });
  };
  return { asked, session: index >= 0 ? session : null, index, go, changePatient };
}

function SetupScreen() {
  const { asked, session, index, go, changePatient } = useAsked();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const theme = useTheme();
  const { width, height } = useWindowDimensions();
  const { unit, look, person, theme: picked } = useAppSelector((state) => state.preferences);
  const { room, rules } = useRoom(asked.roomId);
  const [readout, setReadout] = useState<ReadoutName | null>(null);
  const [patientOpen, setPatientOpen] = useState(false);
  const [keysOpen, setKeysOpen] = useState(false);
  const [loose, setLoose] = useState<{ of: string; ticks: string[] }>({ of: '', ticks: NO_TICKS });

  const wide = width >= WIDE_FROM;
  const rail = width >= RAIL_FROM ? 84 : 0;
  const stage = stageSize(width - rail, height, wide);
  const request: SetupRequest = { projectionId: asked.projectionId, side: asked.side, patient: asked.patient, situation: asked.situation, room, rules, overrides: asked.overrides };
  const looks: readonly StageLook[] = wide ? ['side', 'ray'] : [look];
  const aspects = Object.fromEntries(looks.map((each) => [each, stage[each].width / stage[each].height]));
  const before = session?.last && session.exposed[index] === undefined ? session.last : null;
  const { result, errors, pending } = useCompute({ request, before, aspects });

  const steps = session ? (session.ticks[index] ?? NO_TICKS) : loose.of === asked.projectionId ? loose.ticks : NO_TICKS;
  const tick = (stepId: string) => {
    if (session) dispatch(ticked({ index, stepId }));
    else setLoose({ of: asked.projectionId, ticks: steps.includes(stepId) ? steps.filter((id) => id !== stepId) : [...steps, stepId] });
  };
  const show = (to: number) => {
    if (session && session.plan[to]) router.replace({ pathname: '/setup', params: addressOf(session, to) });
  };
  const done = session !== null && session.exposed[index] !== undefined;
  const expose = () => {
    if (!session || !result || !result.setup.feasible || done || pending || errors.length > 0) return;
    const now = Date.now();
    const id = nanoid(16);
    post(dispatch, { id, madeAt: now, path: '/exposures', body: { id, examId: session.examId, request, performedBy: person, exposedAt: now }, what: result.setup.name });
    dispatch(exposed({ index, exposureId: id, request }));
  };
  const finish = () => {
    if (!session) return;
    const now = Date.now();
    post(dispatch, { id: `${session.examId}-end`, madeAt: now, path: `/exams/${session.examId}/finish`, body: { finishedAt: now }, what: `end of ${session.exam}` });
    dispatch(ended());
    router.replace('/record');
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
    e: expose,
    '?': () => setKeysOpen(true),
  });

  const setup = result?.setup.projectionId === asked.projectionId ? result.setup : null;
  if (!setup || !result) {
    const unknown = !projections.some(({ id }) => id === asked.projectionId);
    return (
      <Frame header={<PlaceHeader title="Set up" />}>
        <View style={{ padding: 16, gap: 12 }}>
          {errors.length > 0 ? <Note tone="brick" title={unknown ? 'Unknown projection' : 'This set-up cannot be computed'} text={errors.map((error) => error.message).join('. ')} action="Find a projection" onAction={() => router.push('/find')} /> : <Skeleton rows={5} height={110} />}
          {errors.some(({ field }) => field === 'side') && <Button title="Right side" onPress={() => go({ side: 'right' })} />}
          {errors.some(({ field }) => field === 'side') && <Button title="Left side" onPress={() => go({ side: 'left' })} />}
          {errors.length > 0 && !unknown && <Button title="Change patient" onPress={() => setPatientOpen(true)} />}
        </View>
        <PatientSheet open={patientOpen} patient={asked.patient} situation={asked.situation} errors={errors.map((error) => error.message)} onChange={changePatient} onClose={() => setPatientOpen(false)} />
      </Frame>
    );
  }

  const title = (
    <Title setup={setup} asked={asked.patient} session={session} index={index} onShow={show} onPatient={() => setPatientOpen(true)} roomId={asked.roomId} assumed={setup.assumptions.some(({ provenance }) => provenance === 'median' || provenance === 'scaled')} />
  );
  const warnings = (
    <View role="status" style={{ gap: 6 }}>
      {errors.map((error) => (
        <Caution key={error.message} text={`${error.message}. The numbers shown are still those from before.`} />
      ))}
      {setup.cautions.filter(({ grave }) => grave).map(({ text }) => (
        <Caution key={text} text={text} />
      ))}
      {setup.problems.map(({ text }) => (
        <Caution key={text} text={text} />
      ))}
    </View>
  );
  const readouts = <Readouts result={result} pulled={asked.overrides} open={readout} onOpen={setReadout} columns={wide ? 2 : 3} />;
  const changes = <ChangeList changes={result.changes} from={session?.last ? (projections.find(({ id }) => id === session.last?.projectionId)?.name ?? '') : ''} />;
  const actions = <Actions session={session} index={index} feasible={setup.feasible && errors.length === 0} done={done} onExpose={expose} onNext={() => show(index + 1)} onFinish={finish} />;
  const panes = looks.map((each) => (
    <StagePane key={each} look={each} view={result.stages[each]} setup={setup} unit={result.unit} width={stage[each].width} height={stage[each].height} onSwitch={wide ? undefined : switchLook} />
  ));
  const sheets = (
    <>
      <ReadoutSheet name={readout} setup={setup} room={room} unit={result.unit} overrides={asked.overrides ?? {}} onChange={(overrides: Overrides) => go({ overrides })} onClose={() => setReadout(null)} />
      <PatientSheet open={patientOpen} patient={asked.patient} situation={asked.situation} errors={errors.map((error) => error.message)} onChange={changePatient} onClose={() => setPatientOpen(false)} />
      <KeySheet open={keysOpen} onClose={() => setKeysOpen(false)} />
    </>
  );
  if (wide) {
    return (
      <Frame>
        <View style={{ flex: 1, flexDirection: 'row', minHeight: 0 }}>
          <ScrollView style={{ width: SERIES_WIDTH, flexGrow: 0, borderRightWidth: 1, borderRightColor: theme.line }} contentContainerStyle={{ padding: 16, gap: 14 }}>
            <Series session={session} index={index} name={setup.name} onShow={show} />
            {changes}
            <Schools setup={setup} />
          </ScrollView>
          <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: 14, gap: 10 }}>
            {title}
            <View style={{ flexDirection: 'row', gap: 8 }}>{panes}</View>
            {warnings}
          </ScrollView>
          <View style={{ width: RIGHT_WIDTH, minHeight: 0 }}>
            <ScrollView contentContainerStyle={{ padding: 14, paddingLeft: 0, gap: 12 }}>
              {readouts}
              <StepList setup={setup} done={steps} onTick={tick} />
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
        {setup.cautions.some(({ grave }) => grave) || setup.problems.length > 0 || errors.length > 0 ? warnings : null}
        {panes}
        {readouts}
        {changes}
        <StepList setup={setup} done={steps} onTick={tick} />
        <Schools setup={setup} />
      </ScrollView>
      {sheets}
    </Frame>
  );
}

const SERIES_WIDTH = 262;
const RIGHT_WIDTH = 336;
const GUTTER = 24;

/** Pixels of each look: a phone shows one, a wide screen both side by side. */
function stageSize(available: number, height: number, wide: boolean): Record<StageLook, { width: number; height: number }> {
  if (!wide) {
    const size = { width: Math.min(available - GUTTER, 720), height: Math.round(Math.min(Math.max(height * 0.36, 240), 420)) };
    return { side: size, ray: size };
  }
  const middle = available - SERIES_WIDTH - RIGHT_WIDTH - 36;
  const tall = Math.max(360, height - 230);
  return { side: { width: Math.round(middle * 0.58), height: tall }, ray: { width: Math.round(middle * 0.42), height: tall } };
}

type TitleProps = { setup: Computed['setup']; asked: PatientInput; session: Session | null; index: number; onShow: (index: number) => void; onPatient: () => void; roomId: string | undefined; assumed: boolean };

function Title({ setup, asked, session, index, onShow, onPatient, roomId, assumed }: TitleProps) {
  const arrow = (to: number, sign: string, label: string) =>
    session && (
      <Press label={label} plain disabled={!session.plan[to]} onPress={() => onShow(to)} style={{ alignItems: 'center' }}>
        <Words kind="title">{sign}</Words>
      </Press>
    );
  return (
    <View>
      <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 48 }}>
        {arrow(index - 1, '‹', 'Previous projection')}
        <Words kind="title" role="heading" aria-level={1} style={{ flex: 1 }}>
          {setup.name}
        </Words>
        {session && <Words kind="small" tone="soft">{`${index + 1} of ${session.plan.length}`}</Words>}
        {arrow(index + 1, '›', 'Next projection')}
      </View>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Press label={`Patient: ${patientText(asked)}, ${situationText(setup.situation)}${assumed ? ', partly assumed' : ''}. Change`} plain onPress={onPatient} style={{ flex: 1 }}>
          <Words numberOfLines={2}>
            {patientText(asked)}
            {assumed ? <Words tone="mauve">{'  ●'}</Words> : '  ·'}
            <Words tone="soft">{`  ${situationText(setup.situation)}`}</Words>
          </Words>
        </Press>
        <RoomChip roomId={roomId} />
      </View>
    </View>
  );
}

function Readouts({ result, pulled, open, onOpen, columns }: { result: Computed; pulled: Overrides | undefined; open: ReadoutName | null; onOpen: (name: ReadoutName) => void; columns: 2 | 3 }) {
  const { setup, unit, changes } = result;
  const texts = { receptor: receptorText(setup), sid: sidText(setup, unit), tube: tubeText(setup), centre: centreText(setup, unit), field: fieldText(setup, unit), technique: techniqueText(setup) };
  const was = (name: ReadoutName) => changes.find(({ readout, was: before }) => readout === name && before !== null)?.was ?? null;
  const rows = Array.from({ length: READOUTS.length / columns }, (_, i) => READOUTS.slice(i * columns, (i + 1) * columns));
  return (
    <View role="group" aria-label="Readouts" aria-live="polite" style={{ gap: 6 }}>
      {rows.map((row) => (
        <View key={row.join()} style={{ flexDirection: 'row', gap: 6 }}>
          {row.map((name) => (
            <ReadoutCard key={name} name={READOUT_TITLES[name]} text={texts[name]} was={was(name)} chosen={open === name} pulled={isPulled(name, pulled)} onPress={() => onOpen(name)} />
          ))}
        </View>
      ))}
    </View>
  );
}

function Series({ session, index, name, onShow }: { session: Session | null; index: number; name: string; onShow: (index: number) => void }) {
  if (!session) {
    return (
      <View style={{ gap: 4 }}>
        <Words kind="heading">{name}</Words>
        <Words kind="small" tone="soft">
          Not part of an exam: nothing is recorded.
        </Words>
      </View>
    );
  }
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading">{session.exam}</Words>
      <Words kind="small" tone="soft">{session.initials}</Words>
      {session.plan.map((planned, i) => {
        const entry = projections.find(({ id }) => id === planned.projectionId);
        const label = `${entry?.name ?? planned.projectionId}${planned.side ? `, ${planned.side}` : ''}`;
        const done = session.exposed[i] !== undefined;
        return (
          <Press key={`${planned.projectionId}-${i}`} label={`${label}${done ? ', exposed' : ''}`} chosen={i === index} plain onPress={() => onShow(i)} style={{ padding: 12 }}>
            <Words kind="bold">{label}</Words>
            {done && (
              <Words kind="label" tone="sage">
                ✓ exposed
              </Words>
            )}
          </Press>
        );
      })}
    </View>
  );
}

function Schools({ setup }: { setup: Computed['setup'] }) {
  return (
    <View style={{ gap: 8 }}>
      {setup.schools.map((school) => (
        <View key={school.rule}>
          <Words kind="label" tone="soft">{`House rule · ${school.title}`}</Words>
          <Words kind="small">{`${school.choice}: ${school.reason}`}</Words>
        </View>
      ))}
      {setup.assumptions.map((assumption) => (
        <View key={assumption.field}>
          <Words kind="label" tone="mauve">{`● ${assumption.provenance}`}</Words>
          <Words kind="small">{`${assumption.value}. Affects ${assumption.affects}.`}</Words>
        </View>
      ))}
    </View>
  );
}

type ActionsProps = { session: Session | null; index: number; feasible: boolean; done: boolean; onExpose: () => void; onNext: () => void; onFinish: () => void };

function Actions({ session, index, feasible, done, onExpose, onNext, onFinish }: ActionsProps) {
  const theme = useTheme();
  if (!session) return null;
  const all = session.plan.every((_, i) => session.exposed[i] !== undefined);
  const hasNext = session.plan[index + 1] !== undefined;
  return (
    <View style={{ flexDirection: 'row', gap: 8, padding: 8, borderTopWidth: 1, borderTopColor: theme.line, alignItems: 'center' }}>
      {done && (
        <Words kind="small" tone="sage" style={{ flex: 1, paddingLeft: 6 }} role="status">
          ✓ Exposed and kept
        </Words>
      )}
      {!done && (
        <View style={{ flex: 1 }}>
          <Button title={feasible ? 'Expose' : 'Not to be exposed like this'} disabled={!feasible} onPress={onExpose} />
        </View>
      )}
      {done && hasNext && !all && <Button title="Next projection" onPress={onNext} />}
      {(all || (done && !hasNext)) && <Button title="Finish exam" onPress={onFinish} />}
    </View>
  );
}
