/** Who signs in, practice, competence. */
import {
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
import { addPerson, changePin, listPeople, signIn, signOut } from '../../services/people';
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
    method: 'post',
    path: '/people/:id/pin',
    summary: 'Changes a PIN; ends that person’s sessions',
    body: changePinSchema,
    status: '204',
    says: 'Changed',
    handle: async ({ store, id, body, person, now }) => {
      if (person.role !== 'lead' && person.id !== id)
        throw new Problem(403, 'Not yours to change', 'Only a lead changes the PIN of somebody else.');
      await changePin(store, id, body.pin, person.name, now);
      return NOTHING;
    },
  }),
  route({
    method: 'post',
    path: '/sessions',
    summary: 'Signs in with a PIN; sets a cookie, and tells the token for tools',
    who: 'anyone',
    body: signInSchema,
    answer: signedInSchema,
    status: '201',
    says: 'The session',
    handle: async ({ store, body, now, response }) => {
      const session = await signIn(store, body, now);
      keepToken(response, session.token);
      return session;
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
