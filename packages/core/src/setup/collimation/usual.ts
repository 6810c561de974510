/** The receptor that is usually taken, against the one that was computed. */
import { formatRectangle, inches, type LengthUnit } from '../../quantity/length';
import type { Projection } from '../../projections/schema';
import type { ReceptorFit } from './fitReceptor';

/** Area of a size as it is called: "10×12". */
const areaOf = (name: string): number => {
  const [width, height] = name.split('×').map(Number);
  return inches(width) * inches(height);
};

/** Why the receptor is another than the usual one, in one line; null when it is the usual one. */
export function whyOther(
  { receptor: { usual, orientation: usualOrientation, differs } }: Projection,
  { receptor, exposures, outcome }: ReceptorFit,
  orientation: 'lengthwise' | 'crosswise',
  needed: { width: number; height: number },
  unit: LengthUnit,
  /** Names of the sizes that this holder takes in this room. */
  receptorIds: readonly string[],
): string | null {
  const same = receptor.name === usual;
  if (same && exposures === 1 && outcome !== 'diagonal' && orientation === usualOrientation) return null;
  const field = formatRectangle(needed.width, needed.height, unit);
  const own = differs ? `; ${differs}` : '';
  if (exposures > 1) return `The field is ${field}: more than one ${receptor.name} takes${own}.`;
  if (outcome === 'diagonal') return `The field is ${field}: it fits the ${receptor.name} on the diagonal only${own}.`;
  if (receptor.fixed) return `Built into the holder; ${usual} would be the usual size.`;
  if (same) return `The field is ${field}: it lies better ${orientation}${own}.`;
  if (!receptorIds.includes(usual))
    return `There is no ${usual} for this holder; the ${receptor.name} takes the field of ${field}.`;
  return areaOf(receptor.name) < areaOf(usual)
    ? `The field is ${field}: the smaller ${receptor.name} takes it; ${usual} is customary${own}.`
    : `The field is ${field}: more than the usual ${usual} takes${own}.`;
}
