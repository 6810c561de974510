/** Other ways to a projection: for what the patient can do, what must not be moved and what this room has. */
import { defaultWayPrices, situationFor, summaryOf, type Situation } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useDepartmentQuery } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note, Skeleton } from '../../ui/States';
import { RAIL_FROM } from '../../ui/tokens';
import { useKeys } from '../../ui/useKeys';
import { Words } from '../../ui/Words';
import type { WayView } from '../../workers/service';
import { CompareTable } from '../projection/CompareTable';
import { useRequest } from '../projection/useRequest';
import { toAddress } from '../setup/address';
import { SituationControls, SituationPresets } from '../setup/SituationControls';
import { useAsked } from '../setup/useAsked';
import { patientText, situationText } from '../setup/words';
import { useTakeWay } from './useTakeWay';
import { useWays } from './useWays';
import { WayCard } from './WayCard';

export function WaysScreen() {
  const { asked, session, index, changePatient, settle } = useAsked();
  const { request, projection, loading } = useRequest(toAddress(asked));
  const router = useRouter();
  const { width } = useWindowDimensions();
  const unit = useAppSelector((state) => state.preferences.unit);
  const { data } = useDepartmentQuery();
  const prices = { ...defaultWayPrices, ...data?.wayPrices };
  const { view, pending } = useWays(request, data?.wayPrices);
  const { take, busy, problem } = useTakeWay(asked, session, index, settle);
  const [all, setAll] = useState(false);
  const [pair, setPair] = useState<string[]>([]);
  useKeys({ Escape: () => router.back() });
  const wide = width >= RAIL_FROM;
  if (!projection || !request)
    return (
      <Frame header={<PlaceHeader title="Other ways" />}>
        <View style={{ padding: 16 }}>
          {loading ? (
            <Skeleton rows={4} height={140} />
          ) : (
            <Note
              tone="brick"
              title="Unknown projection"
              text="Other ways are looked for from a projection: find one first."
              action="Find a projection"
              onAction={() => router.push('/find')}
            />
          )}
        </View>
      </Frame>
    );
  const ways = view && !('error' in view) ? view.ways : [];
  const forbidden = view && !('error' in view) ? view.forbidden : null;
  const noWay = view && !('error' in view) ? view.noWay : null;
  const compared = pair.flatMap((id) => ways.find((way) => way.id === id) ?? []);
  const toggle = (id: string) =>
    setPair((now) => (now.includes(id) ? now.filter((each) => each !== id) : [...now.slice(-1), id]));
  const situation: Situation = situationFor(asked.patient.ageYears, asked.situation);
  const controls = (
    <View style={{ gap: 12, width: wide ? 400 : undefined }}>
      <Words>{`${patientText(asked.patient)} · ${situationText(situation)}`}</Words>
      <SituationPresets
        patient={asked.patient}
        situation={asked.situation}
        side={request.side}
        onChange={changePatient}
      />
      {!wide && (
        <Press
          label={all ? 'Fold the situation away' : 'Everything about the situation'}
          onPress={() => setAll(!all)}
          style={{ paddingHorizontal: 14 }}
        >
          <Words kind="small" tone="lamp">
            {all ? 'Fold the situation away' : 'Everything about the situation'}
          </Words>
        </Press>
      )}
      {(wide || all) && (
        <SituationControls
          patient={asked.patient}
          situation={asked.situation}
          side={request.side}
          onChange={changePatient}
        />
      )}
    </View>
  );
  const found = (
    <View style={{ gap: 12, flex: wide ? 1 : undefined }}>
      <Words role="status" kind="small" tone="soft">
        {pending ? 'Looking for ways' : countWords(ways.length)}
      </Words>
      {problem !== '' && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ The plan was not changed. ${problem}`}
        </Words>
      )}
      {!view && <Skeleton rows={4} height={180} />}
      {view && 'error' in view && <Note tone="brick" title="No ways can be computed" text={view.error} />}
      {forbidden && (
        <Note
          tone="brick"
          title={`${projection.name} is not to be done`}
          text={`${forbidden.why.charAt(0).toUpperCase()}${forbidden.why.slice(1)}. Ask ${forbidden.ask}.${ways.length > 0 ? ' What could serve instead:' : ''}`}
        />
      )}
      {noWay && (
        <Note
          tone="brick"
          title="Nothing safe was found"
          text={[...noWay.problems.map(({ text }) => text), `Ask ${noWay.ask}.`].join(' ')}
        />
      )}
      {compared.length === 2 && <Pair pair={compared} unit={unit} onUse={(way) => void take(way.planned)} />}
      {compared.length === 1 && (
        <Words kind="small" tone="soft">
          One way is marked; mark another to see both side by side.
        </Words>
      )}
      {ways.map((way, at) => (
        <WayCard
          key={way.id}
          way={way}
          rank={at + 1}
          unit={unit}
          busy={busy}
          comparing={pair.includes(way.id)}
          onUse={() => void take(way.planned)}
          onCompare={() => toggle(way.id)}
        />
      ))}
      {ways.length > 0 && (
        <Words kind="small" tone="soft">
          {`Points weigh what a way costs against the usual set-up; a turn of the patient is ${prices.turn}. The order, local rules and whoever is responsible for the patient come first.`}
        </Words>
      )}
    </View>
  );
  const side = request.side && projection.sided === 'each' ? `, ${request.side}` : '';
  return (
    <Frame header={<PlaceHeader title="Other ways" detail={`${projection.name}${side}`} roomId={asked.roomId} />}>
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 16 }}>
        <Press
          label={`Back to the set-up of ${projection.name}`}
          role="link"
          plain
          onPress={() => router.push({ pathname: '/setup', params: toAddress(asked) })}
          style={{ alignSelf: 'flex-start' }}
        >
          <Words kind="small" tone="lamp">
            ‹ The set-up as it is
          </Words>
        </Press>
        {wide ? (
          <View style={{ flexDirection: 'row', gap: 24, alignItems: 'flex-start' }}>
            {controls}
            {found}
          </View>
        ) : (
          <>
            {controls}
            {found}
          </>
        )}
      </ScrollView>
    </Frame>
  );
}

function countWords(count: number): string {
  if (count === 0) return 'No way';
  return count === 1 ? '1 way' : `${count} ways, the least cost first`;
}

/** Two ways beside each other. */
function Pair({ pair, unit, onUse }: { pair: readonly WayView[]; unit: 'in' | 'cm'; onUse: (way: WayView) => void }) {
  return (
    <CompareTable
      columns={pair.map((way) => ({
        name: way.says,
        note: `${way.points.toFixed(0)} points`,
        press: `Use this: ${way.says}`,
        onPress: () => onUse(way),
        lines: [
          { name: 'Keeps', text: way.keeps.map(({ text }) => text).join('. ') },
          { name: 'Costs', text: way.costs.map(({ text }) => text).join('. ') || 'nothing' },
          { name: 'Tell the reader', text: way.tell.map(({ text }) => text).join('. ') || 'nothing' },
          ...summaryOf(way.setup, unit),
        ],
      }))}
    />
  );
}
