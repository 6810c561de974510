/** What goes over the wire, as schemas; validation, types and the OpenAPI document are made from these. */
import {
  calibrationSchema,
  measureSchema,
  OWN_PREFIX,
  departmentSchema,
  hasProjection,
  houseRulesSchema,
  isWayText,
  patientInputSchema,
  roomSchema,
  setupRequestSchema,
  setupSchema,
  situationSchema,
  unusualSchema,
} from '@taktik/core';
import { answerSchema, PATIENT_TYPES, scenarios } from '@taktik/core/exercise';
import { z } from 'zod';

export const ROLES = ['technologist', 'student', 'lead'] as const;
export type Role = (typeof ROLES)[number];
/** `cancelled`: called off by whoever ordered it; it is kept, and no longer waits. */
export const ORDER_STATES = ['waiting', 'started', 'finished', 'cancelled'] as const;
/** What the orderer did with an order that is known here. */
export const ORDER_NOTICES = ['called off', 'on hold', 'corrected', 'merged'] as const;
export type OrderNotice = (typeof ORDER_NOTICES)[number];

export const idSchema = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[A-Za-z0-9_-]+$/, 'letters, digits, - and _ only');
/** The last moment that a date can hold. */
const MOST_TIME = 8.64e15;
const time = z.number().int().positive().max(MOST_TIME, 'no such time');
/** The device's clock as it sends: from it a wrong clock is noticed. */
const sentAt = time.optional();
const shortText = (name: string, max: number) =>
  z.string().trim().min(1, `${name} must not be empty`).max(max, `${name} may have ${max} characters at most`);

const OWN_ID = new RegExp(`^${OWN_PREFIX}[a-z0-9-]+$`);
const orderProjectionSchema = z.strictObject({
  projectionId: z
    .string()
    .max(60)
    // An entry of the department's own is looked up where the plan is kept.
    .refine((id) => hasProjection(id) || OWN_ID.test(id), {
      error: (issue) => `There is no projection "${String(issue.input)}"`,
    }),
  side: z.enum(['left', 'right']).optional(),
  /** Another way than the usual one, by its short text. */
  way: z
    .string()
    .max(120)
    .refine(isWayText, { error: (issue) => `"${String(issue.input)}" is no way of doing a projection` })
    .optional(),
});

export const orderSchema = z.object({
  id: idSchema,
  exam: z.string(),
  side: z.enum(['left', 'right']).nullable(),
  reason: z.string(),
  urgency: z.enum(['now', 'today', 'routine']),
  ward: z.string(),
  roomId: z.string(),
  orderedAt: z.number().int(),
  state: z.enum(ORDER_STATES),
  patient: z.object({
    id: idSchema,
    initials: z.string(),
    body: patientInputSchema,
    /** The number where the order came from, and who gives such numbers. */
    number: z.string().nullable(),
    issuer: z.string(),
  }),
  situation: situationSchema.partial(),
  /** Facts for a list, what endangers first. */
  unusual: z.array(unusualSchema),
  projections: z.array(orderProjectionSchema),
  reference: z.string().nullable(),
  /** Who gives such numbers; empty where it is not said. */
  system: z.string(),
  /** Who ordered it, and what else was said. */
  requester: z.string(),
  note: z.string(),
  planVersion: z.number().int(),
  planBy: z.string().nullable(),
  /** Who has the exam in hand. */
  heldBy: z.string().nullable(),
});

export const changePlanSchema = z.strictObject({
  /** The version that was changed. */
  version: z.number().int().positive(),
  projections: z
    .array(orderProjectionSchema)
    .min(1, 'A plan needs at least one projection')
    .max(20, 'A plan may have 20 projections at most'),
});

export const newOrderSchema = z.strictObject({
  initials: shortText('Initials', 4),
  patient: patientInputSchema,
  exam: shortText('Exam', 120),
  side: z.enum(['left', 'right']).optional(),
  reason: shortText('Reason', 500),
  urgency: z.enum(['now', 'today', 'routine']),
  ward: shortText('Ward', 60),
  roomId: idSchema,
  situation: situationSchema.partial().default({}),
  projections: z.array(orderProjectionSchema).min(1).max(20),
});

