/**
 * The surface of a field as a closed mesh: a vertex in every cell of a grid that the surface crosses, laid onto the
 * surface, then as few triangles as stay within a tolerance of it.
 */
import { MeshoptSimplifier } from 'meshoptimizer';
import { plus, slope, type Box, type Field, type Vec3 } from './field';

/** Points in mm, three numbers each; triangles turn left about their outward normal. */
export type Mesh = { points: Float32Array; triangles: Uint32Array };

const CORNERS = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [i & 1, (i >> 1) & 1, (i >> 2) & 1] as const);
const EDGES = CORNERS.flatMap(([x, y, z], i) =>
  [x ? -1 : i + 1, y ? -1 : i + 2, z ? -1 : i + 4].filter((j) => j >= 0).map((j) => [i, j] as const),
);
/** A vertex is drawn onto the surface in so many steps, each no longer than this share of a cell. */
const ROUNDS = 4;
const LONGEST = 0.45;

function onto(field: Field, from: Vec3, cell: number): Vec3 {
  let p = from;
  for (let round = 0; round < ROUNDS; round += 1) {
    const value = field(p);
    const g = slope(field, p);
    const squared = Math.max(0.05, g[0] ** 2 + g[1] ** 2 + g[2] ** 2);
    const far = Math.max(-LONGEST * cell, Math.min(LONGEST * cell, value / Math.sqrt(squared)));
    p = plus(p, g, -far / Math.sqrt(squared));
  }
  return p;
}

/** Points of a block that is asked once, each way. */
const BLOCK = 6;
/** A field may rise so much faster than the distance: beyond that a whole block lies on one side. */
const STEEP = 1.6;
/** Where a block lies wholly on one side of the surface, its value: most of a box does. */
function sureBlocks(
  field: Field,
  at: (i: number, j: number, k: number) => Vec3,
  [nx, ny]: readonly [number, number, number] | number[],
  cell: number,
) {
  const known = new Map<number, number | null>();
  const far = (BLOCK / 2) * cell * Math.sqrt(3) * STEEP;
  return (i: number, j: number, k: number): number | null => {
    const [a, b, c] = [i, j, k].map((n) => Math.floor(n / BLOCK));
    const key = (c * ny + b) * nx + a;
    let value = known.get(key);
    if (value === undefined) {
      const middle = field(at((a + 0.5) * BLOCK - 0.5, (b + 0.5) * BLOCK - 0.5, (c + 0.5) * BLOCK - 0.5));
      known.set(key, (value = Math.abs(middle) > far ? middle : null));
    }
    return value;
  };
}

/** @throws RangeError where the surface leaves the box */
export function surfaceOf(field: Field, { low, high }: Box, cell: number): Mesh {
  const [nx, ny, nz] = [0, 1, 2].map((k) => Math.ceil((high[k] - low[k]) / cell) + 1);
  const at = (i: number, j: number, k: number): Vec3 => [low[0] + i * cell, low[1] + j * cell, low[2] + k * cell];
  const index = (i: number, j: number, k: number) => (k * ny + j) * nx + i;
  const values = new Float32Array(nx * ny * nz);
  const sure = sureBlocks(field, at, [nx, ny, nz], cell);
  for (let k = 0; k < nz; k += 1)
    for (let j = 0; j < ny; j += 1)
      for (let i = 0; i < nx; i += 1) {
        const value = sure(i, j, k) ?? (field(at(i, j, k)) || 1e-9);
        if (value < 0 && (i === 0 || j === 0 || k === 0 || i === nx - 1 || j === ny - 1 || k === nz - 1))
          throw new RangeError(
            `a surface leaves its box at ${at(i, j, k)
              .map((mm) => mm.toFixed(1))
              .join(', ')}`,
          );
        values[index(i, j, k)] = value;
      }
  const vertexOf = new Int32Array(values.length).fill(-1);
  const points: number[] = [];
  const triangles: number[] = [];
  for (let k = 0; k < nz - 1; k += 1)
    for (let j = 0; j < ny - 1; j += 1)
      for (let i = 0; i < nx - 1; i += 1) {
        const corner = CORNERS.map(([x, y, z]) => values[index(i + x, j + y, k + z)]);
        const inside = corner.filter((value) => value < 0).length;
        if (inside === 0 || inside === 8) continue;
        let sum: Vec3 = [0, 0, 0];
        let count = 0;
        for (const [a, b] of EDGES) {
          if (corner[a] < 0 === corner[b] < 0) continue;
          const t = corner[a] / (corner[a] - corner[b]);
          const cross = CORNERS[a].map((v, m) => v + (CORNERS[b][m] - v) * t) as unknown as Vec3;
          sum = plus(sum, cross);
          count += 1;
        }
        const middle = plus(at(i, j, k), sum, cell / count);
        vertexOf[index(i, j, k)] = points.length / 3;
        points.push(...onto(field, middle, cell));
      }
  const quad = (a: number, b: number, c: number, d: number, turned: boolean) =>
    turned ? triangles.push(a, b, c, a, c, d) : triangles.push(a, c, b, a, d, c);
  for (let k = 1; k < nz - 1; k += 1)
    for (let j = 1; j < ny - 1; j += 1)
      for (let i = 1; i < nx - 1; i += 1) {
        const here = values[index(i, j, k)] < 0;
        const v = (x: number, y: number, z: number) => vertexOf[index(i - x, j - y, k - z)];
        if (here !== values[index(i + 1, j, k)] < 0) quad(v(0, 1, 1), v(0, 0, 1), v(0, 0, 0), v(0, 1, 0), here);
        if (here !== values[index(i, j + 1, k)] < 0) quad(v(1, 0, 1), v(1, 0, 0), v(0, 0, 0), v(0, 0, 1), here);
        if (here !== values[index(i, j, k + 1)] < 0) quad(v(1, 1, 0), v(0, 1, 0), v(0, 0, 0), v(1, 0, 0), here);
      }
  return { points: Float32Array.from(points), triangles: Uint32Array.from(triangles) };
}

