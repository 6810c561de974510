/** One's own PIN changed, and all one's devices signed out. */
import { Button } from '@rneui/themed';
import { useState } from 'react';
import { View } from 'react-native';
import { reasonsOf, useChangePinMutation, useSignOutEverywhereMutation } from '../../state/api';
import { useAppDispatch } from '../../state/hooks';
import { signedOut, type Person } from '../../state/who';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';

export function OwnPin({ me }: { me: Person }) {
  const dispatch = useAppDispatch();
  const [open, setOpen] = useState(false);
  const [change, { error, isLoading }] = useChangePinMutation();
  const [everywhere] = useSignOutEverywhereMutation();
  const [old, setOld] = useState('');
  const [pin, setPin] = useState('');
  const save = async () => {
    const answer = await change({ id: me.id, old, pin });
    if (!answer.error) dispatch(signedOut('Your PIN is changed: sign in with the new one.'));
  };
  const leaveAll = async () => {
    const answer = await everywhere();
    if (!answer.error) dispatch(signedOut('Signed out on every device.'));
  };
  if (!open)
    return (
      <Press label="PIN and devices" plain onPress={() => setOpen(true)}>
        <Words tone="lamp">PIN and devices</Words>
      </Press>
    );
  return (
    <View style={{ gap: 8 }}>
      <LineInput label="PIN until now" value={old} onChange={setOld} max={8} numeric />
      <LineInput label="New PIN, 6 to 8 digits" value={pin} onChange={setPin} max={8} numeric />
      {error && (
        <Words tone="brick" role="alert">
          {`▲ ${reasonsOf(error).join('. ')}`}
        </Words>
      )}
      <Button title="Change my PIN" disabled={isLoading || old === '' || pin === ''} onPress={() => void save()} />
      <Press label="Sign out on every device" onPress={() => void leaveAll()} style={{ padding: 12 }}>
        <Words>Sign out on every device</Words>
      </Press>
    </View>
  );
}
