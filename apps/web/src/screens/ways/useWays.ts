/** The other ways to what is asked, found in the worker; the last answer stands while the next is on its way. */
import type { SetupRequest, WayPrices } from '@taktik/core';
import { useEffect, useRef, useState } from 'react';
import { compute } from '../../workers/client';
import type { WaysView } from '../../workers/service';

/** @param prices of the department; undefined for the shipped ones */
export function useWays(
  request: SetupRequest | null,
  prices: Partial<WayPrices> | undefined,
): { view: WaysView | null; pending: boolean } {
  const [found, setFound] = useState<{ key: string; view: WaysView } | null>(null);
  const latest = useRef(0);
  const key = request ? JSON.stringify([{ ...request, way: undefined, overrides: undefined }, prices]) : '';
  useEffect(() => {
    if (key === '') return;
    const turn = (latest.current += 1);
    const take = (view: WaysView) => turn === latest.current && setFound({ key, view });
    const [asked, by] = JSON.parse(key) as [SetupRequest, Partial<WayPrices> | null];
    compute()
      .ways(asked, by ?? undefined)
      .then(take)
      .catch((error: Error) => take({ error: `The search failed: ${error.message}` }));
  }, [key]);
  return { view: found?.view ?? null, pending: found?.key !== key };
}
