/** Quantum noise from a seed: the same seed, the same grain. */

/** Numbers 0 to 1 from a seed (mulberry32). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Photons that count, for each µGy and mm² [typical: 30 000 of a diagnostic beam, of which a good receptor keeps half]. */
const COUNTED_PER_UGY_MM2 = 15_000;

/** Deviates of a normal spread, drawn once: a pixel takes one of them. */
const DEVIATES = 1 << 15;
let deviates: Float32Array | undefined;
function normalDeviates(): Float32Array {
  if (deviates) return deviates;
  const draw = seeded(1);
  return (deviates = Float32Array.from(
    { length: DEVIATES },
    () => Math.sqrt(-2 * Math.log(Math.max(draw(), 1e-12))) * Math.cos(2 * Math.PI * draw()),
  ));
}

/**
 * Adds noise to a picture in place.
 * @param kermaUGy of each pixel; @param pixelMm edge of a pixel
 */
export function addNoise(kermaUGy: Float32Array, pixelMm: number, seed: number): void {
  const draw = seeded(seed);
  const normal = normalDeviates();
  const perUGy = COUNTED_PER_UGY_MM2 * pixelMm * pixelMm;
  for (let i = 0; i < kermaUGy.length; i += 1) {
    const value = kermaUGy[i];
    if (value > 0) kermaUGy[i] = Math.max(0, value + normal[(draw() * DEVIATES) | 0] * Math.sqrt(value / perUGy));
  }
}
