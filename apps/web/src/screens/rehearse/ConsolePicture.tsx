/** What the simulated console shows after an exposure: the picture of what was set, with the patient as they lay. */
import { consolePositioningError, seedOf, type SetupRequest } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useAppSelector } from '../../state/hooks';
import { Press } from '../../ui/Press';
import { Caution, Skeleton } from '../../ui/States';
import { Words } from '../../ui/Words';
import { CriteriaList } from './CriteriaList';
import { pictureTrouble } from './pictureTrouble';
import { PictureView } from './PictureView';
import { SavePicture } from './SavePicture';
import { useRehearsal } from './useRehearsal';

type Props = {
  exposureId: string;
  request: SetupRequest;
  name: string;
  size: number;
  /** Judged long ago: nothing more to decide. */
  past?: boolean;
  /** For the reader. */
  note?: string;
};

export function ConsolePicture({ exposureId, request, name, size, past = false, note }: Props) {
  const router = useRouter();
  const unit = useAppSelector((state) => state.preferences.unit);
  const [measured, setMeasured] = useState(false);
  const { picture, judged, error } = useRehearsal({
    request,
    positioningError: consolePositioningError(exposureId),
    breath: null,
    motionMm: 0,
    seed: seedOf(exposureId),
    exposure: 0,
  });
  return (
    <View style={{ gap: 8 }}>
      <Words kind="small" tone="soft">
        {past
          ? 'What the simulated console showed.'
          : 'The simulated console shows this. Judge it by the criteria before you accept it.'}
      </Words>
      {error !== '' && <Caution text={pictureTrouble(error, picture !== null)} />}
      {picture ? (
        <PictureView picture={picture} routine={null} over="this" window={null} size={size} name={name} />
      ) : (
        error === '' && <Skeleton rows={1} height={size} />
      )}
      {judged && (
        <Press
          label={measured ? 'Fold the measures away' : 'Measure the picture'}
          onPress={() => setMeasured(!measured)}
          style={{ paddingHorizontal: 12, alignSelf: 'flex-start' }}
        >
          <Words kind="small" tone="lamp">
            {measured ? 'Fold the measures away' : 'Measure the picture'}
          </Words>
        </Press>
      )}
      {past && picture && judged && <SavePicture picture={picture} setup={judged.setup} window={null} note={note} />}
      {!past && (
        <Press
          role="link"
          label={`Points, lengths and angles on the picture of ${name}`}
          onPress={() => router.push({ pathname: '/measure', params: { x: exposureId } })}
          style={{ paddingHorizontal: 12, alignSelf: 'flex-start' }}
        >
          <Words kind="small" tone="lamp">
            Lengths and angles
          </Words>
        </Press>
      )}
      {measured && judged && <CriteriaList criteria={judged.criteria} unit={unit} />}
    </View>
  );
}
