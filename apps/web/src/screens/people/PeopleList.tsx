/** For a lead: who works here, what they may do, and whether the trail of changes holds. */
import { Button } from '@rneui/themed';
import { useState } from 'react';
import { View } from 'react-native';
import {
  reasonsOf,
  useAddPersonMutation,
  useChangePersonMutation,
  useChangePinMutation,
  usePeopleQuery,
  useTrailQuery,
} from '../../state/api';
import type { Person, Role } from '../../state/who';
import { Choice } from '../../ui/Choice';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';

const MOST_DIGITS = 8;
const ROLES: readonly Role[] = ['technologist', 'student', 'lead'];

function Refused({ error }: { error: unknown }) {
  return error ? (
    <Words tone="brick" role="alert">
      {`▲ ${reasonsOf(error).join('. ')}`}
    </Words>
  ) : null;
}

export function PeopleList({ me }: { me: Person }) {
  const { data: people } = usePeopleQuery();
  const [open, setOpen] = useState<string | null>(null);
  return (
    <View style={{ gap: 10 }}>
      <Words kind="heading">People</Words>
      {people?.map((each) => (
        <View key={each.id} style={{ gap: 6 }}>
          <Press
            label={`Change ${each.name}, ${each.role}`}
            onPress={() => setOpen(open === each.id ? null : each.id)}
            style={{ flexDirection: 'row', justifyContent: 'space-between', padding: 12 }}
          >
            <Words>{`${each.name}, ${each.role}`}</Words>
            <Words tone="soft">⋯</Words>
          </Press>
          {open === each.id && <OnePerson person={each} isMe={each.id === me.id} onDone={() => setOpen(null)} />}
        </View>
      ))}
      <NewPerson />
      <Trail />
    </View>
  );
}

/** Another role, a new PIN for one who has forgotten theirs, or the end of somebody's work here. */
function OnePerson({ person, isMe, onDone }: { person: Person; isMe: boolean; onDone: () => void }) {
  const theme = useTheme();
  const [change, changing] = useChangePersonMutation();
  const [setNewPin, renewing] = useChangePinMutation();
  const [pin, setPin] = useState('');
  const [sure, setSure] = useState(false);
  const done = (answer: { error?: unknown }) => {
    if (!answer.error) onDone();
  };
  return (
    <View style={{ gap: 8, padding: 10, backgroundColor: theme.raised, borderRadius: 4 }}>
      <Choice
        label={`Role of ${person.name}`}
        options={ROLES.map((value) => ({ value, label: value }))}
        value={person.role}
        onChange={(role: Role) => void change({ id: person.id, role }).then(done)}
      />
      {!isMe && (
        <>
          <LineInput label={`New PIN for ${person.name}`} value={pin} onChange={setPin} max={MOST_DIGITS} numeric />
          <Button
            title="Set the PIN"
            disabled={pin === '' || renewing.isLoading}
            onPress={() => void setNewPin({ id: person.id, pin }).then(done)}
          />
          <Press
            label={sure ? `Yes: ${person.name} signs in no more` : 'Works here no more'}
            onPress={() => (sure ? void change({ id: person.id, ended: true }).then(done) : setSure(true))}
            style={{ padding: 12, backgroundColor: theme.surface }}
          >
            <Words tone="brick">{sure ? `Yes: ${person.name} signs in no more` : 'Works here no more'}</Words>
          </Press>
        </>
      )}
      <Refused error={changing.error ?? renewing.error} />
    </View>
  );
}

function NewPerson() {
  const [add, { error, isLoading }] = useAddPersonMutation();
  const [name, setName] = useState('');
  const [pin, setPin] = useState('');
  const [role, setRole] = useState<Role>('technologist');
  const save = async () => {
    const answer = await add({ name, role, pin });
    if (!answer.data) return;
    setName('');
    setPin('');
  };
  return (
    <>
      <LineInput label="Name of a new person" value={name} onChange={setName} max={40} />
      <LineInput label="First PIN, 6 to 8 digits" value={pin} onChange={setPin} max={MOST_DIGITS} numeric />
      <Choice label="Role" options={ROLES.map((value) => ({ value, label: value }))} value={role} onChange={setRole} />
      <Refused error={error} />
      <Button title="Add person" disabled={isLoading || name.trim() === ''} onPress={() => void save()} />
    </>
  );
}

/** Whether every line of the trail is as it was written. */
function Trail() {
  const { data, error, isFetching } = useTrailQuery();
  return (
    <View style={{ gap: 6 }}>
      <Words kind="heading">Trail of changes</Words>
      <Refused error={error} />
      {isFetching && <Words tone="soft">Being read over…</Words>}
      {data &&
        (data.broken ? (
          <Words tone="brick" role="alert">
            {`▲ Line ${data.broken.line} does not fit: ${data.broken.why}. Keep the database as it is, and ask who runs the server.`}
          </Words>
        ) : (
          <>
            <Words tone="sage">{`✓ ${data.lines} lines, each as it was written`}</Words>
            <Words kind="small" tone="soft">{`Anchor, to be kept elsewhere: ${data.anchor}`}</Words>
          </>
        ))}
    </View>
  );
}
