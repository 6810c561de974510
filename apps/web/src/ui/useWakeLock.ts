/** Keeps the screen awake while an exam is in hand, where the device lets an app do so. */
import { useEffect } from 'react';

type Sentinel = { release: () => Promise<void> };
type Lock = { request: (type: 'screen') => Promise<Sentinel> };

export function useWakeLock(on: boolean): void {
  useEffect(() => {
    const lock = typeof navigator === 'undefined' ? undefined : (navigator as { wakeLock?: Lock }).wakeLock;
    if (!on || !lock) return undefined;
    let held: Sentinel | null = null;
    let over = false;
    const take = async () => {
      if (document.visibilityState !== 'visible' || held) return;
      try {
        const got = await lock.request('screen');
        if (over) void got.release();
        else held = got;
      } catch {
        // A low battery may refuse it: the screen then sleeps as it always does.
      }
    };
    // The system takes the lock away when the app is put aside.
    const back = () => {
      held = null;
      void take();
    };
    void take();
    document.addEventListener('visibilitychange', back);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', back);
      void held?.release();
    };
  }, [on]);
}
