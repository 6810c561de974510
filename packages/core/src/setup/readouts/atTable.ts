/** Who sits beside the table with an arm on it: how high the chair, and where the knees. */
import type { LengthUnit } from '../../quantity/length';
import type { HolderKind } from '../../projections/vocabulary';
import { say } from '../../words/say';
import type { Protection } from './protection';

export type AtTable = { prepare: string[]; protection: Protection[] };
/** Of everybody else, and of what is barred. */
export const NOT_AT_TABLE: AtTable = { prepare: [], protection: [] };

/** The joints that the chair brings to one level: to the wrist, unless what is shown ends above it. */
const jointsOf = (part: string): string[] =>
  part.startsWith('upperarm') ? ['shoulder', 'elbow'] : ['shoulder', 'elbow', 'wrist'];

const ARM = /^(upperarm|forearm|radius|hand|finger\d)_/;

/**
 * @param part segment that is examined
 * @returns nothing of either for who stands, lies, or has another part examined
 */
export function atTable(part: string, body: string, holder: HolderKind, unit: LengthUnit): AtTable {
  if (body !== 'seated' || holder !== 'table-top' || !ARM.test(part)) return NOT_AT_TABLE;
  return {
    prepare: [say({ code: 'prepare-chair', values: { joints: jointsOf(part) } }, { unit })],
    protection: [{ text: say({ code: 'protect-knees', values: {} }, { unit }), lead: false }],
  };
}
