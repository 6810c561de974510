/**
 * What a length on a picture is in the part. A picture shows shadows on the receptor, larger than what threw them: the
 * scale of the part is known by how far it lay from the receptor, or by an object of known size beside it at a height of
 * its own. Source: similar triangles; the spread is what a height that is known to a finger's breadth leaves.
 */
import { z } from 'zod';

const mm = (name: string, low: number, high: number) => {
  const error = `${name} must be ${low} to ${high} mm`;
  return z.number({ error }).min(low, { error }).max(high, { error });
};
const MAGNIFICATION = { error: 'Magnification must be 1 to 5' };

export const calibrationSchema = z.discriminatedUnion('by', [
  /** Nothing is known of the part: lengths are those of the shadow. */
  z.strictObject({ by: z.literal('receptor') }),
  z.strictObject({
    by: z.literal('magnification'),
    magnification: z.number(MAGNIFICATION).min(1, MAGNIFICATION).max(5, MAGNIFICATION),
    sidMm: mm('SID', 300, 4000),
  }),
  z.strictObject({
    by: z.literal('object'),
    /** Its length as it is on the picture, and in truth. */
    readMm: mm('The object on the picture', 1, 1000),
    trueMm: mm('The object', 1, 500),
    sidMm: mm('SID', 300, 4000),
    /** Over the receptor: of the object, and of the part that is measured. */
    objectHeightMm: mm('Height of the object over the receptor', 0, 600),
    partHeightMm: mm('Height of the part over the receptor', 0, 600),
  }),
]);
export type Calibration = z.infer<typeof calibrationSchema>;

/** A height over the receptor is known to a finger's breadth. */
const HEIGHT_MM = 10;
/** An end of the object is read to so much on the picture. */
const READ_MM = 0.5;
/** Where nothing is known, a part may lie so far from the receptor that lengths are too large by this share. */
const UNKNOWN_SHARE = 0.2;

export type Scale = {
  /** Length in the part for a length on the receptor. */
  factor: number;
  /** Share within which it is known. */
  spread: number;
};

const magnificationAt = (sidMm: number, heightMm: number): number => sidMm / Math.max(1, sidMm - heightMm);

/** How high over the receptor a part lies that is magnified so, mm. @example heightOf(1.25, 1000) // 200 */
export const heightOf = (magnification: number, sidMm: number): number => sidMm - sidMm / magnification;

/**
 * @returns the scale of the part
 * @throws RangeError for an object or a part that would lie at the tube
 * @example scaleOf({ by: 'magnification', magnification: 1.25, sidMm: 1000 }).factor // 0.8
 */
export function scaleOf(calibration: Calibration): Scale {
  switch (calibration.by) {
    case 'receptor':
      return { factor: 1, spread: UNKNOWN_SHARE };
    case 'magnification': {
      const { magnification, sidMm } = calibration;
      // A finger's breadth of height, in shares of the way from the tube to the part.
      return { factor: 1 / magnification, spread: (HEIGHT_MM * magnification) / sidMm };
    }
    case 'object': {
      const { readMm, trueMm, sidMm, objectHeightMm, partHeightMm } = calibration;
      if (objectHeightMm >= sidMm * 0.9 || partHeightMm >= sidMm * 0.9)
        throw new RangeError('The object and the part must lie well below the tube: their heights against the SID');
      const [object, part] = [objectHeightMm, partHeightMm].map((height) => magnificationAt(sidMm, height)) as [
        number,
        number,
      ];
      const height = (HEIGHT_MM * Math.SQRT2 * part) / sidMm;
      return {
        factor: (trueMm / readMm) * (object / part),
        spread: Math.hypot((READ_MM * Math.SQRT2) / readMm, height),
      };
    }
  }
}
