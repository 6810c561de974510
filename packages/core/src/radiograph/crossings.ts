/**
 * Where the rays of a run - neighbours in a row of the picture - enter and leave a convex piece. A step along the row
 * changes a ray by the same vector each time, so that what is square in the ray is square in the number of the step:
 * a piece is taken to the ray once for a run and not once for a ray.
 */
import { BALL, CONE, CYLINDER, STRIDE, type Pieces } from './pieces';

/** Most rays of a run. */
export const RUN = 32;

/** Room for the numbers of a run, used again and again: nothing is made for a ray. */
export type Run = {
  /** First ray of the run and the step to the next one, mm: from the focal spot to the receptor, unlike unit vectors. */
  ray: Float64Array;
  /** Squares of the lengths of its rays, mm². */
  squared: Float64Array;
  /**
   * Where the piece that was asked for last is entered and left, as shares of the way to the receptor; out before in
   * where a ray misses it.
   */
  near: Float64Array;
  far: Float64Array;
};
export const newRun = (): Run => ({
  ray: new Float64Array(6),
  squared: new Float64Array(RUN),
  near: new Float64Array(RUN),
  far: new Float64Array(RUN),
});

/** Beyond everything. */
const FAR = 1e7;
/** Under this a ray runs along a face or an edge. */
const ALONG = 1e-9;

/** A ray and its step in the coordinates of the piece at hand. */
const own = new Float64Array(6);
function intoOwn(ray: Float64Array, a: Float64Array, s: number): void {
  for (let i = 0; i < 3; i += 1) {
    const row = s + 3 * i;
    own[i] = a[row] * ray[0] + a[row + 1] * ray[1] + a[row + 2] * ray[2];
    own[i + 3] = a[row] * ray[3] + a[row + 1] * ray[4] + a[row + 2] * ray[5];
  }
}

/** A unit ball in coordinates of its own. */
function crossBall({ ray, near, far }: Run, a: Float64Array, s: number, first: number, last: number): void {
  intoOwn(ray, a, s);
  const [qx, qy, qz, vx, vy, vz] = [own[0], own[1], own[2], own[3], own[4], own[5]];
  const [px, py, pz] = [a[s + 9], a[s + 10], a[s + 11]];
  const A0 = qx * qx + qy * qy + qz * qz;
  const A1 = 2 * (qx * vx + qy * vy + qz * vz);
  const A2 = vx * vx + vy * vy + vz * vz;
  const B0 = px * qx + py * qy + pz * qz;
  const B1 = px * vx + py * vy + pz * vz;
  const C = px * px + py * py + pz * pz - 1;
  for (let k = first; k <= last; k += 1) {
    const A = A0 + k * (A1 + k * A2);
    const B = B0 + k * B1;
    const under = B * B - A * C;
    if (under > 0) {
      const root = Math.sqrt(under);
      const share = 1 / A;
      near[k] = (-B - root) * share;
      far[k] = (-B + root) * share;
    } else {
      near[k] = 1;
      far[k] = 0;
    }
  }
}

/** A cylinder of radius 1 from -1 to 1 in coordinates of its own. */
function crossCylinder({ ray, near, far }: Run, a: Float64Array, s: number, first: number, last: number): void {
  intoOwn(ray, a, s);
  const [qx, qy, qz, vx, vy, vz] = [own[0], own[1], own[2], own[3], own[4], own[5]];
  const [px, py, pz] = [a[s + 9], a[s + 10], a[s + 11]];
  const A0 = qx * qx + qy * qy;
  const A1 = 2 * (qx * vx + qy * vy);
  const A2 = vx * vx + vy * vy;
  const B0 = px * qx + py * qy;
  const B1 = px * vx + py * vy;
  const C = px * px + py * py - 1;
  for (let k = first; k <= last; k += 1) {
    const z = qz + k * vz;
    const A = A0 + k * (A1 + k * A2);
    const B = B0 + k * B1;
    let from = -FAR;
    let to = FAR;
    if (z > ALONG || z < -ALONG) {
      const share = 1 / z;
      const t0 = (-1 - pz) * share;
      const t1 = (1 - pz) * share;
      from = t0 < t1 ? t0 : t1;
      to = t0 < t1 ? t1 : t0;
    } else if (pz < -1 || pz > 1) to = -FAR;
    const under = B * B - A * C;
    if (A > ALONG * ALONG) {
      if (under > 0) {
        const root = Math.sqrt(under);
        const share = 1 / A;
        const t0 = (-B - root) * share;
        const t1 = (-B + root) * share;
        if (t0 > from) from = t0;
        if (t1 < to) to = t1;
      } else to = -FAR;
    } else if (C >= 0) to = -FAR;
    near[k] = from;
    far[k] = to;
  }
}

