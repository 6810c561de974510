/**
 * Rays from the focal spot through every pixel: how much of the signal comes through. Pieces are sorted into tiles of the
 * picture by where their boxes fall, and within a tile by rank, so that a ray meets few of them, the winning ones first.
 */
import { dot, normalize, subtract, type Vec3 } from '../geometry/vector';
import { ENERGIES, MU_PER_MM } from './attenuation';
import { BALL, CONE, CYLINDER, STRIDE, type Pieces } from './pieces';

export type Detector = {
  focal: Vec3;
  /** Middle of the first pixel, and the steps to the next one along a row and to the next row. */
  origin: Vec3;
  stepU: Vec3;
  stepV: Vec3;
  columns: number;
  rows: number;
};

const TILE = 16;
/** Separate stretches of one ray that are taken already; more than a body has. */
const MOST_SPANS = 128;
const FAR = 1e7;

/** Tiles that each piece may fall on, as lists of pieces by tile; ranks stay in order. */
function tilesOf(pieces: Pieces, { focal, origin, stepU, stepV, columns, rows }: Detector): Uint32Array[] {
  const n = normalize([
    stepU[1] * stepV[2] - stepU[2] * stepV[1],
    stepU[2] * stepV[0] - stepU[0] * stepV[2],
    stepU[0] * stepV[1] - stepU[1] * stepV[0],
  ]);
  const toPlane = dot(subtract(origin, focal), n);
  const [uu, vv] = [dot(stepU, stepU), dot(stepV, stepV)];
  const across = Math.ceil(columns / TILE);
  const down = Math.ceil(rows / TILE);
  const lists: number[][] = Array.from({ length: across * down }, () => []);
  for (let i = 0; i < pieces.count; i += 1) {
    let [u0, u1, v0, v1] = [Infinity, -Infinity, Infinity, -Infinity];
    let behind = false;
    for (let k = 0; k < 24; k += 3) {
      const p: Vec3 = [pieces.corners[i * 24 + k], pieces.corners[i * 24 + k + 1], pieces.corners[i * 24 + k + 2]];
      const from = subtract(p, focal);
      const along = dot(from, n) / toPlane;
      if (along < 1e-6) behind = true;
      const hit: Vec3 = [focal[0] + from[0] / along, focal[1] + from[1] / along, focal[2] + from[2] / along];
      const off = subtract(hit, origin);
      const [u, v] = [dot(off, stepU) / uu, dot(off, stepV) / vv];
      u0 = Math.min(u0, u);
      u1 = Math.max(u1, u);
      v0 = Math.min(v0, v);
      v1 = Math.max(v1, v);
    }
    // What stands beside or behind the focal spot may fall anywhere.
    if (behind) [u0, u1, v0, v1] = [0, columns - 1, 0, rows - 1];
    if (u1 < 0 || v1 < 0 || u0 > columns - 1 || v0 > rows - 1) continue;
    const [a, b] = [Math.max(0, Math.floor(u0 / TILE)), Math.min(across - 1, Math.floor(u1 / TILE))];
    const [c, d] = [Math.max(0, Math.floor(v0 / TILE)), Math.min(down - 1, Math.floor(v1 / TILE))];
    for (let y = c; y <= d; y += 1) for (let x = a; x <= b; x += 1) lists[y * across + x].push(i);
  }
  return lists.map((list) => Uint32Array.from(list));
}

/** Scratch of one cast: nothing is made for a ray. */
const spanFrom = new Float64Array(MOST_SPANS);
const spanTo = new Float64Array(MOST_SPANS);
const muSum = new Float64Array(ENERGIES);
let hitFrom = 0;
let hitTo = 0;

