/** The department's own entries, from the server; none while it does not answer. */
import { OWN_PREFIX, type Projection } from '@taktik/core';
import { useOwnQuery } from '../../state/api';

const NONE: readonly Projection[] = [];

export const isOwn = (id: string): boolean => id.startsWith(OWN_PREFIX);

export function useOwnEntries(): { own: readonly Projection[]; loading: boolean } {
  const { data = NONE, isLoading } = useOwnQuery();
  return { own: data, loading: isLoading };
}
