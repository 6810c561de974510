/** A change of a room: only what is named changes, so that two people who change different things do not undo each other. */
import { z } from 'zod';
import { tableSchema } from './table';
import { checkRoom, generatorSchema, roomSchema, type Room } from './room';

/** What may be unknown is taken away by null. */
const generatorChange = z.strictObject(
  Object.fromEntries(
    Object.entries(generatorSchema.shape).map(([key, field]) => [
      key,
      field instanceof z.ZodOptional ? field.nullable() : field.optional(),
    ]),
  ),
);

export const roomChangeSchema = z
  .strictObject({
    name: roomSchema.shape.name,
    tube: roomSchema.shape.tube,
    surfaceHeightMm: roomSchema.shape.surfaceHeightMm,
    table: tableSchema,
    holders: roomSchema.shape.holders,
    receptors: roomSchema.shape.receptors,
    generator: generatorChange,
  })
  .partial();
export type RoomChange = Partial<Omit<Room, 'id' | 'kind' | 'generator'>> & {
  generator?: { [K in keyof Room['generator']]?: Room['generator'][K] | null };
};

/**
 * The room with the change in it.
 * @throws z.ZodError, or RangeError where holders name receptors that are not there
 */
export function changeRoom(room: Room, { generator = {}, ...rest }: RoomChange): Room {
  const merged = Object.entries({ ...room.generator, ...generator }).filter(([, value]) => value != null);
  return checkRoom(roomSchema.parse({ ...room, ...rest, generator: Object.fromEntries(merged) }));
}

/** Of a room's technique chart what a set-up of this projection needs, so that questions stay short. */
export const roomForProjection = (room: Room, projectionId: string): Room =>
  room.generator.chart === undefined
    ? room
    : {
        ...room,
        generator: {
          ...room.generator,
          chart: room.generator.chart.filter((row) => row.projectionId === projectionId),
        },
      };
