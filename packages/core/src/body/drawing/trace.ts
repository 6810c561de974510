/**
 * The outline of a field: marching squares over a fine grid of which only the blocks near the outline are computed.
 */
import type { Vec2 } from '../../geometry/vector';
import { depthAt, join, OUTSIDE, type Shadow } from './field';
import type { DrawingBox } from './plane';

const BLOCK = 16;
const SMALL = 4;
/** Depth of what was not computed because it is wholly inside. */
const INSIDE = 1e6;

/**
 * Closed rings round all that the shadows cover inside the box, and along the box where they reach out of it.
 * @param shadows in joining order
 * @param step side of a grid cell, mm
 */
export function traceOutline(shadows: readonly Shadow[], box: DrawingBox, step: number): Vec2[][] {
  const shown = shadows.filter(
    (s) => s.right > box.x && s.left < box.x + box.width && s.bottom > box.y && s.top < box.y + box.height,
  );
  if (shown.length === 0) return [];
  // Nothing lies beyond the shadows: the grid need not either.
  const margin = 2 * step;
  const x0 = Math.max(box.x, Math.min(...shown.map((s) => s.left))) - margin;
  const y0 = Math.max(box.y, Math.min(...shown.map((s) => s.top))) - margin;
  const x1 = Math.min(box.x + box.width, Math.max(...shown.map((s) => s.right))) + margin;
  const y1 = Math.min(box.y + box.height, Math.max(...shown.map((s) => s.bottom))) + margin;
  const columns = Math.ceil((x1 - x0) / step / BLOCK) * BLOCK + 1;
  const rows = Math.ceil((y1 - y0) / step / BLOCK) * BLOCK + 1;
  const depth = new Float32Array(columns * rows).fill(OUTSIDE);
  const edges = fill(depth, columns, rows, x0, y0, step, shown);
  // A frame of outside closes the rings at the edge of the box.
  for (let i = 0; i < columns; i += 1) depth[i] = depth[(rows - 1) * columns + i] = OUTSIDE;
  for (let j = 0; j < rows; j += 1) depth[j * columns] = depth[j * columns + columns - 1] = OUTSIDE;
  return march(depth, columns, rows, edges).map((ring) => ring.map(([i, j]): Vec2 => [x0 + i * step, y0 + j * step]));
}

/**
 * Half a block's diagonal, as far as depth can change from its middle to its corners: exactly that where all shadows
 * are cones, more where ellipses take part, whose depth is of first order only.
 */
const EXACT = Math.SQRT2 * 1.02;
const ROUGH = Math.SQRT2 * 1.45;

/** Shadows that matter in a block round a point; null where all of it is covered, none where nothing is. */
function near(shadows: readonly Shadow[], cx: number, cy: number, half: number): Shadow[] | null {
  const found: Shadow[] = [];
  let reach = half * EXACT;
  let joined = OUTSIDE;
  let own = OUTSIDE;
  let last: Shadow | undefined;
  for (const shadow of shadows) {
    const around = half + shadow.blend;
    if (cx < shadow.left - around || cx > shadow.right + around) continue;
    if (cy < shadow.top - around || cy > shadow.bottom + around) continue;
    const value = shadow.at(cx, cy);
    const safe = half * (shadow.exact ? EXACT : ROUGH);
    if (value > safe) return null;
    if (value < -safe - shadow.blend) continue;
    if (safe > reach) reach = safe;
    found.push(shadow);
    if (last && last.piece === shadow.piece) own = Math.max(own, value);
    else {
      if (last) joined = join(joined, own, last.blend);
      own = value;
    }
    last = shadow;
  }
  if (!last) return NONE;
  // The joined depth changes no faster than its parts, so its sign at the middle holds for the block.
  joined = join(joined, own, last.blend);
  if (joined > reach) return null;
  return joined < -reach ? NONE : found;
}
const NONE: Shadow[] = [];

