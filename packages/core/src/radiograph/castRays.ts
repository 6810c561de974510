/**
 * Rays from the focal spot through every pixel: how much of the signal comes through. Pieces are sorted into tiles of the
 * picture by where their boxes fall, and within a tile by rank, so that a ray meets few of them, the winning ones first.
 */
import { ENERGIES, MATERIALS, MU_PER_MM } from './attenuation';
import { crossRun, newRun, RUN } from './crossings';
import type { Pieces } from './pieces';
import type { Detector } from './shadow';

/** A tile is as wide as a run. */
const TILE = RUN;
/** Separate stretches of one ray that are taken already; more than a body has. */
const MOST_SPANS = 64;
/** What is imported may be looked up at every use; in the loops it is a number or an array of this file. */
const KINDS = MATERIALS;
const BINS = ENERGIES;
const MU = MU_PER_MM;
const WIDE = RUN;

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

/** Scratch of a cast. What is taken of each ray of a run, in order and apart. */
const spanFrom = new Float64Array(WIDE * MOST_SPANS);
const spanTo = new Float64Array(WIDE * MOST_SPANS);
const spans = new Int32Array(WIDE);
/** Share of each ray that runs in each material. */
const shareIn = new Float64Array(WIDE * KINDS);
/** Materials that a run has met, each once. */
const met = new Int32Array(KINDS);
const isMet = new Uint8Array(KINDS);
const run = newRun();

/** Takes a stretch of a ray. @returns what of it was not taken yet by a higher rank */
function take(k: number, from: number, to: number): number {
  const count = spans[k];
  const start = k * MOST_SPANS;
  if (count === 0) {
    spanFrom[start] = from;
    spanTo[start] = to;
    spans[k] = 1;
    return to - from;
  }
  const end = start + count;
  let first = start;
  while (first < end && spanTo[first] < from) first += 1;
  let last = first;
  let at = from;
  let free = 0;
  while (last < end && spanFrom[last] <= to) {
    if (spanFrom[last] > at) free += spanFrom[last] - at;
    if (spanTo[last] > at) at = spanTo[last];
    last += 1;
  }
  if (at < to) free += to - at;
  if (free <= 0) return 0;
  if (last === first) {
    if (count >= MOST_SPANS) return free;
    for (let i = end; i > first; i -= 1) {
      spanFrom[i] = spanFrom[i - 1];
      spanTo[i] = spanTo[i - 1];
    }
    spanFrom[first] = from;
    spanTo[first] = to;
    spans[k] = count + 1;
    return free;
  }
  if (from < spanFrom[first]) spanFrom[first] = from;
  const reaches = spanTo[last - 1];
  spanTo[first] = reaches > to ? reaches : to;
  const gone = last - first - 1;
  if (gone > 0) {
    for (let i = first + 1; i + gone < end; i += 1) {
      spanFrom[i] = spanFrom[i + gone];
      spanTo[i] = spanTo[i + gone];
    }
    spans[k] = count - gone;
  }
  return free;
}

/** exp(-x) by steps: what deeper paths let through is no signal. */
const PER_UNIT = 64;
const DEEPEST = 30;
const PASSED = Float64Array.from({ length: DEEPEST * PER_UNIT + 1 }, (_, i) => Math.exp(-i / PER_UNIT));

/** exp of minus the attenuation: the step of the table below it, and the first terms of the series; within 1e-8. */
function letThrough(depth: number): number {
  if (depth >= DEEPEST) return 0;
  const step = (depth * PER_UNIT) | 0;
  const rest = depth - step / PER_UNIT;
  return PASSED[step] * (1 - rest * (1 - rest * (0.5 - rest / 6)));
}

/**
 * Share of the signal that comes through to a ray of the run, `long` mm, that met `kinds` materials. The energies of the table are
 * written out one by one: sums that are kept in an array take most of the time of a picture.
 */
