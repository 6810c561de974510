/**
 * A room: what the tube can reach, where a receptor can be held, which receptors there are and what the generator gives.
 * Room frame: X along the table to its head end, Y across it, Z up, origin on the floor under the table's centre; mm.
 */
import { z } from 'zod';
import { HOLDERS, type HolderKind } from '../projections/vocabulary';

const mm = z.number().finite().min(0);
const range = z.tuple([mm, mm]).refine(([low, high]) => low <= high, 'the lower limit must not exceed the upper one');

export const gridSchema = z.strictObject({
  id: z.string().min(1).max(40),
  ratio: z.number().min(4).max(17),
  focusMm: mm,
});
export type Grid = z.infer<typeof gridSchema>;

export const receptorSchema = z.strictObject({
  id: z.string().min(1).max(40),
  /** As it is called in the room: "10×12". */
  name: z.string().min(1).max(40),
  /** Active area; width is the short side. */
  widthMm: mm.min(50),
  heightMm: mm.min(50),
  /** Built into a holder and neither turned nor taken out. */
  fixed: z.boolean(),
});
export type Receptor = z.infer<typeof receptorSchema>;

export const holderSchema = z.strictObject({
  kind: z.enum(HOLDERS),
  /** From the patient's contact surface to the receptor plane. */
  gapMm: mm,
  grid: gridSchema.nullable(),
  /** A grid that can be left out when it is not wanted. */
  gridRemovable: z.boolean(),
  receptorIds: z.array(z.string()).min(1),
  aec: z.boolean(),
});
export type Holder = z.infer<typeof holderSchema>;

export const roomSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().min(1).max(60),
  kind: z.enum(['fixed', 'mobile']),
  tube: z.strictObject({
    /** Height of the focal spot above the floor. */
    focusHeightMm: range,
    /** Focal spot to wall receptor, as far as the room lets. */
    wallSidMm: range.nullable(),
    maxAngleDeg: z.number().min(0).max(90),
    /** Largest field of the collimator at 1000 mm. */
    maxFieldAtMetreMm: mm,
  }),
  /** Height of the surface that a lying patient rests on. */
  surfaceHeightMm: mm,
  holders: z.array(holderSchema).min(1),
  receptors: z.array(receptorSchema).min(1),
  generator: z.strictObject({
    maxKvp: z.number().min(40).max(150),
    masStations: z.array(z.number().positive()).min(1),
    smallFocusMa: z.number().positive(),
    largeFocusMa: z.number().positive(),
    /** Power that each focal spot bears for a tenth of a second, kW; the usual one where it is not known. */
    smallFocusKw: z.number().positive().optional(),
    largeFocusKw: z.number().positive().optional(),
    smallFocusMm: z.number().positive(),
    largeFocusMm: z.number().positive(),
    /** Output free in air at 1 m and 80 kVp, µGy per mAs. */
    outputUGyPerMas: z.number().positive(),
    /** This room's mAs against the shipped chart: a faster receptor needs less. */
    chartFactor: z.number().positive(),
    targetIndex: z.number().positive(),
  }),
});
export type Room = z.infer<typeof roomSchema>;

export const holderOf = (room: Room, kind: HolderKind): Holder | undefined =>
  room.holders.find((holder) => holder.kind === kind);

export const receptorsIn = (room: Room, holder: Holder): Receptor[] =>
  room.receptors.filter((receptor) => holder.receptorIds.includes(receptor.id));

/** @throws RangeError when a room names a receptor that it does not have */
export function checkRoom(room: Room): Room {
  for (const holder of room.holders) {
    for (const id of holder.receptorIds) {
      if (!room.receptors.some((receptor) => receptor.id === id))
        throw new RangeError(
          `room ${room.name}: holder ${holder.kind} names receptor "${id}", which the room does not have`,
        );
    }
  }
  return room;
}
