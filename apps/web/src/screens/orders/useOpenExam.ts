/** Starts, continues or resumes the exam of an order, and goes to its next projection. */
import { useRouter } from 'expo-router';
import { useStore } from 'react-redux';
import { api, type Order } from '../../state/api';
import { useAppDispatch } from '../../state/hooks';
import type { AppDispatch, RootState } from '../../state/store';
import { freshSession } from '../../state/session';
import { addressOf, beginExam, resumeExam } from '../setup/begin';
import { useSupervision } from './useSupervision';

/** @returns why it cannot be opened, or nothing; to be called with who looks on where a student begins one */
export function useOpenExam(): (order: Order, supervisedBy?: string | null) => Promise<string> {
  const router = useRouter();
  const dispatch = useAppDispatch() as AppDispatch;
  const store = useStore<RootState>();
  const { needed } = useSupervision();
  return async (order, supervisedBy = null) => {
    const { session, who } = store.getState();
    const person = who.person?.name ?? freshSession.by;
    let current = session.current?.orderId === order.id ? session.current : null;
    if (!current && order.state === 'started') {
      const answer = await dispatch(
        api.endpoints.orderDetail.initiate(order.id, { forceRefetch: true, subscribe: false }),
      );
      if (!answer.data) return 'The server does not answer; what another device has done with this exam is not known.';
      current = resumeExam(dispatch, answer.data, person);
      if (!current) return 'This exam has ended on another device.';
    }
    if (!current && needed && supervisedBy === null) {
      // The order in full asks for the name.
      router.push({ pathname: '/order', params: { id: order.id } });
      return '';
    }
    current ??= beginExam(dispatch, order, { person, supervisedBy }, Date.now());
    const next = current.plan.findIndex((_, i) => current.exposed[i] === undefined);
    router.push({ pathname: '/setup', params: addressOf(current, Math.max(0, next)) });
    return '';
  };
}
