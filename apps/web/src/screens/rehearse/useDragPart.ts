/** The part dragged under the light: every move counts from where it lay when it was gripped. */
import { addPositioningError, type PositioningError } from '@taktik/core';
import { useRef } from 'react';

export function useDragPart(
  positioningError: PositioningError,
  onPositioningError: (positioningError: PositioningError) => void,
) {
  const from = useRef<PositioningError | null>(null);
  return (alongMm: number, acrossMm: number, done: boolean): void => {
    from.current ??= positioningError;
    onPositioningError(
      addPositioningError(from.current, { alongMm: Math.round(alongMm), acrossMm: Math.round(acrossMm) }),
    );
    if (done) from.current = null;
  };
}
