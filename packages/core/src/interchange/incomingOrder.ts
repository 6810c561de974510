/** An order as it comes in from outside, whatever it was written in: no more of a person than the work needs. */
import { z } from 'zod';
import { patientInputSchema } from '../body/patient';
import { situationSchema } from '../setup/request';
import { notXray, saysNotToBeDone } from './orderGuard';
import { ageApart, ageIn } from './orderAge';
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

/** A number and who gives such numbers: the same digits of another giver are another number. */
const short = (name: string, max: number) =>
  z
    .string()
    .trim()
    .max(max, { error: `${name} may have ${max} characters at most` })
    .default('');
const patientNumberSchema = z.strictObject({
  value: text('Patient number', 64),
  issuer: short('Giver of the patient number', 120),
});
export type PatientNumber = z.infer<typeof patientNumberSchema>;

/** What a worklist says of the work, to be said again when it is done. Source: DICOM PS3.3 C.4.10 and C.4.11. */
const scheduledSchema = z.strictObject({
  studyUid: z.string().regex(/^[\d.]{0,64}$/, { error: 'StudyInstanceUID: digits and dots only' }),
  stepId: short('Step', 16),
  procedureId: short('Procedure', 16),
});
export type Scheduled = z.infer<typeof scheduledSchema>;

export const incomingOrderSchema = z.strictObject({
  /** The order's number where it came from; the same number of the same system again is the same order. */
  reference: text('Order number', 60).regex(/^[\w./-]+$/, { error: 'Order number: letters, digits, . / _ and - only' }),
  /** Who gives such numbers; empty where it is not said. */
  system: short('System', 120),
  initials: text('Initials', 4),
  /** The patient's number where the order came from: it ties orders of one patient, and what goes back. */
  patientNumber: patientNumberSchema.nullable().default(null),
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
  /** Who ordered it, to be asked. */
  requester: short('Requester', 80),
  note: short('Note', 500),
  situation: situationSchema.partial(),
  scheduled: scheduledSchema.nullable().default(null),
});
export type IncomingOrder = z.infer<typeof incomingOrderSchema>;

/** What is wrong, and where: a line of a table, or an entry of a bundle. */
export type IncomingFault = { line: number; field: string; message: string };
export type Incoming = { orders: { line: number; order: IncomingOrder }[] } | { faults: IncomingFault[] };

export type Draft = { line: number; order: unknown; faults?: IncomingFault[] };
/** What of a message can be taken, and what is wrong with the rest: no order stands in both. */
export type SortedOrders = { orders: { line: number; order: IncomingOrder }[]; faults: IncomingFault[] };

/** What a note says of the patient counts as what the reason says. */
const whySaid = ({ exam, reason, note }: IncomingOrder) => ({
  exam,
  reason: note === '' ? reason : `${reason}; ${note}`,
});

const NOW = /\b(stat|emergen(t|cy))\b/i;
const TODAY = /\b(asap|urgent(ly)?|today)\b/i;
/** What the words say and no field does: an age, and how soon, which is only ever made sooner. */
function saidElsewhere(order: IncomingOrder): IncomingOrder {
  const { exam, reason, patient, urgency } = order;
  const age = patient.ageYears === undefined ? ageIn(`${exam}; ${reason}`) : null;
  const sooner = NOW.test(exam) ? 'now' : TODAY.test(exam) && urgency === 'routine' ? 'today' : urgency;
  return {
    ...order,
    urgency: sooner,
    patient: age ? { ...patient, ageYears: Math.round(age.years * 100) / 100 } : patient,
  };
}

/** Checks drafts one by one, and tells every fault with its line. */
export function sortIncoming(drafts: readonly Draft[]): SortedOrders {
  const sorted: SortedOrders = { orders: [], faults: [] };
  const seen = new Map<string, number>();
  for (const { line, order, faults: known = [] } of drafts) {
    const faults = [...known];
    const put = (field: string, message: string) => faults.push({ line, field, message });
    const parsed = incomingOrderSchema.safeParse(order);
    if (!parsed.success) {
      const named = new Set(known.map(({ field }) => field));
      for (const issue of parsed.error.issues) {
        const field = issue.path.join('.');
        if (!named.has(field)) put(field, issue.message);
      }
    } else {
      const { reference, system, exam, standing } = parsed.data;
      const number = `${system}|${reference}`;
      const before = seen.get(number);
      if (before !== undefined) put('reference', `Order number ${reference} stands already in line ${before}`);
      seen.set(number, line);
      const other = notXray(exam);
      // What is called off need not be an x-ray, or be read.
      if (other !== null && standing === 'ordered')
        put('exam', `Order ${reference} asks for ${other}, not for an x-ray: “${exam}”`);
      const otherAge = ageApart(exam, parsed.data.patient.ageYears);
      if (otherAge !== null) put('patient.ageYears', `Order ${reference}: ${otherAge}`);
      if (saysNotToBeDone(exam) && standing === 'ordered')
        put('exam', `Order ${reference} says that it is not to be performed: “${exam}”`);
      if (faults.length === 0)
        sorted.orders.push({
          line,
          order: {
            ...saidElsewhere(parsed.data),
            situation: { ...situationOf(whySaid(parsed.data)), ...parsed.data.situation },
          },
        });
    }
    sorted.faults.push(...faults);
  }
  return sorted;
}

/** Checks drafts of a message that is taken whole: nothing is taken when anything is wrong. */
export function takeIncoming(drafts: readonly Draft[]): Incoming {
  const { orders, faults } = sortIncoming(drafts);
  return faults.length > 0 ? { faults } : { orders };
}
