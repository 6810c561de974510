/** The published form of other ways. */
import { checkRequest, overridesSchema, setupRequestSchema } from '../setup/request';
import { wayPricesSchema } from './wayPrices';
import { z } from 'zod';
import { adaptedWaySchema } from '../setup/placing/adaptedWay';
import { problemSchema, setupSchema, valuesSchema } from '../setup/setupSchema';
import { COST_CODES, COST_IDS } from './costs';
import type { OtherWay } from './otherWay';

const asked = z.strictObject({
  projectionId: z.string(),
  side: z.enum(['left', 'right']).optional(),
  digit: z.number().int().optional(),
  way: adaptedWaySchema.optional(),
  overrides: overridesSchema.optional(),
});

const said = z.strictObject({ code: z.string(), values: valuesSchema, text: z.string() });

const otherWaySchema: z.ZodType<OtherWay> = z.strictObject({
  id: z.string(),
  request: asked,
  secondRequest: asked.nullable(),
  name: z.string(),
  says: z.string(),
  setup: setupSchema,
  second: setupSchema.nullable(),
  offDeg: z.number(),
  keeps: z.array(said),
  costs: z.array(
    z.strictObject({
      id: z.enum(COST_IDS),
      code: z.enum(COST_CODES),
      values: valuesSchema,
      text: z.string(),
      points: z.number(),
    }),
  ),
  tell: z.array(said),
  points: z.number(),
});

/** The question: of one view for one patient, situation and room, by the department's own prices where it has any. */
export const waysRequestSchema = z
  .strictObject({ ...setupRequestSchema.shape, prices: wayPricesSchema.optional() })
  .superRefine(checkRequest);

/** What the question for other ways is answered with: why the view itself must not be done, and the ways, best first. */
export const otherWaysSchema = z.strictObject({
  forbidden: z
    .strictObject({
      reason: z.string(),
      asked: z.string(),
      part: z.string().optional(),
      why: z.string(),
      ask: z.string(),
    })
    .nullable(),
  /** Where nothing was found and nothing forbids the view itself: what blocks it, and who decides. */
  noWay: z.strictObject({ problems: z.array(problemSchema), asked: z.string(), ask: z.string() }).nullable(),
  ways: z.array(otherWaySchema),
});
