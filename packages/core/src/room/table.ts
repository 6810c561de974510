/** The table of a room: how big, how far its top floats and its tray travels, and whom it carries. */
import { z } from 'zod';

const bounded = (name: string, low: number, high: number, unit: string) => {
  const error = `${name} must be ${low} to ${high} ${unit}`;
  return z.number({ error }).min(low, { error }).max(high, { error });
};

export const tableSchema = z.strictObject({
  lengthMm: bounded('Length of the table top', 1500, 3000, 'mm'),
  widthMm: bounded('Width of the table top', 500, 1200, 'mm'),
  /** From the middle of its stand each way; 0 for a top that stands still. */
  topAlongMm: bounded('Travel of the table top along', 0, 1200, 'mm'),
  topAcrossMm: bounded('Travel of the table top across', 0, 400, 'mm'),
  /** Of the middle of the receptor in the tray, from the middle of the stand each way. */
  trayMm: bounded('Travel of the tray', 0, 1200, 'mm'),
  mostKg: bounded('Weight that the table carries', 80, 400, 'kg'),
  /** With the top run out to either end. */
  mostOutKg: bounded('Weight that the table carries with its top run out', 80, 400, 'kg'),
});
export type Table = z.infer<typeof tableSchema>;

/** An ordinary floating top, where nothing is known of the room's own. */
export const USUAL_TABLE: Table = {
  lengthMm: 2200,
  widthMm: 800,
  topAlongMm: 450,
  topAcrossMm: 120,
  trayMm: 250,
  mostKg: 250,
  mostOutKg: 180,
};
