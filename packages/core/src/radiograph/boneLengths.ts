/**
 * How much of each ray lies in true bones, by adding up along the ray where closed surfaces are left and taking off
 * where they are entered: what remains is exactly the way inside. Surfaces need no order among each other.
 */
import { LAYERS, type BoneSurface, type Layer, type TrueBone } from '../body/skeleton';
import { cross, dot, length, scale, subtract, type Vec3 } from '../geometry/vector';
import { grainAt } from './grain';
import { shadowIn, type Detector } from './shadow';

/** Shares of the ray from focal spot to receptor that lie inside the surfaces of a layer, pixel by pixel. */
export type BoneLengths = Readonly<Record<Layer, Float32Array>> & {
  /** What the threads of spongy bone add to the compact bone or leave out of it, mm. */
  grain: Float32Array;
};

/** Points on the picture in pixels, and one over their share of the way to the receptor: that is linear on the picture. */
type Shadow = { x: Float64Array; y: Float64Array; over: Float64Array; seen: boolean };

/** A ball round the points of a surface, worked out once: most bones of a body are nowhere near a picture. */
const balls = new WeakMap<Float32Array, { middle: Vec3; reach: number }>();
function ballRound(points: Float32Array): { middle: Vec3; reach: number } {
  const known = balls.get(points);
  if (known) return known;
  const [low, high] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ];
  for (let i = 0; i < points.length; i += 1) {
    low[i % 3] = Math.min(low[i % 3], points[i]);
    high[i % 3] = Math.max(high[i % 3], points[i]);
  }
  const middle: Vec3 = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2, (low[2] + high[2]) / 2];
  const made = { middle, reach: Math.hypot(high[0] - low[0], high[1] - low[1], high[2] - low[2]) / 2 };
  balls.set(points, made);
  return made;
}

/** What is nearer to the focal spot than this share of the way casts no shadow that a picture could show. */
const NEAREST = 0.02;

function shadowOf(points: Float32Array, { focal, origin, stepU, stepV, columns, rows }: Detector): Shadow {
  const count = points.length / 3;
  const [x, y, over] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  const n = cross(stepU, stepV);
  const normal = scale(n, 1 / length(n));
  const start = subtract(origin, focal);
  const plane = dot(start, normal);
  const [uu, vv] = [dot(stepU, stepU), dot(stepV, stepV)];
  const [u0, v0] = [dot(start, stepU) / uu, dot(start, stepV) / vv];
  let [left, right, top, foot, nearest] = [Infinity, -Infinity, Infinity, -Infinity, Infinity];
  for (let i = 0; i < count; i += 1) {
    const dx = points[3 * i] - focal[0];
    const dy = points[3 * i + 1] - focal[1];
    const dz = points[3 * i + 2] - focal[2];
    const share = (dx * normal[0] + dy * normal[1] + dz * normal[2]) / plane;
    const px = (dx * stepU[0] + dy * stepU[1] + dz * stepU[2]) / uu / share - u0;
    const py = (dx * stepV[0] + dy * stepV[1] + dz * stepV[2]) / vv / share - v0;
    x[i] = px;
    y[i] = py;
    over[i] = 1 / share;
    if (px < left) left = px;
    if (px > right) right = px;
    if (py < top) top = py;
    if (py > foot) foot = py;
    if (share < nearest) nearest = share;
  }
  const between = nearest > NEAREST && nearest < 1;
  return { x, y, over, seen: between && right >= 0 && left <= columns - 1 && foot >= 0 && top <= rows - 1 };
}

/**
 * Where an edge crosses a row. Worked out from its upper end whichever triangle asks: two that share an edge agree on it
 * to the last digit, and a pixel on it belongs to one of them.
 */
const edgeAt = (row: number, xa: number, ya: number, xb: number, yb: number): number =>
  ya < yb ? xa + ((row - ya) * (xb - xa)) / (yb - ya) : xb + ((row - yb) * (xa - xb)) / (ya - yb);

