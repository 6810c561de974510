/** Begins the exam of an order - a session on this device and a start on its way to the server - or goes on with one. */
import { nanoid } from 'nanoid';
import type { Order, OrderDetail } from '../../state/api';
import { post } from '../../state/sender';
import type { AppDispatch } from '../../state/store';
import { toAddress, type Address } from './address';
import { begun, freshSession, unknownHere, type Session } from '../../state/session';

/** Address of one projection of the exam in hand. */
export const addressOf = (session: Session, index: number): Address =>
  toAddress({
    ...session.plan[index],
    place: index,
    // A repeat keeps the numbers that put it right.
    overrides: session.repeats[index]?.at(-1)?.overrides,
    patient: session.patient,
    situation: session.situation,
    roomId: session.roomId,
    rules: session.rules,
  });

const sessionOf = (order: Order, examId: string, by: string): Session => ({
  ...freshSession,
  by,
  orderId: order.id,
  examId,
  exam: order.exam,
  initials: order.patient.initials,
  plan: order.projections,
  planVersion: order.planVersion,
  patient: order.patient.body,
  situation: order.situation,
  roomId: order.roomId,
});

/** Goes on with an exam that was begun on this or another device: what was exposed and answered comes with it. */
export function resumeExam(
  dispatch: AppDispatch,
  { order, exam, exposures }: OrderDetail,
  person: string,
): Session | null {
  if (!exam || exam.finishedAt !== null) return null;
  const session = sessionOf(order, exam.id, person);
  const resumed = {
    ...session,
    answers: exam.answers ?? session.answers,
    exposed: unknownHere(session, exposures),
    accepted: exposures.filter(({ verdict }) => verdict === 'accepted').map(({ id }) => id),
  };
  dispatch(begun(resumed));
  return resumed;
}

/** @param by who performs it, and who looks on while a student does */
export function beginExam(
  dispatch: AppDispatch,
  order: Order,
  { person, supervisedBy }: { person: string; supervisedBy: string | null },
  now: number,
): Session {
  const session = sessionOf(order, nanoid(16), person);
  dispatch(begun(session));
  post(dispatch, {
    id: session.examId,
    madeAt: now,
    path: '/exams',
    body: {
      id: session.examId,
      orderId: order.id,
      performedBy: person,
      startedAt: now,
      ...(supervisedBy === null ? {} : { supervisedBy }),
    },
    what: `start of ${order.exam}`,
  });
  return session;
}
