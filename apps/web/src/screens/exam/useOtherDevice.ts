/** Notices what another device does with the exam in hand: exposures, the plan, its end, who has it. */
import { useEffect } from 'react';
import { useOrderDetailQuery } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { exposedElsewhere, replanned, unknownHere, type Planned, type Session } from '../../state/session';

const POLL_MS = 5_000;

export type OtherDevice = {
  /** The plan as it stands on the server, when it is another one than here. */
  plan: { by: string; plan: Planned[]; version: number } | null;
  /** In words: it was ended, or handed to somebody. */
  says: string;
};

export function useOtherDevice(session: Session | null): OtherDevice & { takePlan: () => void } {
  const dispatch = useAppDispatch();
  const me = useAppSelector((state) => state.who.person?.name ?? '');
  // What waits here is not known there: until it is sent, the exam's start may not have arrived.
  const waiting = useAppSelector((state) => state.outbox.waiting.length > 0);
  const { data } = useOrderDetailQuery(session?.orderId ?? '', {
    skip: session === null || me === '',
    pollingInterval: POLL_MS,
  });
  const exposures = data && data.order.id === session?.orderId ? data.exposures : undefined;
  useEffect(() => {
    if (!session || !exposures || waiting) return;
    const news = unknownHere(session, exposures);
    if (Object.keys(news).length > 0) dispatch(exposedElsewhere(news));
  }, [session, exposures, waiting, dispatch]);
  if (!session || !data || data.order.id !== session.orderId)
    return { plan: null, says: '', takePlan: () => undefined };
  const { order, exam } = data;
  const changed = order.planVersion > session.planVersion;
  const plan = changed ? { by: order.planBy ?? 'Someone', plan: order.projections, version: order.planVersion } : null;
  const says = waiting
    ? ''
    : exam?.finishedAt
      ? 'This exam has been ended on another device. What you expose is still recorded with it.'
      : exam && exam.performedBy !== me
        ? `${exam.performedBy} has this exam in hand.`
        : '';
  return {
    plan,
    says,
    takePlan: () => plan && dispatch(replanned({ plan: plan.plan, version: plan.version })),
  };
}
