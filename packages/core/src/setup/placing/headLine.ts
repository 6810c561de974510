/** How the head is set, in words from the entry's own numbers: a school that changes the line changes the sentence. */
import { formatAngle } from '../../quantity/angle';
import type { Projection } from '../../projections/schema';
import type { HeadLine } from '../../projections/vocabulary';

const NAMES: Record<HeadLine, string> = {
  OML: 'Orbitomeatal line',
  IOML: 'Infraorbitomeatal line',
  AML: 'Line from ear opening to acanthion',
  LML: 'Line from ear opening to lips',
  MML: 'Line from ear opening to chin',
  GML: 'Line from ear opening to glabella',
  TML: 'Line from mastoid tip to upper teeth',
};
export const SQUARE_DEG = 90;
/** As it stands within a sentence. */
export const lineName = (line: HeadLine): string => NAMES[line].charAt(0).toLowerCase() + NAMES[line].slice(1);

export function headLineWords({ headLine }: Pick<Projection, 'headLine'>): string | null {
  if (!headLine) return null;
  const { line, toReceptorDeg } = headLine;
  if (toReceptorDeg === SQUARE_DEG) return `${NAMES[line]} square to the receptor`;
  if (toReceptorDeg === 0) return `${NAMES[line]} along the receptor`;
  return `${NAMES[line]} at ${formatAngle(toReceptorDeg)} to the receptor`;
}