/** Where a ray runs inside a piece, into `hitFrom` and `hitTo`. */
function crosses(pieces: Pieces, i: number, dx: number, dy: number, dz: number): boolean {
  const a = pieces.numbers;
  const s = i * STRIDE;
  const kind = pieces.kind[i];
  if (kind === BALL) {
    const qx = a[s] * dx + a[s + 1] * dy + a[s + 2] * dz;
    const qy = a[s + 3] * dx + a[s + 4] * dy + a[s + 5] * dz;
    const qz = a[s + 6] * dx + a[s + 7] * dy + a[s + 8] * dz;
    const px = a[s + 9];
    const py = a[s + 10];
    const pz = a[s + 11];
    const A = qx * qx + qy * qy + qz * qz;
    const B = px * qx + py * qy + pz * qz;
    const under = B * B - A * (px * px + py * py + pz * pz - 1);
    if (under <= 0) return false;
    const root = Math.sqrt(under);
    hitFrom = (-B - root) / A;
    hitTo = (-B + root) / A;
    return true;
  }
  if (kind === CYLINDER) {
    const qx = a[s] * dx + a[s + 1] * dy + a[s + 2] * dz;
    const qy = a[s + 3] * dx + a[s + 4] * dy + a[s + 5] * dz;
    const qz = a[s + 6] * dx + a[s + 7] * dy + a[s + 8] * dz;
    const px = a[s + 9];
    const py = a[s + 10];
    const pz = a[s + 11];
    let near = -FAR;
    let far = FAR;
    if (qz > 1e-12 || qz < -1e-12) {
      const t0 = (-1 - pz) / qz;
      const t1 = (1 - pz) / qz;
      near = t0 < t1 ? t0 : t1;
      far = t0 < t1 ? t1 : t0;
    } else if (pz < -1 || pz > 1) return false;
    const A = qx * qx + qy * qy;
    const B = px * qx + py * qy;
    const C = px * px + py * py - 1;
    if (A < 1e-15) {
      if (C >= 0) return false;
    } else {
      const under = B * B - A * C;
      if (under <= 0) return false;
      const root = Math.sqrt(under);
      const t0 = (-B - root) / A;
      const t1 = (-B + root) / A;
      if (t0 > near) near = t0;
      if (t1 < far) far = t1;
    }
    hitFrom = near;
    hitTo = far;
    return near < far;
  }
  if (kind === CONE) {
    let near = FAR;
    let far = -FAR;
    const b0 = a[s] * dx + a[s + 1] * dy + a[s + 2] * dz;
    const under0 = b0 * b0 - a[s + 3];
    if (under0 > 0) {
      const root = Math.sqrt(under0);
      near = -b0 - root;
      far = -b0 + root;
    }
    const b1 = a[s + 4] * dx + a[s + 5] * dy + a[s + 6] * dz;
    const under1 = b1 * b1 - a[s + 7];
    if (under1 > 0) {
      const root = Math.sqrt(under1);
      if (-b1 - root < near) near = -b1 - root;
      if (-b1 + root > far) far = -b1 + root;
    }
    if (a[s + 17] > 0) {
      const wd = a[s + 8] * dx + a[s + 9] * dy + a[s + 10] * dz;
      const oz = a[s + 11];
      const z0 = a[s + 12];
      const z1 = a[s + 13];
      const slope = a[s + 15];
      const rho = a[s + 14] + slope * (oz - z0);
      const A = 1 - wd * wd - slope * slope * wd * wd;
      const B = b0 - oz * wd - rho * slope * wd;
      const C = a[s + 16] - oz * oz - rho * rho;
      const under = B * B - A * C;
      if (A > 1e-12 && under > 0) {
        const root = Math.sqrt(under);
        let t0 = (-B - root) / A;
        let t1 = (-B + root) / A;
        if (wd > 1e-12 || wd < -1e-12) {
          const e0 = (z0 - oz) / wd;
          const e1 = (z1 - oz) / wd;
          const low = e0 < e1 ? e0 : e1;
          const high = e0 < e1 ? e1 : e0;
          if (low > t0) t0 = low;
          if (high < t1) t1 = high;
        } else if (oz < z0 || oz > z1) t1 = t0;
        if (t0 < t1) {
          if (t0 < near) near = t0;
          if (t1 > far) far = t1;
        }
      } else if (A <= 1e-12 && (wd > 1e-12 || wd < -1e-12)) {
        // Steeper than the cone: between its ends the ray is inside it, but for the stretch between the roots.
        const e0 = (z0 - oz) / wd;
        const e1 = (z1 - oz) / wd;
        let t0 = e0 < e1 ? e0 : e1;
        let t1 = e0 < e1 ? e1 : e0;
        if (A > -1e-12) {
          if (C > 0) t1 = t0;
        } else if (under > 0) {
          const root = Math.sqrt(under);
          const first = (-B + root) / A;
          const second = (-B - root) / A;
          if (t0 < first) t1 = t1 < first ? t1 : first;
          else if (t0 < second) t0 = second;
        }
        if (t0 < t1) {
          if (t0 < near) near = t0;
          if (t1 > far) far = t1;
        }
      }
    }
    hitFrom = near;
    hitTo = far;
    return near < far;
  }
  let near = -FAR;
  let far = FAR;
  const f = pieces.faces;
  const last = a[s] + a[s + 1] * 4;
  for (let k = a[s]; k < last; k += 4) {
    const speed = f[k] * dx + f[k + 1] * dy + f[k + 2] * dz;
    const gap = f[k + 3];
    if (speed > 1e-12) {
      if (gap / speed < far) far = gap / speed;
    } else if (speed < -1e-12) {
      if (gap / speed > near) near = gap / speed;
    } else if (gap < 0) return false;
    if (near >= far) return false;
  }
  hitFrom = near;
  hitTo = far;
  return true;
}

