/** What a service says when it does not do what is asked; how it is sent is the business of the API. */
import type { z } from 'zod';

export type FieldProblem = { field: string; message: string };

/** Why it is not done. */
export type RefusalKind =
  'not signed in' | 'not allowed' | 'missing' | 'conflict' | 'not accepted' | 'too often' | 'busy';

export class Refusal extends Error {
  constructor(
    readonly kind: RefusalKind,
    readonly title: string,
    readonly detail: string,
    readonly fields: FieldProblem[] = [],
    /** Seconds after which it may be tried again. */
    readonly retryAfter: number | null = null,
  ) {
    super(detail);
  }
}

/** @param id as it was asked for, of any length */
export const notFound = (what: string, id: string): Refusal =>
  new Refusal('missing', 'Not found', `There is no ${what} "${id.slice(0, 80)}".`);

const MOST_FIELDS = 20;
const LONGEST_DETAIL = 1000;
/** Each field with what is wrong in it. */
export function invalid(error: z.ZodError): Refusal {
  const fields = error.issues
    .slice(0, MOST_FIELDS)
    .map((issue) => ({ field: issue.path.join('.') || 'body', message: issue.message }));
  const detail = fields.map(({ field, message }) => `${field}: ${message}`).join('; ');
  return new Refusal('not accepted', 'Input not accepted', detail.slice(0, LONGEST_DETAIL), fields);
}
