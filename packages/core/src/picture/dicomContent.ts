/**
 * Pixels of a foreign DICOM picture as the numbers that they stand for, and how they are shown. What is not done here is
 * refused by name: a picture that is shown wrong in silence is worse than none. Source: DICOM PS3.3 C.7.6.3, C.11.1, C.11.2.
 */

type Elements = Readonly<Record<string, unknown>>;
const first = (value: unknown): unknown => (Array.isArray(value) ? (value as unknown[])[0] : value);
/** A number that stands there; null where none does. */
const numberOf = (set: Elements, key: string): number | null => {
  const value = first(set[key]);
  if (value === undefined || value === null || value === '') return null;
  const number = Number(value);
  if (!Number.isFinite(number)) throw new RangeError(`${key} is no number: “${String(value).slice(0, 40)}”`);
  return number;
};
const isThere = (set: Elements, key: string): boolean => {
  const value = set[key];
  return Array.isArray(value) ? value.length > 0 : value !== undefined && value !== null;
};

/**
 * @param pixels as they are stored, little endian
 * @returns what each stands for, after the device's own scale
 * @throws RangeError for what is stored in a way that is not read here
 */
export function contentOf(set: Elements, pixels: ArrayBuffer, count: number): Float32Array {
  const samples = numberOf(set, 'SamplesPerPixel') ?? 1;
  if (samples !== 1) throw new RangeError(`only grey pictures can be read, this one has ${samples} samples a pixel`);
  const bits = numberOf(set, 'BitsAllocated');
  if (bits !== 8 && bits !== 16)
    throw new RangeError(
      `only pictures of 8 or 16 bits a pixel can be read, this one has ${bits ?? 'no number of them'}`,
    );
  const stored = numberOf(set, 'BitsStored') ?? bits;
  const high = numberOf(set, 'HighBit') ?? stored - 1;
  if (!Number.isInteger(stored) || !Number.isInteger(high) || stored < 1 || high >= bits || high + 1 < stored)
    throw new RangeError(`the file contradicts itself: ${stored} bits stored, the highest ${high}, of ${bits}`);
  if (isThere(set, 'ModalityLUTSequence'))
    throw new RangeError('this picture needs a table of its own device (modality LUT), which is not read here');
  if (pixels.byteLength < (count * bits) / 8)
    throw new RangeError('the file holds fewer pixels than its rows and columns');
  const raw = bits === 8 ? new Uint8Array(pixels, 0, count) : new Uint16Array(pixels, 0, count);
  const [shift, mask] = [high + 1 - stored, 2 ** stored - 1];
  const signed = numberOf(set, 'PixelRepresentation') === 1;
  const [slope, intercept] = [numberOf(set, 'RescaleSlope') ?? 1, numberOf(set, 'RescaleIntercept') ?? 0];
  if (slope === 0) throw new RangeError('the file scales every pixel to the same number (RescaleSlope 0)');
  const values = new Float32Array(count);
  for (let i = 0; i < count; i += 1) {
    const value = ((raw[i] ?? 0) >> shift) & mask;
    values[i] = (signed && value > mask / 2 ? value - mask - 1 : value) * slope + intercept;
  }
  return values;
}

/**
 * @returns how bright a number is shown, 0 to 1
 * @throws RangeError for a way of showing that is not known here
 */
export function windowOf(set: Elements, values: Float32Array): (value: number) => number {
  const [centre, width] = [numberOf(set, 'WindowCenter'), numberOf(set, 'WindowWidth')];
  if (centre === null || width === null) {
    if (isThere(set, 'VOILUTSequence'))
      throw new RangeError('this picture is shown by a table of its own (VOI LUT), which is not read here');
    // Nothing is said: from the least to the most.
    let [least, most] = [Infinity, -Infinity];
    for (const value of values) [least, most] = [Math.min(least, value), Math.max(most, value)];
    return (value) => (most > least ? (value - least) / (most - least) : 0.5);
  }
  const shape = String(first(set.VOILUTFunction) ?? 'LINEAR');
  if (width < 1 && shape === 'LINEAR') throw new RangeError(`WindowWidth must be 1 or more, not ${width}`);
  switch (shape) {
    case 'LINEAR':
      return (value) => (width <= 1 ? Number(value > centre - 0.5) : (value - (centre - 0.5)) / (width - 1) + 0.5);
    case 'LINEAR_EXACT':
      return (value) => (value - centre) / width + 0.5;
    case 'SIGMOID':
      return (value) => 1 / (1 + Math.exp((-4 * (value - centre)) / width));
    default:
      throw new RangeError(`this picture is shown by “${shape.slice(0, 40)}”, which is not known here`);
  }
}

/** Sides of a pixel may differ by so little that nobody can measure it. */
const SQUARE = 0.01;

/** Side of a pixel, mm; null where it is not told, or the pixels are not square: a length across would be another than one along. */
export function spacingOf(set: Elements): number | null {
  const spacing = set.ImagerPixelSpacing ?? set.PixelSpacing;
  if (spacing === undefined) return null;
  const [down, across = down] = (Array.isArray(spacing) ? spacing : [spacing]).map(Number);
  if (down === undefined || across === undefined || !(down > 0) || !(across > 0) || !Number.isFinite(down + across))
    return null;
  return Math.abs(down / across - 1) < SQUARE ? down : null;
}
