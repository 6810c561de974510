/**
 * Rays from the focal spot through every pixel: how much of the signal comes through. Pieces are sorted into tiles of the
 * picture by where their boxes fall, and within a tile by rank, so that a ray meets few of them, the winning ones first.
 */
import { ENERGIES, materialIndex, MATERIALS, MU_PER_MM } from './attenuation';
import type { BoneLengths } from './boneLengths';
import { crossRun, newRun, RUN } from './crossings';
import type { Pieces } from './pieces';
import type { Detector } from './shadow';

/** Rows of a tile; it is as wide as a run. */
const TALL = 8;
/** Separate stretches of one ray that are taken already; more than a body has. */
const MOST_SPANS = 64;
/** What is imported may be looked up at every use; in the loops it is a number or an array of this file. */
const KINDS = MATERIALS;
const BINS = ENERGIES;
const MU = MU_PER_MM;
const WIDE = RUN;

/** Pieces by tile, one list after the other, ranks in order: `from[tile]` to `from[tile + 1]` of `pieces`. */
function tilesOf({ count, bounds }: Pieces, columns: number, rows: number): { from: Uint32Array; pieces: Uint32Array } {
  const across = Math.ceil(columns / WIDE);
  const down = Math.ceil(rows / TALL);
  const tile = (at: number, most: number) => Math.min(most - 1, Math.max(0, Math.floor(at)));
  const each = (visit: (at: number, piece: number) => void) => {
    for (let i = 0; i < count; i += 1) {
      const b = i * 4;
      const last = tile(bounds[b + 1] / WIDE, across);
      const bottom = tile(bounds[b + 3] / TALL, down);
      for (let y = tile(bounds[b + 2] / TALL, down); y <= bottom; y += 1)
        for (let x = tile(bounds[b] / WIDE, across); x <= last; x += 1) visit(y * across + x, i);
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
const span = new Float64Array(WIDE * 2 * MOST_SPANS);
const spans = new Int32Array(WIDE);
/** Materials that a run has met, each once; the share of each ray that runs in them; and where that of a material stands. */
const met = new Int32Array(KINDS);
const shareIn = new Float64Array(KINDS * WIDE);
const slotOf = new Int32Array(KINDS).fill(-1);
const run = newRun();

/** Takes a stretch of a ray. @returns what of it was not taken yet by a higher rank */
function take(k: number, from: number, to: number): number {
  const start = k * 2 * MOST_SPANS;
  const end = start + 2 * spans[k];
  let first = start;
  while (first < end && span[first + 1] < from) first += 2;
  if (first === end || span[first] > to) {
    // Apart from all that is taken.
    if (end - start >= 2 * MOST_SPANS) return to - from;
    for (let i = end - 1; i >= first; i -= 1) span[i + 2] = span[i];
    span[first] = from;
    span[first + 1] = to;
    spans[k] += 1;
    return to - from;
  }
  let free = 0;
  let at = span[first + 1];
  if (span[first] > from) {
    free = span[first] - from;
    span[first] = from;
  }
  if (at >= to) return free;
  let last = first + 2;
  while (last < end && span[last] <= to) {
    free += span[last] - at;
    at = span[last + 1];
    last += 2;
  }
  if (at < to) {
    free += to - at;
    at = to;
  }
  span[first + 1] = at;
  const gone = last - first - 2;
  if (gone > 0) {
    for (let i = last; i < end; i += 1) span[i - gone] = span[i];
    spans[k] -= gone / 2;
  }
  return free;
}

const CORTICAL = materialIndex('cortical');
const CANCELLOUS = materialIndex('cancellous');
const MARROW = materialIndex('marrow');
/** What true bones take the place of, in this order: they lie in muscle, and where that is thin in fat. */
const FLESH = [materialIndex('muscle'), materialIndex('fat')] as const;

/** Slot of a material in the run's shares, made empty where it was not met yet. */
function slotFor(own: number, kinds: number, begin: number, end: number): number {
  if (slotOf[own] >= 0) return kinds;
  slotOf[own] = kinds * WIDE;
  met[kinds] = own;
  for (let k = begin; k <= end; k += 1) shareIn[kinds * WIDE + k] = 0;
  return kinds + 1;
}

/** Puts the bones of a run into its shares, in the place of flesh. @returns the number of materials then met */
function putBones(
  bones: BoneLengths,
  pixel: number,
  begin: number,
  end: number,
  known: number,
  squared: Float64Array,
): number {
  let kinds = known;
  let any = false;
  for (let k = begin; k <= end && !any; k += 1) any = bones.wall[pixel + k] > LEAST_BONE;
  if (!any) return kinds;
  for (const own of [CORTICAL, CANCELLOUS, MARROW]) kinds = slotFor(own, kinds, begin, end);
  for (let k = begin; k <= end; k += 1) {
    const whole = bones.wall[pixel + k];
    if (whole <= LEAST_BONE) continue;
    const inner = Math.min(whole, Math.max(0, bones.spongy[pixel + k]));
    const marrow = Math.min(inner, Math.max(0, bones.marrow[pixel + k]));
    const grain = bones.grain[pixel + k] / Math.sqrt(squared[k]);
    shareIn[slotOf[CORTICAL] + k] += Math.max(0, whole - inner + grain);
    shareIn[slotOf[CANCELLOUS] + k] += inner - marrow;
    shareIn[slotOf[MARROW] + k] += marrow;
    let rest = whole;
    for (const flesh of FLESH) {
      const slot = slotOf[flesh];
      if (slot < 0) continue;
      const taken = Math.min(rest, shareIn[slot + k]);
      shareIn[slot + k] -= taken;
      rest -= taken;
    }
    // A ray that meets nothing but bone still meets something.
    if (spans[k] === 0) spans[k] = 1;
  }
  return kinds;
}
/** Shares of a ray that are rounding. */
const LEAST_BONE = 1e-6;

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
  for (let j = 0; j < kinds; j += 1) {
    const mm = shareIn[j * WIDE + k] * long;
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
 * @param bones true bones in the rays, that are no pieces
 */
export function castRays(
  pieces: Pieces,
  detector: Detector,
  weights: Float64Array,
  lit: (pixel: number) => boolean,
  bones: BoneLengths | null = null,
): Cast {
  const { focal, origin, stepU, stepV, columns, rows } = detector;
  const tiles = tilesOf(pieces, columns, rows);
  const list = tiles.pieces;
  const { bounds, material } = pieces;
  const across = Math.ceil(columns / WIDE);
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
      const tile = ((y / TALL) | 0) * across + column;
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
        kinds = slotFor(own, kinds, begin, end);
        const slot = slotOf[own];
        for (let k = first; k <= last; k += 1) {
          // What lies behind the receptor casts no shadow on it.
          const from = near[k] > 0 ? near[k] : 0;
          const to = far[k] < 1 ? far[k] : 1;
          if (from >= to) continue;
          const free = take(k, from, to);
          if (free > 0) shareIn[slot + k] += free;
        }
      }
      if (bones) kinds = putBones(bones, pixel, begin, end, kinds, squared);
      for (let k = begin; k <= end; k += 1)
        // Nothing in the way: as much as there is.
        through[pixel + k] = spans[k] === 0 ? all : passes(k, kinds, weights, Math.sqrt(squared[k]));
      for (let j = 0; j < kinds; j += 1) slotOf[met[j]] = -1;
    }
  }
  return { through, tested };
}
