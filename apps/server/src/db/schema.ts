/** Tables. JSON columns hold what the core defined; everything that is searched has a column of its own. */
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { HouseRules, PatientInput, Projection, Room, Setup, SetupRequest, Situation } from '@taktik/core';

const id = () => text('id').primaryKey();
const at = (name: string) => integer(name).notNull();

export const rooms = sqliteTable('rooms', {
  id: id(),
  room: text('room', { mode: 'json' }).$type<Room>().notNull(),
  position: integer('position').notNull(),
});

/** No more of a person than the work needs. */
export const patients = sqliteTable('patients', {
  id: id(),
  initials: text('initials').notNull(),
  body: text('body', { mode: 'json' }).$type<PatientInput>().notNull(),
});

export type OrderProjection = { projectionId: string; side?: 'left' | 'right' };
export const orders = sqliteTable(
  'orders',
  {
    id: id(),
    patientId: text('patient_id')
      .notNull()
      .references(() => patients.id),
    exam: text('exam').notNull(),
    side: text('side', { enum: ['left', 'right'] }),
    reason: text('reason').notNull(),
    urgency: text('urgency', { enum: ['now', 'today', 'routine'] }).notNull(),
    ward: text('ward').notNull(),
    roomId: text('room_id')
      .notNull()
      .references(() => rooms.id),
    projections: text('projections', { mode: 'json' }).$type<OrderProjection[]>().notNull(),
    situation: text('situation', { mode: 'json' }).$type<Partial<Situation>>().notNull(),
    unusual: text('unusual', { mode: 'json' }).$type<string[]>().notNull(),
    orderedAt: at('ordered_at'),
    state: text('state', { enum: ['waiting', 'started', 'finished'] }).notNull(),
  },
  (table) => [index('orders_state').on(table.state, table.orderedAt)],
);

/** One performance of an order. */
export const exams = sqliteTable(
  'exams',
  {
    id: id(),
    orderId: text('order_id')
      .notNull()
      .references(() => orders.id),
    performedBy: text('performed_by').notNull(),
    startedAt: at('started_at'),
    finishedAt: integer('finished_at'),
  },
  (table) => [index('exams_order').on(table.orderId)],
);

/** One exposure with the whole set-up as it was; the id comes from the client, so that a retry changes nothing. */
export const exposures = sqliteTable(
  'exposures',
  {
    id: id(),
    examId: text('exam_id')
      .notNull()
      .references(() => exams.id),
    projectionId: text('projection_id').notNull(),
    side: text('side', { enum: ['left', 'right'] }),
    request: text('request', { mode: 'json' }).$type<SetupRequest>().notNull(),
    setup: text('setup', { mode: 'json' }).$type<Setup>().notNull(),
    exposureIndex: integer('exposure_index').notNull(),
    targetIndex: integer('target_index').notNull(),
    performedBy: text('performed_by').notNull(),
    exposedAt: at('exposed_at'),
    recordedAt: at('recorded_at'),
  },
  (table) => [index('exposures_time').on(table.exposedAt), index('exposures_exam').on(table.examId)],
);

export const settings = sqliteTable('settings', {
  id: id(),
  rules: text('rules', { mode: 'json' }).$type<Partial<HouseRules>>().notNull(),
});

/** Entries that this department wrote itself. */
export const ownEntries = sqliteTable('own_entries', {
  id: id(),
  entry: text('entry', { mode: 'json' }).$type<Projection>().notNull(),
  changedBy: text('changed_by').notNull(),
  changedAt: at('changed_at'),
});
