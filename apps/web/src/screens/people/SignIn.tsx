/** Sign in on a shared device: a name, and a PIN on keys that a glove can hit. */
import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { reasonsOf, usePeopleQuery, useSignInMutation } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { sendNow } from '../../state/sender';
import { signedIn } from '../../state/who';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Note, Skeleton } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { fonts, PRIMARY, RADIUS } from '../../ui/tokens';
import { Words } from '../../ui/Words';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', 'Clear', '0', 'Sign in'] as const;
const MIN_DIGITS = 4;
const MAX_DIGITS = 8;

/** @param purpose why it is asked, one line */
export function SignIn({ purpose }: { purpose: string }) {
  const theme = useTheme();
  const dispatch = useAppDispatch();
  const { data: people, isLoading, error: unread, refetch } = usePeopleQuery();
  const [signIn, { isLoading: busy, error }] = useSignInMutation();
  const ended = useAppSelector((state) => state.who.ended);
  const [personId, setPersonId] = useState<string | undefined>();
  const [pin, setPin] = useState('');
  const demo = people?.filter(({ demoPin }) => demoPin !== null) ?? [];
  const ready = personId !== undefined && pin.length >= MIN_DIGITS && !busy;
  const send = async () => {
    if (!ready) return;
    const answer = await signIn({ personId, pin });
    setPin('');
    if (!answer.data) return;
    dispatch(signedIn(answer.data.person));
    sendNow();
  };
  const press = (key: (typeof KEYS)[number]) => {
    if (key === 'Clear') setPin('');
    else if (key === 'Sign in') void send();
    else setPin((now) => (now + key).slice(0, MAX_DIGITS));
  };
  return (
    <View style={{ gap: 14, maxWidth: 460, width: '100%', alignSelf: 'center' }}>
      <Words tone="soft">{ended || purpose}</Words>
      {isLoading && <Skeleton rows={3} height={56} />}
      {unread && !people && (
        <Note
          tone="brick"
          title="Nobody can sign in now"
          text="The server does not answer. Find and Set up work without it, and an exam in hand goes on."
          action="Try again"
          onAction={() => void refetch()}
        />
      )}
      {people && (
        <>
          <Choice
            label="Who are you"
            options={people.map(({ id, name, role }) => ({ value: id, label: `${name}, ${role}` }))}
            value={personId}
            onChange={setPersonId}
          />
          <TextInput
            aria-label="PIN"
            value={pin}
            onChangeText={(text) => setPin(text.replace(/\D/g, '').slice(0, MAX_DIGITS))}
            onSubmitEditing={() => void send()}
            secureTextEntry
            inputMode="numeric"
            autoComplete="off"
            placeholder="PIN"
            placeholderTextColor={theme.inkSoft}
            style={{
              minHeight: PRIMARY,
              borderWidth: 1,
              borderColor: theme.line,
              borderRadius: RADIUS,
              paddingHorizontal: 14,
              color: theme.ink,
              backgroundColor: theme.surface,
              fontFamily: fonts.figure,
              fontSize: 26,
              letterSpacing: 8,
            }}
          />
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {KEYS.map((key) => (
              <Press
                key={key}
                label={key}
                disabled={key === 'Sign in' && !ready}
                onPress={() => press(key)}
                style={{
                  width: '31%',
                  flexGrow: 1,
                  minHeight: PRIMARY,
                  alignItems: 'center',
                  ...(key === 'Sign in' ? { backgroundColor: theme.lampFill } : {}),
                }}
              >
                <Words kind="heading" style={key === 'Sign in' ? { color: theme.onLamp } : undefined}>
                  {key}
                </Words>
              </Press>
            ))}
          </View>
          {error && (
            <Words tone="brick" role="alert">
              {`▲ ${reasonsOf(error).join('. ')}`}
            </Words>
          )}
          {demo.length > 0 && (
            <Words kind="small" tone="soft">
              {`Demo, invented people: ${demo.map(({ name, demoPin }) => `${name} ${demoPin}`).join(' · ')}`}
            </Words>
          )}
        </>
      )}
    </View>
  );
}
