import type { HOLDERS } from '@taktik/core';

export const HOLDER_NAMES: Record<(typeof HOLDERS)[number], string> = {
  'table-tray': 'Table tray',
  'table-top': 'Table top',
  wall: 'Wall stand',
  bed: 'Bed',
  'incubator-tray': 'Incubator tray',
  stand: 'Loose, beside the patient',
  floor: 'On the floor',
};
