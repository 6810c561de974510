/** Rehearse: a set-up to try, or what there is to practise. */
import { useLocalSearchParams } from 'expo-router';
import { PractiseMenu } from './PractiseMenu';
import { TryPlace } from './TryPlace';

export function RehearsePlace() {
  const { p } = useLocalSearchParams();
  return typeof p === 'string' && p !== '' ? <TryPlace /> : <PractiseMenu />;
}
