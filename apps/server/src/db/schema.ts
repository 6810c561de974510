/** Tables. JSON columns hold what the core defined; everything that is searched has a column of its own. */
import { ORDER_NOTICES, ORDER_STATES, ROLES } from '@taktik/contracts';
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type {
  Calibration,
  EarlierSetup,
  Measure,
  Answers,
  DepartmentInput,
  HouseRules,
  PatientInput,
  Projection,
  Room,
  Setup,
  Scheduled,
  SetupRequest,
  Situation,
  Timings,
} from '@taktik/core';
import type { ExerciseAnswer, Memory, PatientType } from '@taktik/core/exercise';

const id = () => text('id').primaryKey();
const at = (name: string) => integer(name).notNull();

/** Grows with every change, so that two who change one thing notice each other; and who changed it last. */
const versioned = () => ({
  version: integer('version').notNull().default(1),
  changedBy: text('changed_by'),
});

export const rooms = sqliteTable('rooms', {
  id: id(),
  room: text('room', { mode: 'json' }).$type<Room>().notNull(),
  position: integer('position').notNull(),
  ...versioned(),
});

/** No more of a person than the work needs. */
export const patients = sqliteTable('patients', {
  id: id(),
  initials: text('initials').notNull(),
  body: text('body', { mode: 'json' }).$type<PatientInput>().notNull(),
  /** The number where the order came from, and who gives such numbers. */
  number: text('number'),
  issuer: text('issuer').notNull().default(''),
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
    /** What the orderer did since it was taken in. */
    notice: text('notice', { enum: ORDER_NOTICES }),
    orderedAt: at('ordered_at'),
    state: text('state', { enum: ORDER_STATES }).notNull(),
    /** The order's number where it came from; the same number is taken once. */
    reference: text('reference'),
    /** Who gives such numbers; empty where it is not said. */
    system: text('system').notNull().default(''),
    requester: text('requester').notNull().default(''),
    note: text('note').notNull().default(''),
    /** What a worklist said of the work, to be said again when it is done. */
    scheduled: text('scheduled', { mode: 'json' }).$type<Scheduled>(),
    /** Grows with every change of the plan, so that two devices notice each other. */
    planVersion: integer('plan_version').notNull().default(1),
    planBy: text('plan_by'),
  },
  (table) => [
    index('orders_state').on(table.state, table.orderedAt),
    uniqueIndex('orders_number').on(table.reference, table.system),
  ],
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
    /** Who looked on while a student performed it; null where nobody was named. */
    supervisedBy: text('supervised_by'),
    startedAt: at('started_at'),
    finishedAt: integer('finished_at'),
    /** Why it ended before it was complete. */
    endReason: text('end_reason'),
    /** Another device's name for an exam that was already under way: its exposures belong to that one. */
    joins: text('joins'),
    answers: text('answers', { mode: 'json' }).$type<Answers>(),
  },
  (table) => [index('exams_order').on(table.orderId)],
);

/** Measures of a picture with their calibration. */
export type Measured = { calibration: Calibration; measures: Measure[]; by: string };

/** What was in force on the device, and whether it still was on the server. */
export type MadeWith = { rules?: number; room?: number; inForce: boolean };

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
    setup: text('setup', { mode: 'json' }).$type<Setup | EarlierSetup>().notNull(),
    exposureIndex: integer('exposure_index').notNull(),
    targetIndex: integer('target_index').notNull(),
    /** Who typed the index from the console; null where the detector told it. */
    readBy: text('read_by'),
    performedBy: text('performed_by').notNull(),
    exposedAt: at('exposed_at'),
    recordedAt: at('recorded_at'),
    /** What the device's clock said, where it was wrong. */
    deviceAt: integer('device_at'),
    verdict: text('verdict', { enum: ['accepted', 'repeat'] }),
    cause: text('cause'),
    /** What is set otherwise for the repeat, in words. */
    correction: text('correction'),
    /** For the reader of the picture; who wrote it, and when. */
    note: text('note').notNull().default(''),
    labels: text('labels', { mode: 'json' }).$type<string[]>().notNull().default([]),
    notedBy: text('noted_by'),
    notedAt: integer('noted_at'),
    /** When the verdict was given: an earlier one that arrives later does not undo it. */
    verdictAt: integer('verdict_at'),
    /** What was measured on the picture, who did it, and when. */
    measured: text('measured', { mode: 'json' }).$type<Measured>(),
    measuredAt: integer('measured_at'),
    /** Minutes in the position and since the contrast; null where no clock bore on it. */
    timings: text('timings', { mode: 'json' }).$type<Timings>(),
    /** Versions of rules and room that the device worked with; null where it did not say. */
    madeWith: text('made_with', { mode: 'json' }).$type<MadeWith>(),
  },
  (table) => [index('exposures_time').on(table.exposedAt), index('exposures_exam').on(table.examId)],
);