/** Adds the way inside one surface to every pixel whose middle it covers. */
function addInside(
  lengths: BoneLengths,
  { layer, triangles, home }: BoneSurface,
  { x, y, over }: Shadow,
  columns: number,
  rows: number,
): void {
  const into = lengths[layer];
  // Threads are seen where they meet the wall: a ray comes by there twice.
  const grain = layer === 'spongy' ? lengths.grain : null;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t], triangles[t + 1], triangles[t + 2]];
    const [x0, x1, x2, y0, y1, y2] = [x[a], x[b], x[c], y[a], y[b], y[c]];
    const area = (x1 - x0) * (y2 - y0) - (x2 - x0) * (y1 - y0);
    if (area === 0) continue;
    let top = y0 < y1 ? y0 : y1;
    if (y2 < top) top = y2;
    let foot = y0 > y1 ? y0 : y1;
    if (y2 > foot) foot = y2;
    const first = top > 0 ? Math.ceil(top) : 0;
    const last = foot < rows ? Math.ceil(foot) - 1 : rows - 1;
    if (first > last) continue;
    const sign = area > 0 ? 1 : -1;
    const [w0, w1, w2] = [over[a], over[b], over[c]];
    const alongX = ((w1 - w0) * (y2 - y0) - (w2 - w0) * (y1 - y0)) / area;
    const alongY = ((w2 - w0) * (x1 - x0) - (w1 - w0) * (x2 - x0)) / area;
    for (let row = first; row <= last; row += 1) {
      let low = Infinity;
      let high = -Infinity;
      // An edge belongs to the rows from its upper end on, without its lower one: each is counted once.
      if (y0 <= row !== y1 <= row) {
        const at = edgeAt(row, x0, y0, x1, y1);
        low = at;
        high = at;
      }
      if (y1 <= row !== y2 <= row) {
        const at = edgeAt(row, x1, y1, x2, y2);
        if (at < low) low = at;
        if (at > high) high = at;
      }
      if (y2 <= row !== y0 <= row) {
        const at = edgeAt(row, x2, y2, x0, y0);
        if (at < low) low = at;
        if (at > high) high = at;
      }
      const from = low > 0 ? Math.ceil(low) : 0;
      const to = high < columns ? Math.ceil(high) - 1 : columns - 1;
      if (from > to) continue;
      let w = w0 + (from - x0) * alongX + (row - y0) * alongY;
      let pixel = row * columns + from;
      for (let at = from; at <= to; at += 1) {
        // What lies behind the receptor casts no shadow on it.
        into[pixel] += w > 1 ? sign / w : sign;
        w += alongX;
        pixel += 1;
      }
      if (!grain) continue;
      const start = row * columns;
      for (let at = from; at <= to; at += 1) {
        const s = ((at - x0) * (y2 - y0) - (row - y0) * (x2 - x0)) / area;
        const u = ((x1 - x0) * (row - y0) - (y1 - y0) * (at - x0)) / area;
        const [p, q, r] = [3 * a, 3 * b, 3 * c];
        grain[start + at] += grainAt(
          home[p] + (home[q] - home[p]) * s + (home[r] - home[p]) * u,
          home[p + 1] + (home[q + 1] - home[p + 1]) * s + (home[r + 1] - home[p + 1]) * u,
          home[p + 2] + (home[q + 2] - home[p + 2]) * s + (home[r + 2] - home[p + 2]) * u,
        );
      }
    }
  }
}

/**
 * @param bones where they stand, in the frame of the detector
 * @returns null where none of them falls on the picture
 */
export function boneLengths(bones: readonly TrueBone[], detector: Detector): BoneLengths | null {
  const { columns, rows } = detector;
  const empty = () => new Float32Array(columns * rows);
  let lengths: BoneLengths | null = null;
  // The same triangles turn left or right with the receptor's own axes.
  const facing = dot(cross(detector.stepU, detector.stepV), subtract(detector.origin, detector.focal)) > 0;
  const { maySee } = shadowIn(detector);
  for (const { surfaces } of bones) {
    const { middle, reach } = ballRound(surfaces[0].points);
    if (!maySee(middle, reach)) continue;
    for (const surface of surfaces) {
      const shadow = shadowOf(surface.points, detector);
      // What is outside has the rest inside.
      if (!shadow.seen) {
        if (surface.layer === 'wall') break;
        continue;
      }
      lengths ??= { wall: empty(), spongy: empty(), marrow: empty(), grain: empty() };
      addInside(lengths, surface, shadow, columns, rows);
    }
  }
  if (lengths && !facing)
    for (const layer of LAYERS)
      for (let i = 0; i < lengths[layer].length; i += 1) lengths[layer][i] = -lengths[layer][i];
  return lengths;
}
