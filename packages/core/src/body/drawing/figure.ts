/**
 * The posed mannequin as a drawing: the outline of all its skin, the lines where one part lies in front of another,
 * and the face.
 */
import { applyToDirection, applyToPoint } from '../../geometry/frame';
import { add, cross, dot, type Vec2 } from '../../geometry/vector';
import { posedSkin, type PosedBody } from '../posed';
import { calmed, closedPath, openPath, printPer } from './curve';
import { featureLines } from './features';
import { depthAt, inJoiningOrder, shadowsOf, type Shadow } from './field';
import type { FigureOptions } from './figureOptions';
import { PART_OF, PARTS, SEAMS, sizeOf } from './parts';
import { toDrawing, type DrawingBox, type DrawingPlane } from './plane';
import { traceOutline } from './trace';

export type Figure = {
  /** Closed outline of the whole body. */
  skin: string;
  /** Lines inside it: a limb before the trunk, a finger beside the next. */
  inner: string;
  /** Face, spine, navel, knees: strokes on the skin, where they face the viewer. */
  features: string;
};

type Piece = { id: string; shadows: Shadow[]; reach: { left: number; top: number; right: number; bottom: number } };

/** Limbs are smooth: their own lines need fewer points than the outline. */
const PART_STEP = 2.5;
const PART_STEP_MOST_MM = 22;

/** Shorter lines are specks. */
const LEAST_LINE_MM = 45;

/** How far inside the other part a line may run on at their joint. */
const SEAM_DEPTH_MM = 7;

/** A line must lie this far inside what is behind it to be drawn: a share of the body's size. */
const INSIDE_MM = 5;

export function drawFigure(posed: PosedBody, plane: DrawingPlane, box: DrawingBox, options: FigureOptions): Figure {
  const step = Math.max(box.width, box.height) / options.cells;
  const pieces = piecesOf(posed, plane, box, options);
  const all = pieces.flatMap(({ shadows }) => shadows).sort(inJoiningOrder);
  const skin = traceOutline(all, box, step)
    .filter((ring) => ring.length > LEAST_RING)
    .map((ring) => closedPath(calmed(ring), step * TOLERANCE, printPer(step)))
    .join('');
  return {
    skin,
    inner: innerLines(posed, plane, box, step, pieces, options.fine),
    features: featureLines(posed, plane, box, options, (part, x, y, away) => hidden(pieces, part, x, y, away)),
  };
}
const TOLERANCE = 0.2;
/** Rings of fewer grid crossings are specks. */
const LEAST_RING = 14;

function piecesOf(
  posed: PosedBody,
  plane: DrawingPlane,
  box: DrawingBox,
  { fine, shown = () => true }: FigureOptions,
): Piece[] {
  const shadows = new Map<string, Shadow[]>(PARTS.map(({ id }) => [id, []]));
  posedSkin(posed).forEach(({ segment, shape }, piece) => {
    if (shown(segment)) shadows.get(PART_OF.get(segment)!)!.push(...shadowsOf(shape, plane, piece, fine));
  });
  return PARTS.flatMap(({ id }) => {
    const own = shadows.get(id)!.sort(inJoiningOrder);
    if (own.length === 0) return [];
    const reach = {
      left: Math.min(...own.map((s) => s.left)),
      top: Math.min(...own.map((s) => s.top)),
      right: Math.max(...own.map((s) => s.right)),
      bottom: Math.max(...own.map((s) => s.bottom)),
    };
    const inBox =
      reach.right > box.x && reach.left < box.x + box.width && reach.bottom > box.y && reach.top < box.y + box.height;
    return inBox ? [{ id, shadows: own, reach }] : [];
  });
}

const covers = ({ reach }: Piece, x: number, y: number): boolean =>
  x > reach.left && x < reach.right && y > reach.top && y < reach.bottom;

/** How far from the viewer a part is at a point: where its deepest shadow is. */
function awayAt({ shadows }: Piece, x: number, y: number): number {
  let best = shadows[0];
  let most = -Infinity;
  for (const shadow of shadows) {
    const depth = shadow.at(x, y);
    if (depth > most) {
      most = depth;
      best = shadow;
    }
  }
  return best.away(x, y);
}

