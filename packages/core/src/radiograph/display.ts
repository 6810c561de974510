/** A picture for the eye: the logarithm of the signal, windowed by what is in the light. */

export type Window = {
  /** Logarithm (base ten) of the signal that is shown middle grey, and how many decades lie from black to white. */
  level: number;
  width: number;
};

/** Ends of the content that is shown: what is darker or brighter is cut. */
const LOW = 0.005;
const HIGH = 0.985;
const LEAST_WIDTH = 0.2;
/** Pixels that are enough to know the content. */
const SAMPLED = 6_000;
const LEAST_SIGNAL = 1e-6;

const decades = (signal: number): number => Math.log10(Math.max(signal, LEAST_SIGNAL));

/** What lets through more than this is air: it needs no grey of its own. */
const AIR_FROM = 0.97;

/**
 * Window from what lies in the field; open beam beside a limb is left to be black.
 * @param where 2 in the light @param through share that comes through, pixel by pixel
 */
export function windowOf(signal: Float32Array, where: Uint8Array, through: Float32Array): Window {
  const step = Math.max(1, Math.floor(signal.length / SAMPLED));
  const found = new Float32Array(Math.ceil(signal.length / step));
  let count = 0;
  for (let i = 0; i < signal.length; i += step)
    if (where[i] === 2 && through[i] < AIR_FROM) {
      found[count] = decades(signal[i]);
      count += 1;
    }
  const content = found.subarray(0, count).sort();
  if (content.length === 0) return { level: 0, width: 1 };
  const at = (share: number) => content[Math.min(content.length - 1, Math.floor(content.length * share))];
  const [low, high] = [at(LOW), at(HIGH)];
  return { level: (low + high) / 2, width: Math.max(LEAST_WIDTH, high - low) };
}

/**
 * Grey values, bone bright; black outside the light.
 * @param where 2 in the light
 * @returns 0 to 255 for each pixel
 */
export function toGrey(signal: Float32Array, where: Uint8Array, { level, width }: Window): Uint8ClampedArray {
  const grey = new Uint8ClampedArray(signal.length);
  const top = level + width / 2;
  for (let i = 0; i < signal.length; i += 1)
    if (where[i] === 2) grey[i] = ((top - Math.log10(Math.max(signal[i], LEAST_SIGNAL))) / width) * 255;
  return grey;
}
