/** Orders: what is waiting, what is unusual about it, and what to bring. */
import { situationFor, unusualWords, warns } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { FlatList, useWindowDimensions, View } from 'react-native';
import { useOrdersQuery, type Order } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Choice, Toggle } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { LineInput } from '../../ui/LineInput';
import { Press } from '../../ui/Press';
import { Note, Skeleton, Tag } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { useRoom } from '../room/useRoom';
import { patientText, situationText } from '../setup/words';
import { ALL, filterOrders, isFiltered, noFilter, wardsOf, type OrderFilter } from './orderFilter';
import { sideBeside } from './sideBeside';
import { TakeIn } from './TakeIn';
import { useOpenExam } from './useOpenExam';
import { useSummary } from './useSummary';

const MINUTE_MS = 60_000;
export const URGENCY = { now: 'Now', today: 'Today', routine: 'Routine' } as const;

export function OrdersScreen() {
  const {
    data: orders,
    error,
    isLoading,
    refetch,
  } = useOrdersQuery(undefined, { pollingInterval: 15_000, refetchOnMountOrArgChange: true });
  const { width } = useWindowDimensions();
  const person = useAppSelector((state) => state.who.person?.name ?? '');
  const [filter, setFilter] = useState<OrderFilter>(noFilter);
  const now = useNow();
  const shown = useMemo(() => filterOrders(orders ?? [], filter, person), [orders, filter, person]);
  const columns = width >= RAIL_FROM ? 2 : 1;
  const count = orders?.length ?? 0;
  const detail = orders && (shown.length < count ? `${shown.length} of ${count} open` : `${count} open`);
  return (
    <Frame header={<PlaceHeader title="Orders" detail={detail} />}>
      <FlatList
        key={columns}
        data={shown}
        keyExtractor={({ id }) => id}
        numColumns={columns}
        initialNumToRender={8}
        windowSize={5}
        contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 10 }}
        columnWrapperStyle={columns > 1 ? { gap: 10 } : undefined}
        renderItem={({ item }) => (
          <View role="article" aria-label={`${item.exam}, ${item.patient.initials}`} style={{ flex: 1 }}>
            <OrderRow order={item} now={now} />
          </View>
        )}
        ListHeaderComponent={
          <View style={{ gap: 10 }}>
            {orders && count > 0 && <Filter filter={filter} wards={wardsOf(orders)} onChange={setFilter} />}
            {isLoading && <Skeleton rows={6} height={128} />}
            {error && !orders && (
              <Note
                tone="brick"
                title="Orders cannot be read"
                text="The server does not answer. What you have begun stays on this device; Find and Set up work without it."
                action="Try again"
                onAction={() => void refetch()}
              />
            )}
            {orders && count === 0 && (
              <Note
                title="Nothing is waiting"
                text="New orders appear here by themselves. Find gives any projection without an order."
              />
            )}
            {count > 0 && shown.length === 0 && (
              <Note
                title="None of these"
                text={`${count} ${count === 1 ? 'order is' : 'orders are'} open, but none that you have asked to see.`}
                action="Show all"
                onAction={() => setFilter(noFilter)}
              />
            )}
          </View>
        }
        ListFooterComponent={orders ? <TakeIn /> : null}
      />
    </Frame>
  );
}

function Filter({
  filter,
  wards,
  onChange,
}: {
  filter: OrderFilter;
  wards: readonly string[];
  onChange: (filter: OrderFilter) => void;
}) {
  const { rooms } = useRoom();
  const [open, setOpen] = useState(false);
  const set = (part: Partial<OrderFilter>) => onChange({ ...filter, ...part });
  const chosen = [
    filter.mine ? 'mine' : '',
    filter.urgency === 'all' ? '' : filter.urgency,
    rooms.find(({ id }) => id === filter.roomId)?.name ?? '',
    filter.ward === ALL ? '' : filter.ward,
    filter.text.trim() === '' ? '' : `“${filter.text.trim()}”`,
  ].filter((each) => each !== '');
  return (
    <View style={{ gap: 10 }}>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Press
          label={`Filter: ${chosen.length > 0 ? chosen.join(', ') : 'all orders'}`}
          chosen={open}
          onPress={() => setOpen(!open)}
          style={{ flex: 1, paddingHorizontal: 14 }}
        >
          <Words kind="small" tone={chosen.length > 0 ? 'lamp' : 'soft'}>
            {chosen.length > 0 ? `Filter: ${chosen.join(', ')}` : 'Filter: all orders'}
          </Words>
        </Press>
        {isFiltered(filter) && (
          <Press label="Show all orders" onPress={() => onChange(noFilter)} style={{ paddingHorizontal: 14 }}>
            <Words kind="small">All</Words>
          </Press>
        )}
      </View>
      {open && (
        <View style={{ gap: 10 }}>
          <LineInput label="Ward, exam or initials" value={filter.text} onChange={(text) => set({ text })} max={60} />
          <Toggle label="Only those that I have in hand" on={filter.mine} onChange={(mine) => set({ mine })} />
          <Choice
            label="Urgency"
            options={[
              { value: 'all', label: 'all' },
              ...(['now', 'today', 'routine'] as const).map((value) => ({ value, label: value })),
            ]}
            value={filter.urgency}
            onChange={(urgency) => set({ urgency: urgency as OrderFilter['urgency'] })}
          />
          <Choice
            label="Room"
            options={[{ value: ALL, label: 'all' }, ...rooms.map(({ id, name }) => ({ value: id, label: name }))]}
            value={filter.roomId}
            onChange={(roomId) => set({ roomId })}
          />
          <Choice
            label="Ward"
            // A ward that was chosen stays to be taken back, though its last order is gone.
            options={[ALL, ...new Set([...wards, ...(filter.ward === ALL ? [] : [filter.ward])])].map((value) => ({
              value,
              label: value,
            }))}
            value={filter.ward}
            onChange={(ward) => set({ ward })}
          />
        </View>
      )}
    </View>
  );
}

