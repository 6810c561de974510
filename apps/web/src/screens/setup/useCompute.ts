/** Computes in the worker; the latest request wins and the last good answer stays on the screen meanwhile. */
import { useEffect, useRef, useState } from 'react';
import { compute } from '../../workers/client';
import type { ComputeInput, ComputeOutput, FieldError } from '../../workers/service';

export type Computed = Extract<ComputeOutput, { ok: true }>;
export type ComputeState = { result: Computed | null; errors: FieldError[]; pending: boolean };

export function useCompute(input: ComputeInput | null): ComputeState {
  const [state, setState] = useState<ComputeState>({ result: null, errors: [], pending: true });
  const latest = useRef(0);
  const key = input ? JSON.stringify(input) : '';
  useEffect(() => {
    if (key === '') return;
    const turn = (latest.current += 1);
    compute()
      .compute(JSON.parse(key) as ComputeInput)
      .then((output) => {
        if (turn !== latest.current) return;
        setState((now) =>
          output.ok
            ? { result: output, errors: [], pending: false }
            : { ...now, errors: output.errors, pending: false },
        );
      })
      .catch((error: Error) => {
        if (turn === latest.current)
          setState((now) => ({
            ...now,
            errors: [{ field: '', message: `The computation failed: ${error.message}` }],
            pending: false,
          }));
      });
  }, [key]);
  return state;
}
