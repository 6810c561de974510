/**
 * Rays from the focal spot through every pixel: how much of the signal comes through. Pieces are sorted into tiles of the
 * picture by where their boxes fall, and within a tile by rank, so that a ray meets few of them, the winning ones first.
 */
import { ENERGIES, MU_PER_MM } from './attenuation';
import { BALL, CONE, CYLINDER, STRIDE, type Pieces } from './pieces';
import type { Detector } from './shadow';

const TILE = 8;
/** Separate stretches of one ray that are taken already; more than a body has. */
const MOST_SPANS = 128;
const FAR = 1e7;

/** Pieces by tile, one list after the other, ranks in order: `from[tile]` to `from[tile + 1]` of `pieces`. */
function tilesOf({ count, bounds }: Pieces, columns: number, rows: number): { from: Uint32Array; pieces: Uint32Array } {
  const across = Math.ceil(columns / TILE);
  const down = Math.ceil(rows / TILE);
  const tile = (pixel: number, most: number) => Math.min(most - 1, Math.max(0, Math.floor(pixel / TILE)));
  const each = (visit: (at: number, piece: number) => void) => {
    for (let i = 0; i < count; i += 1) {
      const b = i * 4;
      const last = tile(bounds[b + 1], across);
      const bottom = tile(bounds[b + 3], down);
      for (let y = tile(bounds[b + 2], down); y <= bottom; y += 1)
        for (let x = tile(bounds[b], across); x <= last; x += 1) visit(y * across + x, i);
    }
  };
  const from = new Uint32Array(across * down + 1);
  each((at) => {
    from[at + 1] += 1;
  });
  for (let i = 1; i < from.length; i += 1) from[i] += from[i - 1];
  const pieces = new Uint32Array(from[from.length - 1]);
  const next = from.slice();
  each((at, piece) => {
    pieces[next[at]] = piece;
    next[at] += 1;
  });
  return { from, pieces };
}

/** Scratch of one cast: nothing is made for a ray. */
const spanFrom = new Float64Array(MOST_SPANS);
const spanTo = new Float64Array(MOST_SPANS);
const muSum = new Float64Array(ENERGIES);
/** Where the last piece that was tested is entered and left; a plain variable would be made anew at every write. */
const hit = new Float64Array(2);

/** Where a ray runs inside a piece, into `hit`. */
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
    hit[0] = (-B - root) / A;
    hit[1] = (-B + root) / A;
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
    hit[0] = near;
    hit[1] = far;
    return near < far;
  }
  if (kind === CONE) {
    const b0 = a[s] * dx + a[s + 1] * dy + a[s + 2] * dz;
    const wd = a[s + 8] * dx + a[s + 9] * dy + a[s + 10] * dz;
    const A = 1 - a[s + 15] * wd * wd;
    const B = b0 - (a[s + 11] + a[s + 14]) * wd;
    const C = a[s + 16];
    const under = B * B - A * C;
    let near = FAR;
    let far = -FAR;
    let open0 = true;
    let open1 = true;
    if (A > 1e-12) {
      // The balls lie inside the cone drawn on: what misses it misses them.
      if (under <= 0) return false;
      const root = Math.sqrt(under);
      const t0 = (-B - root) / A;
      const t1 = (-B + root) / A;
      const z0 = t0 * wd;
      const z1 = t1 * wd;
      const low = a[s + 12];
      const high = a[s + 13];
      // Where it runs in and out through the side there is nothing more to ask.
      const in0 = z0 >= low && z0 <= high;
      const in1 = z1 >= low && z1 <= high;
      if (in0 && in1) {
        hit[0] = t0;
        hit[1] = t1;
        return true;
      }
      if (in0) near = far = t0;
      if (in1) {
        if (t1 < near) near = t1;
        far = t1;
      }
      // Only an end that the ray passes beyond can be met.
      open0 = z0 < low || z1 < low;
      open1 = z0 > high || z1 > high;
    } else if (wd > 1e-12 || wd < -1e-12) {
      // Steeper than the cone: between its ends the ray is inside it, but for the stretch between the roots.
      const e0 = a[s + 12] / wd;
      const e1 = a[s + 13] / wd;
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
        near = t0;
        far = t1;
      }
    }
    if (open0) {
      const under0 = b0 * b0 - a[s + 3];
      if (under0 > 0) {
        const root = Math.sqrt(under0);
        if (-b0 - root < near) near = -b0 - root;
        if (-b0 + root > far) far = -b0 + root;
      }
    }
    if (open1) {
      const b1 = a[s + 4] * dx + a[s + 5] * dy + a[s + 6] * dz;
      const under1 = b1 * b1 - a[s + 7];
      if (under1 > 0) {
        const root = Math.sqrt(under1);
        if (-b1 - root < near) near = -b1 - root;
        if (-b1 + root > far) far = -b1 + root;
      }
    }
    hit[0] = near;
    hit[1] = far;
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
  hit[0] = near;
  hit[1] = far;
  return true;
}

