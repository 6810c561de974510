/** Changes the plan of an order on the server, and of the exam in hand with it; tells when another device was first. */
import { useState } from 'react';
import { api, reasonsOf, useChangePlanMutation, type Order } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import type { AppDispatch } from '../../state/store';
import { replanned, type Planned } from '../../state/session';

export function useChangePlan(): {
  change: (order: Pick<Order, 'id' | 'planVersion'>, plan: Planned[]) => Promise<void>;
  busy: boolean;
  problem: string;
} {
  const dispatch = useAppDispatch() as AppDispatch;
  const session = useAppSelector((state) => state.session.current);
  const [put, { isLoading }] = useChangePlanMutation();
  const [problem, setProblem] = useState('');
  return {
    busy: isLoading,
    problem,
    change: async ({ id, planVersion }, projections) => {
      setProblem('');
      const answer = await put({ id, version: planVersion, projections });
      if (answer.data) {
        if (session?.orderId === id)
          dispatch(replanned({ plan: answer.data.projections, version: answer.data.planVersion }));
        return;
      }
      setProblem(reasonsOf(answer.error).join('. '));
      // What stands now is shown, whoever wrote it.
      dispatch(api.util.invalidateTags(['Orders']));
    },
  };
}
