/** One exposure as it was: the stored set-up, not a new computation. */
import { clockText } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { readerWords } from '@taktik/contracts';
import { useExposureQuery } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note, Skeleton } from '../../ui/States';
import { Words } from '../../ui/Words';
import { ConsolePicture } from '../rehearse/ConsolePicture';
import {
  centreText,
  fieldText,
  patientText,
  receptorText,
  sidText,
  situationText,
  techniqueText,
  tubeText,
} from '../setup/words';

/** Picture of an exposure, at most. */
const MOST_PICTURE = 420;

export function ExposureScreen() {
  const { width } = useWindowDimensions();
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data, error, isLoading } = useExposureQuery(id);
  const unit = useAppSelector((state) => state.preferences.unit);
  const router = useRouter();
  const setup = data?.setup;
  const lines = setup
    ? ([
        ['Receptor', receptorText(setup)],
        ['SID', sidText(setup, unit)],
        ['Tube', tubeText(setup)],
        ['Centre', centreText(setup, unit)],
        ['Field', fieldText(setup, unit)],
        ['Technique', techniqueText(setup)],
      ] as const)
    : [];
  return (
    <Frame
      header={
        <PlaceHeader
          title={data?.name ?? 'Exposure'}
          detail={
            data ? `${data.initials} · ${data.exam} · ${new Date(data.exposedAt).toLocaleString('en-GB')}` : undefined
          }
        />
      }
    >
      <ScrollView contentContainerStyle={{ padding: 16, gap: 12 }}>
        {isLoading && <Skeleton rows={4} />}
        {error && (
          <Note
            tone="brick"
            title="This exposure cannot be read"
            text="It does not exist, or the server does not answer."
            action="To the record"
            onAction={() => router.replace('/record')}
          />
        )}
        {setup && (
          <Words tone="soft">{`${patientText(setup.patient)} · ${situationText(setup.situation)} · ${setup.room.name}`}</Words>
        )}
        {data && (
          <ConsolePicture
            exposureId={data.id}
            request={data.request}
            name={data.name}
            size={Math.min(width - 32, MOST_PICTURE)}
            past
            note={readerWords(data)}
          />
        )}
        {data?.verdict === 'repeat' && (
          <View style={{ gap: 2 }}>
            <Words kind="label" tone="soft">
              Repeated
            </Words>
            <Words>{[data.cause, data.correction].filter(Boolean).join('. ')}</Words>
          </View>
        )}
        {data?.timings && (
          <View style={{ gap: 2 }}>
            <Words kind="label" tone="soft">
              Timed
            </Words>
            {data.timings.settle && (
              <Words>{`${clockText(data.timings.settle.seconds * 1000)} in the position, planned ${data.timings.settle.plannedMinutes} minutes`}</Words>
            )}
            {data.timings.contrast && (
              <Words>{`${clockText(data.timings.contrast.seconds * 1000)} since the contrast${data.timings.contrast.plannedMinutes === null ? '' : `, planned ${data.timings.contrast.plannedMinutes} minutes`}`}</Words>
            )}
          </View>
        )}
        {data && readerWords(data) !== '' && (
          <View style={{ gap: 2 }}>
            <Words kind="label" tone="soft">
              For the reader
            </Words>
            <Words>{readerWords(data)}</Words>
            {data.notedBy !== null && (
              <Words kind="small" tone="soft">
                {data.notedBy}
              </Words>
            )}
          </View>
        )}
        {data && (
          <Press
            role="link"
            label={`Measure on the picture of ${data.name}`}
            onPress={() => router.push({ pathname: '/measure', params: { x: data.id } })}
            style={{ paddingHorizontal: 16, alignSelf: 'flex-start' }}
          >
            <Words>
              {data.measured && data.measured.measures.length > 0
                ? `Measured: ${data.measured.measures.length}`
                : 'Measure on the picture'}
            </Words>
          </Press>
        )}
        {lines.map(([name, text]) => (
          <View key={name} style={{ gap: 2 }}>
            <Words kind="label" tone="soft">
              {name}
            </Words>
            <Words kind="heading">{`${text.figure} ${text.unit}`.trim()}</Words>
            <Words>{`${text.line} · ${text.other}`}</Words>
          </View>
        ))}
        {data && (
          <Press
            role="link"
            label="Body as an open file: landmarks, joints and pieces as JSON"
            download={`/api/exposures/${encodeURIComponent(data.id)}/body`}
            style={{ paddingHorizontal: 16, alignSelf: 'flex-start' }}
          >
            <Words>Body as an open file</Words>
          </Press>
        )}
        {setup?.assumptions.map((assumption) => (
          <Words key={assumption.field} kind="small" tone="mauve">{`● ${assumption.value}`}</Words>
        ))}
      </ScrollView>
    </Frame>
  );
}
