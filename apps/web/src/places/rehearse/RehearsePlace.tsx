/** Rehearse: a set-up to try, an exercise, or what there is to practise. */
import { useLocalSearchParams } from 'expo-router';
import { ExercisePlace } from './ExercisePlace';
import { PractiseMenu } from './PractiseMenu';
import { TryPlace } from './TryPlace';

export function RehearsePlace() {
  const { p, x } = useLocalSearchParams();
  if (typeof x === 'string' && x !== '') return <ExercisePlace key={x} id={x} />;
  return typeof p === 'string' && p !== '' ? <TryPlace /> : <PractiseMenu />;
}
