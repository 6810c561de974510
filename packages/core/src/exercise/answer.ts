/** What was answered to an exercise, as it is sent and stored. */
import { z } from 'zod';
import { POSITIONING_ERROR_RANGES } from '../radiograph/positioningError';
import { OVERRIDE_RANGES } from '../setup/request';

const within = ([low, high]: readonly [number, number]) => z.number().min(low).max(high);
const positioningError = z.strictObject({
  rollDeg: within(POSITIONING_ERROR_RANGES.rollDeg),
  tiltDeg: within(POSITIONING_ERROR_RANGES.tiltDeg),
  turnDeg: within(POSITIONING_ERROR_RANGES.turnDeg),
  alongMm: within(POSITIONING_ERROR_RANGES.alongMm),
  acrossMm: within(POSITIONING_ERROR_RANGES.acrossMm),
});
const name = z.string().max(80);

export const answerSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('set it up'),
    sidMm: within(OVERRIDE_RANGES.sidMm),
    /** Toward the head above 0. */
    angleDeg: within(OVERRIDE_RANGES.angleDeg),
    receptorId: name,
    orientation: z.enum(['lengthwise', 'crosswise']),
    fieldMm: z.tuple([within(OVERRIDE_RANGES.fieldMm), within(OVERRIDE_RANGES.fieldMm)]),
    marker: z.enum(['R', 'L']),
    positioningError,
  }),
  z.strictObject({
    kind: z.literal('spot the fault'),
    faultId: name,
    direction: z.enum(['more', 'less']),
    /** Degrees or mm by which the part must be brought back. */
    amount: z.number().min(0).max(400),
  }),
  z.strictObject({ kind: z.literal('which view'), projectionId: name }),
  z.strictObject({ kind: z.literal('fewest turns'), order: z.array(z.number().int().min(0).max(40)).min(1).max(40) }),
]);
export type ExerciseAnswer = z.infer<typeof answerSchema>;
export type AnswerTo<K extends ExerciseAnswer['kind']> = Extract<ExerciseAnswer, { kind: K }>;
