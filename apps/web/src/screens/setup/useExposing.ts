/** What the last bar does: expose, judge the picture, note for its reader, finish - each kept here first and sent after. */
import { timingsOf, type Projection, type SetupRequest } from '@taktik/core';
import { useRouter } from 'expo-router';
import { nanoid } from 'nanoid';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { post } from '../../state/sender';
import { acceptedPicture, ended, exposed, NO_NOTE, repeated, type Session } from '../../state/session';
import type { ComputeOutput } from '../../workers/service';
import type { Corrected } from '../exam/RepeatSheet';
import type { Asked } from './address';

type Exposing = {
  session: Session | null;
  index: number;
  asked: Asked;
  request: SetupRequest;
  result: Extract<ComputeOutput, { ok: true }> | null;
  /** Versions that it is computed with. */
  madeWith: { rules: number; room: number | undefined } | undefined;
  /** Nothing can be exposed now: it is done, being computed, or must be written down first. */
  blocked: boolean;
  /** All that must be asked before is answered. */
  ready: boolean;
  /** Waits for a picture that must be read or looked at first. */
  waits: boolean;
  /** Of the plan; null while they are not known. */
  entries: readonly Projection[] | null;
  go: (change: Partial<Asked>) => void;
};

export function useExposing({
  session,
  index,
  asked,
  request,
  result,
  madeWith,
  blocked,
  ready,
  waits,
  entries,
  go,
}: Exposing) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const person = useAppSelector((state) => state.who.person?.name ?? null);
  const refused = useAppSelector((state) => state.outbox.refused);
  const exposureId = session?.exposed[index];
  const name = result?.setup.name ?? 'the picture';
  const ofExposure = (what: string, path: string, body: object) =>
    post(dispatch, { id: nanoid(16), madeAt: Date.now(), path: `/exposures/${exposureId}/${path}`, body, what });

  const expose = () => {
    if (!session || !result || !result.setup.feasible || blocked) return;
    if (!ready) {
      router.push('/before');
      return;
    }
    if (waits) return;
    const now = Date.now();
    const id = nanoid(16);
    const timings = entries ? timingsOf(entries, index, session.clocks, now) : undefined;
    post(dispatch, {
      id,
      madeAt: now,
      path: '/exposures',
      body: {
        id,
        examId: session.examId,
        request,
        performedBy: person ?? session.by,
        exposedAt: now,
        madeWith,
        timings,
      },
      what: name,
    });
    dispatch(exposed({ index, exposureId: id, request, state: result.state, timings }));
  };

  const accept = () => {
    if (!session || exposureId === undefined) return;
    ofExposure(`acceptance of ${name}`, 'verdict', { verdict: 'accepted', decidedAt: Date.now() });
    dispatch(acceptedPicture(exposureId));
  };

  const repeat = (cause: string, corrected: Corrected | null) => {
    if (!session || exposureId === undefined) return;
    const said = corrected && { correction: corrected.correction };
    ofExposure(`repeat of ${name}`, 'verdict', { verdict: 'repeat', cause, ...said, decidedAt: Date.now() });
    const overrides = { ...asked.overrides, ...corrected?.overrides };
    // A second repeat keeps what the first one put right.
    const kept = Object.keys(overrides).length > 0 && { overrides };
    dispatch(repeated({ index, exposureId, cause, ...said, ...kept }));
    // The numbers that put it right stand on the screen at once.
    if (corrected) go({ overrides });
  };

  const keepNote = () => {
    if (!session || exposureId === undefined) return;
    const note = session.notes[exposureId] ?? NO_NOTE;
    ofExposure(`note for the reader of ${name}`, 'note', { ...note, writtenAt: Date.now() });
  };

  const finish = () => {
    // An exposure that the server would not take: the exam is not complete in the record.
    if (!session || refused.some(({ id }) => Object.values(session.exposed).includes(id))) return;
    const now = Date.now();
    post(dispatch, {
      id: `${session.examId}-end`,
      madeAt: now,
      path: `/exams/${session.examId}/finish`,
      body: { finishedAt: now },
      what: `end of ${session.exam}`,
    });
    dispatch(ended());
    router.replace('/record');
  };
  return { expose, accept, repeat, keepNote, finish };
}