/** Attenuation of the energies that a beam has, by material, and their shares: set once for a cast. */
let used = 0;
const mu = new Float64Array(MU_PER_MM.length);
const shares = new Float64Array(ENERGIES);
/** A share of the signal that nobody would see. */
const LEAST_SHARE = 1e-5;
function setBeam(weights: Float64Array): void {
  const kept = [...weights.keys()].filter((k) => weights[k] > LEAST_SHARE);
  used = kept.length;
  kept.forEach((k, i) => {
    shares[i] = weights[k];
    for (let row = 0; row < MU_PER_MM.length; row += ENERGIES) mu[row + i] = MU_PER_MM[row + k];
  });
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
  for (let k = 0; k < used; k += 1) muSum[k] += mu[row + k] * free;
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

/** exp(-x) by steps: what deeper paths let through is no signal. */
const PER_UNIT = 64;
const DEEPEST = 30;
const PASSED = Float64Array.from({ length: DEEPEST * PER_UNIT + 1 }, (_, i) => Math.exp(-i / PER_UNIT));

export type Cast = {
  /** Share of the signal that comes through, row by row. */
  through: Float32Array;
  /** Pieces that were tested, over all rays. */
  tested: number;
};

/**
 * @param weights shares of the signal by energy
 * @param lit where a ray is asked for; elsewhere nothing comes through
 */
export function castRays(
  pieces: Pieces,
  detector: Detector,
  weights: Float64Array,
  lit: (pixel: number) => boolean,
): Cast {
  const { focal, origin, stepU, stepV, columns, rows } = detector;
  const tiles = tilesOf(pieces, columns, rows);
  const list = tiles.pieces;
  const { bounds } = pieces;
  const across = Math.ceil(columns / TILE);
  const through = new Float32Array(rows * columns);
  setBeam(weights);
  let all = 0;
  for (let k = 0; k < used; k += 1) all += shares[k];
  let tested = 0;
  for (let y = 0; y < rows; y += 1) {
    const tileRow = Math.floor(y / TILE) * across;
    for (let x = 0; x < columns; x += 1) {
      if (!lit(y * columns + x)) continue;
      const tile = tileRow + ((x / TILE) | 0);
      const first = tiles.from[tile];
      const last = tiles.from[tile + 1];
      let dx = origin[0] + stepU[0] * x + stepV[0] * y - focal[0];
      let dy = origin[1] + stepU[1] * x + stepV[1] * y - focal[1];
      let dz = origin[2] + stepU[2] * x + stepV[2] * y - focal[2];
      const far = Math.sqrt(dx * dx + dy * dy + dz * dz);
      dx /= far;
      dy /= far;
      dz /= far;
      for (let k = 0; k < used; k += 1) muSum[k] = 0;
      let spans = 0;
      for (let j = first; j < last; j += 1) {
        const i = list[j];
        const edge = i * 4;
        if (x < bounds[edge] || x > bounds[edge + 1] || y < bounds[edge + 2] || y > bounds[edge + 3]) continue;
        tested += 1;
        if (!crosses(pieces, i, dx, dy, dz)) continue;
        let from = hit[0] > 0 ? hit[0] : 0;
        // What lies behind the receptor casts no shadow on it.
        let to = hit[1] < far ? hit[1] : far;
        const plane = pieces.under[i];
        if (plane >= 0) {
          const { faces } = pieces;
          const speed = faces[plane] * dx + faces[plane + 1] * dy + faces[plane + 2] * dz;
          const at = faces[plane + 3] / speed;
          if (speed > 1e-12) to = at < to ? at : to;
          else if (speed < -1e-12) from = at > from ? at : from;
          else if (faces[plane + 3] < 0) continue;
        }
        if (from < to) spans = take(spans, from, to, pieces.material[i] * ENERGIES);
      }
      // Nothing in the way.
      if (spans === 0) {
        through[y * columns + x] = all;
        continue;
      }
      let sum = 0;
      for (let k = 0; k < used; k += 1) {
        const depth = muSum[k];
        if (depth >= DEEPEST) continue;
        // The step of the table that lies below, and what is left by the first terms of the series: within 1e-8.
        const step = (depth * PER_UNIT) | 0;
        const rest = depth - step / PER_UNIT;
        sum += shares[k] * PASSED[step] * (1 - rest * (1 - rest * (0.5 - rest / 6)));
      }
      through[y * columns + x] = sum;
    }
  }
  return { through, tested };
}
