/** For the reader of the picture: how it was taken otherwise, to tick; a note of one's own; labels that go out with it. */
import { Button } from '@rneui/themed';
import { LABELS_MOST, NOTE_CHARACTERS } from '@taktik/contracts';
import { READER_LABELS, readerNote, type LengthUnit, type Projection, type Setup, type Timings } from '@taktik/core';
import { View } from 'react-native';
import type { NoteDraft } from '../../state/session';
import { Several, Toggle } from '../../ui/Choice';
import { LineInput } from '../../ui/LineInput';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';

type Props = {
  open: boolean;
  name: string;
  of: string | Projection;
  setup: Setup;
  unit: LengthUnit;
  /** How it was timed. */
  timings: Timings | undefined;
  draft: NoteDraft;
  onDraft: (draft: NoteDraft) => void;
  onKeep: () => void;
  onClose: () => void;
};

/** The note with a sentence more, or without it. */
const withLine = (note: string, line: string): string => {
  const lines = note.split('\n').filter((each) => each.trim() !== '');
  return (lines.includes(line) ? lines.filter((each) => each !== line) : [...lines, line]).join('\n');
};

export function NoteSheet({ open, name, of, setup, unit, timings, draft, onDraft, onKeep, onClose }: Props) {
  if (!open) return null;
  const labels = [...new Set([...setup.marker.extra, ...READER_LABELS, ...draft.labels])];
  const lines = readerNote(of, setup, unit, timings);
  return (
    <Sheet title={`For the reader of ${name}`} open onClose={onClose}>
      {lines.length > 0 && (
        <View role="group" aria-label="Taken otherwise than usual" style={{ gap: 6 }}>
          <Words kind="small" tone="soft">
            Taken otherwise than usual: tick what the reader must know
          </Words>
          {lines.map(({ text }) => (
            <Toggle
              key={text}
              label={text}
              on={draft.note.split('\n').includes(text)}
              onChange={() => onDraft({ ...draft, note: withLine(draft.note, text).slice(0, NOTE_CHARACTERS) })}
            />
          ))}
        </View>
      )}
      <LineInput
        label="Note"
        value={draft.note}
        onChange={(note) => onDraft({ ...draft, note })}
        max={NOTE_CHARACTERS}
        lines={4}
      />
      <Several
        label={`Labels, at most ${LABELS_MOST}`}
        options={labels.map((value) => ({ value, label: value }))}
        values={draft.labels}
        onChange={(values) => onDraft({ ...draft, labels: values.slice(0, LABELS_MOST) })}
      />
      <Words kind="small" tone="soft">
        Stays in the record, and goes out with the picture and the result. No names: the record has them.
      </Words>
      <Button title="Keep the note" onPress={onKeep} />
    </Sheet>
  );
}
