/** Keyboard shortcuts of a screen; silent while a text field or a sheet has the focus. */
import { useEffect, useLayoutEffect, useRef } from 'react';
import { hasWindow } from '../state/hasWindow';

export type Keys = Record<string, () => void>;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
    target.closest('[role="dialog"], [aria-modal="true"]') !== null);
/** Space on a focused control presses it, and must not also tick a step. */
const isControl = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('button, a, [role="button"], [role="link"], [role="checkbox"], [role="radio"]') !== null;

export function useKeys(keys: Keys): void {
  const current = useRef(keys);
  // Before the screen is painted: a key pressed at what is seen must meet what is seen.
  useLayoutEffect(() => {
    current.current = keys;
  });
  useEffect(() => {
    if (!hasWindow) return undefined;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (event.key === ' ' && isControl(event.target)) return;
      const run = current.current[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      if (!run) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
