/** Keeps the screen awake while an exam is in hand, where the device lets an app do so. */
import { useEffect } from 'react';

type Sentinel = { release: () => Promise<void> };
type Lock = { request: (type: 'screen') => Promise<Sentinel> };

export function useWakeLock(on: boolean): void {
  useEffect(() => {
    const locks = typeof navigator === 'undefined' ? undefined : (navigator as { wakeLock?: Lock }).wakeLock;
    if (!on || !locks) return undefined;
    let lock: Sentinel | null = null;
    let over = false;
    const take = async () => {
      if (document.visibilityState !== 'visible' || lock) return;
      try {
        const got = await locks.request('screen');
        if (over) void got.release();
        else lock = got;
      } catch {
        // A low battery may refuse it: the screen then sleeps as it always does.
      }
    };
    // The system takes the lock away when the app is put aside.
    const back = () => {
      lock = null;
      void take();
    };
    void take();
    document.addEventListener('visibilitychange', back);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', back);
      void lock?.release();
    };
  }, [on]);
}