function OrderRow({ order, now }: { order: Order; now: number }) {
  const theme = useTheme();
  const router = useRouter();
  const { rooms } = useRoom();
  const summary = useSummary(order);
  const openExam = useOpenExam();
  const [problem, setProblem] = useState('');
  const waited = Math.max(0, Math.round((now - order.orderedAt) / MINUTE_MS));
  const room = rooms.find(({ id }) => id === order.roomId)?.name ?? order.roomId;
  // Only the row whose order it is follows the session; the others are not drawn anew when an exam begins.
  const mine = useAppSelector((state) => state.session.current?.orderId === order.id);
  const side = sideBeside(order);
  const verb = mine ? 'Continue' : order.state === 'started' ? 'Resume' : 'Start';
  return (
    <View style={{ backgroundColor: theme.surface, borderRadius: 4, padding: 14, gap: 8, flex: 1 }}>
      <View style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }}>
        <Press
          label={`Open the order: ${order.exam}${side}, ${order.patient.initials}, ${URGENCY[order.urgency]}, ${order.ward}, ${room}, waiting ${waited} min`}
          role="link"
          plain
          onPress={() => router.push({ pathname: '/order', params: { id: order.id } })}
          style={{ flex: 1, gap: 2 }}
        >
          <Words kind="heading" role="heading" aria-level={2}>{`${order.exam}${side}`}</Words>
          <Words
            kind="small"
            tone="soft"
          >{`${URGENCY[order.urgency]} · ${order.ward} · ${room} · waiting ${waited} min`}</Words>
        </Press>
        <Press
          label={`${verb} ${order.exam}${side}, ${order.patient.initials}`}
          onPress={() => void openExam(order).then(setProblem)}
          style={{ backgroundColor: theme.lampFill, paddingHorizontal: 18, alignItems: 'center' }}
        >
          <Words kind="heading" style={{ color: theme.onLamp }}>
            {verb}
          </Words>
        </Press>
      </View>
      {problem !== '' && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ ${problem}`}
        </Words>
      )}
      <Words>{`${order.patient.initials} · ${patientText(order.patient.body)} · ${situationText(situationFor(order.patient.body.ageYears, order.situation))}`}</Words>
      <Words kind="small" tone="soft">
        {order.reason}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {order.urgency === 'now' && <Tag text="now" tone="lamp" />}
        {order.heldBy && !mine && <Tag text={`in hand: ${order.heldBy}`} tone="mauve" />}
        {order.unusual.map((each) => (
          <Tag key={unusualWords(each)} text={unusualWords(each)} tone={warns(each) ? 'brick' : 'mauve'} />
        ))}
        {summary?.blocked.map((name) => (
          <Tag key={name} text={`not as usual: ${name}`} tone="brick" />
        ))}
      </View>
      {summary && (
        <Words kind="small">
          {`${summary.exposures} ${summary.exposures === 1 ? 'exposure' : 'exposures'}, ${summary.turns} ${summary.turns === 1 ? 'turn' : 'turns'}. Bring: ${summary.bring.join(', ')}`}
        </Words>
      )}
      {summary === null && (
        <Words kind="small" tone="brick">
          ▲ This patient is outside the body model; use the department’s protocol.
        </Words>
      )}
    </View>
  );
}

function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), MINUTE_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}
