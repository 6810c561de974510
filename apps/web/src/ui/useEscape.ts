/** Escape closes what lies on top: from the moment it is painted, and of several sheets only the upper one. */
import { useLayoutEffect, useRef } from 'react';
import { hasWindow } from '../state/hasWindow';

/** Who listens, from the lowest to the uppermost. */
const open: object[] = [];

/** @param active whether it is open; `close` is called when Escape is let go while nothing lies above it */
export function useEscape(active: boolean, close: () => void): void {
  const current = useRef(close);
  useLayoutEffect(() => {
    current.current = close;
  });
  // The listener of the window comes before that of the modal itself, which hears Escape only some time
  // after it is shown: on a slow device the first press would be lost.
  useLayoutEffect(() => {
    if (!active || !hasWindow) return undefined;
    const me = {};
    open.push(me);
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || open.at(-1) !== me) return;
      event.stopImmediatePropagation();
      current.current();
    };
    window.addEventListener('keyup', onKey, true);
    return () => {
      open.splice(open.indexOf(me), 1);
      window.removeEventListener('keyup', onKey, true);
    };
  }, [active]);
}
