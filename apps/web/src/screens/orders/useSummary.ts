/** What an order makes, computed when its row comes into sight and kept. */
import { askedWay, type SeriesSummary, type SetupRequest } from '@taktik/core';
import { useEffect, useState } from 'react';
import type { Order } from '../../state/api';
import { compute } from '../../workers/client';
import { useRoom } from '../room/useRoom';

/** Undefined while it is computed; null where the patient is outside the model. */
export type Summary = SeriesSummary | null | undefined;

const MOST_KEPT = 400;
const kept = new Map<string, SeriesSummary | null>();

export function useSummary(order: Order): Summary {
  const { rooms, rules } = useRoom();
  const room = rooms.find(({ id }) => id === order.roomId);
  const key = JSON.stringify([order.projections, order.patient.body, order.situation, room?.id, rules]);
  const [found, setFound] = useState<{ key: string; summary: SeriesSummary | null } | null>(null);
  useEffect(() => {
    if (kept.has(key)) return undefined;
    let here = true;
    const { patient, situation, projections } = order;
    const requests = projections.map(({ projectionId, side, way }): SetupRequest => ({
      projectionId,
      side,
      ...askedWay(way),
      patient: patient.body,
      situation,
      room,
      rules,
    }));
    compute()
      .summarize([requests])
      .then(([summary]) => {
        kept.set(key, summary);
        if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value as string);
        if (here) setFound({ key, summary });
      })
      .catch(() => undefined);
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return found?.key === key ? found.summary : kept.get(key);
}
