/** Rehearse: a set-up to try, an exercise, or what there is to practise. */
import { useLocalSearchParams } from 'expo-router';
import { ExerciseScreen } from './ExerciseScreen';
import { PractiseMenu } from './PractiseMenu';
import { TryScreen } from './TryScreen';

export function RehearseScreen() {
  const { p, x } = useLocalSearchParams();
  if (typeof x === 'string' && x !== '') return <ExerciseScreen key={x} id={x} />;
  return typeof p === 'string' && p !== '' ? <TryScreen /> : <PractiseMenu />;
}
