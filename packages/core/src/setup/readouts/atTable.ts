/** Who sits beside the table with an arm on it: how high the chair, and where the knees. */
import type { HolderKind } from '../../projections/vocabulary';

const ARM = /^(upperarm|forearm|radius|hand|finger\d)_/;

/**
 * The joints that the chair brings to one level: to the wrist, unless what is shown ends above it.
 * @param part segment that is examined
 * @returns null for who stands, lies, or has another part examined
 */
export function jointsAtTable(part: string, body: string, holder: HolderKind): string[] | null {
  if (body !== 'seated' || holder !== 'table-top' || !ARM.test(part)) return null;
  return part.startsWith('upperarm') ? ['shoulder', 'elbow'] : ['shoulder', 'elbow', 'wrist'];
}
