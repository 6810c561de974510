/** Who asks: a session in a cookie of this site only, or as a bearer token for tools. */
import type { Request, RequestHandler, Response } from 'express';
import type { Store } from '../db/database';
import type { Role, Person } from '@taktik/contracts';
import { getDepartment } from '../services/departments';
import { whoIs } from '../services/people';
import { Problem } from './problem';

export const COOKIE = 'taktik_session';
const MINUTE_MS = 60_000;

export function tokenOf(request: Request): string | null {
  const bearer = /^Bearer (\S{1,200})$/.exec(request.headers.authorization ?? '');
  if (bearer?.[1]) return bearer[1];
  const cookie = (request.headers.cookie ?? '').split(/;\s*/).find((part) => part.startsWith(`${COOKIE}=`));
  return cookie ? cookie.slice(COOKIE.length + 1, COOKIE.length + 201) : null;
}

const OPTIONS = { httpOnly: true, sameSite: 'strict', path: '/api' } as const;
/** Behind https it never goes over anything else. */
const optionsFor = ({ req }: Response) => ({ ...OPTIONS, secure: req.secure });
export const keepToken = (response: Response, token: string): void =>
  void response.cookie(COOKIE, token, optionsFor(response));
export const dropToken = (response: Response): void => void response.clearCookie(COOKIE, optionsFor(response));

/** The person of this request; only behind `signedIn`. */
export const personOf = (response: Response): Person => response.locals.person as Person;

export type Guard = (...roles: readonly Role[]) => RequestHandler;

/** @returns a guard that lets through whoever is signed in, with one of the roles where any are named */
export const guard =
  (store: Store, clock: () => number): Guard =>
  (...roles) =>
  async (request, response, next) => {
    const token = tokenOf(request);
    const { idleMinutes } = await getDepartment(store);
    const person = token === null ? null : await whoIs(store, token, clock(), idleMinutes * MINUTE_MS);
    if (!person) throw new Problem(401, 'Sign in', 'Sign in with your PIN; nothing was changed.');
    if (roles.length > 0 && !roles.includes(person.role))
      throw new Problem(
        403,
        'Not yours to change',
        `This is for: ${roles.join(', ')}. You are signed in as ${person.role}.`,
      );
    response.locals.person = person;
    next();
  };
