/** Who is signed in, in the header; opens what belongs to a person: signing out, and for a lead the people. */
import { Button } from '@rneui/themed';
import { useState } from 'react';
import { useSignOutMutation } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { signedOut } from '../../state/who';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { OwnPin } from './OwnPin';
import { PeopleList } from './PeopleList';
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
            <OwnPin me={person} />
            {person.role === 'lead' && <PeopleList me={person} />}
          </>
        ) : (
          <SignIn purpose="Orders, exposures and the record need to know who you are." />
        )}
      </Sheet>
    </>
  );
}
