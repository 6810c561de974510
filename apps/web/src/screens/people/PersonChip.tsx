/** Who is signed in, in the header; opens what belongs to a person: signing out, and for a lead the people. */
import { Button } from '@rneui/themed';
import { useState } from 'react';
import { View } from 'react-native';
import { reasonsOf, useAddPersonMutation, usePeopleQuery, useSignOutMutation } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { signedOut, type Role } from '../../state/who';
import { Choice } from '../../ui/Choice';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { SignIn } from './SignIn';

const initialsOf = (name: string): string =>
  name
    .split(/\s+/)
    .map((part) => part.charAt(0))
    .join('')
    .slice(0, 3);

export function PersonChip() {
  const theme = useTheme();
  const dispatch = useAppDispatch();
  const person = useAppSelector((state) => state.who.person);
  const [open, setOpen] = useState(false);
  const [signOut] = useSignOutMutation();
  const leave = () => {
    setOpen(false);
    dispatch(signedOut('Signed out.'));
    void signOut();
  };
  return (
    <>
      <Press
        label={person ? `${person.name}, ${person.role}: signed in` : 'Sign in'}
        plain
        onPress={() => setOpen(true)}
        style={{ borderWidth: 1, borderColor: theme.line, paddingHorizontal: 10, alignItems: 'center' }}
      >
        <Words kind="small">{person ? initialsOf(person.name) : 'Sign in'}</Words>
      </Press>
      <Sheet title={person ? person.name : 'Sign in'} open={open} onClose={() => setOpen(false)}>
        {person ? (
          <>
            <Words tone="soft">{`Signed in as ${person.role}. Exposures are recorded under this name.`}</Words>
            <Button title="Sign out" onPress={leave} />
            {person.role === 'lead' && <People />}
          </>
        ) : (
          <SignIn purpose="Orders, exposures and the record need to know who you are." />
        )}
      </Sheet>
    </>
  );
}

const ROLES: readonly Role[] = ['technologist', 'student', 'lead'];

function People() {
  const { data: people } = usePeopleQuery();
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
    <View style={{ gap: 10 }}>
      <Words kind="heading">People</Words>
      {people?.map((each) => (
        <Words key={each.id}>{`${each.name}, ${each.role}`}</Words>
      ))}
      <LineInput label="Name of a new person" value={name} onChange={setName} max={40} />
      <LineInput label="First PIN, 4 to 8 digits" value={pin} onChange={setPin} max={8} numeric />
      <Choice label="Role" options={ROLES.map((value) => ({ value, label: value }))} value={role} onChange={setRole} />
      {error && (
        <Words tone="brick" role="alert">
          {`▲ ${reasonsOf(error).join('. ')}`}
        </Words>
      )}
      <Button title="Add person" disabled={isLoading || name.trim() === ''} onPress={() => void save()} />
    </View>
  );
}
