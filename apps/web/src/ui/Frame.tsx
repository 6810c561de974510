/** The frame of every screen: places at the bottom of a phone or at the left of a wide screen, header, notices. */
import { Link, usePathname, type Href } from 'expo-router';
import { useState, type PropsWithChildren, type ReactNode } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { PersonChip } from '../places/people/PersonChip';
import { RoomSheet } from '../places/room/RoomSheet';
import { useRoom } from '../places/room/useRoom';
import { dismissed, dropRefused } from '../state/outbox';
import { useAppDispatch, useAppSelector } from '../state/hooks';
import { CornerTicks } from './CornerTicks';
import { Press } from './Press';
import { useTheme } from './theme';
import { PRIMARY, RAIL_FROM } from './tokens';
import { Words } from './Words';

const PLACES: readonly { name: string; href: Href; path: string }[] = [
  { name: 'Orders', href: '/orders', path: '/orders' },
  { name: 'Find', href: '/find', path: '/find' },
  { name: 'Set up', href: '/setup', path: '/setup' },
  { name: 'Rehearse', href: '/rehearse', path: '/rehearse' },
  { name: 'Record', href: '/record', path: '/record' },
];

function Place({ name, href, here }: { name: string; href: Href; here: boolean }) {
  const [focused, setFocused] = useState(false);
  return (
    <Link href={href} asChild>
      <Pressable
        role="link"
        aria-current={here ? 'page' : undefined}
        onFocus={() => setFocused(true)}
        onBlur={() => setFocused(false)}
        style={{
          flex: 1,
          maxHeight: 76,
          minHeight: PRIMARY,
          minWidth: 64,
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        <Words kind="small" tone={here ? 'ink' : 'soft'}>
          {name}
        </Words>
        {(here || focused) && <CornerTicks inset={4} />}
      </Pressable>
    </Link>
  );
}

export function Frame({ header, children, footer }: PropsWithChildren<{ header?: ReactNode; footer?: ReactNode }>) {
  const theme = useTheme();
  const { width } = useWindowDimensions();
  const path = usePathname();
  const rail = width >= RAIL_FROM;
  const places = (
    <View
      role="navigation"
      aria-label="Places"
      style={{
        flexDirection: rail ? 'column' : 'row',
        backgroundColor: theme.surface,
        width: rail ? 84 : undefined,
        paddingTop: rail ? 14 : 0,
      }}
    >
      {PLACES.map((place) => (
        <Place key={place.path} name={place.name} href={place.href} here={path.startsWith(place.path)} />
      ))}
    </View>
  );
  return (
    <View style={{ flex: 1, flexDirection: rail ? 'row' : 'column', backgroundColor: theme.ground }}>
      {rail && places}
      <View role="main" style={{ flex: 1, minHeight: 0 }}>
        <Notices />
        {header}
        {children}
        {footer}
      </View>
      {!rail && places}
    </View>
  );
}

/** Title and room chip of a plain place. @param roomId of what is shown, where that is not the room in hand */
export function PlaceHeader({ title, detail, roomId }: { title: string; detail?: string; roomId?: string }) {
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        paddingHorizontal: 16,
        paddingTop: 12,
        paddingBottom: 8,
        gap: 12,
      }}
    >
      <View style={{ flex: 1 }}>
        <Words kind="title" role="heading" aria-level={1}>
          {title}
        </Words>
        {detail && (
          <Words kind="small" tone="soft">
            {detail}
          </Words>
        )}
      </View>
      <RoomChip roomId={roomId} />
      <PersonChip />
    </View>
  );
}

export function RoomChip({ roomId }: { roomId?: string }) {
  const theme = useTheme();
  const { room } = useRoom(roomId);
  const unit = useAppSelector((state) => state.preferences.unit);
  const [open, setOpen] = useState(false);
  const name = room?.name ?? 'Room';
  return (
    <>
      <Press
        label={`${name}, lengths in ${unit === 'in' ? 'inches' : 'centimetres'}: room and rules`}
        onPress={() => setOpen(true)}
        plain
        style={{ borderWidth: 1, borderColor: theme.line, paddingHorizontal: 12 }}
      >
        <Words kind="small">{`${name} · ${unit}`}</Words>
      </Press>
      <RoomSheet open={open} onClose={() => setOpen(false)} />
    </>
  );
}

/** What waits to be sent, and what the server would not take. */
function Notices() {
  const theme = useTheme();
  const dispatch = useAppDispatch();
  const { waiting, refused, online } = useAppSelector((state) => state.outbox);
  if (refused.length === 0 && (online || waiting.length === 0)) return null;
  return (
    <View role="status" style={{ paddingHorizontal: 16, paddingVertical: 8, gap: 6, backgroundColor: theme.raised }}>
      {!online && waiting.length > 0 && (
        <Words
          kind="small"
          tone="mauve"
        >{`● No connection: ${waiting.length} ${waiting.length === 1 ? 'entry is' : 'entries are'} kept on this device and sent when it is back.`}</Words>
      )}
      {refused.map((item) => (
        <View key={item.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words kind="small" tone="brick" style={{ flex: 1 }}>{`▲ Not recorded: ${item.what}. ${item.why}`}</Words>
          <Press
            label={`Dismiss: ${item.what}`}
            plain
            onPress={() => {
              dropRefused(item.id);
              dispatch(dismissed(item.id));
            }}
            style={{ paddingHorizontal: 10 }}
          >
            <Words kind="small" tone="lamp">
              Dismiss
            </Words>
          </Press>
        </View>
      ))}
    </View>
  );
}