export const startExamSchema = z.strictObject({
  id: idSchema,
  orderId: idSchema,
  performedBy: shortText('Name of the person', 40),
  startedAt: time,
  /** Who looks on while a student performs it. */
  supervisedBy: shortText('Name of who supervises', 40).optional(),
  sentAt,
});
const answer = z.enum(['yes', 'no']);
export const answersSchema = z.strictObject({
  given: z.record(idSchema, answer),
  decisions: z.record(idSchema, z.string().trim().max(300, 'A decision may have 300 characters at most')),
});
export const examSchema = z.object({
  id: idSchema,
  orderId: idSchema,
  performedBy: z.string(),
  supervisedBy: z.string().nullable(),
  startedAt: z.number().int(),
  finishedAt: z.number().int().nullable(),
  endReason: z.string().nullable(),
  joins: z.string().nullable(),
  answers: answersSchema.nullable(),
});
export const finishExamSchema = z.strictObject({
  finishedAt: time,
  reason: shortText('Reason', 80).optional(),
  sentAt,
});
export const handOverSchema = z.strictObject({ to: shortText('Name of the person', 40) });

const seconds = z.number().int().min(0).max(172_800, { error: 'A clock of an exam runs two days at most' });
const timingsSchema = z.strictObject({
  settle: z.strictObject({ plannedMinutes: z.number().int().min(1).max(60), seconds }).optional(),
  contrast: z.strictObject({ plannedMinutes: z.number().int().min(1).max(2880).nullable(), seconds }).optional(),
});

export const newExposureSchema = z.strictObject({
  id: idSchema,
  examId: idSchema,
  request: setupRequestSchema,
  performedBy: shortText('Name of the person', 40),
  exposedAt: time,
  sentAt,
  /** Versions of the rules and of the room that it was computed with. */
  madeWith: z.strictObject({ rules: z.number().int().optional(), room: z.number().int().optional() }).optional(),
  /** Minutes in the position and since the contrast, as planned and as they were. */
  timings: timingsSchema.optional(),
});
export const verdictSchema = z
  .strictObject({
    verdict: z.enum(['accepted', 'repeat']),
    cause: shortText('Cause', 80).optional(),
    /** What is set otherwise for the repeat, with its amount, in words. */
    correction: shortText('Correction', 300).optional(),
    /** When it was given on the device; when it arrives where that is not told. */
    decidedAt: time.optional(),
    sentAt,
  })
  .refine(({ verdict, cause }) => verdict !== 'repeat' || cause !== undefined, {
    error: 'A repeat needs its cause',
    path: ['cause'],
  });

/** What the reader of a picture must know, beside it. */
export const NOTE_CHARACTERS = 600;
export const LABELS_MOST = 8;
export const readerNoteSchema = z.strictObject({
  note: z
    .string()
    .trim()
    .max(NOTE_CHARACTERS, { error: `A note may have ${NOTE_CHARACTERS} characters at most` }),
  labels: z.array(shortText('Label', 40)).max(LABELS_MOST, { error: `At most ${LABELS_MOST} labels` }),
  /** When it was written on the device; when it arrives where that is not told. */
  writtenAt: time.optional(),
  sentAt,
});

/** What was measured on a picture, with what it was calibrated by; all of it, in the place of what was there. */
export const MEASURES_MOST = 30;
export const pictureMeasuresSchema = z.strictObject({
  calibration: calibrationSchema,
  measures: z.array(measureSchema).max(MEASURES_MOST, { error: `At most ${MEASURES_MOST} measures on a picture` }),
  measuredAt: time.optional(),
  sentAt,
});
const keptMeasuresSchema = pictureMeasuresSchema.pick({ calibration: true, measures: true });

/** For the reader of a picture: its labels and the note in one line; empty where there is neither. */
export const readerWords = ({ note, labels }: { note: string; labels: readonly string[] }): string =>
  [labels.join(', '), note.split('\n').join('; ')].filter(Boolean).join(': ');

const INDEX = { error: 'An exposure index must be 1 to 100000' };
/** The number of the console, as the standard index. */
export const readingSchema = z.strictObject({
  exposureIndex: z.number(INDEX).min(1, INDEX).max(100_000, INDEX),
});

