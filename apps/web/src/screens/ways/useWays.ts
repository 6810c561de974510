/** The other ways to what is asked, found in the worker; the last answer stands while the next is on its way. */
import type { SetupRequest } from '@taktik/core';
import { useEffect, useRef, useState } from 'react';
import { compute } from '../../workers/client';
import type { WaysView } from '../../workers/service';

export function useWays(request: SetupRequest | null): { view: WaysView | null; pending: boolean } {
  const [found, setFound] = useState<{ key: string; view: WaysView } | null>(null);
  const latest = useRef(0);
  const key = request ? JSON.stringify({ ...request, way: undefined, overrides: undefined }) : '';
  useEffect(() => {
    if (key === '') return;
    const turn = (latest.current += 1);
    const take = (view: WaysView) => turn === latest.current && setFound({ key, view });
    compute()
      .ways(JSON.parse(key) as SetupRequest)
      .then(take)
      .catch((error: Error) => take({ error: `The search failed: ${error.message}` }));
  }, [key]);
  return { view: found?.view ?? null, pending: found?.key !== key };
}
