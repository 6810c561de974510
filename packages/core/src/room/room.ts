/**
 * A room: what the tube can reach, where a receptor can be held, which receptors there are and what the generator gives.
 * Room frame: X along the table to its head end, Y across it, Z up, origin on the floor under the table's centre; mm.
 */
import { z } from 'zod';
import { HOLDERS, type HolderKind } from '../projections/vocabulary';
import { aecCellSchema } from './aecCells';
import { indexScaleSchema } from './indexScale';
import { tableSchema, USUAL_TABLE, type Table } from './table';
import { chartSchema } from './techniqueChart';

const mm = z.number().finite().min(0);
const bounded = (name: string, low: number, high: number, unit: string) => {
  const error = `${name} must be ${low} to ${high} ${unit}`.trim();
  return z.number({ error }).min(low, { error }).max(high, { error });
};
const rising = (name: string, unit: string, most: number) =>
  z
    .array(bounded(name, 0.1, most, unit))
    .min(1, { error: `At least one: ${name}` })
    .max(80, { error: `At most 80: ${name}` })
    .refine((list) => list.every((value, i) => i === 0 || value > list[i - 1]), {
      error: `${name} must rise from one to the next`,
    });
const range = z.tuple([mm, mm]).refine(([low, high]) => low <= high, 'the lower limit must not exceed the upper one');

export const gridSchema = z.strictObject({
  id: z.string().min(1).max(40),
  ratio: z.number().min(4).max(17),
  focusMm: mm,
  /** Strips run along the table or wall stand unless they go with a loose plate, along its long side. */
  strips: z.enum(['holder', 'plate']).optional(),
  /** Strips in a centimetre, where it is known. */
  linesPerCm: bounded('Strips', 20, 120, 'in a centimetre').optional(),
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
  /** Where the measuring cells lie; the usual three where it is not known. */
  cells: z.array(aecCellSchema).min(1).max(9).optional(),
});
export type Holder = z.infer<typeof holderSchema>;

/** A measured output: kerma free in air at a distance. */
export const outputPointSchema = z.strictObject({
  kVp: bounded('kVp of a measured point', 45, 140, 'kV'),
  mAs: bounded('mAs of a measured point', 0.1, 600, 'mAs'),
  distanceMm: bounded('Distance of a measured point', 300, 3000, 'mm'),
  kermaUGy: bounded('Kerma of a measured point', 0.1, 1_000_000, 'µGy'),
});
export type OutputPoint = z.infer<typeof outputPointSchema>;

/** What a technique starts from: the shipped charts with a factor, this room's own chart, or the measured beam. */
export const BASES = ['chart', 'model'] as const;

export const generatorSchema = z.strictObject({
  maxKvp: bounded('Highest kVp', 40, 150, 'kV'),
  masStations: rising('mAs stations', 'mAs', 1000),
  /** Stations of tube current; the usual series up to what each focal spot gives where they are not known. */
  maStations: rising('mA stations', 'mA', 1600).optional(),
  /** Stations of time: where there are any, the mAs is the product of a current and a time. */
  timeStationsMs: rising('Time stations', 'ms', 10_000).optional(),
  smallFocusMa: bounded('Current of the small focal spot', 1, 1600, 'mA'),
  largeFocusMa: bounded('Current of the large focal spot', 1, 1600, 'mA'),
  /** Power that each focal spot bears for a tenth of a second, kW; the usual one where it is not known. */
  smallFocusKw: bounded('Power of the small focal spot', 1, 200, 'kW').optional(),
  largeFocusKw: bounded('Power of the large focal spot', 1, 200, 'kW').optional(),
  smallFocusMm: bounded('Small focal spot', 0.05, 3, 'mm'),
  largeFocusMm: bounded('Large focal spot', 0.05, 3, 'mm'),
  /** Total filtration; the model's beam has 3 mm of aluminium. */
  filtrationMmAl: bounded('Filtration', 1.5, 10, 'mm Al').optional(),
  /** Output free in air at 1 m and 80 kVp, µGy per mAs. */
  outputUGyPerMas: bounded('Output at 1 m and 80 kVp', 5, 500, 'µGy per mAs'),
  /** Power of kVp that the output follows. */
  outputPower: bounded('Power of kVp', 1.5, 3, '').optional(),
  /** What the output was fitted to. */
  points: z.array(outputPointSchema).max(40, { error: 'At most 40 measured points' }).optional(),
  basis: z.enum(BASES).optional(),
  /** This room's mAs against the shipped chart: a faster receptor needs less. */
  chartFactor: bounded('Factor on the shipped chart', 0.05, 10, ''),
  /** The department's own technique chart. */
  chart: chartSchema.optional(),
  /** Standard index that is aimed at, for parts whose chart has a grid: trunk, head, thick limbs. */
  targetIndex: bounded('Target index', 20, 5000, ''),
  /** For parts whose chart has none, limbs; as the other where it is not known. */
  targetIndexFree: bounded('Target index without a grid', 20, 5000, '').optional(),
  /** What the console shows. */
  scale: indexScaleSchema.optional(),
});
export type Generator = z.infer<typeof generatorSchema>;

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
  /** The usual one where it is not known. */
  table: tableSchema.optional(),
  holders: z.array(holderSchema).min(1),
  receptors: z.array(receptorSchema).min(1),
  generator: generatorSchema,
});
export type Room = z.infer<typeof roomSchema>;

/** Null for a mobile unit: the patient lies in a bed. */
export const tableOf = ({ kind, table }: Room): Table | null => (kind === 'mobile' ? null : (table ?? USUAL_TABLE));

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
