/** Puts the table of routes on Express: who may, what is asked, what is answered. */
import { Router, type Request, type RequestHandler } from 'express';
import type { Computing } from '../compute/computing';
import type { Store } from '../db/database';
import type { WorklistAddress } from '../dicom/worklist';
import { parse, Problem, unknownRoute } from './problem';
import { Answer, type BodyType, type Route, type Who } from './route';
import { guard, personOf, type Guard } from './signedIn';

const guardsFor = (who: Who, signedIn: Guard): RequestHandler[] =>
  who === 'anyone' ? [] : who === 'signed in' ? [signedIn()] : [signedIn(...who)];

const NOT_A_TABLE: Partial<Record<BodyType, { title: string; detail: string }>> = {
  'text/csv': { title: 'Not a table', detail: 'Send the table as text/csv with a head line; FHIR goes to /api/fhir.' },
};

/** @throws Problem 415 for a table that does not say that it is one, Refusal naming each field */
function bodyOf({ body, bodyType, readsItself }: Route, request: Request): unknown {
  const expected = NOT_A_TABLE[bodyType];
  if (expected && typeof request.body !== 'string') throw new Problem(415, expected.title, expected.detail);
  return body && !readsItself ? parse(body, request.body) : (request.body as unknown);
}

export function mountRoutes(
  routes: readonly Route[],
  store: Store,
  computing: Computing,
  clock: () => number,
  worklist: WorklistAddress | null,
): Router {
  const api = Router();
  const signedIn = guard(store, clock);
  for (const route of routes)
    api[route.method](route.path, ...guardsFor(route.who, signedIn), async (request, response) => {
      const answer: unknown = await route.handle({
        store,
        computing,
        worklist,
        now: clock(),
        person: personOf(response),
        id: String(request.params.id ?? ''),
        query: (route.query ? parse(route.query, request.query) : undefined) as never,
        body: bodyOf(route, request) as never,
        request,
        response,
      });
      const { value, status, file, type } =
        answer instanceof Answer ? answer : new Answer(answer, route.status === '201' ? 201 : 200);
      response.status(status);
      if (file !== null) response.attachment(file);
      const as = type ?? route.answerType;
      if (status === 204) response.end();
      else if (as === 'application/json') response.json(value);
      else if (as === 'application/fhir+json') response.type(as).send(JSON.stringify(value));
      else if (value instanceof Uint8Array) response.type(as).end(value);
      else response.type(as).send(value);
    });
  api.use(unknownRoute);
  return api;
}
