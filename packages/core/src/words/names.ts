/** Names of the trade for codes: what carries the receptor. */
import type { HolderKind } from '../projections/vocabulary';

export const HOLDER_WORDS: Readonly<Record<HolderKind, string>> = {
  'table-tray': 'table tray',
  'table-top': 'table top',
  wall: 'wall stand',
  bed: 'bed',
  stand: 'loose holder',
  floor: 'floor plate',
};
