/** Points and lines over a picture: set by a tap, moved by dragging or by the arrow keys. Lengths are mm on the receptor. */
import type { Measure } from '@taktik/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { dim, TARGET } from '../../ui/tokens';

export type Point = [number, number];
export type Extent = { widthMm: number; heightMm: number };

type Props = {
  extent: Extent;
  width: number;
  height: number;
  measures: readonly Measure[];
  /** Points of the measure that is being set. */
  draft: readonly Point[];
  chosen: string | null;
  onPoint: (point: Point) => void;
  onMove: (id: string, index: number, point: Point, done: boolean) => void;
  onChoose: (id: string) => void;
};
type Grip = { id: string; index: number };

// A radiograph is dark in either theme: what is drawn on it has the colours of the dim room.

/** A finger takes the nearest point within so many pixels of the screen. */
const REACH_PX = 26;
const STEP_MM = 0.5;
const FAR_STEP_MM = 5;
const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Lines that a measure draws between its points. */
const linesOf = ({ kind, points }: Pick<Measure, 'kind' | 'points'>): [Point, Point][] => {
  const pairs =
    kind === 'lines' || kind === 'opening'
      ? [
          [0, 1],
          [2, 3],
        ]
      : [
          [0, 1],
          [1, 2],
        ];
  return pairs.flatMap(([a, b]): [Point, Point][] => {
    const [from, to] = [points[a ?? 0], points[b ?? 0]];
    return from && to ? [[from, to]] : [];
  });
};

export function PointLayer({ extent, width, height, measures, draft, chosen, onPoint, onMove, onChoose }: Props) {
  const layer = useRef<SVGSVGElement | null>(null);
  const [grip, setGrip] = useState<Grip | null>(null);
  const [focused, setFocused] = useState<Grip | null>(null);
  const mmPerPx = extent.widthMm / width;
  const within = ([x, y]: Point): Point => [
    Math.min(extent.widthMm, Math.max(0, x)),
    Math.min(extent.heightMm, Math.max(0, y)),
  ];
  const at = ({ clientX, clientY }: { clientX: number; clientY: number }): Point => {
    const box = layer.current?.getBoundingClientRect();
    return box ? within([(clientX - box.left) * mmPerPx, (clientY - box.top) * mmPerPx]) : [0, 0];
  };
  const nearest = ([x, y]: Point): Grip | null => {
    let best: (Grip & { off: number }) | null = null;
    for (const { id, points } of measures)
      for (const [index, [px, py]] of points.entries()) {
        const off = Math.hypot(px - x, py - y) / mmPerPx;
        if (off <= REACH_PX && (!best || off < best.off)) best = { id, index, off };
      }
    return best;
  };
  const down = (event: PointerEvent<SVGSVGElement>) => {
    const point = at(event);
    // While a measure is being set every tap is its next point.
    const taken = draft.length === 0 ? nearest(point) : null;
    if (!taken) {
      onPoint(point);
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    setGrip(taken);
    onChoose(taken.id);
  };
  const move = (event: PointerEvent<SVGSVGElement>, done: boolean) => {
    if (!grip) return;
    onMove(grip.id, grip.index, at(event), done);
    if (done) setGrip(null);
  };
  const nudge = (event: KeyboardEvent, id: string, index: number, [x, y]: Point) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    event.stopPropagation();
    const by = event.shiftKey ? FAR_STEP_MM : STEP_MM;
    onMove(id, index, within([x + arrow[0] * by, y + arrow[1] * by]), true);
  };
  const r = 5 * mmPerPx;
  return (
    <svg
      ref={layer}
      width={width}
      height={height}
      viewBox={`0 0 ${extent.widthMm} ${extent.heightMm}`}
      role="group"
      aria-label="Points on the picture"
      data-testid="points"
      style={{ position: 'absolute', left: 0, top: 0, touchAction: 'none', cursor: 'crosshair' }}
      onPointerDown={down}
      onPointerMove={(event) => move(event, false)}
      onPointerUp={(event) => move(event, true)}
      onPointerCancel={() => setGrip(null)}
    >
      {measures.map((measure) => {
        const colour = measure.id === chosen ? dim.lamp : dim.sage;
        return (
          <g key={measure.id}>
            {linesOf(measure).map(([[x1, y1], [x2, y2]], i) => (
              <line key={i} {...{ x1, y1, x2, y2 }} stroke={colour} strokeWidth={1.5 * mmPerPx} />
            ))}
            {measure.points.map(([cx, cy], index) => (
              <g key={index}>
                {/* What has the focus wears a wider ring: a square of the browser hides what is measured. */}
                {focused?.id === measure.id && focused.index === index && (
                  <circle
                    {...{ cx, cy }}
                    r={2 * r}
                    fill="none"
                    stroke={dim.lamp}
                    strokeWidth={1.5 * mmPerPx}
                    aria-hidden
                  />
                )}
                <circle {...{ cx, cy, r }} fill="#00000066" stroke={colour} strokeWidth={1.5 * mmPerPx} aria-hidden />
                <circle
                  {...{ cx, cy }}
                  r={(TARGET / 2) * mmPerPx}
                  role="button"
                  tabIndex={0}
                  aria-label={`Point ${index + 1} of ${measure.name}: arrow keys move it`}
                  fill="transparent"
                  style={{ outline: 'none' }}
                  onFocus={() => {
                    setFocused({ id: measure.id, index });
                    onChoose(measure.id);
                  }}
                  onBlur={() => setFocused(null)}
                  onKeyDown={(event) => nudge(event, measure.id, index, [cx, cy])}
                />
              </g>
            ))}
          </g>
        );
      })}
      {draft.map(([cx, cy], index) => (
        <circle key={index} {...{ cx, cy, r }} fill={dim.lamp} aria-hidden />
      ))}
    </svg>
  );
}
