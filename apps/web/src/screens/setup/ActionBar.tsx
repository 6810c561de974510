/** The last bar of the screen: answer first, expose, look and accept or repeat, go on, finish. */
import { Button } from '@rneui/themed';
import { bandOf, signed, techniqueForIndex, withDepartmentDefaults, significant } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useDepartmentQuery, useExposureQuery, type ExposureRow } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { mustNote, notedOnPaper } from '../../state/outbox';
import { sendAgain } from '../../state/sender';
import type { AppDispatch } from '../../state/store';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { PRIMARY } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { ReadingSheet } from '../exam/ReadingSheet';
import { useScale } from '../room/useScale';
import type { Session } from '../../state/session';
import { indexText } from './words';

type Props = {
  session: Session | null;
  index: number;
  feasible: boolean;
  done: boolean;
  /** What must be answered before anything is exposed, in words; nothing when all is. */
  askFirst: string;
  onAsk: () => void;
  /** What the key to it is called. */
  asks: string;
  onWays: () => void;
  onExpose: () => void;
  onAccept: () => void;
  onRepeat: () => void;
  onNote: () => void;
  onNext: () => void;
  onFinish: () => void;
};

export function ActionBar(props: Props) {
  const {
    session,
    index,
    feasible,
    done,
    askFirst,
    asks,
    onAsk,
    onWays,
    onExpose,
    onAccept,
    onRepeat,
    onNote,
    onNext,
    onFinish,
  } = props;
  const theme = useTheme();
  const dispatch = useAppDispatch();
  const refusedItems = useAppSelector((state) => state.outbox.refused);
  const toNote = useAppSelector((state) => mustNote(state.outbox));
  if (!session) return null;
  const all = session.plan.every((_, i) => session.exposed[i] !== undefined);
  const hasNext = session.plan[index + 1] !== undefined;
  const missing = refusedItems.filter(({ id }) => Object.values(session.exposed).includes(id)).length;
  const exposureId = session.exposed[index];
  const accepted = exposureId !== undefined && session.accepted.includes(exposureId);
  const repeats = session.repeats[index]?.length ?? 0;
  return (
    <View style={{ gap: 6, padding: 8, borderTopWidth: 1, borderTopColor: theme.line }}>
      {!done && askFirst !== '' && (
        <Words kind="small" tone="brick" role="status">
          {`▲ ${askFirst}`}
        </Words>
      )}
      {!done && repeats > 0 && (
        <Words kind="small" tone="soft">
          {`Repeat ${repeats}: ${session.repeats[index].map(({ cause, correction }) => (correction ? `${cause}. ${correction}` : cause)).join(', ')}`}
        </Words>
      )}
      {done && (
        <Press
          label={`Note for the reader${session.notes[exposureId ?? ''] ? ', begun' : ''}`}
          plain
          onPress={onNote}
          style={{ paddingHorizontal: 6, alignSelf: 'flex-start' }}
        >
          <Words kind="small" tone="lamp">
            {session.notes[exposureId ?? ''] ? 'Note for the reader ✓' : 'Note for the reader'}
          </Words>
        </Press>
      )}
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        {done && <Kept exposureId={exposureId} />}
        {!done && (
          <View style={{ flex: 1 }}>
            {toNote ? (
              <Button title="It is on paper: go on" onPress={() => dispatch(notedOnPaper())} />
            ) : askFirst !== '' && feasible ? (
              <Button title={asks} onPress={onAsk} />
            ) : (
              <Button
                title={feasible ? 'Expose' : 'Not to be exposed like this'}
                disabled={!feasible}
                onPress={onExpose}
              />
            )}
          </View>
        )}
        {!done && !feasible && (
          <Press
            label="Other ways that this patient and room allow"
            onPress={onWays}
            style={{ minHeight: PRIMARY, paddingHorizontal: 16, alignItems: 'center' }}
          >
            <Words kind="heading" tone="lamp">
              Other ways
            </Words>
          </Press>
        )}
        {done && !accepted && (
          <>
            <Press
              label="Repeat this picture"
              onPress={onRepeat}
              style={{ minHeight: PRIMARY, paddingHorizontal: 16, alignItems: 'center' }}
            >
              <Words kind="heading">Repeat</Words>
            </Press>
            <Button title="Accept" onPress={onAccept} />
          </>
        )}
        {accepted && hasNext && !all && <Button title="Next projection" onPress={onNext} />}
        {accepted && (all || !hasNext) && (
          <Button
            title={missing > 0 ? `${missing} not in the record` : 'Finish exam'}
            disabled={missing > 0}
            onPress={onFinish}
          />
        )}
      </View>
    </View>
  );
}

/** mAs that would have met the target at the same kVp. */
const onTarget = ({ mAs, exposureIndex, targetIndex }: ExposureRow): number =>
  techniqueForIndex(mAs, exposureIndex, targetIndex);

/** What came of the exposure: on this device first, with the detector's index as soon as the server has it. */
function Kept({ exposureId }: { exposureId: string }) {
  const dispatch = useAppDispatch() as AppDispatch;
  const { waiting: all, refused, unkept } = useAppSelector((state) => state.outbox);
  const waiting = all.some(({ id }) => id === exposureId);
  const lost = refused.find(({ id }) => id === exposureId);
  const { data, error } = useExposureQuery(exposureId, { skip: waiting || lost !== undefined });
  const { data: department } = useDepartmentQuery();
  const { bands } = withDepartmentDefaults(department);
  const scale = useScale(data?.roomId);
  const [typing, setTyping] = useState(false);
  const band = data && bandOf(data.deviationIndex, bands);
  const fine = !band || band.id === 'on target' || band.id === 'acceptable';
  if (lost)
    return (
      <View role="alert" style={{ flex: 1, paddingLeft: 6 }}>
        <Words kind="small" tone="brick">
          {`▲ Exposed, NOT in the record: ${lost.why}`}
        </Words>
        <Press label={`Send again: ${lost.what}`} plain onPress={() => sendAgain(dispatch, lost)}>
          <Words kind="small" tone="lamp">
            Send again
          </Words>
        </Press>
      </View>
    );
  if (error && 'status' in error && error.status === 404)
    return (
      <View role="alert" style={{ flex: 1, paddingLeft: 6 }}>
        <Words kind="small" tone="brick">
          ▲ Exposed, and neither on this device nor in the record: write it down.
        </Words>
      </View>
    );
  if (unkept.includes(exposureId))
    return (
      <View role="alert" style={{ flex: 1, paddingLeft: 6 }}>
        <Words kind="small" tone="brick">
          ▲ Exposed; this device cannot keep it. Leave the page open until it is sent.
        </Words>
      </View>
    );
  return (
    <View role="status" style={{ flex: 1, paddingLeft: 6 }}>
      <Words kind="small" tone="sage">
        {`✓ Exposed and kept${data && band ? ` · ${indexText(data.exposureIndex, scale)}, DI ${signed(data.deviationIndex)}: ${band.id}` : ''}`}
      </Words>
      {data && band && !fine && (
        <Words kind="small" tone="mauve">
          {`● ${band.action}. On target would have been about ${significant(onTarget(data), 2)} mAs.`}
        </Words>
      )}
      {data && (
        <Press label="The console shows another number" plain onPress={() => setTyping(true)}>
          <Words kind="small" tone="lamp">
            The console shows another number
          </Words>
        </Press>
      )}
      {/* A number that was typed belongs to one exposure. */}
      {data && (
        <ReadingSheet key={data.id} open={typing} exposure={data} scale={scale} onClose={() => setTyping(false)} />
      )}
    </View>
  );
}