export const settings = sqliteTable('settings', {
  id: id(),
  rules: text('rules', { mode: 'json' }).$type<Partial<HouseRules>>().notNull(),
  ...versioned(),
});

/** Decisions of the department besides its house rules. */
export const departments = sqliteTable('departments', {
  id: id(),
  department: text('department', { mode: 'json' }).$type<DepartmentInput>().notNull(),
  ...versioned(),
});

export const people = sqliteTable('people', {
  id: id(),
  name: text('name').notNull(),
  role: text('role', { enum: ROLES }).notNull(),
  /** Argon2id. */
  pinHash: text('pin_hash').notNull(),
  failed: integer('failed').notNull().default(0),
  lockedUntil: integer('locked_until'),
  /** PIN as it is told on the sign-in screen of the demo; never set for anyone else. */
  demoPin: text('demo_pin'),
  /** From then on nobody signs in as this person; the record keeps the name. */
  endedAt: integer('ended_at'),
});

/** Wrong PINs for one person from one address: the next try waits, there and for that person alone. */
export const pinTries = sqliteTable(
  'pin_tries',
  {
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
    /** Hash of the address. */
    source: text('source').notNull(),
    failed: integer('failed').notNull(),
    lastAt: at('last_at'),
  },
  (table) => [primaryKey({ columns: [table.personId, table.source] })],
);

/** Who is signed in on which device; the token itself is not kept. */
export const sessions = sqliteTable('sessions', {
  tokenHash: text('token_hash').primaryKey(),
  personId: text('person_id')
    .notNull()
    .references(() => people.id),
  startedAt: at('started_at'),
  seenAt: at('seen_at'),
});

/** Every change of a record: who, what, when. Only added to: triggers of the database refuse the rest. */
export const audit = sqliteTable(
  'audit',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    at: at('at'),
    person: text('person').notNull(),
    action: text('action').notNull(),
    subject: text('subject').notNull(),
    detail: text('detail', { mode: 'json' }).$type<Record<string, unknown>>().notNull(),
    /** Of this line and all before it; empty for lines of an earlier version until they are sealed at the next start. */
    hash: text('hash').notNull().default(''),
  },
  (table) => [index('audit_subject').on(table.subject)],
);

/** Entries that this department wrote itself. */
export const ownEntries = sqliteTable('own_entries', {
  id: id(),
  entry: text('entry', { mode: 'json' }).$type<Projection>().notNull(),
  changedBy: text('changed_by').notNull(),
  changedAt: at('changed_at'),
});

/** One try at an exercise; the id comes from the client, so that a retry changes nothing. */
export const practice = sqliteTable(
  'practice',
  {
    id: id(),
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
    scenarioId: text('scenario_id').notNull(),
    answer: text('answer', { mode: 'json' }).$type<ExerciseAnswer>().notNull(),
    /** 0 to 1. */
    share: real('share').notNull(),
    /** Noted, not counted. */
    seconds: integer('seconds').notNull(),
    at: at('at'),
    /** When it should come back, after this try. */
    memory: text('memory', { mode: 'json' }).$type<Memory>().notNull(),
  },
  (table) => [index('practice_person').on(table.personId, table.at)],
);

/** A student's competence in a projection for a type of patient, signed by somebody who may. */
export const signOffs = sqliteTable(
  'sign_offs',
  {
    studentId: text('student_id')
      .notNull()
      .references(() => people.id),
    projectionId: text('projection_id').notNull(),
    patientType: text('patient_type').$type<PatientType>().notNull(),
    signedBy: text('signed_by').notNull(),
    signedAt: at('signed_at'),
  },
  (table) => [uniqueIndex('sign_offs_one').on(table.studentId, table.projectionId, table.patientType)],
);

/** What is told to other systems of an exam, until each has said that it has it. */
export const OUTGOING_KINDS = ['step started', 'step ended', 'result'] as const;
export type OutgoingKind = (typeof OUTGOING_KINDS)[number];
export const outgoing = sqliteTable(
  'outgoing',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    kind: text('kind', { enum: OUTGOING_KINDS }).notNull(),
    examId: text('exam_id')
      .notNull()
      .references(() => exams.id),
    madeAt: at('made_at'),
    /** Not tried before. */
    nextAt: at('next_at'),
    tries: integer('tries').notNull().default(0),
    sentAt: integer('sent_at'),
    /** What went wrong the last time. */
    why: text('why'),
  },
  (table) => [
    index('outgoing_due').on(table.sentAt, table.nextAt),
    uniqueIndex('outgoing_once').on(table.examId, table.kind),
  ],
);