/** Two balls and the cone that touches both. */
function crossCone({ ray, squared, near, far }: Run, a: Float64Array, s: number, first: number, last: number): void {
  const dx = ray[0];
  const dy = ray[1];
  const dz = ray[2];
  const ux = ray[3];
  const uy = ray[4];
  const uz = ray[5];
  const b0 = a[s] * dx + a[s + 1] * dy + a[s + 2] * dz;
  const v0 = a[s] * ux + a[s + 1] * uy + a[s + 2] * uz;
  const w = a[s + 8] * dx + a[s + 9] * dy + a[s + 10] * dz;
  const vw = a[s + 8] * ux + a[s + 9] * uy + a[s + 10] * uz;
  const away = a[s + 11] + a[s + 14];
  const low = a[s + 12];
  const high = a[s + 13];
  const steep = a[s + 15];
  const C = a[s + 16];
  const ball0 = a[s + 3];
  for (let k = first; k <= last; k += 1) {
    const dd = squared[k];
    const b = b0 + k * v0;
    const wd = w + k * vw;
    const A = dd - steep * wd * wd;
    const B = b - away * wd;
    const under = B * B - A * C;
    let from = FAR;
    let to = -FAR;
    let open0 = true;
    let open1 = true;
    if (A > 1e-12 * dd) {
      // The balls lie inside the cone drawn on: what misses it misses them.
      if (under <= 0) {
        near[k] = 1;
        far[k] = 0;
        continue;
      }
      const root = Math.sqrt(under);
      const share = 1 / A;
      const t0 = (-B - root) * share;
      const t1 = (-B + root) * share;
      const z0 = t0 * wd;
      const z1 = t1 * wd;
      // Where it runs in and out through the side there is nothing more to ask.
      const in0 = z0 >= low && z0 <= high;
      const in1 = z1 >= low && z1 <= high;
      if (in0 && in1) {
        near[k] = t0;
        far[k] = t1;
        continue;
      }
      if (in0) from = to = t0;
      if (in1) {
        if (t1 < from) from = t1;
        to = t1;
      }
      // Only an end that the ray passes beyond can be met.
      open0 = z0 < low || z1 < low;
      open1 = z0 > high || z1 > high;
    } else if (wd > ALONG || wd < -ALONG) {
      // Steeper than the cone: between its ends the ray is inside it, but for the stretch between the roots.
      const e0 = low / wd;
      const e1 = high / wd;
      let t0 = e0 < e1 ? e0 : e1;
      let t1 = e0 < e1 ? e1 : e0;
      if (A > -1e-12 * dd) {
        if (C > 0) t1 = t0;
      } else if (under > 0) {
        const root = Math.sqrt(under);
        const enters = (-B + root) / A;
        const leaves = (-B - root) / A;
        if (t0 < enters) t1 = t1 < enters ? t1 : enters;
        else if (t0 < leaves) t0 = leaves;
      }
      if (t0 < t1) {
        from = t0;
        to = t1;
      }
    }
    if (open0) {
      const under0 = b * b - ball0 * dd;
      if (under0 > 0) {
        const root = Math.sqrt(under0);
        const t0 = (-b - root) / dd;
        const t1 = (-b + root) / dd;
        if (t0 < from) from = t0;
        if (t1 > to) to = t1;
      }
    }
    if (open1) {
      const b1 = a[s + 4] * (dx + k * ux) + a[s + 5] * (dy + k * uy) + a[s + 6] * (dz + k * uz);
      const under1 = b1 * b1 - a[s + 7] * dd;
      if (under1 > 0) {
        const root = Math.sqrt(under1);
        const t0 = (-b1 - root) / dd;
        const t1 = (-b1 + root) / dd;
        if (t0 < from) from = t0;
        if (t1 > to) to = t1;
      }
    }
    near[k] = from;
    far[k] = to;
  }
}

/** Half spaces in `faces`. @param at where they begin, and how many they are */
function crossFaces(
  { ray, near, far }: Run,
  faces: Float64Array,
  at: readonly [number, number],
  first: number,
  last: number,
): void {
  const end = at[0] + at[1] * 4;
  const dx = ray[0];
  const dy = ray[1];
  const dz = ray[2];
  const ux = ray[3];
  const uy = ray[4];
  const uz = ray[5];
  for (let f = at[0]; f < end; f += 4) {
    const gap = faces[f + 3];
    const start = faces[f] * dx + faces[f + 1] * dy + faces[f + 2] * dz;
    const step = faces[f] * ux + faces[f + 1] * uy + faces[f + 2] * uz;
    for (let k = first; k <= last; k += 1) {
      const speed = start + k * step;
      if (speed > ALONG) {
        const t = gap / speed;
        if (t < far[k]) far[k] = t;
      } else if (speed < -ALONG) {
        const t = gap / speed;
        if (t > near[k]) near[k] = t;
      } else if (gap < 0) far[k] = -FAR;
    }
  }
}

/** Where the rays `first` to `last` of the run are inside a piece, into its `near` and `far`. */
export function crossRun(run: Run, pieces: Pieces, piece: number, first: number, last: number): void {
  const { kind, numbers, faces, under } = pieces;
  const s = piece * STRIDE;
  switch (kind[piece]) {
    case BALL:
      crossBall(run, numbers, s, first, last);
      break;
    case CYLINDER:
      crossCylinder(run, numbers, s, first, last);
      break;
    case CONE:
      crossCone(run, numbers, s, first, last);
      break;
    default:
      run.near.fill(-FAR, first, last + 1);
      run.far.fill(FAR, first, last + 1);
      crossFaces(run, faces, [numbers[s], numbers[s + 1]], first, last);
  }
  if (under[piece] >= 0) crossFaces(run, faces, [under[piece], 1], first, last);
}
