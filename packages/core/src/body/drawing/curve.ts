/** Points to smooth SVG paths with few figures. */
import type { Vec2 } from '../../geometry/vector';

const figure = (value: number): string => (Math.round(value * 10) / 10).toString();
const pair = (p: Vec2): string => `${figure(p[0])} ${figure(p[1])}`;

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

/** A curve through all the points: each piece leaves a point along the line between its neighbours. */
function through(points: readonly Vec2[], closed: boolean): string {
  const n = points.length;
  const point = (i: number): Vec2 => (closed ? points[(i + n) % n] : points[Math.min(n - 1, Math.max(0, i))]);
  let path = `M${pair(points[0])}`;
  for (let i = 0; i < (closed ? n : n - 1); i += 1) {
    const [p0, p1, p2, p3] = [point(i - 1), point(i), point(i + 1), point(i + 2)];
    const span = Math.hypot(p2[0] - p1[0], p2[1] - p1[1]);
    const handle = (a: Vec2, b: Vec2): Vec2 => {
      const size = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
      return [((b[0] - a[0]) / size) * span * HANDLE, ((b[1] - a[1]) / size) * span * HANDLE];
    };
    const out = handle(p0, p2);
    const back = handle(p1, p3);
    path += `C${pair([p1[0] + out[0], p1[1] + out[1]])} ${pair([p2[0] - back[0], p2[1] - back[1]])} ${pair(p2)}`;
  }
  return closed ? `${path}Z` : path;
}
const HANDLE = 0.34;

export const closedPath = (ring: readonly Vec2[], tolerance: number): string => {
  // Thinned in two halves, since a ring has no ends.
  const half = ring.length >> 1;
  const first = thinned(ring.slice(0, half + 1), tolerance);
  const second = thinned([...ring.slice(half), ring[0]], tolerance);
  return through([...first, ...second.slice(1, -1)], true);
};

export const openPath = (line: readonly Vec2[], tolerance: number): string => through(thinned(line, tolerance), false);
