/** How the head is set, in words from the entry's own numbers: a school that changes the line changes the sentence. */
import { formatAngle } from '../../quantity/angle';
import type { Projection } from '../../projections/schema';
import type { HeadLine } from '../../projections/vocabulary';

const NAMES: Record<HeadLine, string> = {
  OML: 'Orbitomeatal line',
  IOML: 'Infraorbitomeatal line',
  AML: 'Acanthiomeatal line',
  LML: 'Lips-meatal line',
  MML: 'Mentomeatal line',
  GML: 'Glabellomeatal line',
  TML: 'Line from mastoid tip to upper incisors',
};
export const SQUARE_DEG = 90;
/** As it stands within a sentence. */
export const lineName = (line: HeadLine): string => NAMES[line].charAt(0).toLowerCase() + NAMES[line].slice(1);

export function headLineWords({ headLine }: Pick<Projection, 'headLine'>): string | null {
  if (!headLine) return null;
  const { line, toReceptorDeg } = headLine;
  if (toReceptorDeg === SQUARE_DEG) return `${NAMES[line]} perpendicular to the receptor`;
  if (toReceptorDeg === 0) return `${NAMES[line]} parallel to the receptor`;
  return `${NAMES[line]} at ${formatAngle(toReceptorDeg)} to the receptor`;
}