function passes(k: number, kinds: number, shares: Float64Array, long: number): number {
  let d0 = 0;
  let d1 = 0;
  let d2 = 0;
  let d3 = 0;
  let d4 = 0;
  let d5 = 0;
  let d6 = 0;
  const own = k * KINDS;
  for (let j = 0; j < kinds; j += 1) {
    const mm = shareIn[own + met[j]] * long;
    const row = met[j] * BINS;
    d0 += MU[row] * mm;
    d1 += MU[row + 1] * mm;
    d2 += MU[row + 2] * mm;
    d3 += MU[row + 3] * mm;
    d4 += MU[row + 4] * mm;
    d5 += MU[row + 5] * mm;
    d6 += MU[row + 6] * mm;
  }
  let sum = shares[0] * letThrough(d0) + shares[1] * letThrough(d1) + shares[2] * letThrough(d2);
  sum += shares[3] * letThrough(d3);
  // Soft beams have no more.
  if (shares[4] > 0) sum += shares[4] * letThrough(d4);
  if (shares[5] > 0) sum += shares[5] * letThrough(d5);
  if (shares[6] > 0) sum += shares[6] * letThrough(d6);
  return sum;
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
  const { bounds, material } = pieces;
  const across = Math.ceil(columns / TILE);
  const through = new Float32Array(rows * columns);
  const all = weights.reduce((sum, share) => sum + share, 0);
  const { ray, squared, near, far } = run;
  let tested = 0;
  ray.set(stepU, 3);
  const stepSquared = stepU[0] * stepU[0] + stepU[1] * stepU[1] + stepU[2] * stepU[2];
  for (let y = 0; y < rows; y += 1) {
    for (let column = 0; column < across; column += 1) {
      const left = column * WIDE;
      const pixel = y * columns + left;
      const most = columns - left < WIDE ? columns - left : WIDE;
      // The rays of the run that are asked for lie together: the light has no holes.
      let begin = 0;
      while (begin < most && !lit(pixel + begin)) begin += 1;
      let end = most - 1;
      while (end >= begin && !lit(pixel + end)) end -= 1;
      if (end < begin) continue;
      const dx = origin[0] + stepU[0] * left + stepV[0] * y - focal[0];
      const dy = origin[1] + stepU[1] * left + stepV[1] * y - focal[1];
      const dz = origin[2] + stepU[2] * left + stepV[2] * y - focal[2];
      ray[0] = dx;
      ray[1] = dy;
      ray[2] = dz;
      const start = dx * dx + dy * dy + dz * dz;
      const twice = 2 * (dx * stepU[0] + dy * stepU[1] + dz * stepU[2]);
      for (let k = begin; k <= end; k += 1) {
        squared[k] = start + k * (twice + k * stepSquared);
        spans[k] = 0;
      }
      let kinds = 0;
      const tile = ((y / TILE) | 0) * across + column;
      const until = tiles.from[tile + 1];
      for (let j = tiles.from[tile]; j < until; j += 1) {
        const i = list[j];
        const edge = i * 4;
        if (y < bounds[edge + 2] || y > bounds[edge + 3]) continue;
        const a = bounds[edge] - left;
        const b = bounds[edge + 1] - left;
        const first = a > begin ? Math.ceil(a) : begin;
        const last = b < end ? Math.floor(b) : end;
        if (first > last) continue;
        tested += last - first + 1;
        crossRun(run, pieces, i, first, last);
        const own = material[i];
        for (let k = first; k <= last; k += 1) {
          // What lies behind the receptor casts no shadow on it.
          const from = near[k] > 0 ? near[k] : 0;
          const to = far[k] < 1 ? far[k] : 1;
          if (from >= to) continue;
          const free = take(k, from, to);
          if (free === 0) continue;
          if (isMet[own] === 0) {
            isMet[own] = 1;
            met[kinds] = own;
            kinds += 1;
          }
          shareIn[k * KINDS + own] += free;
        }
      }
      for (let k = begin; k <= end; k += 1)
        // Nothing in the way: as much as there is.
        through[pixel + k] = spans[k] === 0 ? all : passes(k, kinds, weights, Math.sqrt(squared[k]));
      for (let j = 0; j < kinds; j += 1) {
        isMet[met[j]] = 0;
        for (let k = begin; k <= end; k += 1) shareIn[k * KINDS + met[j]] = 0;
      }
    }
  }
  return { through, tested };
}
