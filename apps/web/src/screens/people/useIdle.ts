/** Ends the session when nobody has touched the device for as long as the department says. */
import { defaultDepartment } from '@taktik/core';
import { useEffect } from 'react';
import { useDepartmentQuery, useSignOutMutation } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { load, save } from '../../state/storage';
import { signedOut } from '../../state/who';

const MINUTE_MS = 60_000;
const LOOK_EVERY_MS = 5_000;
const TOUCHED = 'touched';
const TOUCHES = ['pointerdown', 'keydown', 'wheel'] as const;

export function useIdle(): void {
  const dispatch = useAppDispatch();
  const person = useAppSelector((state) => state.who.person);
  const { data } = useDepartmentQuery();
  const minutes = data?.idleMinutes ?? defaultDepartment.idleMinutes;
  const [signOut] = useSignOutMutation();
  useEffect(() => {
    if (!person || typeof window === 'undefined') return undefined;
    // Shared by the tabs of the device: an idle one must not sign out the one in use.
    let saved = 0;
    const touched = () => {
      const now = Date.now();
      if (now - saved < LOOK_EVERY_MS / 2) return;
      saved = now;
      save(TOUCHED, now);
    };
    touched();
    for (const name of TOUCHES) window.addEventListener(name, touched, { passive: true });
    const timer = setInterval(() => {
      if (Date.now() - (load<number>(TOUCHED) ?? saved) < minutes * MINUTE_MS) return;
      dispatch(signedOut(`Signed out after ${minutes} minutes without a touch. What you had in hand is kept.`));
      void signOut();
    }, LOOK_EVERY_MS);
    return () => {
      clearInterval(timer);
      for (const name of TOUCHES) window.removeEventListener(name, touched);
    };
  }, [person, minutes, dispatch, signOut]);
}
