/** Points to smooth SVG paths with few figures. */
import type { Vec2 } from '../../geometry/vector';

/** How many parts of a millimetre are written: none that would not be seen at this grid. @param step cell of the grid, mm */
export const printPer = (step: number): number => (step > 12 ? 1 : step > 0.6 ? 10 : 100);

const pair = (x: number, y: number, per: number): string => `${Math.round(x * per) / per} ${Math.round(y * per) / per}`;

/** Leaves out points that lie within `tolerance` of the line between those kept (Douglas and Peucker's method). */
export function thinned(points: readonly Vec2[], tolerance: number): Vec2[] {
  if (points.length < 3) return [...points];
  const keep = new Uint8Array(points.length);
  keep[0] = keep[points.length - 1] = 1;
  const open: [number, number][] = [[0, points.length - 1]];
  while (open.length > 0) {
    const [from, to] = open.pop()!;
    const [ax, ay] = points[from];
    const dx = points[to][0] - ax;
    const dy = points[to][1] - ay;
    const size = Math.sqrt(dx * dx + dy * dy);
    let worst = tolerance;
    let at = -1;
    for (let i = from + 1; i < to; i += 1) {
      const ex = points[i][0] - ax;
      const ey = points[i][1] - ay;
      const off = size > 1e-9 ? Math.abs(ex * dy - ey * dx) / size : Math.sqrt(ex * ex + ey * ey);
      if (off > worst) [worst, at] = [off, i];
    }
    if (at < 0) continue;
    keep[at] = 1;
    open.push([from, at], [at, to]);
  }
  return points.filter((_, i) => keep[i]);
}

/** Each point drawn a little to its neighbours: the grid's grain goes, the shape stays. */
export function calmed(ring: readonly Vec2[]): Vec2[] {
  const n = ring.length;
  return ring.map(([x, y], i): Vec2 => {
    const [ax, ay] = ring[(i + n - 1) % n];
    const [bx, by] = ring[(i + 1) % n];
    return [(ax + 2 * x + bx) / 4, (ay + 2 * y + by) / 4];
  });
}

/** A curve through all the points: each piece leaves a point along the line between its neighbours. */
function through(points: readonly Vec2[], closed: boolean, per: number): string {
  const n = points.length;
  const point = (i: number): Vec2 => (closed ? points[(i + n) % n] : points[Math.min(n - 1, Math.max(0, i))]);
  let path = `M${pair(points[0][0], points[0][1], per)}`;
  for (let i = 0; i < (closed ? n : n - 1); i += 1) {
    const [p0, p1, p2, p3] = [point(i - 1), point(i), point(i + 1), point(i + 2)];
    const reach = HANDLE * size(p2[0] - p1[0], p2[1] - p1[1]);
    const out = reach / (size(p2[0] - p0[0], p2[1] - p0[1]) || 1);
    const back = reach / (size(p3[0] - p1[0], p3[1] - p1[1]) || 1);
    path += `C${pair(p1[0] + (p2[0] - p0[0]) * out, p1[1] + (p2[1] - p0[1]) * out, per)} ${pair(p2[0] - (p3[0] - p1[0]) * back, p2[1] - (p3[1] - p1[1]) * back, per)} ${pair(p2[0], p2[1], per)}`;
  }
  return closed ? `${path}Z` : path;
}
/** Length of a handle as a share of its piece: a third follows a circle closely. */
const HANDLE = 0.34;
const size = (x: number, y: number): number => Math.sqrt(x * x + y * y);

/** @param tolerance how far a point may lie off to be left out, mm; @param per see `printPer` */
export const closedPath = (ring: readonly Vec2[], tolerance: number, per: number): string => {
  // Thinned in two halves, since a ring has no ends.
  const half = ring.length >> 1;
  const first = thinned(ring.slice(0, half + 1), tolerance);
  const second = thinned([...ring.slice(half), ring[0]], tolerance);
  return through([...first, ...second.slice(1, -1)], true, per);
};

export const openPath = (line: readonly Vec2[], tolerance: number, per: number): string =>
  through(thinned(line, tolerance), false, per);
