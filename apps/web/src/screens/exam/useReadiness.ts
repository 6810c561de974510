/** Whether the exam in hand may be exposed: what is still to be asked, and what stops it. */
import { entriesNamed, questionsFor, readinessOf, type Question, type Readiness } from '@taktik/core';
import { useMemo } from 'react';
import type { Session } from '../../state/session';
import { useOwnEntries } from '../projection/useOwnEntries';

export function useReadiness(session: Session | null): { questions: Question[] } & Readiness {
  const { own } = useOwnEntries();
  return useMemo(() => {
    if (!session) return { questions: [], ready: true, open: [], stops: [] };
    const questions = questionsFor(
      entriesNamed(
        session.plan.map(({ projectionId }) => projectionId),
        own,
      ),
      session.patient,
    );
    return { questions, ...readinessOf(questions, session.answers) };
  }, [session, own]);
}
