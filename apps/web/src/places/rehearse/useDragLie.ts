/** The part dragged under the light: every move counts from where it lay when it was gripped. */
import { addMishap, type Mishap } from '@taktik/core';
import { useRef } from 'react';

export function useDragLie(lie: Mishap, onLie: (lie: Mishap) => void) {
  const from = useRef<Mishap | null>(null);
  return (alongMm: number, acrossMm: number, done: boolean): void => {
    from.current ??= lie;
    onLie(addMishap(from.current, { alongMm: Math.round(alongMm), acrossMm: Math.round(acrossMm) }));
    if (done) from.current = null;
  };
}