export const exposureSchema = z.object({
  id: idSchema,
  examId: idSchema,
  orderId: idSchema,
  exam: z.string(),
  initials: z.string(),
  projectionId: z.string(),
  name: z.string(),
  side: z.enum(['left', 'right']).nullable(),
  /** Finger or toe, where the view was set for one that is not its own. */
  digit: z.number().int().nullable(),
  room: z.string(),
  roomId: z.string(),
  performedBy: z.string(),
  exposedAt: z.number().int(),
  kVp: z.number(),
  mAs: z.number(),
  exposureIndex: z.number(),
  deviationIndex: z.number(),
  targetIndex: z.number(),
  /** Who typed the index from the console; null where the detector told it. */
  readBy: z.string().nullable(),
  kapGyCm2: z.number(),
  /** Share within which the dose is known. */
  doseSpread: z.number(),
  /** The department's level for this projection and age; null where it has none. */
  doseLevelGyCm2: z.number().nullable(),
  verdict: z.enum(['accepted', 'repeat']).nullable(),
  cause: z.string().nullable(),
  /** What was set otherwise for the repeat; null where nothing was measured. */
  correction: z.string().nullable(),
  /** For the reader of the picture, and who wrote it. */
  note: z.string(),
  labels: z.array(z.string()),
  notedBy: z.string().nullable(),
  /** What was measured on it, and by whom; null where nothing was. */
  measured: keptMeasuresSchema.extend({ by: z.string() }).nullable(),
  /** How it was timed; null where no clock bore on it. */
  timings: timingsSchema.nullable(),
  /** The device's own time where its clock was wrong. */
  deviceAt: z.number().int().nullable(),
  /** Versions of rules and room that the device worked with, and whether they were in force; null where it did not say. */
  madeWith: z.object({ rules: z.number().optional(), room: z.number().optional(), inForce: z.boolean() }).nullable(),
});
export const orderDetailSchema = z.object({
  order: orderSchema,
  exam: examSchema.nullable(),
  exposures: z.array(exposureSchema),
});

const pinSchema = z.string().regex(/^\d{4,8}$/, 'A PIN has 4 to 8 digits');
export const personSchema = z.object({
  id: idSchema,
  name: z.string(),
  role: z.enum(ROLES),
  demoPin: z.string().nullable(),
});
/** Digits that go up or down by one, also past the end. */
const isRun = (pin: string): boolean =>
  [1, 9].some((by) => [...pin].every((digit, i) => i === 0 || (Number(pin[i - 1]) + by) % 10 === Number(digit)));
/** A few digits again and again. */
const repeats = (pin: string): boolean => [1, 2, 3].some((of) => pin.slice(of) === pin.slice(0, -of));
/** A PIN that somebody chooses: what is tried first is not taken. Older, shorter ones open still. */
const newPinSchema = z
  .string()
  .regex(/^\d{6,8}$/, 'A new PIN has 6 to 8 digits')
  .refine((pin) => !isRun(pin) && !repeats(pin), {
    error: 'This PIN is tried first by anybody: no rows of digits, and not the same ones again and again',
  });
export const newPersonSchema = z.strictObject({ name: shortText('Name', 40), role: z.enum(ROLES), pin: newPinSchema });
export const changePersonSchema = z
  .strictObject({ role: z.enum(ROLES).optional(), ended: z.literal(true).optional() })
  .refine(({ role, ended }) => role !== undefined || ended !== undefined, { error: 'Nothing is changed' });
export type ChangePerson = z.infer<typeof changePersonSchema>;
export const signInSchema = z.strictObject({
  personId: idSchema,
  pin: pinSchema,
  /** A tool without cookies is told the token. */
  tool: z.literal(true).optional(),
});
export const signedInSchema = z.object({ token: z.string().optional(), person: personSchema });
export const changePinSchema = z.strictObject({
  pin: newPinSchema,
  /** The PIN until now; needed for one's own. */
  old: pinSchema.optional(),
});
export const auditQuerySchema = z.strictObject({
  subject: z.string().max(80).optional(),
  limit: z.coerce.number().int().min(1, 'limit must be 1 to 500').max(500, 'limit must be 1 to 500').default(100),
});
export const auditLineSchema = z.object({
  at: z.number().int(),
  person: z.string(),
  action: z.string(),
  subject: z.string(),
  detail: z.record(z.string(), z.unknown()),
});
export const trailStateSchema = z.object({
  lines: z.number().int(),
  /** To be kept elsewhere: with it lines that are missing at the end are found too. */
  anchor: z.string(),
  /** The first line that does not fit, counted from 1. */
  broken: z.object({ line: z.number().int(), why: z.string() }).nullable(),
});
export type TrailState = z.infer<typeof trailStateSchema>;
/** The worklist that the server asks; null where it has none. */
export const worklistSchema = z.strictObject({ name: z.string().nullable() });

/** What another system has not been told yet. */
export const outgoingLineSchema = z.object({
  kind: z.enum(['step started', 'step ended', 'result']),
  examId: z.string(),
  madeAt: z.number().int(),
  tries: z.number().int(),
  why: z.string().nullable(),
});

export const takenSchema = z.object({
  taken: z.number().int(),
  known: z.number().int(),
  /** Orders that were known and came with other content, or were called off. */
  corrected: z.number().int(),
  cancelled: z.number().int(),
  /** Rows of a table that were not taken: what is wrong with each, by its line of the file. */
  refused: z.array(z.object({ line: z.number().int(), message: z.string() })),
  /** The same rows as a table with what is wrong, to be mended and taken in; empty where all were taken. */
  refusedTable: z.string(),
});
export const exposureDetailSchema = exposureSchema.extend({
  setup: setupSchema,
  request: setupRequestSchema,
});

