/**
 * A room as an open document: plain JSON, one schema for writing and reading. Described in docs/formats/room.md.
 */
import { z } from 'zod';
import { checkRoom, roomSchema, type Room } from '../room/room';

const ROOM_FORMAT = 'taktik-room';
const ROOM_FORMAT_VERSION = 1;

const NOTICE =
  'For trained, licensed staff. The physicist’s measurements and technique chart come first; check after every repair.';

export const roomDocumentSchema = z.strictObject({
  format: z.literal(ROOM_FORMAT, { error: `Not a room: format must be "${ROOM_FORMAT}"` }),
  version: z.literal(ROOM_FORMAT_VERSION, { error: `Only version ${ROOM_FORMAT_VERSION} is read` }),
  notice: z.string().max(400),
  units: z.strictObject({
    length: z.literal('mm'),
    kerma: z.literal('µGy'),
    time: z.literal('ms'),
    current: z.literal('mA'),
  }),
  room: roomSchema,
});
export type RoomDocument = z.infer<typeof roomDocumentSchema>;

/** The JSON Schema of the document, made from what validates it. */
export const roomJsonSchema = (): Record<string, unknown> => ({
  ...(z.toJSONSchema(roomDocumentSchema, { io: 'input' }) as Record<string, unknown>),
  title: 'Taktik room',
});

export const exportRoom = (room: Room): RoomDocument => ({
  format: ROOM_FORMAT,
  version: ROOM_FORMAT_VERSION,
  notice: NOTICE,
  units: { length: 'mm', kerma: 'µGy', time: 'ms', current: 'mA' },
  room,
});

export type FieldFault = { field: string; message: string };

/** Reads a document whole: one wrong field and nothing of it is taken. */
export function importRoom(document: unknown): { room: Room } | { faults: FieldFault[] } {
  const read = roomDocumentSchema.safeParse(document);
  if (!read.success)
    return {
      faults: read.error.issues.map(({ path, message }) => ({ field: path.join('.') || 'document', message })),
    };
  try {
    return { room: checkRoom(read.data.room) };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { faults: [{ field: 'room.holders', message: error.message }] };
  }
}
