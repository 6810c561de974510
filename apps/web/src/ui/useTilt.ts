/** How far this device lies out of the level, by its own sensor, while it is wanted. */
import { inclination, isSteady, smoothed, STEADY_READINGS, type Pull } from '@taktik/core';
import { useEffect, useRef, useState } from 'react';

/** `asking`: the browser wants to be asked first; `none`: no sensor has told anything. */
export type Tilt = {
  state: 'asking' | 'waiting' | 'live' | 'refused' | 'none';
  pull: Pull | null;
  deg: number | null;
  steady: boolean;
  ask: () => void;
};
type Motion = { new (...args: never[]): Event; requestPermission?: () => Promise<'granted' | 'denied'> };
const motionOf = (): Motion | undefined => (globalThis as { DeviceMotionEvent?: Motion }).DeviceMotionEvent;

/** A device without a sensor tells nothing, or only empty readings. */
const SILENT_MS = 2000;

export function useTilt(on: boolean): Tilt {
  const [state, setState] = useState<Tilt['state']>('waiting');
  const [pull, setPull] = useState<Pull | null>(null);
  const last = useRef<number[]>([]);
  const [steady, setSteady] = useState(false);
  const [allowed, setAllowed] = useState(false);
  const mustAsk = typeof motionOf()?.requestPermission === 'function';
  useEffect(() => {
    if (!on || (mustAsk && !allowed)) return;
    let now: Pull | null = null;
    const read = (event: Event): void => {
      const { x, y, z } = (event as DeviceMotionEvent).accelerationIncludingGravity ?? {};
      if (typeof x !== 'number' || typeof y !== 'number' || typeof z !== 'number') return;
      now = smoothed(now, [x, y, z]);
      const deg = inclination(now);
      if (deg === null) return;
      last.current = [...last.current, deg].slice(-STEADY_READINGS);
      setPull(now);
      setSteady(isSteady(last.current));
      setState('live');
    };
    window.addEventListener('devicemotion', read);
    const silent = setTimeout(() => setState((was) => (was === 'live' ? was : 'none')), SILENT_MS);
    return () => {
      window.removeEventListener('devicemotion', read);
      clearTimeout(silent);
    };
  }, [on, mustAsk, allowed]);
  const ask = () => {
    // Asked for by a press: a browser gives it at no other time.
    void motionOf()
      ?.requestPermission?.()
      .then((answer) => {
        setAllowed(answer === 'granted');
        setState(answer === 'granted' ? 'waiting' : 'refused');
      })
      .catch(() => setState('refused'));
  };
  return {
    state: mustAsk && !allowed && state !== 'refused' ? 'asking' : state,
    ...{ pull, deg: pull && inclination(pull), steady, ask },
  };
}
