/** What holds a view of the exam in hand: pictures that must be read or looked at before it. */
import { openGates, withDefaults, type Gate } from '@taktik/core';
import { useMemo } from 'react';
import { useRulesQuery } from '../../state/api';
import type { Session } from '../../state/session';
import { usePlanEntries } from './usePlanEntries';

/** Of the plan, what was exposed and whose picture was looked at and accepted. */
const acceptedIn = ({ exposed, accepted }: Session): Set<number> =>
  new Set(
    Object.entries(exposed)
      .filter(([, id]) => accepted.includes(id))
      .map(([place]) => Number(place)),
  );

export function useGates(session: Session | null, index: number): Gate[] {
  const entries = usePlanEntries(session?.plan);
  const { data: house } = useRulesQuery();
  return useMemo(() => {
    if (!session || !entries) return [];
    const state = { accepted: acceptedIn(session), decisions: session.answers.decisions };
    return openGates(entries, index, state, session.situation, withDefaults({ ...house, ...session.rules }));
  }, [session, entries, index, house]);
}
