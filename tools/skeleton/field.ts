/**
 * Solids as signed fields: negative inside, positive outside, about the distance from the surface near it. Bones are
 * written as lofts and rounded pieces that are blended into each other and carved by their neighbours.
 */
export type Vec3 = readonly [number, number, number];
export type Field = (p: Vec3) => number;
/** Corners of a box that holds a surface. */
export type Box = { low: Vec3; high: Vec3 };

export const sub = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const plus = (a: Vec3, b: Vec3, by = 1): Vec3 => [a[0] + b[0] * by, a[1] + b[1] * by, a[2] + b[2] * by];
const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const unit = (a: Vec3): Vec3 => {
  const size = Math.hypot(...a);
  return [a[0] / size, a[1] / size, a[2] / size];
};
const mix = (a: number, b: number, t: number): number => a + (b - a) * t;
const clamp01 = (t: number): number => Math.min(1, Math.max(0, t));
/** 0 before `from`, 1 after `to`, smooth between. */
export const rise = (from: number, to: number, at: number): number => {
  const t = clamp01((at - from) / (to - from));
  return t * t * (3 - 2 * t);
};

/** The lesser of two, rounded where they are alike. @param k mm over which it is rounded */
function softMin(a: number, b: number, k: number): number {
  const h = Math.max(0, k - Math.abs(a - b)) / k;
  return Math.min(a, b) - (h * h * k) / 4;
}

/** All of several pieces, their seams filled. */
export const blend =
  (k: number, ...pieces: readonly Field[]): Field =>
  (p) =>
    pieces.reduce((least, piece) => (least === Infinity ? piece(p) : softMin(least, piece(p), k)), Infinity);

/** What lies in both. */
export const within =
  (k: number, a: Field, b: Field): Field =>
  (p) =>
    -softMin(-a(p), -b(p), k);

/** The first without the others. */
export const carve = (k: number, from: Field, ...others: readonly Field[]): Field =>
  others.reduce<Field>((rest, other) => within(k, rest, (p) => -other(p)), from);

/** The same, larger by `mm` all round. */
export const grown =
  (mm: number, field: Field): Field =>
  (p) =>
    field(p) - mm;

const STEP = 0.05;
/** Slope of a field at a point. */
export const slope = (field: Field, [x, y, z]: Vec3): Vec3 => [
  (field([x + STEP, y, z]) - field([x - STEP, y, z])) / (2 * STEP),
  (field([x, y + STEP, z]) - field([x, y - STEP, z])) / (2 * STEP),
  (field([x, y, z + STEP]) - field([x, y, z - STEP])) / (2 * STEP),
];
/** Deeper than this nobody asks how deep exactly; there a field may be steep without a surface near. */
const DEEP_MM = 6;
/** A field whose values are distances to the first order: what is grown or shrunk wants it. */
export const evened =
  (field: Field): Field =>
  (p) => {
    const value = field(p);
    return Math.abs(value) > DEEP_MM ? value : value / Math.min(1.7, Math.max(0.5, Math.hypot(...slope(field, p))));
  };

export const ball =
  (c: Vec3, r: number): Field =>
  (p) =>
    Math.hypot(p[0] - c[0], p[1] - c[1], p[2] - c[2]) - r;

/** Axes that a piece is written in: origin and three unit vectors. */
export type Axes = { o: Vec3; u: Vec3; v: Vec3; w: Vec3 };
export const inAxes = ({ o, u, v, w }: Axes, p: Vec3): Vec3 => {
  const q = sub(p, o);
  return [dot(q, u), dot(q, v), dot(q, w)];
};
/** `along` is the third axis; the second is as near to `up` as it can be. */
export function axesAlong(o: Vec3, along: Vec3, up: Vec3 = [0, 1, 0]): Axes {
  const w = unit(along);
  const v = unit(plus(up, w, -dot(up, w)));
  return { o, u: cross(v, w), v, w };
}
/** A field written in axes of its own. */
export const placed =
  (axes: Axes, field: Field): Field =>
  (p) =>
    field(inAxes(axes, p));

const UPRIGHT: Axes = { o: [0, 0, 0], u: [1, 0, 0], v: [0, 1, 0], w: [0, 0, 1] };
/**
 * An ellipsoid; with `n` over 2 its sides are flatter and its corners fuller.
 * @param r half lengths along the axes
 */
export const lump =
  (c: Vec3, r: Vec3, axes: Axes = UPRIGHT, n = 2): Field =>
  (p) => {
    const [x, y, z] = inAxes({ ...axes, o: c }, p);
    const [a, b, d] = [Math.abs(x / r[0]), Math.abs(y / r[1]), Math.abs(z / r[2])];
    const norm = (a ** n + b ** n + d ** n) ** (1 / n);
    if (norm < 1e-6) return -Math.min(...r);
    const g = Math.hypot(a ** (n - 1) / r[0], b ** (n - 1) / r[1], d ** (n - 1) / r[2]) / norm ** (n - 1);
    return (norm - 1) / g;
  };

/** A rod between two balls. */
export const rod =
  (a: Vec3, b: Vec3, ra: number, rb = ra): Field =>
  (p) => {
    const d = sub(b, a);
    const t = clamp01(dot(sub(p, a), d) / dot(d, d));
    return Math.hypot(...sub(p, plus(a, d, t))) - mix(ra, rb, t);
  };

/** What lies under a plane. */
export const under =
  (at: Vec3, normal: Vec3): Field =>
  (p) =>
    dot(sub(p, at), unit(normal));

const GRID_MM = 0.8;
/**
 * Distances of a field on a grid, worked out when they are first asked for: what others are carved by is asked many
 * times. Beyond the box it is as far as the nearest point of the box, and the way there.
 */
export function gridded(field: Field, { low, high }: Box): Field {
  const count = [0, 1, 2].map((k) => Math.ceil((high[k] - low[k]) / GRID_MM) + 2);
  const values = new Float32Array(count[0] * count[1] * count[2]).fill(Infinity);
  const even = evened(field);
  const value = (i: number, j: number, k: number): number => {
    const at = (k * count[1] + j) * count[0] + i;
    if (values[at] === Infinity) values[at] = even([low[0] + i * GRID_MM, low[1] + j * GRID_MM, low[2] + k * GRID_MM]);
    return values[at];
  };
  return (p) => {
    const nearest = p.map((mm, k) => Math.min(high[k], Math.max(low[k], mm)));
    const out = Math.hypot(p[0] - nearest[0], p[1] - nearest[1], p[2] - nearest[2]);
    const q = nearest.map((mm, k) => (mm - low[k]) / GRID_MM);
    const [i, j, k] = q.map(Math.floor);
    const [u, v, w] = [q[0] - i, q[1] - j, q[2] - k];
    const line = (b: number, c: number) => mix(value(i, b, c), value(i + 1, b, c), u);
    return out + mix(mix(line(j, k), line(j + 1, k), v), mix(line(j, k + 1), line(j + 1, k + 1), v), w);
  };
}
