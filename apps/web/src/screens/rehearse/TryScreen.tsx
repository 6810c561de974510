/** The picture that this set-up will give: try, compare, see what is wrong and what puts it right. */
import {
  addPositioningError,
  NO_POSITIONING_ERROR,
  projections,
  roomForProjection,
  signed,
  type Correction,
  type Implant,
  type PositioningError,
  type Window,
} from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Caution, Note, Skeleton } from '../../ui/States';
import { RAIL_FROM, WIDE_FROM } from '../../ui/tokens';
import { useKeys } from '../../ui/useKeys';
import { Words } from '../../ui/Words';
import { useOwnEntries } from '../projection/useOwnEntries';
import { useRoom } from '../room/useRoom';
import { askedOf, toAddress } from '../setup/address';
import { PatientSheet } from '../setup/PatientSheet';
import { ReadoutGrid } from '../setup/ReadoutGrid';
import { ReadoutSheet, type ReadoutName } from '../setup/ReadoutSheet';
import { StagePane } from '../setup/StagePane';
import { useAsked } from '../setup/useAsked';
import { useCompute } from '../setup/useCompute';
import { patientText, situationText } from '../setup/words';
import { CriteriaList } from './CriteriaList';
import { FaultPane } from './FaultPane';
import { PositioningErrorControls } from './PositioningErrorControls';
import { positioningErrorFrom, positioningErrorText } from './positioningError';
import { pictureTrouble } from './pictureTrouble';
import { PictureView } from './PictureView';
import { SavePicture } from './SavePicture';
import { useDragPart } from './useDragPart';
import { useRehearsal } from './useRehearsal';
import { WindowControls } from './WindowControls';

const SEED = 1;
const ADDRESS_AFTER_MS = 400;
type Pane = 'criteria' | 'fault' | 'part' | 'room' | 'eye';

