/** What a picture that was read in holds, whatever file it came in. */
export type ReadPicture = {
  columns: number;
  rows: number;
  /** 0 to 255. */
  grey: Uint8ClampedArray;
  /** Edge of a pixel on the receptor, where the file says it. */
  pixelMm: number | null;
  /** What the file says of how it was taken: name and value. */
  says: { name: string; value: string }[];
};

/** Longer side of a picture that is read, pixels. */
const MOST_PIXELS = 6000;

/** @throws RangeError for a picture that is too large or has no area */
export function checkSize(columns: number, rows: number): void {
  if (!(columns >= 1 && rows >= 1 && columns <= MOST_PIXELS && rows <= MOST_PIXELS))
    throw new RangeError(`a picture must have 1 to ${MOST_PIXELS} pixels a side, got ${columns} by ${rows}`);
}
