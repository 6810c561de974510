/** The series as it is planned, computed in the worker; the last answer stands while the next is on its way. */
import { askedWay, type PatientInput, type SeriesRequest, type Situation } from '@taktik/core';
import { useEffect, useRef, useState } from 'react';
import { useDepartmentQuery } from '../../state/api';
import { compute } from '../../workers/client';
import type { PlanView } from '../../workers/service';
import { useOwnEntries } from '../projection/useOwnEntries';
import { useRoom } from '../room/useRoom';
import type { Planned } from '../../state/session';

type Asked = {
  plan: readonly Planned[];
  patient: PatientInput;
  situation: Partial<Situation>;
  roomId: string;
  /** Keeps the order of the plan, and prices it. */
  keepOrder: boolean;
};

const startsOnTheBack = (plan: readonly Planned[]): boolean =>
  plan.length > 0 && plan.every(({ projectionId }) => /^(stomach|colon|small-bowel)-/.test(projectionId));

export function usePlan(asked: Asked | null): PlanView | null {
  const { room, rules } = useRoom(asked?.roomId);
  const { own } = useOwnEntries();
  const { data: department } = useDepartmentQuery();
  const [found, setFound] = useState<PlanView | null>(null);
  const latest = useRef(0);
  const request: SeriesRequest | null = asked && {
    items: asked.plan.map(({ projectionId, side, way }) => ({
      projectionId,
      side,
      ...askedWay(way),
      own: own.find(({ id }) => id === projectionId),
    })),
    patient: asked.patient,
    situation: asked.situation,
    room,
    rules,
    prices: department?.prices,
    startsOnTheBack: startsOnTheBack(asked.plan),
    ...(asked.keepOrder ? { order: asked.plan.map((_, i) => i) } : {}),
  };
  const key = request ? JSON.stringify(request) : '';
  useEffect(() => {
    if (key === '') return;
    const turn = (latest.current += 1);
    compute()
      .plan(JSON.parse(key) as SeriesRequest)
      .then((view) => turn === latest.current && setFound(view))
      .catch((error: Error) => turn === latest.current && setFound({ error: `The plan failed: ${error.message}` }));
  }, [key]);
  return found;
}
