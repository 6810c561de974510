/** Names of the trade for codes: what carries the receptor. */
import type { HolderKind } from '../projections/vocabulary';

export const HOLDER_WORDS: Readonly<Record<HolderKind, string>> = {
  'table-tray': 'table tray',
  'table-top': 'table top',
  wall: 'wall stand',
  bed: 'bed',
  'incubator-tray': 'incubator tray',
  stand: 'loose holder',
  floor: 'floor plate',
};

const LIES_ON: ReadonlySet<HolderKind> = new Set<HolderKind>(['table-top', 'bed', 'floor']);
/** "in the table tray", "on the table top". */
export const atHolder = (holder: HolderKind): string =>
  `${LIES_ON.has(holder) ? 'on' : 'in'} the ${HOLDER_WORDS[holder]}`;

/** Which way something is angled: "15° cephalad"; of a limb by what lies there: "15° toward the elbow". */
export const angledTo = (end: string | null): string =>
  end === 'head' ? 'cephalad' : end === 'feet' ? 'caudad' : `toward the ${end}`;
/** Which way something is moved. */
export const movedTo = (end: string | null): string =>
  end === 'head' ? 'cephalad' : end === 'feet' ? 'caudad' : `toward the ${end}`;
