/** Record: what was exposed today, newest first. */
import { signed } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useRecordQuery, type ExposureRow } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note, Skeleton } from '../../ui/States';
import { Words } from '../../ui/Words';

/** Start of the day on this device's clock. */
function startOfToday(): number {
  const day = new Date();
  day.setHours(0, 0, 0, 0);
  return day.getTime();
}

const clock = (at: number): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

export function RecordPlace() {
  const [from] = useState(startOfToday);
  const { data: rows, error, isLoading, refetch } = useRecordQuery({ from }, { refetchOnMountOrArgChange: true });
  const waiting = useAppSelector((state) => state.outbox.waiting);
  const unsent = waiting.filter(({ path }) => path === '/exposures');
  const detail = rows ? `${rows.length} ${rows.length === 1 ? 'exposure' : 'exposures'} today` : undefined;
  return (
    <Frame header={<PlaceHeader title="Record" detail={detail} />}>
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 10 }}>
        {isLoading && <Skeleton rows={6} height={72} />}
        {error && !rows && (
          <Note
            tone="brick"
            title="The record cannot be read"
            text="The server does not answer. What was exposed meanwhile is kept on this device."
            action="Try again"
            onAction={() => void refetch()}
          />
        )}
        {unsent.length > 0 && (
          <Note title={`${unsent.length} on the way`} text={unsent.map(({ what }) => what).join(', ')} />
        )}
        {rows?.length === 0 && unsent.length === 0 && (
          <Note
            title="Nothing exposed today"
            text="Start an order; each exposure is listed here as soon as it is on disk."
          />
        )}
        <View role="list" style={{ gap: 8 }}>
          {rows?.map((row) => (
            <View role="listitem" key={row.id}>
              <Row row={row} />
            </View>
          ))}
        </View>
      </ScrollView>
    </Frame>
  );
}

function Row({ row }: { row: ExposureRow }) {
  const router = useRouter();
  const index = `EI ${row.exposureIndex}, DI ${signed(row.deviationIndex)}`;
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
        <Words kind="small">{`${row.kVp} kVp · ${row.mAs} mAs · ${index} · ${row.kapGyCm2.toFixed(2)} Gy·cm²`}</Words>
      </View>
    </Press>
  );
}