/** Adds to `muSum` what of a stretch is not taken yet by a higher rank, and takes it. @returns the number of spans */
function take(spans: number, from: number, to: number, row: number): number {
  // Spans are in order and apart from each other.
  let first = 0;
  while (first < spans && spanTo[first] < from) first += 1;
  let last = first;
  let at = from;
  let free = 0;
  while (last < spans && spanFrom[last] <= to) {
    if (spanFrom[last] > at) free += spanFrom[last] - at;
    if (spanTo[last] > at) at = spanTo[last];
    last += 1;
  }
  if (at < to) free += to - at;
  if (free <= 0) return spans;
  for (let k = 0; k < ENERGIES; k += 1) muSum[k] += MU_PER_MM[row + k] * free;
  if (last === first) {
    if (spans >= MOST_SPANS) return spans;
    for (let k = spans; k > first; k -= 1) {
      spanFrom[k] = spanFrom[k - 1];
      spanTo[k] = spanTo[k - 1];
    }
    spanFrom[first] = from;
    spanTo[first] = to;
    return spans + 1;
  }
  if (from < spanFrom[first]) spanFrom[first] = from;
  const end = spanTo[last - 1];
  spanTo[first] = end > to ? end : to;
  const gone = last - first - 1;
  if (gone > 0)
    for (let k = first + 1; k + gone < spans; k += 1) {
      spanFrom[k] = spanFrom[k + gone];
      spanTo[k] = spanTo[k + gone];
    }
  return spans - gone;
}

export type Cast = {
  /** Share of the signal that comes through, row by row. */
  through: Float32Array;
  /** Pieces that were tested, over all rays. */
  tested: number;
};

/**
 * @param weights shares of the signal by energy
 * @param lit where a ray is asked for; elsewhere nothing comes through
 * @param firstRow, rows to be cast, for splitting a picture among workers
 */
export function castRays(
  pieces: Pieces,
  detector: Detector,
  weights: Float64Array,
  lit: (pixel: number) => boolean,
  firstRow = 0,
  endRow = detector.rows,
): Cast {
  const { focal, origin, stepU, stepV, columns } = detector;
  const lists = tilesOf(pieces, detector);
  const across = Math.ceil(columns / TILE);
  const through = new Float32Array((endRow - firstRow) * columns);
  let tested = 0;
  for (let y = firstRow; y < endRow; y += 1) {
    const tileRow = Math.floor(y / TILE) * across;
    for (let x = 0; x < columns; x += 1) {
      if (!lit(y * columns + x)) continue;
      const list = lists[tileRow + ((x / TILE) | 0)];
      let dx = origin[0] + stepU[0] * x + stepV[0] * y - focal[0];
      let dy = origin[1] + stepU[1] * x + stepV[1] * y - focal[1];
      let dz = origin[2] + stepU[2] * x + stepV[2] * y - focal[2];
      const far = Math.sqrt(dx * dx + dy * dy + dz * dz);
      dx /= far;
      dy /= far;
      dz /= far;
      muSum.fill(0);
      let spans = 0;
      tested += list.length;
      for (let j = 0; j < list.length; j += 1) {
        const i = list[j];
        if (!crosses(pieces, i, dx, dy, dz)) continue;
        const from = hitFrom > 0 ? hitFrom : 0;
        // What lies behind the receptor casts no shadow on it.
        const to = hitTo < far ? hitTo : far;
        if (from < to) spans = take(spans, from, to, pieces.material[i] * ENERGIES);
      }
      let sum = 0;
      for (let k = 0; k < ENERGIES; k += 1) sum += weights[k] * Math.exp(-muSum[k]);
      through[(y - firstRow) * columns + x] = sum;
    }
  }
  return { through, tested };
}
