/** The picture of an exercise, and the words of what is asked. */
import { View } from 'react-native';
import { Caution, Skeleton } from '../../ui/States';
import type { RehearsalInput } from '../../workers/rehearsal';
import { pictureTrouble } from './pictureTrouble';
import { PictureView } from './PictureView';
import { useRehearsal } from './useRehearsal';

type Props = {
  input: Omit<RehearsalInput, 'pixels'>;
  size: number;
  /** Not the projection, where that is asked. */
  name: string;
  onDrag?: (alongMm: number, acrossMm: number, done: boolean) => void;
};

export function ExercisePicture({ input, size, name, onDrag }: Props) {
  const { picture, error } = useRehearsal(input);
  return (
    <View style={{ gap: 6, alignItems: 'center' }}>
      {picture ? (
        <PictureView
          picture={picture}
          routine={null}
          over="this"
          window={null}
          size={size}
          name={name}
          onDrag={onDrag}
        />
      ) : (
        error === '' && (
          <View style={{ width: size }}>
            <Skeleton rows={1} height={size} />
          </View>
        )
      )}
      {error !== '' && <Caution text={pictureTrouble(error, picture !== null)} />}
    </View>
  );
}
