/** What goes over the wire, as schemas; validation, types and the OpenAPI document are made from these. */
import {
  hasProjection,
  houseRulesSchema,
  patientInputSchema,
  roomSchema,
  setupRequestSchema,
  situationSchema,
} from '@taktik/core';
import { z } from 'zod';

export const idSchema = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[A-Za-z0-9_-]+$/, 'letters, digits, - and _ only');
const shortText = (name: string, max: number) =>
  z.string().trim().min(1, `${name} must not be empty`).max(max, `${name} may have ${max} characters at most`);

export const orderProjectionSchema = z.strictObject({
  projectionId: z
    .string()
    .max(60)
    .refine(hasProjection, { error: (issue) => `There is no projection "${String(issue.input)}"` }),
  side: z.enum(['left', 'right']).optional(),
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
  state: z.enum(['waiting', 'started', 'finished']),
  patient: z.object({ id: idSchema, initials: z.string(), body: patientInputSchema }),
  situation: situationSchema.partial(),
  unusual: z.array(z.string()),
  projections: z.array(orderProjectionSchema),
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
  startedAt: z.number().int().positive(),
});
export const examSchema = z.object({
  id: idSchema,
  orderId: idSchema,
  performedBy: z.string(),
  startedAt: z.number().int(),
  finishedAt: z.number().int().nullable(),
});
export const finishExamSchema = z.strictObject({ finishedAt: z.number().int().positive() });

export const newExposureSchema = z.strictObject({
  id: idSchema,
  examId: idSchema,
  request: setupRequestSchema,
  performedBy: shortText('Name of the person', 40),
  exposedAt: z.number().int().positive(),
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
  room: z.string(),
  performedBy: z.string(),
  exposedAt: z.number().int(),
  kVp: z.number(),
  mAs: z.number(),
  exposureIndex: z.number(),
  deviationIndex: z.number(),
  kapGyCm2: z.number(),
});
export const exposureDetailSchema = exposureSchema.extend({
  setup: z.record(z.string(), z.unknown()),
  request: z.record(z.string(), z.unknown()),
});

export const recordQuerySchema = z.strictObject({
  from: z.coerce.number().int().nonnegative().default(0),
  to: z.coerce.number().int().positive().default(Number.MAX_SAFE_INTEGER),
  limit: z.coerce.number().int().min(1, 'limit must be 1 to 500').max(500, 'limit must be 1 to 500').default(200),
});
export const orderQuerySchema = z.strictObject({
  state: z.enum(['waiting', 'started', 'finished', 'open']).default('open'),
});

/** Who changes the catalogue; the entry itself is proved by the core. */
export const changedBySchema = z.strictObject({ by: shortText('Name of the person', 40) });

export const problemSchema = z.object({
  type: z.string(),
  status: z.number(),
  title: z.string(),
  detail: z.string(),
  fields: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});

export { houseRulesSchema, roomSchema, setupRequestSchema };
export type Order = z.infer<typeof orderSchema>;
export type NewOrder = z.infer<typeof newOrderSchema>;
export type Exam = z.infer<typeof examSchema>;
export type StartExam = z.infer<typeof startExamSchema>;
export type NewExposure = z.infer<typeof newExposureSchema>;
export type Exposure = z.infer<typeof exposureSchema>;
