/** One order in full: what was asked, for whom, what it makes here, whether that is what was ordered, what to bring. */
import { Button } from '@rneui/themed';
import { examsOf, orderedExam, situationFor, unusualWords, warns, withDepartmentDefaults } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import {
  reasonsOf,
  useDepartmentQuery,
  useOrderDetailQuery,
  usePutDepartmentMutation,
  type Order,
  type OrderDetail,
} from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note, Skeleton, Tag } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM } from '../../ui/tokens';
import { LEAF, NO_PRINT, usePrintStyle } from '../../ui/usePrintStyle';
import { Words } from '../../ui/Words';
import { PlanEditor } from '../exam/PlanEditor';
import { useChangePlan } from '../exam/useChangePlan';
import { usePlan } from '../exam/usePlan';
import { useRoom } from '../room/useRoom';
import { unknownHere, freshSession } from '../../state/session';
import { patientText, situationText } from '../setup/words';
import { ExpectedDose, DeliveredDose } from './ExpectedDose';
import { OrderReading } from './OrderReading';
import { OtherRoom } from './OtherRoom';
import { sideBeside } from './sideBeside';
import { useSupervision } from './useSupervision';
import { URGENCY } from './OrdersScreen';
import { useOpenExam } from './useOpenExam';

const POLL_MS = 5_000;
/** Three rows of names; the rest is scrolled to. */
const MOST_NAMES_HIGH = 192;

export function OrderScreen() {
  const { id } = useLocalSearchParams();
  const orderId = typeof id === 'string' ? id : '';
  const router = useRouter();
  const { data, error, isLoading, refetch } = useOrderDetailQuery(orderId, {
    skip: orderId === '',
    pollingInterval: POLL_MS,
    refetchOnMountOrArgChange: true,
  });
  usePrintStyle();
  const unknown = orderId === '' || (error as { status?: number } | undefined)?.status === 404;
  const side = data ? sideBeside(data.order) : '';
  // One frame, before and after the order arrives: a sheet that was opened meanwhile stays open.
  return (
    <Frame
      header={<PlaceHeader title={data ? `${data.order.exam}${side}` : 'Order'} />}
      footer={
        data && data.order.state !== 'finished' && data.order.state !== 'cancelled' ? (
          <OpenExam order={data.order} />
        ) : undefined
      }
    >
      {data ? (
        <OrderInFull detail={data} />
      ) : (
        <View style={{ padding: 16 }}>
          {isLoading && <Skeleton rows={4} height={120} />}
          {!isLoading && (
            <Note
              tone="brick"
              title={unknown ? 'There is no such order' : 'The order cannot be read'}
              text={unknown ? 'It may have been withdrawn, or the address is wrong.' : 'The server does not answer.'}
              action={unknown ? 'All orders' : 'Try again'}
              onAction={() => (unknown ? router.replace('/orders') : void refetch())}
            />
          )}
        </View>
      )}
    </Frame>
  );
}