/** Fills the field in blocks within blocks; those wholly inside or outside get one value. @returns first nodes of the blocks through which the outline may run */
function fill(
  depth: Float32Array,
  columns: number,
  rows: number,
  x0: number,
  y0: number,
  step: number,
  shadows: readonly Shadow[],
): number[] {
  const edges: number[] = [];
  const half = (BLOCK * step) / 2;
  const halfSmall = (SMALL * step) / 2;
  for (let bj = 0; bj < rows - 1; bj += BLOCK) {
    for (let bi = 0; bi < columns - 1; bi += BLOCK) {
      const block = near(shadows, x0 + bi * step + half, y0 + bj * step + half, half);
      if (block?.length === 0) continue;
      for (let j = bj; j < bj + BLOCK; j += SMALL) {
        for (let i = bi; i < bi + BLOCK; i += SMALL) {
          const few = block && near(block, x0 + i * step + halfSmall, y0 + j * step + halfSmall, halfSmall);
          if (few?.length === 0) continue;
          fillSmall(depth, columns, i, j, x0, y0, step, few);
          // The box's own edge cuts through what is wholly inside, too.
          edges.push(j * columns + i);
        }
      }
    }
  }
  return edges;
}

function fillSmall(
  depth: Float32Array,
  columns: number,
  i0: number,
  j0: number,
  x0: number,
  y0: number,
  step: number,
  shadows: readonly Shadow[] | null,
): void {
  for (let j = j0; j <= j0 + SMALL; j += 1) {
    const y = y0 + j * step;
    for (let i = i0; i <= i0 + SMALL; i += 1) {
      const at = j * columns + i;
      const known = depth[at];
      if (shadows === null) {
        if (known === OUTSIDE) depth[at] = INSIDE;
        continue;
      }
      // Shared with a neighbour that was computed; one that is wholly inside says only so.
      if (known > OUTSIDE && known < INSIDE) continue;
      depth[at] = depthAt(shadows, x0 + i * step, y);
    }
  }
}

/**
 * Where a ring goes on from the edge by which it enters a cell, by which corners are inside (top left 1, top right 2,
 * bottom right 4, bottom left 8): pairs of entry and exit, edges 0 top, 1 right, 2 bottom, 3 left. Inside lies to the
 * right of the direction of travel.
 */
const CASES: readonly (readonly number[])[] = [
  [],
  [3, 0],
  [0, 1],
  [3, 1],
  [1, 2],
  [3, 0, 1, 2],
  [0, 2],
  [3, 2],
  [2, 3],
  [2, 0],
  [0, 1, 2, 3],
  [2, 1],
  [1, 3],
  [1, 0],
  [0, 3],
  [],
];

/** Marching squares at level 0 in the blocks given: rings of crossings in grid coordinates. */
function march(depth: Float32Array, columns: number, rows: number, blocks: readonly number[]): Vec2[][] {
  // Crossings are numbered by grid edge: 2k for the edge right of node k, 2k + 1 for the edge below it; 0 is none.
  const next = new Int32Array(2 * columns * rows);
  const starts: number[] = [];
  for (const block of blocks) {
    for (let j = 0; j < SMALL; j += 1) {
      for (let i = 0; i < SMALL; i += 1) {
        const k = block + j * columns + i;
        const code =
          (depth[k] > 0 ? 1 : 0) |
          (depth[k + 1] > 0 ? 2 : 0) |
          (depth[k + columns + 1] > 0 ? 4 : 0) |
          (depth[k + columns] > 0 ? 8 : 0);
        if (code === 0 || code === 15) continue;
        const ways = CASES[code];
        for (let w = 0; w < ways.length; w += 2) {
          const from = edgeOf(ways[w], k, columns);
          next[from] = edgeOf(ways[w + 1], k, columns);
          starts.push(from);
        }
      }
    }
  }
  const rings: Vec2[][] = [];
  for (const start of starts) {
    const ring: Vec2[] = [];
    let edge = start;
    while (next[edge] > 0) {
      ring.push(crossing(depth, columns, edge));
      const to = next[edge];
      next[edge] = 0;
      edge = to;
    }
    if (ring.length > 5) rings.push(ring);
  }
  return rings;
}

const edgeOf = (side: number, k: number, columns: number): number =>
  side === 0 ? 2 * k : side === 1 ? 2 * (k + 1) + 1 : side === 2 ? 2 * (k + columns) : 2 * k + 1;

function crossing(depth: Float32Array, columns: number, edge: number): Vec2 {
  const k = edge >> 1;
  const i = k % columns;
  const j = (k - i) / columns;
  const downward = edge & 1;
  const p = depth[k];
  const t = p / (p - depth[k + (downward ? columns : 1)]);
  return downward ? [i, j + t] : [i + t, j];
}
