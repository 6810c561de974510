/** An order as it comes in from outside, whatever it was written in: no more of a person than the work needs. */
import { z } from 'zod';
import { patientInputSchema } from '../body/patient';
import { situationSchema } from '../setup/request';
import { notXray } from './orderGuard';
import { situationOf } from './reasonSituation';

const text = (name: string, max: number) => {
  const empty = { error: `${name} must not be empty` };
  return z
    .string(empty)
    .trim()
    .min(1, empty)
    .max(max, { error: `${name} may have ${max} characters at most` });
};

export const URGENCIES = ['now', 'today', 'routine'] as const;

const STANDINGS = ['ordered', 'cancelled', 'on hold'] as const;

export const incomingOrderSchema = z.strictObject({
  /** The order's number where it came from; the same number again is the same order. */
  reference: text('Order number', 60).regex(/^[\w./-]+$/, { error: 'Order number: letters, digits, . / _ and - only' }),
  initials: text('Initials', 4),
  patient: patientInputSchema,
  exam: text('Exam', 120),
  side: z.enum(['left', 'right'], { error: 'Side must be left, right or empty' }).nullable(),
  /** Both sides were ordered; `side` is empty then. */
  bothSides: z.boolean().default(false),
  /** What becomes of an order with this number: taken or corrected, called off, or put on hold. */
  standing: z.enum(STANDINGS).default('ordered'),
  reason: text('Reason', 500),
  urgency: z.enum(URGENCIES, { error: 'Urgency must be now, today or routine' }),
  ward: text('Ward', 60),
  situation: situationSchema.partial(),
});
export type IncomingOrder = z.infer<typeof incomingOrderSchema>;

/** What is wrong, and where: a line of a table, or an entry of a bundle. */
export type IncomingFault = { line: number; field: string; message: string };
export type Incoming = { orders: IncomingOrder[] } | { faults: IncomingFault[] };

/** Checks drafts, and tells every fault with its line. Nothing is taken when anything is wrong. */
export function takeIncoming(drafts: readonly { line: number; order: unknown; faults?: IncomingFault[] }[]): Incoming {
  const faults: IncomingFault[] = [];
  const orders: IncomingOrder[] = [];
  const seen = new Map<string, number>();
  for (const { line, order, faults: known = [] } of drafts) {
    faults.push(...known);
    const parsed = incomingOrderSchema.safeParse(order);
    if (!parsed.success) {
      const named = new Set(known.map(({ field }) => field));
      for (const issue of parsed.error.issues) {
        const field = issue.path.join('.');
        if (!named.has(field)) faults.push({ line, field, message: issue.message });
      }
      continue;
    }
    const before = seen.get(parsed.data.reference);
    if (before !== undefined)
      faults.push({
        line,
        field: 'reference',
        message: `Order number ${parsed.data.reference} stands already in line ${before}`,
      });
    seen.set(parsed.data.reference, line);
    const other = notXray(parsed.data.exam);
    // What is called off need not be an x-ray, or be read.
    if (other !== null && parsed.data.standing === 'ordered')
      faults.push({
        line,
        field: 'exam',
        message: `Order ${parsed.data.reference} asks for ${other}, not for an x-ray: “${parsed.data.exam}”`,
      });
    orders.push({ ...parsed.data, situation: { ...situationOf(parsed.data), ...parsed.data.situation } });
  }
  return faults.length > 0 ? { faults } : { orders };
}
