/** The sheets of the exam in hand over its set-up: the exam, a repeat, the note for the reader, the finish. */
import type { Gate, LengthUnit, Projection, Setup, SetupRequest } from '@taktik/core';
import { useAppDispatch } from '../../state/hooks';
import { NO_NOTE, noted, type Session } from '../../state/session';
import { ExamSheet } from '../exam/ExamSheet';
import { GateSheet } from '../exam/GateSheet';
import { FinishSheet } from '../exam/FinishSheet';
import { NoteSheet } from '../exam/NoteSheet';
import { RepeatSheet, type Corrected } from '../exam/RepeatSheet';

type Props = {
  sheet: string | null;
  session: Session;
  index: number;
  setup: Setup;
  of: string | Projection;
  gates: readonly Gate[];
  /** As it was exposed. */
  request: SetupRequest;
  unit: LengthUnit;
  onShow: (to: number) => void;
  onRepeat: (cause: string, corrected: Corrected | null) => void;
  onKeepNote: () => void;
  onFinish: () => void;
  onClose: () => void;
};

export function ExamSheets(props: Props) {
  const { sheet, session, index, setup, of, gates, request, unit, onShow, onRepeat, onKeepNote, onFinish, onClose } =
    props;
  const dispatch = useAppDispatch();
  const exposureId = session.exposed[index];
  const { name } = setup;
  const andClose =
    <Act extends unknown[]>(act: (...from: Act) => void) =>
    (...from: Act) => {
      act(...from);
      onClose();
    };
  return (
    <>
      <ExamSheet
        open={sheet === 'exam'}
        session={session}
        index={index}
        name={name}
        onShow={onShow}
        onClose={onClose}
      />
      <GateSheet
        open={sheet === 'gate'}
        session={session}
        gates={gates}
        name={name}
        onShow={onShow}
        onClose={onClose}
      />
      {exposureId !== undefined && (
        <>
          <RepeatSheet
            open={sheet === 'repeat'}
            exposureId={exposureId}
            name={name}
            checks={setup.checks}
            request={request}
            unit={unit}
            onRepeat={andClose(onRepeat)}
            onClose={onClose}
          />
          <NoteSheet
            open={sheet === 'note'}
            name={name}
            of={of}
            setup={setup}
            unit={unit}
            timings={session.timings[exposureId]}
            draft={session.notes[exposureId] ?? NO_NOTE}
            onDraft={(draft) => dispatch(noted({ exposureId, ...draft }))}
            onKeep={andClose(onKeepNote)}
            onClose={onClose}
          />
        </>
      )}
      <FinishSheet open={sheet === 'finish'} session={session} onFinish={andClose(onFinish)} onClose={onClose} />
    </>
  );
}
