/** Who signs in, practice, competence. */
import {
  changePersonSchema,
  changePinSchema,
  competenceSchema,
  newPersonSchema,
  newPracticeSchema,
  type Person,
  personSchema,
  practisedSchema,
  scoreSchema,
  signedInSchema,
  signInSchema,
  signOffSchema,
} from '@taktik/contracts';
import { z } from 'zod';
import {
  addPerson,
  changePerson,
  changePin,
  listPeople,
  signIn,
  signOut,
  signOutEverywhere,
} from '../../services/people';
import { sourceOf } from '../../services/pins';
import { competenceOf, competenceTable, practised, recordPractice, signOff } from '../../services/practice';
import { Problem } from '../problem';
import { file, NOTHING, route, type Route } from '../route';
import { dropToken, keepToken, tokenOf } from '../signedIn';
import { LEAD } from './shared';

/** A student sees their own competence, everybody else that of all. */
function mayRead(person: Person, id: string): void {
  if (person.role === 'student' && person.id !== id)
    throw new Problem(403, 'Not yours to see', 'A student sees their own competence.');
}

export const people: readonly Route[] = [
  route({
    method: 'get',
    path: '/people',
    summary: 'Names for the sign-in screen',
    who: 'anyone',
    answer: z.array(personSchema),
    says: 'People',
    handle: ({ store }) => listPeople(store),
  }),
  route({
    method: 'post',
    path: '/people',
    summary: 'Adds a person',
    who: LEAD,
    body: newPersonSchema,
    answer: personSchema,
    status: '201',
    says: 'The person',
    handle: ({ store, body, person, now }) => addPerson(store, body, person.name, now),
  }),
  route({
    method: 'patch',
    path: '/people/:id',
    summary: 'Another role for a person, or the end of their work here; ends their sessions',
    who: LEAD,
    body: changePersonSchema,
    answer: personSchema,
    says: 'The person',
    handle: ({ store, id, body, person, now }) => changePerson(store, id, body, person.name, now),
  }),
  route({
    method: 'post',
    path: '/people/:id/pin',
    summary: 'Changes a PIN; ends that person’s sessions',
    body: changePinSchema,
    status: '204',
    says: 'Changed',
    handle: async ({ store, id, body, person, now, request }) => {
      if (person.role !== 'lead' && person.id !== id)
        throw new Problem(403, 'Not yours to change', 'Only a lead changes the PIN of somebody else.');
      await changePin(store, id, { ...body, source: sourceOf(request.ip ?? '') }, person, now);
      return NOTHING;
    },
  }),
  route({
    method: 'post',
    path: '/sessions',
    summary: 'Signs in with a PIN; sets a cookie, and tells a tool that asks for it the token',
    who: 'anyone',
    body: signInSchema,
    answer: signedInSchema,
    status: '201',
    says: 'The session',
    handle: async ({ store, body: { tool, ...body }, now, request, response }) => {
      const { token, person } = await signIn(store, { ...body, source: sourceOf(request.ip ?? '') }, now);
      keepToken(response, token);
      // A page has its cookie, which no script reads: only a tool is told.
      return { person, ...(tool ? { token } : {}) };
    },
  }),
  route({
    method: 'delete',
    path: '/sessions',
    summary: 'Signs out',
    who: 'anyone',
    status: '204',
    says: 'Signed out',
    handle: async ({ store, request, response }) => {
      const token = tokenOf(request);
      if (token) await signOut(store, token);
      dropToken(response);
      return NOTHING;
    },
  }),
  route({
    method: 'delete',
    path: '/sessions/all',
    summary: 'Signs out on every device',
    status: '204',
    says: 'Signed out',
    handle: async ({ store, person, now, response }) => {
      await signOutEverywhere(store, person, now);
      dropToken(response);
      return NOTHING;
    },
  }),
  route({
    method: 'get',
    path: '/me',
    summary: 'Who is signed in',
    answer: personSchema,
    says: 'The person',
    handle: ({ person }) => person,
  }),
  route({
    method: 'get',
    path: '/practice',
    summary: 'Exercises that this person has tried',
    answer: z.array(practisedSchema),
    says: 'Exercises',
    handle: ({ store, person }) => practised(store, person.id),
  }),
  route({
    method: 'post',
    path: '/practice',
    summary: 'One try at an exercise, scored here; the same id again changes nothing',
    body: newPracticeSchema,
    answer: scoreSchema,
    status: '201',
    says: 'The score',
    handle: ({ store, person, body, now }) => recordPractice(store, person, body, now),
  }),
  route({
    method: 'get',
    path: '/people/:id/competence',
    summary: 'Competence by projection and type of patient',
    answer: z.array(competenceSchema),
    says: 'Competence',
    handle: ({ store, id, person }) => {
      mayRead(person, id);
      return competenceOf(store, id);
    },
  }),
  route({
    method: 'get',
    path: '/people/:id/competence/table',
    summary: 'The same as a table, CSV',
    answer: z.string(),
    answerType: 'text/csv',
    says: 'The table',
    handle: async ({ store, id, person }) => {
      mayRead(person, id);
      return file('competence.csv', await competenceTable(store, id));
    },
  }),
  route({
    method: 'post',
    path: '/people/:id/competence',
    summary: 'Signs a line for a student, or takes the signature back',
    who: ['technologist', 'lead'],
    body: signOffSchema,
    answer: z.array(competenceSchema),
    says: 'Competence',
    handle: ({ store, id, body, person, now }) => signOff(store, id, body, person, now),
  }),
];
