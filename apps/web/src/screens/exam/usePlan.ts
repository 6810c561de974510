/** The series as it is planned, computed in the worker; the last answer stands while the next is on its way. */
import {
  askedWay,
  entriesNamed,
  type HouseRules,
  type PatientInput,
  type Projection,
  type SeriesRequest,
  type Situation,
  type Study,
  type Wishes,
} from '@taktik/core';
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
  /** Rules that are another choice for this exam. */
  rules?: Partial<HouseRules>;
  /** What whoever plans would like of the order that is looked for. */
  wishes?: Wishes;
  /** Keeps the order of the plan, and prices it. */
  keepOrder: boolean;
};

/** Studies that fluoroscopy begins, and leaves the patient on the back on the table. */
const FROM_FLUOROSCOPY: ReadonlySet<string> = new Set<Study['of']>(['stomach', 'large bowel', 'small bowel']);
const startsOnTheBack = (entries: readonly Projection[]): boolean =>
  entries.length > 0 && entries.every(({ study }) => study && FROM_FLUOROSCOPY.has(study.of));

export function usePlan(asked: Asked | null): PlanView | null {
  const { room, rules } = useRoom(asked?.roomId, asked?.rules);
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
    startsOnTheBack: startsOnTheBack(
      entriesNamed(
        asked.plan.map(({ projectionId }) => projectionId),
        own,
      ),
    ),
    ...(asked.wishes && !asked.keepOrder ? { wishes: asked.wishes } : {}),
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
