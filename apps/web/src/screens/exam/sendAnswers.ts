/** Answers and decisions of the exam in hand, on their way to the record. */
import type { Answer } from '@taktik/core';
import { nanoid } from 'nanoid';
import { post } from '../../state/sender';
import type { Session } from '../../state/session';
import type { AppDispatch } from '../../state/store';

export function sendAnswers(
  dispatch: AppDispatch,
  session: Session,
  given: Record<string, Answer>,
  decisions: Record<string, string>,
): void {
  post(dispatch, {
    id: nanoid(16),
    madeAt: Date.now(),
    path: `/exams/${session.examId}/answers`,
    body: { given, decisions },
    what: `answers of ${session.exam}`,
  });
}
