/** Back closes what lies on top of a screen before it leaves the screen. */
import { useEffect, useRef } from 'react';

let opened = 0;

/** @param active whether it is open */
export function useBackCloses(active: boolean, close: () => void): void {
  const current = useRef(close);
  useEffect(() => {
    current.current = close;
  });
  useEffect(() => {
    if (!active || typeof window === 'undefined' || !window.history?.pushState) return undefined;
    opened += 1;
    const mine = opened;
    // The router's own state goes along: to it both entries are the same page.
    window.history.pushState({ ...(window.history.state as object | null), sheet: mine }, '');
    const topmost = () => (window.history.state as { sheet?: number } | null)?.sheet;
    let left = false;
    const onBack = () => {
      if ((topmost() ?? 0) >= mine) return;
      left = true;
      current.current();
    };
    window.addEventListener('popstate', onBack);
    return () => {
      window.removeEventListener('popstate', onBack);
      // Closed by its own key: the entry goes with it, unless somebody has moved on meanwhile.
      if (!left && topmost() === mine) window.history.back();
    };
  }, [active]);
}
