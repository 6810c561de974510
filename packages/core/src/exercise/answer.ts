/** What was answered to an exercise, as it is sent and stored. */
import { z } from 'zod';
import { MISHAP_RANGES } from '../radiograph/mishap';
import { OVERRIDE_RANGES } from '../setup/request';

const within = ([low, high]: readonly [number, number]) => z.number().min(low).max(high);
const lie = z.strictObject({
  rollDeg: within(MISHAP_RANGES.rollDeg),
  tiltDeg: within(MISHAP_RANGES.tiltDeg),
  turnDeg: within(MISHAP_RANGES.turnDeg),
  alongMm: within(MISHAP_RANGES.alongMm),
  acrossMm: within(MISHAP_RANGES.acrossMm),
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
    lie,
  }),
  z.strictObject({
    kind: z.literal('spot the fault'),
    faultId: name,
    way: z.enum(['more', 'less']),
    /** Degrees or mm by which the part must be brought back. */
    amount: z.number().min(0).max(400),
  }),
  z.strictObject({ kind: z.literal('which view'), projectionId: name }),
  z.strictObject({ kind: z.literal('fewest turns'), order: z.array(z.number().int().min(0).max(40)).min(1).max(40) }),
]);
export type ExerciseAnswer = z.infer<typeof answerSchema>;
export type AnswerTo<K extends ExerciseAnswer['kind']> = Extract<ExerciseAnswer, { kind: K }>;
