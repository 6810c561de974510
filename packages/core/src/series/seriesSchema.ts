/** The published form of the question for the order of a series, and of its answer. */
import { z } from 'zod';
import { setupRequestSchema } from '../setup/request';
import { setupSchema, valuesSchema } from '../setup/setupSchema';
import { CHANGE_CODES, CHANGE_KINDS, READOUTS } from './changesBetween';
import type { SeriesPlan, SeriesRequest } from './planSeries';
import { PRICE_IDS, pricesSchema } from './prices';

/** More are no exam of one patient. */
const MOST_IN_SERIES = 20;

const { own, overrides, patient, projectionId, room, rules, side, situation, way } = setupRequestSchema.shape;

export const seriesRequestSchema = z
  .strictObject({
    items: z
      .array(z.strictObject({ projectionId, side, own, overrides, way }))
      .min(1, 'A series needs at least one projection')
      .max(MOST_IN_SERIES, `A series may have ${MOST_IN_SERIES} projections at most`),
    patient,
    situation,
    room,
    rules,
    prices: pricesSchema.optional(),
    /** Keeps this order and prices it; every place of the items once, from 0. */
    order: z.array(z.number().int().nonnegative()).max(MOST_IN_SERIES).optional(),
    /** Places that come first or last, and parts kept together, as far as nothing that must come first stands against it. */
    wishes: z
      .strictObject({
        first: z.array(z.number().int().nonnegative()).max(MOST_IN_SERIES).optional(),
        last: z.array(z.number().int().nonnegative()).max(MOST_IN_SERIES).optional(),
        together: z.boolean().optional(),
      })
      .optional(),
    startsOnTheBack: z.boolean().optional(),
  })
  .superRefine(({ items, wishes }, context) => {
    for (const list of ['first', 'last'] as const)
      if (wishes?.[list]?.some((place) => place >= items.length))
        context.addIssue({
          code: 'custom',
          message: `Wishes name places 0 to ${items.length - 1}`,
          path: ['wishes', list],
        });
    // Each is asked for as a set-up is: a known entry, and the side that it needs.
    for (const [i, item] of items.entries())
      for (const issue of setupRequestSchema.safeParse(item).error?.issues ?? [])
        context.addIssue({ code: 'custom', message: issue.message, path: ['items', i, ...issue.path] });
  }) as unknown as z.ZodType<SeriesRequest>;

const effort = z.strictObject({ points: z.number(), turns: z.number(), exposures: z.number() });

export const seriesPlanSchema: z.ZodType<SeriesPlan> = z.strictObject({
  order: z.array(z.number()),
  steps: z.array(
    z.strictObject({
      item: z.number(),
      setup: setupSchema,
      changes: z.array(
        z.strictObject({
          kind: z.enum(CHANGE_KINDS),
          code: z.enum(CHANGE_CODES),
          values: valuesSchema,
          text: z.string(),
          undo: z.boolean(),
          readout: z.enum(READOUTS).nullable(),
          was: z.string().nullable(),
        }),
      ),
      points: z.number(),
      priced: z.array(z.strictObject({ id: z.enum(PRICE_IDS), title: z.string(), points: z.number() })),
      turn: z.boolean(),
    }),
  ),
  effort,
  asGiven: effort,
  says: z.string(),
  least: z.boolean(),
  wished: z.strictObject({ points: z.number(), turns: z.number(), refused: z.array(z.string()) }).nullable(),
  constraints: z.array(
    z.strictObject({
      before: z.number(),
      after: z.number(),
      why: z.string(),
      gate: z.enum(['read', 'looked at']).nullable(),
    }),
  ),
  broken: z.array(z.string()),
  barred: z.array(z.strictObject({ item: z.number(), why: z.string() })),
});
