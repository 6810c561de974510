/** One error format: problem details of RFC 9457. */
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import type { z } from 'zod';
import { isDamage, isFull } from '../db/database';
import { operationOutcome, wantsFhir } from '../services/fhirAnswers';
import { invalid, Refusal, type FieldProblem, type RefusalKind } from '../services/refusal';

export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly fields: FieldProblem[] = [],
    /** Seconds after which it may be tried again. */
    readonly retryAfter: number | null = null,
  ) {
    super(detail);
  }
}

const STATUS: Record<RefusalKind, number> = {
  'not signed in': 401,
  'not allowed': 403,
  missing: 404,
  conflict: 409,
  'not accepted': 422,
  'too often': 429,
  busy: 503,
};
const problemOf = ({ kind, title, detail, fields, retryAfter }: Refusal): Problem =>
  new Problem(STATUS[kind], title, detail, fields, retryAfter);

/** Parses what came from outside, once. @throws Refusal naming each field */
export function parse<T extends z.ZodType>(schema: T, value: unknown): z.output<T> {
  const result = schema.safeParse(value);
  if (!result.success) throw invalid(result.error);
  return result.data;
}

const notJson = (): Problem => new Problem(400, 'Not JSON', 'The body is not valid JSON; nothing was changed.');

/** @throws Problem 400 */
export function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw notJson();
  }
}

function send(response: Response, { status, title, detail, fields, retryAfter }: Problem): void {
  if (retryAfter !== null) response.setHeader('Retry-After', String(retryAfter));
  if (wantsFhir(response.req.headers.accept)) {
    response
      .status(status)
      .type('application/fhir+json')
      .send(JSON.stringify(operationOutcome(status, detail, fields)));
    return;
  }
  response
    .status(status)
    .type('application/problem+json')
    .json({ type: 'about:blank', status, title, detail, ...(fields.length > 0 ? { fields } : {}) });
}

export const unknownRoute: RequestHandler = (request) => {
  throw new Problem(404, 'Not found', `There is nothing at ${request.method} ${request.path.slice(0, 120)}.`);
};

type HttpError = { status?: number; type?: string; message?: string; limit?: number };

/**
 * An error as it may stand in a log: what failed and where, never with what. Statements that fail carry the values of a
 * patient or a PIN in their message.
 */
export function loggable(error: unknown): object {
  if (!(error instanceof Error)) return { error: typeof error };
  const { name, stack = '' } = error;
  const code = (error as { code?: unknown }).code;
  return {
    name,
    ...(typeof code === 'string' ? { code } : {}),
    at: stack.split('\n').filter((line) => /^\s+at /.test(line)),
    ...(error.cause === undefined ? {} : { cause: loggable(error.cause) }),
  };
}

export const problemHandler =
  (logger: Logger, onDamage: () => void = () => undefined): ErrorRequestHandler =>
  (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    if (error instanceof Problem) {
      send(response, error);
      return;
    }
    if (error instanceof Refusal) {
      send(response, problemOf(error));
      return;
    }
    if (error instanceof RangeError) {
      send(response, new Problem(422, 'Outside the range', error.message));
      return;
    }
    const http = error as HttpError;
    if (http.type === 'entity.parse.failed') {
      send(response, notJson());
      return;
    }
    if (http.type === 'entity.too.large') {
      const most = Math.round((http.limit ?? 0) / 1024);
      send(response, new Problem(413, 'Too large', `The body is larger than ${most} kB; nothing was changed.`));
      return;
    }
    if (http.status && http.status < 500) {
      send(response, new Problem(http.status, 'Request not accepted', String(http.message)));
      return;
    }
    if (isFull(error)) {
      logger.error(loggable(error), 'the disk takes no more');
      send(
        response,
        new Problem(
          507,
          'Disk full',
          'The disk of the server is full: nothing was stored here. Your device keeps it and sends it again.',
        ),
      );
      return;
    }
    if (isDamage(error)) {
      onDamage();
      logger.error(loggable(error), 'the database is damaged');
      send(
        response,
        new Problem(
          503,
          'Database damaged',
          'The record of the server cannot be read; it must be restored from a backup. Your device keeps what you write and sends it later.',
        ),
      );
      return;
    }
    logger.error({ ...loggable(error), method: request.method, path: request.path }, 'unexpected failure');
    send(response, new Problem(500, 'Server error', 'Something failed here; nothing was half-written. Try again.'));
  };
