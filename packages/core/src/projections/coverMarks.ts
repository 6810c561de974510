/** The places of the body that an item of what must be shown is fixed by. */
import type { CoverItem } from './schema';

/** @returns names of landmarks or structures, of the left side form */
export const coverMarks = (item: CoverItem): readonly string[] =>
  'structure' in item ? [item.structure] : 'between' in item ? item.between : [item.landmark];