/** Whether something lies clearly in front of a point of the drawing. */
const IN_FRONT_MM = 60;
const hidden = (pieces: readonly Piece[], part: string, x: number, y: number, away: number): boolean =>
  pieces.some(
    (piece) =>
      piece.id !== part &&
      covers(piece, x, y) &&
      depthAt(piece.shadows, x, y) > 0 &&
      awayAt(piece, x, y) < away - IN_FRONT_MM,
  );

function innerLines(
  posed: PosedBody,
  plane: DrawingPlane,
  box: DrawingBox,
  step: number,
  pieces: readonly Piece[],
  fine: boolean,
): string {
  const size = sizeOf(posed);
  const seams = SEAMS.map((seam) => {
    const joint = add(applyToPoint(posed.frames[seam.joint], posed.body.segments[seam.joint].joint), posed.slide);
    const [x, y] = posed.body.segments[seam.joint].stretch.flesh;
    return { ...seam, at: toDrawing(plane, joint), reach: (seam.reachMm * (x + y)) / 2 };
  });
  const seamOf = (a: string, b: string) =>
    seams.filter(({ parts }) => (parts[0] === a && parts[1] === b) || (parts[0] === b && parts[1] === a));
  const fineParts = new Set(PARTS.filter((part) => part.fine).map(({ id }) => id));
  const lines: string[] = [];
  const leastBody = Math.max(LEAST_LINE_MM * size, 3 * step);
  for (const piece of pieces) {
    if (fineParts.has(piece.id) && !(fine && worthLines(posed, plane, piece, step))) continue;
    const others = pieces.filter(
      (other) =>
        other !== piece &&
        other.reach.right > piece.reach.left &&
        other.reach.left < piece.reach.right &&
        other.reach.bottom > piece.reach.top &&
        other.reach.top < piece.reach.bottom,
    );
    if (others.length === 0) continue;
    const joined = new Map(others.map((other) => [other, seamOf(piece.id, other.id)]));
    const least = fineParts.has(piece.id) ? leastBody / 3 : leastBody;
    const seamDepth = (fineParts.has(piece.id) ? 0.25 : 1) * SEAM_DEPTH_MM * size;
    const inside = (fineParts.has(piece.id) ? 0.15 : 1) * INSIDE_MM * size;
    const shows = ([x, y]: Vec2): boolean => {
      let over = false;
      let own: number | undefined;
      for (const other of others) {
        if (!covers(other, x, y)) continue;
        const depth = depthAt(other.shadows, x, y);
        if (depth <= 0) continue;
        if (joined.get(other)!.some(({ at, reach }) => (x - at[0]) ** 2 + (y - at[1]) ** 2 < reach * reach)) {
          // At their joint two parts are one: the line runs on along their common edge and stops inside.
          if (depth > seamDepth) return false;
          continue;
        }
        own ??= awayAt(piece, x, y);
        if (awayAt(other, x, y) < own) return false;
        if (depth > inside) over = true;
      }
      return over;
    };
    const partStep = fineParts.has(piece.id) ? step : Math.min(PART_STEP * step, PART_STEP_MOST_MM * size);
    for (const ring of traceOutline(piece.shadows, box, partStep)) {
      for (const line of visibleRuns(ring, shows))
        if (line.length * partStep > least) lines.push(openPath(line, partStep * TOLERANCE, printPer(step)));
    }
  }
  return lines.join('');
}

/** Fingers are lined when they are some cells wide and the palm is not seen edge-on. */
const FINGER_CELLS = 2.2;
const PALM_FACING = 0.4;
function worthLines(posed: PosedBody, plane: DrawingPlane, { id, shadows }: Piece, step: number): boolean {
  if (shadows[0].size < FINGER_CELLS * step) return false;
  const palm = applyToDirection(posed.frames[`hand${id.slice(-2)}`], [0, 1, 0]);
  return Math.abs(dot(palm, cross(plane.right, plane.up))) > PALM_FACING;
}

/** Pieces of a ring whose points show. */
function visibleRuns(ring: readonly Vec2[], shows: (p: Vec2) => boolean): Vec2[][] {
  const flags = ring.map(shows);
  const start = flags.indexOf(false);
  if (start < 0) return [[...ring, ring[0]]];
  const runs: Vec2[][] = [];
  let run: Vec2[] = [];
  for (let k = 1; k <= ring.length; k += 1) {
    const i = (start + k) % ring.length;
    if (flags[i]) run.push(ring[i]);
    else if (run.length > 0) {
      runs.push(run);
      run = [];
    }
  }
  return runs;
}
