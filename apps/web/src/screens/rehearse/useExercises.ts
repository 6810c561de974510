/** The exercises and this person's tries at them. */
import { useEffect, useState } from 'react';
import { usePractisedQuery, type PractisedRow } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { exerciseCore, type ExerciseCore } from '../../workers/onDemand';

const NONE: readonly PractisedRow[] = [];

export type Exercises = {
  /** Null until it is loaded. */
  core: ExerciseCore | null;
  practised: readonly PractisedRow[];
  /** Why tries are not known, or empty. */
  problem: string;
};

export function useExercises(): Exercises {
  const person = useAppSelector((state) => state.who.person);
  const [core, setCore] = useState<ExerciseCore | null>(null);
  const [failed, setFailed] = useState('');
  const { data, error } = usePractisedQuery(undefined, { skip: person === null, refetchOnMountOrArgChange: true });
  useEffect(() => {
    let live = true;
    exerciseCore().then(
      (loaded) => live && setCore(loaded),
      (reason: Error) => live && setFailed(`The exercises cannot be loaded: ${reason.message}`),
    );
    return () => {
      live = false;
    };
  }, []);
  const known = error ? 'The server does not answer: earlier tries are not known here.' : '';
  return { core, practised: data ?? NONE, problem: failed || known };
}
