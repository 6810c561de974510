/** Begins the exam of an order: a session on this device and a start on its way to the server. */
import { nanoid } from 'nanoid';
import type { Order } from '../../state/api';
import { post } from '../../state/sender';
import type { AppDispatch } from '../../state/store';
import { toAddress, type Address } from './address';
import { begun, type Session } from './session';

/** Address of one projection of the exam in hand. */
export const addressOf = (session: Session, index: number): Address =>
  toAddress({ ...session.plan[index], patient: session.patient, situation: session.situation, roomId: session.roomId });

export function beginExam(dispatch: AppDispatch, order: Order, person: string, now: number): Session {
  const session: Session = {
    orderId: order.id,
    examId: nanoid(16),
    exam: order.exam,
    initials: order.patient.initials,
    plan: order.projections,
    patient: order.patient.body,
    situation: order.situation,
    roomId: order.roomId,
    ticks: {},
    exposed: {},
    last: null,
  };
  dispatch(begun(session));
  post(dispatch, {
    id: session.examId,
    madeAt: now,
    path: '/exams',
    body: { id: session.examId, orderId: order.id, performedBy: person, startedAt: now },
    what: `start of ${order.exam}`,
  });
  return session;
}