/** Starts, continues or resumes the exam of this order. */
function OpenExam({ order }: { order: Order }) {
  const theme = useTheme();
  const openExam = useOpenExam();
  const [refused, setRefused] = useState('');
  const mine = useAppSelector((state) => state.session.current?.orderId === order.id);
  const verb = mine ? 'Continue' : order.state === 'started' ? 'Resume' : 'Start';
  const { needed, names } = useSupervision();
  const [supervisedBy, setSupervisedBy] = useState<string | null>(null);
  const asks = needed && verb === 'Start';
  return (
    <View style={{ padding: 8, gap: 6, borderTopWidth: 1, borderTopColor: theme.line }} {...NO_PRINT}>
      {refused !== '' && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ ${refused}`}
        </Words>
      )}
      {asks && (
        // A department of forty leaves the order in sight.
        <ScrollView style={{ maxHeight: MOST_NAMES_HIGH }}>
          <Choice
            label="Who supervises"
            options={names.map((name) => ({ value: name, label: name }))}
            value={supervisedBy ?? undefined}
            onChange={setSupervisedBy}
          />
        </ScrollView>
      )}
      <Button
        title={verb}
        disabled={asks && supervisedBy === null}
        onPress={() => void openExam(order, supervisedBy).then(setRefused)}
      />
    </View>
  );
}

function OrderInFull({ detail }: { detail: OrderDetail }) {
  const { order, exam, exposures } = detail;
  const theme = useTheme();
  const { width } = useWindowDimensions();
  const { rooms } = useRoom();
  const { change, busy, problem } = useChangePlan();
  const mine = useAppSelector((state) => (state.session.current?.orderId === order.id ? state.session.current : null));
  const body = order.patient.body;
  const bring = usePlan({
    plan: order.projections,
    patient: body,
    situation: order.situation,
    roomId: order.roomId,
    keepOrder: true,
  });
  const finished = order.state === 'finished' || order.state === 'cancelled';
  // What is exposed already keeps its place: here, and on any other device.
  const elsewhere = unknownHere({ ...freshSession, plan: order.projections }, exposures);
  const done = [...new Set([...Object.keys(elsewhere), ...Object.keys(mine?.exposed ?? {})].map(Number))];
  const wide = width >= RAIL_FROM;
  const asked = (
    <View style={{ gap: 6 }}>
      <OrderReading order={order} />
      <Words>{order.reason}</Words>
      <Words tone="soft">{`${order.patient.initials} · ${patientText(body)} · ${situationText(situationFor(body.ageYears, order.situation))}`}</Words>
      <Words kind="small" tone="soft">
        {`${URGENCY[order.urgency]} · ${order.ward} · ${rooms.find((room) => room.id === order.roomId)?.name ?? order.roomId}${order.reference ? ` · order ${order.reference}` : ''}${order.patient.number ? ` · patient ${order.patient.number}` : ''}${order.requester ? ` · asked for by ${order.requester}` : ''}`}
      </Words>
      {order.note !== '' && <Words kind="small">{order.note}</Words>}
      <OtherRoom roomId={order.roomId} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {order.unusual.map((each) => (
          <Tag key={unusualWords(each)} text={unusualWords(each)} tone={warns(each) ? 'brick' : 'mauve'} />
        ))}
      </View>
      {order.state === 'cancelled' && (
        <Words kind="small" tone="brick">
          ▲ Called off by whoever ordered it: nothing is exposed for it
        </Words>
      )}
      {exam && (
        <Words kind="small" tone={exam.finishedAt ? 'sage' : 'mauve'}>
          {exam.finishedAt
            ? `✓ Ended${exam.endReason ? ` early: ${exam.endReason}` : ''}`
            : `● In hand: ${exam.performedBy}${exam.supervisedBy ? `, supervised by ${exam.supervisedBy}` : ''}, ${exposures.length} exposed`}
        </Words>
      )}
      <DeliveredDose exposures={exposures} />
    </View>
  );
  const brought = (
    <>
      {bring && !('error' in bring) && (
        <View style={{ gap: 6, backgroundColor: theme.surface, borderRadius: 4, padding: 14 }} {...LEAF}>
          <Words kind="heading" role="heading" aria-level={2}>
            Bring
          </Words>
          <View role="list" style={{ gap: 4 }}>
            {bring.bring.map((item) => (
              <View key={item} role="listitem">
                <Words>{`☐ ${item}`}</Words>
              </View>
            ))}
          </View>
          <View {...NO_PRINT}>
            <Press
              label="Print the list"
              onPress={() => window.print()}
              style={{ paddingHorizontal: 12, backgroundColor: theme.raised }}
            >
              <Words>Print the list</Words>
            </Press>
          </View>
        </View>
      )}
    </>
  );
  const planned = (
    <View style={{ gap: 10, flex: wide ? 1 : undefined }} {...NO_PRINT}>
      <Words kind="heading" role="heading" aria-level={2}>
        What it makes here
      </Words>
      {problem !== '' && (
        <Words tone="brick" role="alert">
          {`▲ ${problem}`}
        </Words>
      )}
      {order.planBy && (
        <Words kind="small" tone="soft">
          {`Plan last changed by ${order.planBy}`}
        </Words>
      )}
      <PlanEditor
        order={order}
        plan={order.projections}
        patient={body}
        situation={order.situation}
        roomId={order.roomId}
        done={finished ? order.projections.map((_, i) => i) : done}
        busy={busy || finished}
        onChange={(next) => void change(order, next)}
      />
      <KeepAsExam order={order} />
      {bring && !('error' in bring) && <ExpectedDose order={order} plan={bring} />}
    </View>
  );
  return (
    <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 16 }}>
      {wide ? (
        <View style={{ flexDirection: 'row', gap: 24 }}>
          <View style={{ gap: 12, flex: 1 }}>
            {asked}
            {brought}
          </View>
          {planned}
        </View>
      ) : (
        <>
          {asked}
          {planned}
          {brought}
        </>
      )}
    </ScrollView>
  );
}

/** A lead makes this plan what the exam is here from now on. */
function KeepAsExam({ order }: { order: Order }) {
  const { data } = useDepartmentQuery();
  const [put, { error, isLoading }] = usePutDepartmentMutation();
  const lead = useAppSelector((state) => state.who.person?.role === 'lead');
  const department = withDepartmentDefaults(data);
  const exam = orderedExam(order.exam, examsOf(department), order.reason)?.exam;
  const ids = order.projections.map(({ projectionId }) => projectionId);
  if (!lead || !data || !exam || JSON.stringify(ids) === JSON.stringify(exam.projections)) return null;
  return (
    <View style={{ gap: 4 }}>
      <Press
        label={`From now on ${exam.name} makes these here`}
        disabled={isLoading}
        onPress={() => void put({ ...department, exams: { ...department.exams, [exam.id]: ids } })}
        style={{ paddingHorizontal: 12 }}
      >
        <Words tone="lamp">{`From now on “${exam.name}” makes these here`}</Words>
      </Press>
      {error && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ Not stored. ${reasonsOf(error).join('. ')}`}
        </Words>
      )}
    </View>
  );
}
