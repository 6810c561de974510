/** Whether the exam in hand may be exposed: what is still to be asked, and what stops it. */
import { questionsFor, readinessOf, type Question, type Readiness } from '@taktik/core';
import { useMemo } from 'react';
import type { Session } from '../../state/session';

export function useReadiness(session: Session | null): { questions: Question[] } & Readiness {
  return useMemo(() => {
    if (!session) return { questions: [], ready: true, open: [], stops: [] };
    const questions = questionsFor(
      session.plan.map(({ projectionId }) => projectionId),
      session.patient,
    );
    return { questions, ...readinessOf(questions, session.answers) };
  }, [session]);
}
