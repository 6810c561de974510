/** Entries are written for the left; here is what turns round for the right. */
import { otherSide } from '../../body/mannequin';
import type { Side } from '../setup';

/** Entries are written for the left; on the right every sided name and every x is turned round. */
export type SideView = { mirrored: boolean; name: (id: string) => string };
export const sideView = (side: Side | null): SideView => {
  const mirrored = side === 'right';
  return { mirrored, name: mirrored ? otherSide : (id) => id };
};
