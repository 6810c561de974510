import type { PatientInput, Situation } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { fromAddress, toAddress } from './address';
import { patientChanged } from './session';

/** What is asked, and how to change it: the address is the only place where it stands. */
export function useAsked() {
  const router = useRouter();
  const params = useLocalSearchParams();
  const dispatch = useAppDispatch();
  const session = useAppSelector((state) => state.session.current);
  const key = JSON.stringify(params);
  const asked = useMemo(() => fromAddress(JSON.parse(key) as Record<string, string>), [key]);
  const index = session
    ? session.plan.findIndex(
        (planned) =>
          planned.projectionId === asked.projectionId && (planned.side === undefined || planned.side === asked.side),
      )
    : -1;
  const go = (change: Partial<typeof asked>) => {
    const address = toAddress({ ...asked, ...change });
    // A parameter that is left out of setParams stays; undefined takes it away.
    const cleared = Object.fromEntries(Object.keys(params).map((name) => [name, undefined]));
    router.setParams({ ...cleared, ...address });
  };
  const changePatient = (patient: PatientInput, situation: Partial<Situation>) => {
    if (index >= 0) dispatch(patientChanged({ patient, situation, roomId: asked.roomId ?? session!.roomId }));
    go({ patient, situation });
  };
  return { asked, session: index >= 0 ? session : null, index, go, changePatient };
}