export const versionsSchema = z.object({
  rules: z.number().int(),
  department: z.number().int(),
  rooms: z.record(z.string(), z.number().int()),
  own: z.number().int(),
  changedBy: z.object({ rules: z.string().nullable(), department: z.string().nullable() }),
});
export const roomTrendSchema = z.object({
  roomId: z.string(),
  room: z.string(),
  count: z.number().int(),
  mean: z.number(),
  spread: z.number(),
  perWeek: z.number().nullable(),
  drifts: z.boolean(),
  off: z.boolean(),
});
export type RoomTrend = z.infer<typeof roomTrendSchema>;
export const trendQuerySchema = z.strictObject({ from: z.coerce.number().int().nonnegative().default(0) });
export const recordQuerySchema = z.strictObject({
  from: z.coerce.number().int().nonnegative().default(0),
  to: z.coerce.number().int().positive().default(Number.MAX_SAFE_INTEGER),
  limit: z.coerce.number().int().min(1, 'limit must be 1 to 500').max(500, 'limit must be 1 to 500').default(200),
});
export const orderQuerySchema = z.strictObject({
  state: z.enum([...ORDER_STATES, 'open']).default('open'),
});

export const problemSchema = z.object({
  type: z.string(),
  status: z.number(),
  title: z.string(),
  detail: z.string(),
  fields: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});

export { departmentSchema, houseRulesSchema, roomSchema, setupRequestSchema };
export type Order = z.infer<typeof orderSchema>;
export type NewOrder = z.infer<typeof newOrderSchema>;
export type Exam = z.infer<typeof examSchema>;
export type StartExam = z.infer<typeof startExamSchema>;
export type NewExposure = z.infer<typeof newExposureSchema>;
export type Exposure = z.infer<typeof exposureSchema>;
const shareSchema = z.number().min(0).max(1);
export const newPracticeSchema = z.strictObject({
  id: idSchema,
  scenarioId: z
    .string()
    .max(40)
    .refine((id) => scenarios.some((each) => each.id === id), {
      error: (issue) => `There is no exercise "${String(issue.input)}"`,
    }),
  /** Who tried: a try that waited on a device is not another person's. */
  personId: idSchema,
  roomId: z.string().max(64).optional(),
  answer: answerSchema,
  seconds: z.number().int().min(0).max(86_400),
  at: time,
  sentAt,
});
export const practisedSchema = z.object({
  scenarioId: z.string(),
  share: shareSchema,
  at: z.number().int(),
  tries: z.number().int(),
  memory: z.looseObject({ due: z.number() }),
});
export const scoreSchema = z.object({
  id: idSchema,
  share: shareSchema,
  items: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      share: shareSchema,
      said: z.string(),
      right: z.string(),
      grave: z.boolean().optional(),
    }),
  ),
  next: z.string(),
});
export const competenceSchema = z.object({
  projectionId: z.string(),
  name: z.string(),
  region: z.string(),
  patientType: z.enum(PATIENT_TYPES),
  /** Exercises passed and tried, and exposures that were accepted. */
  passed: z.number().int(),
  tried: z.number().int(),
  exposures: z.number().int(),
  lastAt: z.number().int(),
  signedBy: z.string().nullable(),
  signedAt: z.number().int().nullable(),
});
export const signOffSchema = z.strictObject({
  projectionId: z
    .string()
    .max(60)
    .refine(hasProjection, { error: (issue) => `There is no projection "${String(issue.input)}"` }),
  patientType: z.enum(PATIENT_TYPES),
  signed: z.boolean(),
});
export type NewPractice = z.infer<typeof newPracticeSchema>;
export type SignOff = z.infer<typeof signOffSchema>;
export type Competence = z.infer<typeof competenceSchema>;
export type Person = z.infer<typeof personSchema>;
export type NewPerson = z.infer<typeof newPersonSchema>;
export type OrderDetail = z.infer<typeof orderDetailSchema>;
export type ChangePlan = z.infer<typeof changePlanSchema>;
export type Verdict = z.infer<typeof verdictSchema>;
export type PictureMeasures = z.infer<typeof pictureMeasuresSchema>;
export type ReaderNote = z.infer<typeof readerNoteSchema>;
export type SignIn = z.infer<typeof signInSchema>;
export type SignedIn = z.infer<typeof signedInSchema>;
export type Practised = z.infer<typeof practisedSchema>;
export type Taken = z.infer<typeof takenSchema>;
export type Versions = z.infer<typeof versionsSchema>;
export type ExposureDetail = z.infer<typeof exposureDetailSchema>;
