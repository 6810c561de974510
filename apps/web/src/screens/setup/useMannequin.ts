/** The mannequin of a drawing, from the worker; the last one stays on the screen until the next is drawn. */
import type { Mannequin2d, Setup, StageDrawing } from '@taktik/core';
import { useEffect, useRef, useState } from 'react';
import { compute } from '../../workers/client';

export function useMannequin(setup: Setup, drawing: StageDrawing | undefined): Mannequin2d | null {
  const [mannequin, setMannequin] = useState<Mannequin2d | null>(null);
  const latest = useRef(0);
  useEffect(() => {
    if (!drawing) return;
    const turn = (latest.current += 1);
    compute()
      .mannequin(setup, drawing.look, drawing.box)
      .then((drawn) => turn === latest.current && setMannequin(drawn))
      // The computation of the numbers reports what is wrong; a drawing alone does not fail.
      .catch(() => undefined);
  }, [setup, drawing]);
  return mannequin;
}