/** Volume that a mesh encloses, mm³; negative where its triangles turn the other way. */
export function volumeOf({ points, triangles }: Mesh): number {
  let six = 0;
  const p = (i: number): Vec3 => [points[i * 3], points[i * 3 + 1], points[i * 3 + 2]];
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [p(triangles[t]), p(triangles[t + 1]), p(triangles[t + 2])];
    six += a[0] * (b[1] * c[2] - b[2] * c[1]) + a[1] * (b[2] * c[0] - b[0] * c[2]) + a[2] * (b[0] * c[1] - b[1] * c[0]);
  }
  return six / 6;
}

/** Edges that are not run through once each way: 0 for a closed mesh. */
export function openEdges({ triangles }: Mesh): number {
  const seen = new Map<string, number>();
  const run = (a: number, b: number) => {
    const key = a < b ? `${a}-${b}` : `${b}-${a}`;
    seen.set(key, (seen.get(key) ?? 0) + (a < b ? 1 : -1));
  };
  for (let t = 0; t < triangles.length; t += 3)
    for (let e = 0; e < 3; e += 1) run(triangles[t + e], triangles[t + ((e + 1) % 3)]);
  return [...seen.values()].filter((sum) => sum !== 0).length;
}

/** The largest of the pieces that a mesh falls into, and how many there were. */
export function largestPiece({ points, triangles }: Mesh): { mesh: Mesh; pieces: number } {
  const parent = Int32Array.from({ length: points.length / 3 }, (_, i) => i);
  const root = (i: number): number => {
    let at = i;
    while (parent[at] !== at) at = parent[at];
    parent[i] = at;
    return at;
  };
  for (let t = 0; t < triangles.length; t += 3)
    for (const other of [triangles[t + 1], triangles[t + 2]]) parent[root(other)] = root(triangles[t]);
  const sizes = new Map<number, number>();
  for (let t = 0; t < triangles.length; t += 3) sizes.set(root(triangles[t]), (sizes.get(root(triangles[t])) ?? 0) + 1);
  const [most] = [...sizes].reduce((a, b) => (a[1] >= b[1] ? a : b));
  const own: number[] = [];
  for (let t = 0; t < triangles.length; t += 3)
    if (root(triangles[t]) === most) own.push(triangles[t], triangles[t + 1], triangles[t + 2]);
  return { mesh: { points, triangles: Uint32Array.from(own) }, pieces: sizes.size };
}

/** Fewer triangles, none further from the surface than `toleranceMm`. */
export async function simplified(mesh: Mesh, toleranceMm: number): Promise<Mesh> {
  await MeshoptSimplifier.ready;
  const size = MeshoptSimplifier.getScale(mesh.points, 3);
  const [triangles] = MeshoptSimplifier.simplify(mesh.triangles, mesh.points, 3, 12, toleranceMm / size);
  const used = new Map<number, number>();
  const points: number[] = [];
  const renumbered = triangles.map((at) => {
    let to = used.get(at);
    if (to === undefined) {
      used.set(at, (to = used.size));
      points.push(mesh.points[at * 3], mesh.points[at * 3 + 1], mesh.points[at * 3 + 2]);
    }
    return to;
  });
  const result = { points: Float32Array.from(points), triangles: Uint32Array.from(renumbered) };
  return volumeOf(result) > 0 ? result : { ...result, triangles: result.triangles.slice().reverse() };
}
