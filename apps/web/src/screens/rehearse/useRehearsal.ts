/**
 * The picture that follows the hand: a small one at once, the full one when the hand rests. The latest set-up wins, and
 * the last good picture stays meanwhile.
 */
import { withDepartmentDefaults } from '@taktik/core';
import { useEffect, useRef, useState } from 'react';
import { useDepartmentQuery } from '../../state/api';
import { compute, simulate } from '../../workers/client';
import type { Developed, Judged, RehearsalInput } from '../../workers/rehearsal';

export const PREVIEW_PIXELS = 192;
/** A picture that follows the hand is made smaller where the machine is slow, down to this. */
const LEAST_PIXELS = 112;
/** Twenty pictures a second, with the time it takes to show them. */
const SLOW_MS = 42;
const QUICK_MS = 28;

/** The size of the next preview, by how long the last one took. */
export function nextPreview(pixels: number, tookMs: number): number {
  if (tookMs > SLOW_MS) return Math.max(LEAST_PIXELS, Math.round(pixels * 0.88));
  return tookMs < QUICK_MS ? Math.min(PREVIEW_PIXELS, Math.round(pixels * 1.08)) : pixels;
}

const FULL_PIXELS = 768;
const REST_MS = 220;

export type Rehearsal = {
  picture: Developed | null;
  judged: Judged | null;
  error: string;
  pending: boolean;
};
const NOTHING: Rehearsal = { picture: null, judged: null, error: '', pending: true };

type Goal = { key: string; pixels: number };
const sameGoal = (a: Goal, b: Goal): boolean => a.key === b.key && a.pixels === b.pixels;

export function useRehearsal(input: Omit<RehearsalInput, 'pixels'> | null): Rehearsal {
  const [state, setState] = useState<Rehearsal>(NOTHING);
  const goal = useRef<Goal>({ key: '', pixels: PREVIEW_PIXELS });
  const busy = useRef(false);
  const preview = useRef(PREVIEW_PIXELS);
  const { data: department } = useDepartmentQuery();
  const { bands } = withDepartmentDefaults(department);
  const key = input ? JSON.stringify({ ...input, bands }) : '';
  useEffect(() => {
    if (key === '') return undefined;
    const make = async ({ key: made, pixels }: Goal): Promise<void> => {
      const asked = JSON.parse(made) as Omit<RehearsalInput, 'pixels'>;
      const [picture, judged] = await Promise.all([
        simulate({ ...asked, pixels }),
        compute().judge(asked, pixels === FULL_PIXELS),
      ]);
      const refused = 'error' in picture ? picture.error : 'error' in judged ? judged.error : '';
      setState((now) =>
        refused === '' && !('error' in picture) && !('error' in judged)
          ? { picture, judged, error: '', pending: made !== goal.current.key }
          : { ...now, error: refused, pending: false },
      );
    };
    /** While one picture is made the hand moves on: makes the newest until there is nothing newer. */
    const pump = async (): Promise<void> => {
      if (busy.current) return;
      busy.current = true;
      let made: Goal = { key: '', pixels: 0 };
      while (!sameGoal(made, goal.current)) {
        made = goal.current;
        const began = performance.now();
        await make(made).catch((error: Error) =>
          setState((now) => ({ ...now, error: `The picture failed: ${error.message}`, pending: false })),
        );
        if (made.pixels < FULL_PIXELS) preview.current = nextPreview(preview.current, performance.now() - began);
      }
      busy.current = false;
    };
    goal.current = { key, pixels: preview.current };
    void pump();
    const timer = setTimeout(() => {
      goal.current = { key, pixels: FULL_PIXELS };
      void pump();
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [key]);
  return state;
}
