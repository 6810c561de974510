/** The frame of every screen: places at the bottom of a phone or at the left of a wide screen, header, notices. */
import { Link, usePathname, type Href } from 'expo-router';
import { useEffect, useRef, useState, type PropsWithChildren, type ReactNode } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { PersonChip } from '../screens/people/PersonChip';
import { RoomSheet } from '../screens/room/RoomSheet';
import { ClockBar } from '../screens/exam/ClockBar';
import { useRoom } from '../screens/room/useRoom';
import { newsRead } from '../state/news';
import { useAppDispatch, useAppSelector } from '../state/hooks';
import { CornerTicks } from './CornerTicks';
import { NotRecorded } from './NotRecorded';
import { Press } from './Press';
import { useTheme } from './theme';
import { LOW_UNDER, NO_OUTLINE, PRIMARY, RADIUS, RAIL_FROM } from './tokens';
import { usePageTitle } from './usePageTitle';
import { Words } from './Words';

const MAIN_SCREENS: readonly { name: string; href: Href; path: string }[] = [
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

/** Some screen was shown before this one: only then has the focus been lost. */
let shownBefore = false;
/** Height of a page in a window that is lower: its lists show some rows. */
const LOW_PAGE = 640;

/** Past the places, to what this page is about; seen when it has the focus. */
function SkipLink({ onPress }: { onPress: () => void }) {
  const theme = useTheme();
  const [focused, setFocused] = useState(false);
  return (
    <View role="navigation" aria-label="Shortcut">
      <Pressable
        role="link"
        onPress={onPress}
        onFocus={() => setFocused(true)}
        onBlur={() => setFocused(false)}
        style={{
          position: 'absolute',
          top: focused ? 4 : -200,
          left: 4,
          zIndex: 10,
          minHeight: PRIMARY,
          paddingHorizontal: 16,
          justifyContent: 'center',
          backgroundColor: theme.raised,
          borderRadius: RADIUS,
        }}
      >
        <Words tone="lamp">To the content</Words>
      </Pressable>
    </View>
  );
}

export function Frame({ header, children, footer }: PropsWithChildren<{ header?: ReactNode; footer?: ReactNode }>) {
  const theme = useTheme();
  const { width, height } = useWindowDimensions();
  const path = usePathname();
  const rail = width >= RAIL_FROM;
  const low = height < LOW_UNDER;
  const main = useRef<View>(null);
  const toMain = () => main.current?.focus();
  // Whoever came here by key is at its beginning, not at that of the page; a field that asks for the focus keeps it.
  useEffect(() => {
    const nowhere = typeof document !== 'undefined' && (document.activeElement ?? document.body) === document.body;
    if (shownBefore && nowhere) main.current?.focus();
    shownBefore = true;
  }, []);
  const mainScreens = (
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
      {MAIN_SCREENS.map((place) => (
        <Place key={place.path} name={place.name} href={place.href} here={path.startsWith(place.path)} />
      ))}
    </View>
  );
  return (
    <View style={{ flex: 1, flexDirection: rail ? 'row' : 'column', backgroundColor: theme.ground }}>
      <SkipLink onPress={toMain} />
      {rail && mainScreens}
      <View
        ref={main}
        role="main"
        tabIndex={-1}
        style={[{ flex: 1, minHeight: 0, overflow: low ? 'scroll' : undefined }, NO_OUTLINE]}
      >
        <View style={low ? { height: LOW_PAGE } : { flex: 1, minHeight: 0 }}>
          <Notices />
          <ClockBar />
          {header}
          {children}
          {footer}
        </View>
      </View>
      {!rail && mainScreens}
    </View>
  );
}

/** Title and room chip of a plain place. @param roomId of what is shown, where that is not the room in hand */
export function PlaceHeader({ title, detail, roomId }: { title: string; detail?: string; roomId?: string }) {
  usePageTitle(title);
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

const timeOfDay = (at: number): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** What waits to be sent, what the server would not take, and what has changed meanwhile. */
function Notices() {
  const theme = useTheme();
  const dispatch = useAppDispatch();
  const { waiting, refused, online, unkept, trouble } = useAppSelector((state) => state.outbox);
  const person = useAppSelector((state) => state.who.person);
  const news = useAppSelector((state) => state.news.text);
  const { shipped } = useRoom();
  const theirs = [
    ...new Set(waiting.flatMap(({ by }) => (by && person && by !== person.name && person.role !== 'lead' ? [by] : []))),
  ];
  const unread = refused.filter(({ aside }) => !aside);
  const troubled = waiting.filter(({ id }) => trouble[id] !== undefined);
  const quiet = (online || waiting.length === 0) && unkept.length === 0 && theirs.length === 0;
  if (quiet && unread.length === 0 && troubled.length === 0 && news === null && !shipped) return null;
  /** What must be put on paper: what it was, and when. */
  const toWrite = waiting
    .filter(({ id }) => unkept.includes(id))
    .map(({ what, madeAt }) => `${what}, ${timeOfDay(madeAt)}`)
    .join('; ');
  const entries = (count: number) => `${count} ${count === 1 ? 'entry' : 'entries'}`;
  return (
    <View role="status" style={{ paddingHorizontal: 16, paddingVertical: 8, gap: 6, backgroundColor: theme.raised }}>
      {shipped && (
        <Words kind="small" tone="brick">
          ▲ The department’s rooms cannot be read: numbers are for a room as it is shipped.
        </Words>
      )}
      {news !== null && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words kind="small" tone="lamp" style={{ flex: 1 }}>{`◆ ${news}`}</Words>
          <Press label="Seen" plain onPress={() => dispatch(newsRead())} style={{ paddingHorizontal: 10 }}>
            <Words kind="small" tone="lamp">
              Seen
            </Words>
          </Press>
        </View>
      )}
      {unkept.length > 0 && (
        <Words
          kind="small"
          tone="brick"
        >{`▲ This device cannot keep ${entries(unkept.length)}: its store is full or closed. Leave this page open until ${unkept.length === 1 ? 'it is' : 'they are'} sent, and write ${unkept.length === 1 ? 'it' : 'them'} down: ${toWrite}.`}</Words>
      )}
      {!online && waiting.length > unkept.length && (
        <Words
          kind="small"
          tone="mauve"
        >{`● No connection: ${entries(waiting.length - unkept.length)} ${waiting.length - unkept.length === 1 ? 'is' : 'are'} kept on this device and sent when it is back.`}</Words>
      )}
      {theirs.map((name) => {
        const count = waiting.filter(({ by }) => by === name).length;
        return (
          <Words
            key={name}
            kind="small"
            tone="mauve"
          >{`● Until ${name} or a lead signs in, ${entries(count)} of ${name} ${count === 1 ? 'stays' : 'stay'} on this device.`}</Words>
        );
      })}
      {troubled.map(({ id, what }) => (
        <Words key={id} kind="small" tone="brick">{`▲ Waits: ${what}. ${trouble[id]} It is tried again.`}</Words>
      ))}
      {unread.map((item) => (
        <NotRecorded key={item.id} item={item} />
      ))}
    </View>
  );
}
