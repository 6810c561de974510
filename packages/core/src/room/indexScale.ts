/**
 * Numbers that rooms show for the kerma at the receptor: the standard index, inverse numbers and logarithmic ones, in
 * general form. Source: IEC 62494-1 for the first; the others are textbook forms whose constants are the room's data.
 */
import { z } from 'zod';

const positive = (name: string) => z.number().positive({ error: `${name} must be above 0` });

export const indexScaleSchema = z.discriminatedUnion('kind', [
  /** 100 × kerma in µGy. */
  z.strictObject({ kind: z.literal('standard') }),
  /** Falls as the exposure rises: k divided by the kerma in µGy. */
  z.strictObject({ kind: z.literal('inverse'), kUGy: positive('k') }),
  /** base + slope · log10 of the kerma over a reference. */
  z.strictObject({
    kind: z.literal('log'),
    base: z.number().finite(),
    slope: positive('Slope'),
    referenceUGy: positive('Reference kerma'),
  }),
]);
export type IndexScale = z.infer<typeof indexScaleSchema>;
export const STANDARD_SCALE: IndexScale = { kind: 'standard' };

const PER_UGY = 100;

function above(name: string, value: number): number {
  if (!(value > 0) || !Number.isFinite(value)) throw new RangeError(`${name} must be a number above 0, got ${value}`);
  return value;
}

/** Kerma in µGy that a room's number stands for. @throws RangeError for a number that the scale does not have */
export function kermaOfIndex(index: number, scale: IndexScale): number {
  switch (scale.kind) {
    case 'standard':
      return above('exposure index', index) / PER_UGY;
    case 'inverse':
      return scale.kUGy / above('exposure number', index);
    case 'log': {
      if (!Number.isFinite(index)) throw new RangeError(`the exposure number must be finite, got ${index}`);
      return scale.referenceUGy * 10 ** ((index - scale.base) / scale.slope);
    }
  }
}

/** A room's number for a kerma in µGy. @throws RangeError unless it is above 0 */
export function indexOfKerma(kermaUGy: number, scale: IndexScale): number {
  const kerma = above('receptor kerma (µGy)', kermaUGy);
  switch (scale.kind) {
    case 'standard':
      return kerma * PER_UGY;
    case 'inverse':
      return scale.kUGy / kerma;
    case 'log':
      return scale.base + scale.slope * Math.log10(kerma / scale.referenceUGy);
  }
}

/** Deviation index of a room's number against its target, whatever the scale: 10 log10 of the ratio of the kermas. */
export const deviationOnScale = (index: number, target: number, scale: IndexScale): number =>
  10 * Math.log10(kermaOfIndex(index, scale) / kermaOfIndex(target, scale));

/** A standard index as the room shows it, and back. @throws RangeError unless it is above 0 */
export const onScale = (standardIndex: number, scale: IndexScale = STANDARD_SCALE): number =>
  indexOfKerma(kermaOfIndex(standardIndex, STANDARD_SCALE), scale);
export const fromScale = (shown: number, scale: IndexScale = STANDARD_SCALE): number =>
  indexOfKerma(kermaOfIndex(shown, scale), STANDARD_SCALE);