export function TryScreen() {
  const { asked, go, changePatient, settle } = useAsked();
  const params = useLocalSearchParams();
  const router = useRouter();
  const { width, height } = useWindowDimensions();
  const unit = useAppSelector((state) => state.preferences.unit);
  const { room, rules } = useRoom(asked.roomId, asked.rules);
  const { own } = useOwnEntries();
  // Links of earlier versions say `lie`.
  const [positioningError, setPositioningError] = useState<PositioningError>(() =>
    positioningErrorFrom(params.error ?? params.lie),
  );
  const [breath, setBreath] = useState<'in' | 'out' | null>(null);
  const [motionMm, setMotion] = useState(0);
  const [implant, setImplant] = useState<Implant>('none');
  const [over, setOver] = useState<'this' | 'routine' | 'both'>('this');
  const [window, setWindow] = useState<Window | null>(null);
  const [pane, setPane] = useState<Pane>('criteria');
  const [readout, setReadout] = useState<ReadoutName | null>(null);
  const [patientOpen, setPatientOpen] = useState(false);
  const [exposure, setExposure] = useState(0);

  const mine = own.find(({ id }) => id === asked.projectionId);
  const entry = mine ?? projections.find(({ id }) => id === asked.projectionId);
  const request = {
    projectionId: asked.projectionId,
    own: mine,
    side: entry?.sided === 'each' ? (asked.side ?? 'right') : asked.side,
    patient: asked.patient,
    situation: asked.situation,
    room: room && roomForProjection(room, asked.projectionId),
    rules,
    ...askedOf(asked),
  } as const;
  const wide = width >= WIDE_FROM;
  const rail = width >= RAIL_FROM ? 84 : 0;
  const stageWidth = wide ? 330 : width - 24;
  const stageHeight = wide ? 300 : 260;
  const { result, errors } = useCompute(
    entry ? { request, before: null, state: null, aspects: { side: stageWidth / stageHeight } } : null,
  );
  // A change may have left fewer exposures than there were.
  const last = (result?.setup.receptor.exposures ?? exposure + 1) - 1;
  const base = { breath, motionMm, seed: SEED, exposure: Math.min(exposure, last), implant };
  const now = useRehearsal(entry ? { request, positioningError, ...base } : null);
  const plain = { ...request, overrides: undefined };
  const routine = useRehearsal(
    entry && over !== 'this'
      ? { request: plain, positioningError: NO_POSITIONING_ERROR, ...base, breath: null, motionMm: 0 }
      : null,
  );

  // The address follows the hand: reload and a link find the part lying as it lay.
  const inAddress = positioningErrorText(positioningError);
  const addressed = typeof params.error === 'string' && params.error !== '' ? params.error : undefined;
  useEffect(() => {
    // A change of the set-up writes the address anew and leaves this out of it.
    if (addressed === inAddress) return undefined;
    const timer = setTimeout(() => router.setParams({ error: inAddress, lie: undefined }), ADDRESS_AFTER_MS);
    return () => clearTimeout(timer);
  }, [inAddress, addressed, router]);

  const drag = useDragPart(positioningError, setPositioningError);
  const correct = ({ about, amount }: Correction) =>
    setPositioningError((old) => addPositioningError(old, { [about]: amount }));
  const toSetup = async () => {
    await settle();
    router.push({ pathname: '/setup', params: toAddress(asked) });
  };
  useKeys({
    r: () => setOver((old) => (old === 'this' ? 'routine' : 'this')),
    b: () => setOver((old) => (old === 'both' ? 'this' : 'both')),
    p: () => setPatientOpen(true),
    '0': () => setPositioningError(NO_POSITIONING_ERROR),
  });

  if (!entry)
    return (
      <Frame header={<PlaceHeader title="Rehearse" />}>
        <View style={{ padding: 16 }}>
          <Note
            tone="brick"
            title="Unknown projection"
            text={`There is no projection "${asked.projectionId}".`}
            action="Find a projection"
            onAction={() => router.push('/find')}
          />
        </View>
      </Frame>
    );

  const size = Math.max(
    200,
    wide ? Math.min(width - rail - 720, height - 190) : Math.min(width - 24, height * 0.52, 620),
  );
  const { picture, judged, error } = now;
  const missed = judged ? judged.criteria.filter(({ passes }) => !passes).length : 0;
  const many = picture && picture.exposures > 1;
  const eyePane = picture && (
    <View style={{ gap: 8 }}>
      <WindowControls window={window ?? picture.window} changed={window !== null} onChange={setWindow} />
      {result && <SavePicture picture={picture} setup={result.setup} window={window} />}
    </View>
  );
  const reset = (
    <Press
      label="Everything as it is computed"
      disabled={asked.overrides === undefined}
      onPress={() => go({ overrides: undefined })}
      style={{ paddingHorizontal: 12 }}
    >
      <Words>Everything as it is computed</Words>
    </Press>
  );
  const shown = (
    <View style={{ gap: 8, alignItems: wide ? 'flex-start' : 'stretch' }}>
      {picture ? (
        <View style={{ alignItems: 'center' }}>
          <PictureView
            picture={picture}
            routine={routine.picture}
            over={over}
            window={window}
            size={size}
            name={entry.name}
            onDrag={drag}
          />
        </View>
      ) : (
        !error && <Skeleton rows={1} height={size} />
      )}
      {picture && (
        <Words kind="small" role="status">
          {picture.index === null
            ? 'Nothing lies in the field: no exposure index'
            : `Simulated index ${Math.round(picture.index)}, target ${picture.targetIndex} · deviation ${signed(picture.deviation as number)}`}
        </Words>
      )}
      {judged && !wide && (
        <Words kind="small" tone={missed > 0 ? 'brick' : 'sage'}>
          {missed > 0 ? `▲ Criteria: ${missed} not met` : '✓ All criteria met'}
        </Words>
      )}
      {error !== '' && <Caution text={pictureTrouble(error, picture !== null)} />}
      {error !== '' && !picture && !wide && reset}
      {(picture || error === '') && (
        <Choice
          label="Shown"
          options={[
            { value: 'this', label: 'this' },
            { value: 'routine', label: 'routine' },
            { value: 'both', label: 'both' },
          ]}
          value={over}
          onChange={setOver}
        />
      )}
      {many && (
        <Choice
          label="Exposure"
          options={Array.from({ length: picture.exposures }, (_, i) => ({ value: String(i), label: String(i + 1) }))}
          value={String(base.exposure)}
          onChange={(value) => setExposure(Number(value))}
        />
      )}
      {wide && eyePane}
    </View>
  );
  const stage = result && (
    <StagePane
      look="side"
      drawing={result.drawings.side}
      setup={result.setup}
      unit={result.unit}
      width={stageWidth}
      height={stageHeight}
      onDrag={(change) => go({ overrides: { ...asked.overrides, ...change } })}
    />
  );
  const roomPane = (
    <View style={{ gap: 10 }}>
      {stage}
      {result ? (
        <ReadoutGrid
          result={result}
          pulled={asked.overrides}
          open={readout}
          onOpen={setReadout}
          columns={wide ? 2 : 3}
        />
      ) : (
        errors.length === 0 && <Skeleton rows={2} height={80} />
      )}
      {errors.map(({ message }) => (
        <Caution key={message} text={message} />
      ))}
      {reset}
    </View>
  );
  const partPane = (
    <PositioningErrorControls
      positioningError={positioningError}
      breath={breath}
      motionMm={motionMm}
      onPositioningError={setPositioningError}
      onBreath={setBreath}
      onMotion={setMotion}
      implant={entry.region === 'femur, hip, pelvis' ? implant : undefined}
      onImplant={setImplant}
    />
  );
  const criteriaPane = judged ? (
    <CriteriaList criteria={judged.criteria} unit={unit} onCorrect={correct} />
  ) : (
    error === '' && <Skeleton rows={4} height={60} />
  );
  const faultPane = <FaultPane request={plain} onShow={setPositioningError} />;
  const panes: Record<Pane, React.ReactNode> = {
    criteria: criteriaPane,
    fault: faultPane,
    part: partPane,
    room: roomPane,
    eye: eyePane,
  };
  const top = (
    <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
      <Press label="Patient" plain onPress={() => setPatientOpen(true)} style={{ flex: 1 }}>
        <Words numberOfLines={2}>
          {patientText(asked.patient)}
          {judged && <Words tone="soft">{`  ·  ${situationText(judged.setup.situation)}`}</Words>}
        </Words>
      </Press>
      <Press label="To the set-up" role="link" onPress={() => void toSetup()} style={{ paddingHorizontal: 12 }}>
        <Words kind="small" tone="lamp">
          Set up
        </Words>
      </Press>
    </View>
  );
  const sheets = (
    <>
      {result && (
        <ReadoutSheet
          name={readout}
          setup={result.setup}
          request={request}
          room={room}
          unit={result.unit}
          overrides={asked.overrides ?? {}}
          onChange={(overrides) => go({ overrides })}
          onClose={() => setReadout(null)}
        />
      )}
      <PatientSheet
        open={patientOpen}
        patient={asked.patient}
        situation={asked.situation}
        side={request.side}
        errors={errors.map(({ message }) => message)}
        onChange={changePatient}
        onClose={() => setPatientOpen(false)}
      />
    </>
  );
  const side = request.side && entry.sided === 'each' ? `, ${request.side}` : '';
  return (
    <Frame header={<PlaceHeader title="Rehearse" detail={`${entry.name}${side}`} roomId={asked.roomId} />}>
      {wide ? (
        <View style={{ flex: 1, flexDirection: 'row', minHeight: 0 }}>
          <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: 16, gap: 10 }}>
            {top}
            {shown}
          </ScrollView>
          <ScrollView style={{ width: 350, flexGrow: 0 }} contentContainerStyle={{ padding: 10, gap: 12 }}>
            {roomPane}
          </ScrollView>
          <ScrollView style={{ width: 340, flexGrow: 0 }} contentContainerStyle={{ padding: 10, gap: 16 }}>
            {criteriaPane}
            {partPane}
            {faultPane}
          </ScrollView>
        </View>
      ) : (
        <ScrollView contentContainerStyle={{ padding: 12, paddingTop: 0, gap: 10 }}>
          {top}
          {shown}
          <Choice
            label="Look at"
            options={[
              { value: 'criteria', label: 'criteria' },
              { value: 'part', label: 'the part' },
              { value: 'fault', label: 'a fault seen' },
              { value: 'room', label: 'tube and room' },
              { value: 'eye', label: 'brightness, files' },
            ]}
            value={pane}
            onChange={setPane}
          />
          {panes[pane]}
        </ScrollView>
      )}
      {sheets}
    </Frame>
  );
}
