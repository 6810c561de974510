/**
 * The grain of spongy bone: threads that are longer along the limb than across, the same at every point of a bone
 * whichever way it is turned. Not measured: the look of a radiograph in its usual strength [C].
 */

/** Points of the table each way; it repeats after that. */
const SIZE = 64;
/** mm from point to point: across the limb and along it. */
const ACROSS_MM = 0.3;
const ALONG_MM = 0.75;
/** Compact bone that a thread adds, or a gap leaves out, where a ray passes the wall, mm. */
const STRENGTH_MM = 0.2;

/** A number from -1 to 1 for a point, always the same. */
function scattered(i: number): number {
  let h = Math.imul(i + 1, 374761393);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return (((h ^ (h >>> 16)) >>> 0) / 4294967295) * 2 - 1;
}

/** Scattered numbers, smoothed over their neighbours and brought back to strength. */
function tableOf(): Float32Array {
  let values = Float32Array.from({ length: SIZE ** 3 }, (_, i) => scattered(i));
  for (const stride of [1, SIZE, SIZE * SIZE]) {
    const before = values;
    values = before.map((value, i) => {
      const at = Math.floor(i / stride) % SIZE;
      const back = at === 0 ? i + (SIZE - 1) * stride : i - stride;
      const on = at === SIZE - 1 ? i - (SIZE - 1) * stride : i + stride;
      return (before[back] + 2 * value + before[on]) / 4;
    });
  }
  const squares = values.reduce((sum, value) => sum + value * value, 0);
  const strength = STRENGTH_MM / Math.sqrt(squares / values.length);
  return values.map((value) => value * strength);
}
const TABLE = tableOf();
const MASK = SIZE - 1;
/** Far enough that what is shifted by it is positive, in whole repeats. */
const SHIFT = SIZE * 4096;

/** @param x @param y @param z a point of the reference mannequin, mm @returns mm of compact bone, more or less */
export function grainAt(x: number, y: number, z: number): number {
  const i = (x / ACROSS_MM + SHIFT) & MASK;
  const j = (y / ACROSS_MM + SHIFT) & MASK;
  const k = (z / ALONG_MM + SHIFT) & MASK;
  return TABLE[(k * SIZE + j) * SIZE + i];
}
