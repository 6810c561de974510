/** Copy an entry and change it. The server proves it as it proves those that ship; what it refuses stays typed. */
import { Button, Input } from '@rneui/themed';
import { angleWays, BREATH_PHASES, breathFor, type Projection } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { reasonsOf, useDeleteOwnMutation, usePutOwnMutation } from '../../state/api';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Caution } from '../../ui/States';
import { Words } from '../../ui/Words';
import { draftFaults, draftOf, entryOf, type Draft } from './ownEntry';
import { isOwn } from './useOwnEntries';

type Props = { open: boolean; from: Projection; onClose: () => void; onSaved: (id: string) => void };

const FIELDS: readonly { key: Exclude<keyof Draft, 'breath'>; label: string; many?: boolean }[] = [
  { key: 'name', label: 'Name' },
  { key: 'alsoCalled', label: 'Search words, with commas' },
  { key: 'shows', label: 'What it shows' },
  { key: 'say', label: 'Position, as it is asked for', many: true },
  { key: 'head', label: 'What sets the head; not told where the neck must stay', many: true },
  { key: 'sid', label: 'SID in inches' },
  { key: 'angle', label: 'Tube angle in degrees' },
  { key: 'kVp', label: 'kVp with grid' },
  { key: 'mAs', label: 'mAs of the chart' },
  { key: 'marker', label: 'Where the marker lies' },
  { key: 'steps', label: 'Own steps, one a line', many: true },
  { key: 'checks', label: 'Criteria, one a line', many: true },
  { key: 'note', label: 'Note', many: true },
];

/** Each way of the breath by what is said for it. */
const BREATHS = BREATH_PHASES.map((phase) => ({
  value: phase,
  label: breathFor({ breathing: { phase } }, { holdsBreath: true, holdsStill: true }).words,
}));

export function OwnEntrySheet({ open, from, onClose, onSaved }: Props) {
  const [put, { isLoading }] = usePutOwnMutation();
  const [remove] = useDeleteOwnMutation();
  const [edited, setEdited] = useState<{ of: string; draft: Draft } | null>(null);
  const [reasons, setReasons] = useState<string[]>([]);
  const draft =
    edited?.of === from.id
      ? edited.draft
      : { ...draftOf(from), name: isOwn(from.id) ? from.name : `${from.name}, our way` };
  const [up, down] = angleWays(from);
  const change = (part: Partial<Draft>) => setEdited({ of: from.id, draft: { ...draft, ...part } });
  const save = () => {
    const wrong = draftFaults(draft);
    setReasons(wrong);
    if (wrong.length > 0) return;
    put(entryOf(from, draft))
      .unwrap()
      .then(({ id }) => {
        setEdited(null);
        onClose();
        onSaved(id);
      })
      .catch((error: unknown) => setReasons(reasonsOf(error)));
  };
  return (
    <Sheet title={isOwn(from.id) ? 'Change this entry' : 'Copy and change'} open={open} onClose={onClose}>
      <Words kind="small" tone="soft">
        {`${isOwn(from.id) ? 'The department’s own entry' : `A copy of ${from.name}`}. It is computed for patients of every size before it is stored; what does not hold is refused with the reason.`}
      </Words>
      {FIELDS.map(({ key, label, many }) => (
        <Input
          key={key}
          label={label}
          aria-label={label}
          value={draft[key]}
          multiline={many}
          numberOfLines={many ? 3 : 1}
          onChangeText={(text) => change({ [key]: text })}
          renderErrorMessage={false}
          containerStyle={{ paddingHorizontal: 0 }}
        />
      ))}
      <Choice
        label="The angle goes"
        options={[
          { value: 'head', label: `toward the ${up}` },
          { value: 'feet', label: `toward the ${down}` },
        ]}
        value={draft.toward}
        onChange={(toward) => change({ toward })}
      />
      <Choice
        label="Words for the breath"
        options={BREATHS}
        value={draft.breath}
        onChange={(breath) => change({ breath })}
      />
      <Choice
        label="Grid"
        options={[
          { value: 'yes', label: 'yes' },
          { value: 'no', label: 'no' },
          { value: 'by-thickness', label: 'by thickness' },
        ]}
        value={draft.grid}
        onChange={(grid) => change({ grid })}
      />
      <Choice
        label="AEC"
        options={(['none', 'centre', 'outer', 'all'] as const).map((value) => ({ value, label: value }))}
        value={draft.aec}
        onChange={(aec) => change({ aec })}
      />
      <View role="alert" style={{ gap: 6 }}>
        {reasons.map((reason) => (
          <Caution key={reason} text={reason} />
        ))}
      </View>
      <Button title={isLoading ? 'Proving' : 'Prove and store'} disabled={isLoading} onPress={save} />
      {isOwn(from.id) && (
        <Button
          type="outline"
          title="Remove this entry"
          onPress={() =>
            void remove(from.id)
              .unwrap()
              .then(onClose)
              .catch((error: unknown) => setReasons(reasonsOf(error)))
          }
        />
      )}
    </Sheet>
  );
}
