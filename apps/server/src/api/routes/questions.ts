/** Questions that store nothing: set-up, verdict, other ways, the order of a series. */
import { setupRequestSchema } from '@taktik/contracts';
import {
  otherWaysSchema,
  seriesPlanSchema,
  seriesRequestSchema,
  type SetupRequest,
  setupSchema,
  verdictSchema as viewVerdictSchema,
  type WayPrices,
  waysRequestSchema,
} from '@taktik/core';
import { z } from 'zod';
import { question, type Question } from '../route';

/** Three questions are asked about the same: one view for one patient, situation and room. */
const asked = setupRequestSchema as unknown as z.ZodType<SetupRequest>;

export const questions: readonly Question[] = [
  question({
    path: '/setups',
    summary: 'Computes a set-up; stores nothing',
    body: asked,
    answer: setupSchema,
    says: 'The set-up',
    task: 'setup',
  }),
  question({
    path: '/verdicts',
    summary: 'Whether a view may be done for this patient and situation: what bars it, and what serves instead',
    body: asked,
    answer: viewVerdictSchema,
    says: 'The verdict',
    task: 'verdict',
  }),
  question({
    path: '/ways',
    summary: 'Other ways to a projection for this patient, situation and room, the least cost first; stores nothing',
    body: waysRequestSchema as unknown as z.ZodType<SetupRequest & { prices?: Partial<WayPrices> }>,
    answer: otherWaysSchema,
    says: 'Ways, each with its whole set-up; why the view itself must not be done, or why nothing was found and who decides',
    task: 'ways',
  }),
  question({
    path: '/plans',
    summary: 'The order of a series with the least work and harm, and what changes at each step; stores nothing',
    body: seriesRequestSchema,
    answer: seriesPlanSchema,
    says: 'The plan',
    task: 'plan',
  }),
];
