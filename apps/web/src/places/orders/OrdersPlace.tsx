/** Orders: what is waiting, what is unusual about it, and what to bring. */
import { situationFor, type SeriesSummary, type SetupRequest } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useStore } from 'react-redux';
import { useOrdersQuery, type Order } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { personOf } from '../../state/preferences';
import type { RootState } from '../../state/store';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note, Skeleton, Tag } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import { useRoom } from '../room/useRoom';
import { addressOf, beginExam } from '../setup/begin';
import { patientText, situationText } from '../setup/words';

const MINUTE_MS = 60_000;
const URGENCY = { now: 'Now', today: 'Today', routine: 'Routine' } as const;

/** Sums of all orders, computed once for each list. */
function useSummaries(orders: readonly Order[]): Record<string, SeriesSummary | null> {
  const { rooms, rules } = useRoom();
  const [summaries, setSummaries] = useState<Record<string, SeriesSummary | null>>({});
  const key = JSON.stringify([orders.map(({ id }) => id), rules]);
  useEffect(() => {
    if (orders.length === 0) return undefined;
    let here = true;
    const series = orders.map((order) =>
      order.projections.map((planned): SetupRequest => ({
        ...planned,
        patient: order.patient.body,
        situation: order.situation,
        room: rooms.find(({ id }) => id === order.roomId),
        rules,
      })),
    );
    void compute()
      .summarize(series)
      .then((sums) => here && setSummaries(Object.fromEntries(orders.map(({ id }, i) => [id, sums[i]]))));
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return summaries;
}

export function OrdersPlace() {
  const {
    data: orders,
    error,
    isLoading,
    refetch,
  } = useOrdersQuery(undefined, { pollingInterval: 15_000, refetchOnMountOrArgChange: true });
  const { width } = useWindowDimensions();
  const summaries = useSummaries(orders ?? []);
  const columns = width >= RAIL_FROM ? 2 : 1;
  const count = orders?.length ?? 0;
  return (
    <Frame header={<PlaceHeader title="Orders" detail={orders ? `${count} open` : undefined} />}>
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 10 }}>
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
        <View role="list" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
          {orders?.map((order) => (
            <View role="listitem" key={order.id} style={{ width: columns === 2 ? '49%' : '100%', flexGrow: 1 }}>
              <OrderRow order={order} summary={summaries[order.id]} />
            </View>
          ))}
        </View>
      </ScrollView>
    </Frame>
  );
}

function OrderRow({ order, summary }: { order: Order; summary: SeriesSummary | null | undefined }) {
  const theme = useTheme();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { rooms } = useRoom();
  const person = useAppSelector((state) => personOf(state.preferences));
  const now = useNow();
  const waited = Math.max(0, Math.round((now - order.orderedAt) / MINUTE_MS));
  const room = rooms.find(({ id }) => id === order.roomId)?.name ?? order.roomId;
  // Only the row whose order it is follows the session; the others are not drawn anew when an exam begins.
  const mine = useAppSelector((state) => state.session.current?.orderId === order.id);
  const store = useStore<RootState>();
  const open = () => {
    const { session } = store.getState();
    const current = mine && session.current ? session.current : beginExam(dispatch, order, person, Date.now());
    const next = current.plan.findIndex((_, i) => current.exposed[i] === undefined);
    router.push({ pathname: '/setup', params: addressOf(current, Math.max(0, next)) });
  };
  const side = order.side ? `, ${order.side}` : '';
  return (
    <View style={{ backgroundColor: theme.surface, borderRadius: 4, padding: 14, gap: 8, flex: 1 }}>
      <View style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }}>
        <View style={{ flex: 1, gap: 2 }}>
          <Words kind="heading" role="heading" aria-level={2}>{`${order.exam}${side}`}</Words>
          <Words
            kind="small"
            tone="soft"
          >{`${URGENCY[order.urgency]} · ${order.ward} · ${room} · waiting ${waited} min`}</Words>
        </View>
        <Press
          label={`${mine ? 'Continue' : 'Start'} ${order.exam}${side}, ${order.patient.initials}`}
          onPress={open}
          style={{ backgroundColor: theme.lampFill, paddingHorizontal: 18, alignItems: 'center' }}
        >
          <Words kind="heading" style={{ color: theme.onLamp }}>
            {mine ? 'Continue' : 'Start'}
          </Words>
        </Press>
      </View>
      <Words>{`${order.patient.initials} · ${patientText(order.patient.body)} · ${situationText(situationFor(order.patient.body.ageYears, order.situation))}`}</Words>
      <Words kind="small" tone="soft">
        {order.reason}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {order.urgency === 'now' && <Tag text="now" tone="lamp" />}
        {order.unusual.map((text) => (
          <Tag key={text} text={text} tone={/not cleared|fracture/.test(text) ? 'brick' : 'mauve'} />
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
