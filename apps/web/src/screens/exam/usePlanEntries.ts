/** Entries of the plan of an exam, in its order; null while an own entry is still on its way. */
import { plannedEntry, type Projection } from '@taktik/core';
import { useMemo } from 'react';
import type { Planned } from '../../state/session';
import { useOwnEntries } from '../projection/useOwnEntries';

export function usePlanEntries(plan: readonly Planned[] | undefined): Projection[] | null {
  const { own } = useOwnEntries();
  return useMemo(() => {
    const entries = plan?.map((planned) => plannedEntry(planned, own)) ?? [];
    return plan && entries.every((entry) => entry !== null) ? entries : null;
  }, [plan, own]);
}
