/** A hung picture as PNG, and back. */
import { decode, encode } from 'fast-png';
import { CAPTION } from '../radiograph/caption';
import type { ViewedPicture } from '../radiograph/viewed';
import { checkSize, type ReadPicture } from './readPicture';

/** Under which the file says how large a pixel is on the receptor. */
const PIXEL = 'Pixel edge on the receptor, mm';

/** @returns the file */
export function toPng({ columns, rows, pixelMm, grey }: ViewedPicture): Uint8Array {
  return encode({
    width: columns,
    height: rows,
    data: new Uint8Array(grey.buffer, grey.byteOffset, grey.length),
    channels: 1,
    depth: 8,
    text: { Comment: CAPTION, [PIXEL]: pixelMm.toFixed(4) },
  });
}

/** Mean of the three colours, 0 to 255; black for a number that the palette does not have. */
const greyOfColour = ([red = 0, green = 0, blue = 0]: readonly number[] = []): number => (red + green + blue) / 3;

function meanOf(data: ArrayLike<number>, from: number, count: number): number {
  let sum = 0;
  for (let k = 0; k < count; k += 1) sum += data[from + k] ?? 0;
  return sum / count;
}

/** @throws RangeError for what is no PNG, or too large */
export function fromPng(bytes: Uint8Array): ReadPicture {
  let image: ReturnType<typeof decode>;
  try {
    image = decode(bytes);
  } catch (error) {
    throw new RangeError(`this is no PNG that can be read: ${(error as Error).message}`, { cause: error });
  }
  const { width, height, channels, depth, data, palette, text } = image;
  checkSize(width, height);
  const grey = new Uint8ClampedArray(width * height);
  const colours = channels >= 3 ? 3 : 1;
  const most = 2 ** depth - 1;
  for (let i = 0; i < grey.length; i += 1) {
    grey[i] = palette ? greyOfColour(palette[data[i] ?? 0]) : (meanOf(data, i * channels, colours) / most) * 255;
  }
  const pixelMm = Number(text[PIXEL]);
  return {
    columns: width,
    rows: height,
    grey,
    pixelMm: pixelMm > 0 ? pixelMm : null,
    says: Object.entries(text).map(([name, value]) => ({ name, value })),
  };
}
