/** Clocks of the exam in hand, on every screen: what runs, what rings, and the way to the view that is due. */
import { clockText, plannedName, type ClockFace } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { clockRang, type Session } from '../../state/session';
import { Press } from '../../ui/Press';
import { ring } from '../../ui/ring';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { useOwnEntries } from '../projection/useOwnEntries';
import { addressOf } from '../setup/begin';
import { useClocks } from './useClocks';

export function ClockBar() {
  const session = useAppSelector((state) => state.session.current);
  return session && <Clocks session={session} />;
}

const said = ({ kind, sinceMs, leftMs }: ClockFace, view: string): string => {
  const since = kind === 'contrast' ? `${clockText(sinceMs)} since the contrast` : '';
  if (leftMs === null) return since;
  const due = leftMs > 0 ? `${clockText(leftMs)} to ${view}` : `${view}: now, due ${clockText(leftMs)} ago`;
  return since === '' ? due : `${since} · ${due}`;
};

function Clocks({ session }: { session: Session }) {
  const theme = useTheme();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { own } = useOwnEntries();
  const faces = useClocks(session);
  const due = faces.filter(({ leftMs }) => leftMs !== null && leftMs <= 0);
  const rings = due.find(({ key }) => !session.rung.includes(key))?.key;
  useEffect(() => {
    if (rings === undefined) return;
    ring();
    dispatch(clockRang(rings));
  }, [rings, dispatch]);
  // What is due first stands first.
  const sorted = [...faces].sort((a, b) => (a.leftMs ?? Infinity) - (b.leftMs ?? Infinity));
  if (sorted.length === 0) return null;
  return (
    <View role="group" aria-label="Clocks of the exam" style={{ backgroundColor: theme.raised, paddingHorizontal: 12 }}>
      {sorted.map((face) => {
        const planned = face.place === null ? undefined : session.plan[face.place];
        const view = planned ? plannedName(planned, own) : '';
        const text = said(face, view);
        const isDue = face.leftMs !== null && face.leftMs <= 0;
        const words = (
          <Words kind="small" tone={isDue ? 'lamp' : 'ink'}>
            {`${isDue ? '▲' : '●'} ${text}`}
          </Words>
        );
        if (face.place === null) return <View key={face.key}>{words}</View>;
        const to = face.place;
        return (
          <Press
            key={face.key}
            plain
            // Read once when it is due, not each second.
            label={isDue ? `${view} is due` : `To ${view}, which a clock runs for`}
            onPress={() => router.push({ pathname: '/setup', params: addressOf(session, to) })}
            style={{ alignItems: 'flex-start', justifyContent: 'center' }}
          >
            {words}
          </Press>
        );
      })}
      {due.length > 0 && (
        <View role="alert" style={{ height: 1, overflow: 'hidden' }}>
          <Words kind="small">{`Time is up: ${due
            .map(({ place }) => (place === null || !session.plan[place] ? '' : plannedName(session.plan[place], own)))
            .join(', ')}`}</Words>
        </View>
      )}
    </View>
  );
}
