/** The clocks of the exam in hand, second by second while one runs. */
import { clockFaces, type ClockFace } from '@taktik/core';
import { useEffect, useState } from 'react';
import type { Session } from '../../state/session';
import { usePlanEntries } from './usePlanEntries';

const SECOND_MS = 1000;

export function useClocks(session: Session | null): ClockFace[] {
  const entries = usePlanEntries(session?.plan);
  const runs =
    session !== null && (session.clocks.contrastAt !== null || Object.keys(session.clocks.settle).length > 0);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!runs) return undefined;
    const timer = setInterval(() => setNow(Date.now()), SECOND_MS);
    return () => clearInterval(timer);
  }, [runs]);
  if (!session || !entries || !runs) return [];
  const exposed = new Set(Object.keys(session.exposed).map(Number));
  // A clock that has just begun is not older than the last second that was counted.
  const { settle, contrastAt } = session.clocks;
  return clockFaces(entries, session.clocks, exposed, Math.max(now, contrastAt ?? 0, ...Object.values(settle)));
}
