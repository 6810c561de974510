/** What a route of the API is: one entry feeds the server that answers and the document that describes it. */
import type { Request, Response } from 'express';
import { z } from 'zod';
import { idSchema, type Person, Role } from '@taktik/contracts';
import type { Store } from '../db/database';
import type { Computing } from '../compute/computing';
import type { AskedOf, TaskName } from '../compute/tasks';
import type { WorklistAddress } from '../dicom/worklist';

export type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

/** `anyone`; whoever is signed in; or one of these roles. */
export type Who = 'anyone' | 'signed in' | readonly Role[];

/** What a handler is given, parsed. `person` is only there where somebody must be signed in. */
export type Asked<Q, B> = {
  store: Store;
  computing: Computing;
  /** Where the worklist of the hospital is; null where there is none. */
  worklist: WorklistAddress | null;
  now: number;
  person: Person;
  id: string;
  query: Q;
  body: B;
  request: Request;
  response: Response;
};

/** An answer that is not plain JSON with status 200. */
export class Answer {
  constructor(
    readonly value: unknown,
    readonly status: 200 | 201 | 204 = 200,
    /** Name under which it is saved. */
    readonly file: string | null = null,
    /** What it is, where that is not what the route says. */
    readonly type: AnswerType | null = null,
  ) {}
}
export const created = (value: unknown): Answer => new Answer(value, 201);
export const NOTHING = new Answer(undefined, 204);
export const file = (name: string, value: unknown): Answer => new Answer(value, 200, name);

/** What is answered: as JSON, as text or as bytes. */
export type AnswerType =
  'application/json' | 'application/fhir+json' | 'text/csv' | 'application/hl7-v2' | 'application/dicom';

export type BodyType = 'application/json' | 'application/fhir+json' | 'text/csv';

export type Route = {
  method: Method;
  /** Under /api, with `:id` where it names one thing. */
  path: string;
  summary: string;
  who: Who;
  query: z.ZodType | null;
  /** Null: nothing is sent with it. */
  body: z.ZodType | null;
  bodyType: BodyType;
  /** The service reads the body itself and names every fault in it; it is described by `body` all the same. */
  readsItself: boolean;
  answer: z.ZodType | null;
  answerType: AnswerType;
  says: string;
  status: '200' | '201' | '204';
  handle: (asked: Asked<never, never>) => unknown;
};

type Written<Q extends z.ZodType, B extends z.ZodType> = Pick<Route, 'method' | 'path' | 'summary' | 'says'> &
  Partial<Pick<Route, 'answerType' | 'bodyType' | 'readsItself' | 'status' | 'who'>> & {
    query?: Q;
    body?: B;
    answer?: z.ZodType;
    handle: (asked: Asked<z.output<Q>, z.output<B>>) => unknown;
  };

/**
 * Writes down a route; whoever is signed in may ask, unless it says otherwise.
 * @example route({ method: 'get', path: '/me', summary: 'Who is signed in', says: 'The person', answer: personSchema, handle: ({ person }) => person })
 */
export const route = <Q extends z.ZodType = z.ZodUndefined, B extends z.ZodType = z.ZodUndefined>({
  query,
  body,
  answer,
  handle,
  ...written
}: Written<Q, B>): Route => ({
  who: 'signed in',
  bodyType: 'application/json',
  readsItself: false,
  answerType: 'application/json',
  status: '200',
  ...written,
  query: query ?? null,
  body: body ?? null,
  answer: answer ?? null,
  handle: handle as Route['handle'],
});

/** A question that is computed and stores nothing; asked at every touch, it is answered before all the rest. */
export type Question = Pick<Route, 'path' | 'summary' | 'says'> & {
  body: z.ZodType;
  answer: z.ZodType;
  task: TaskName;
};
export const question = <N extends TaskName>(
  written: Omit<Question, 'body' | 'task'> & { body: z.ZodType<AskedOf<N>>; task: N },
): Question => written;

export const idParams = z.object({ id: idSchema });
