/** Record: what was exposed, newest first, and how it runs over time. */
import { signed, significant } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { MOST_ROWS, useRecordQuery, type ExposureRow } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { NotRecorded } from '../../ui/NotRecorded';
import { Press } from '../../ui/Press';
import { Caution, Note, Skeleton } from '../../ui/States';
import { RAIL_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { useScale } from '../room/useScale';
import { indexText } from '../setup/words';
import { RepeatsPane } from './RepeatsPane';
import { TrendPane } from './TrendPane';

const DAY_MS = 86_400_000;
const PERIODS = [
  { value: '1', label: 'today' },
  { value: '7', label: '7 days' },
  { value: '30', label: '30 days' },
] as const;
type Days = (typeof PERIODS)[number]['value'];

/** Start of the day on this device's clock, some days back. */
function startOfDay(daysBack: number): number {
  const day = new Date(Date.now() - daysBack * DAY_MS);
  day.setHours(0, 0, 0, 0);
  return day.getTime();
}

const clock = (at: number): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
const dayOf = (at: number): string =>
  new Date(at).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });

export function RecordScreen() {
  const router = useRouter();
  const [days, setDays] = useState<Days>('1');
  const from = useMemo(() => startOfDay(Number(days) - 1), [days]);
  const {
    currentData: rows,
    error,
    isFetching,
    refetch,
  } = useRecordQuery({ from }, { refetchOnMountOrArgChange: true });
  const { width } = useWindowDimensions();
  const { waiting, refused } = useAppSelector((state) => state.outbox);
  const aside = refused.filter((item) => item.aside);
  const unsent = waiting.filter(({ path }) => path === '/exposures');
  const period = days === '1' ? 'today' : `in ${days} days`;
  const full = rows?.length === MOST_ROWS;
  const detail =
    rows && `${full ? 'the newest ' : ''}${rows.length} ${rows.length === 1 ? 'exposure' : 'exposures'} ${period}`;
  const wide = width >= RAIL_FROM;
  const list = (
    <View style={{ gap: 10, flex: wide ? 1 : undefined }}>
      {unsent.length > 0 && (
        <Note title={`${unsent.length} on the way`} text={unsent.map(({ what }) => what).join(', ')} />
      )}
      {aside.length > 0 && (
        <View role="group" aria-label="Not recorded" style={{ gap: 6 }}>
          <Words kind="small" tone="soft">
            {`Put aside: ${aside.length} that the server did not take, kept on this device until sent, or saved and removed. A lead can send what another did.`}
          </Words>
          {aside.map((item) => (
            <NotRecorded key={item.id} item={item} listed />
          ))}
        </View>
      )}
      {rows?.length === 0 && unsent.length === 0 && (
        <Note
          title={days === '1' ? 'Nothing exposed today' : `Nothing exposed ${period}`}
          text="Start an order; each exposure is listed here as soon as it is on disk."
        />
      )}
      <View role="list" style={{ gap: 8 }}>
        {rows?.map((row, i) => (
          <View role="listitem" key={row.id} style={{ gap: 8 }}>
            {days !== '1' && (i === 0 || dayOf(rows[i - 1].exposedAt) !== dayOf(row.exposedAt)) && (
              <Words kind="small" tone="soft" style={{ paddingTop: 6 }}>
                {dayOf(row.exposedAt)}
              </Words>
            )}
            <Row row={row} />
          </View>
        ))}
      </View>
    </View>
  );
  return (
    <Frame header={<PlaceHeader title="Record" detail={detail} />}>
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 16 }}>
        <Choice label="Time" options={PERIODS} value={days} onChange={setDays} />
        <Press
          label="Competence and signatures"
          role="link"
          onPress={() => router.push('/competence')}
          style={{ paddingHorizontal: 12, alignSelf: 'flex-start' }}
        >
          <Words kind="small" tone="lamp">
            Competence and signatures
          </Words>
        </Press>
        <Press
          label="Measure a picture from a file"
          role="link"
          onPress={() => router.push('/measure')}
          style={{ paddingHorizontal: 12, alignSelf: 'flex-start' }}
        >
          <Words kind="small" tone="lamp">
            Measure a picture from a file
          </Words>
        </Press>
        {isFetching && !rows && <Skeleton rows={6} height={72} />}
        {error && !rows && !isFetching && (
          <Note
            tone="brick"
            title="The record cannot be read"
            text="The server does not answer. What was exposed meanwhile is kept on this device."
            action="Try again"
            onAction={() => void refetch()}
          />
        )}
        {full && (
          <Caution text={`Only the newest ${MOST_ROWS} are read: what is drawn and counted here is of those.`} />
        )}
        <View style={wide ? { flexDirection: 'row-reverse', gap: 24 } : { gap: 16 }}>
          {rows && rows.length > 0 && (
            <View style={{ gap: 18, flex: wide ? 1 : undefined }}>
              <TrendPane rows={rows} from={from} />
              <RepeatsPane rows={rows} />
            </View>
          )}
          {list}
        </View>
      </ScrollView>
    </Frame>
  );
}

function Row({ row }: { row: ExposureRow }) {
  const router = useRouter();
  const scale = useScale(row.roomId);
  const index = `${indexText(row.exposureIndex, scale)}, DI ${signed(row.deviationIndex)}`;
  const over = row.doseLevelGyCm2 !== null && row.kapGyCm2 > row.doseLevelGyCm2;
  const verdict = row.verdict === 'repeat' ? `▲ repeat: ${row.cause}` : row.verdict === 'accepted' ? '✓ accepted' : '';
  return (
    <Press
      role="link"
      label={`${clock(row.exposedAt)} ${row.name}, ${row.exam}, ${row.initials}, ${index}${verdict === '' ? '' : `, ${verdict.slice(2)}`}`}
      onPress={() => router.push({ pathname: '/record/[id]', params: { id: row.id } })}
      style={{ flexDirection: 'row', justifyContent: 'flex-start', gap: 14, padding: 12 }}
    >
      <Words kind="heading" style={{ width: 52 }}>
        {clock(row.exposedAt)}
      </Words>
      <View style={{ flex: 1, gap: 2 }}>
        <Words kind="bold">{row.name}</Words>
        <Words kind="small" tone="soft">{`${row.initials} · ${row.exam} · ${row.room} · ${row.performedBy}`}</Words>
        {verdict !== '' && (
          <Words kind="small" tone={row.verdict === 'repeat' ? 'brick' : 'sage'}>
            {verdict}
          </Words>
        )}
        {row.deviceAt !== null && (
          <Words kind="small" tone="mauve">
            {`● The clock of the device was wrong: it said ${new Date(row.deviceAt).toLocaleString('en-GB')}`}
          </Words>
        )}
        <Words kind="small">{`${row.kVp} kVp · ${row.mAs} mAs · ${index} · ${significant(row.kapGyCm2, 2)} Gy·cm²`}</Words>
        {over && (
          <Words kind="small" tone="brick">
            {`▲ Over the department’s level of ${row.doseLevelGyCm2} Gy·cm²`}
          </Words>
        )}
        {row.readBy !== null && (
          <Words kind="small" tone="soft">
            {`Index typed by ${row.readBy}`}
          </Words>
        )}
      </View>
    </Press>
  );
}
