/**
 * Back closes what lies on top of a screen before it leaves the screen. What is open has an entry of the history to
 * itself, over the entry of its screen. The entry stays when it is closed - somebody may be going elsewhere in the same
 * moment, and a step back would undo that - and Back then leaves both at once.
 */
import { useEffect, useRef } from 'react';
import { hasWindow } from '../state/hasWindow';

/** What is noted in an entry of the history: what is open in it, and what was opened over it. */
type Mark = { sheet?: string; under?: string };

const open: { id: string; close: () => void }[] = [];
let counted = 0;
/** The step forward that takes a step back again is nobody's. */
let returning = false;

const mark = (): Mark => (window.history.state as Mark | null) ?? {};
/** The router's own state stays along: to it both entries are the same page. */
const noting = (change: Mark): object => ({ ...mark(), ...change });
const isOpen = (id: string): boolean => open.some((each) => each.id === id);

function onPop(event: PopStateEvent): void {
  if (returning) {
    returning = false;
    event.stopImmediatePropagation();
    return;
  }
  const { under } = mark();
  if (under === undefined) return;
  const top = open.at(-1);
  if (top?.id === under) {
    // What was set in the sheet may stand in the address of its entry: that one stays in force.
    event.stopImmediatePropagation();
    open.pop();
    returning = true;
    window.history.forward();
    top.close();
  } else if (!isOpen(under)) {
    event.stopImmediatePropagation();
    window.history.replaceState(noting({ under: undefined }), '');
    window.history.back();
  }
}

function opened(close: () => void): string {
  const { sheet } = mark();
  if (sheet !== undefined && !isOpen(sheet)) {
    open.push({ id: sheet, close });
    return sheet;
  }
  // A reload forgets the count and keeps the history.
  const id = `${Date.now()}-${(counted += 1)}`;
  window.history.replaceState(noting({ under: id }), '');
  window.history.pushState(noting({ sheet: id, under: undefined }), '');
  open.push({ id, close });
  return id;
}

function closed(id: string): void {
  const at = open.findIndex((each) => each.id === id);
  if (at >= 0) open.splice(at, 1);
}

// Before the router listens, which is when this is read: it must not take a step that was a sheet's.
if (typeof window !== 'undefined' && typeof window.addEventListener === 'function')
  window.addEventListener('popstate', onPop, { capture: true });

/** @param active whether it is open */
export function useBackCloses(active: boolean, close: () => void): void {
  const current = useRef(close);
  useEffect(() => {
    current.current = close;
  });
  useEffect(() => {
    if (!active || !hasWindow || !('history' in window)) return undefined;
    const id = opened(() => current.current());
    return () => closed(id);
  }, [active]);
}
