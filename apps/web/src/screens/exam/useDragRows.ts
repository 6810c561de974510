/** Rows that are dragged to another place in their list, by finger, pen or mouse. The arrows do the same by key. */
import { useRef, useState, type CSSProperties, type PointerEvent } from 'react';

export type RowBox = { top: number; bottom: number };

/** The row under a height on the screen; above the first it is the first, below the last it is the last. */
export function rowUnder(y: number, boxes: readonly RowBox[]): number {
  const at = boxes.findIndex(({ bottom }) => y < bottom);
  return at < 0 ? boxes.length - 1 : at;
}

const HANDLE: CSSProperties = { touchAction: 'none', cursor: 'grab', userSelect: 'none' };

type Dragged = { from: number; over: number };

/** @param move is called once, when the row is let go over another */
export function useDragRows(move: (from: number, to: number) => void) {
  const rows = useRef<(HTMLElement | null)[]>([]);
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const stop = () => setDragged(null);
  return {
    dragged,
    row: (at: number) => ({
      ref: (element: HTMLElement | null) => {
        rows.current[at] = element;
      },
    }),
    handle: (at: number) => ({
      style: HANDLE,
      onPointerDown: (event: PointerEvent<HTMLElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDragged({ from: at, over: at });
      },
      onPointerMove: (event: PointerEvent<HTMLElement>) => {
        if (!dragged) return;
        const boxes = rows.current.filter((each) => each !== null).map((each) => each.getBoundingClientRect());
        setDragged({ ...dragged, over: rowUnder(event.clientY, boxes) });
      },
      onPointerUp: () => {
        if (dragged && dragged.over !== dragged.from) move(dragged.from, dragged.over);
        stop();
      },
      onPointerCancel: stop,
    }),
  };
}
