/** All routes of the API. The server that answers and the document that describes it are made from this table. */
import {
  bodyDocumentSchema,
  bodyJsonSchema,
  bodyRequestSchema,
  catalogueDocumentSchema,
  catalogueJsonSchema,
  computeSetup,
  exportBody,
  findOtherWays,
  findProjections,
  judge,
  otherWaysSchema,
  planSeries,
  projectionOf,
  projectionSchema,
  projections,
  roomChangeSchema,
  roomDocumentSchema,
  roomJsonSchema,
  seriesPlanSchema,
  seriesRequestSchema,
  setupSchema,
  verdictSchema as viewVerdictSchema,
  whyForbidden,
  type RoomChange,
  type SetupRequest,
} from '@taktik/core';
import type { Request, Response } from 'express';
import { z } from 'zod';
import {
  answersSchema,
  auditLineSchema,
  auditQuerySchema,
  changePinSchema,
  changePlanSchema,
  competenceSchema,
  departmentSchema,
  examSchema,
  exposureDetailSchema,
  exposureSchema,
  finishExamSchema,
  handOverSchema,
  houseRulesSchema,
  newExposureSchema,
  newOrderSchema,
  newPersonSchema,
  newPracticeSchema,
  orderDetailSchema,
  orderQuerySchema,
  orderSchema,
  personSchema,
  practisedSchema,
  readingSchema,
  recordQuerySchema,
  roomSchema,
  roomTrendSchema,
  scoreSchema,
  setupRequestSchema,
  signedInSchema,
  signInSchema,
  signOffSchema,
  startExamSchema,
  takenSchema,
  trendQuerySchema,
  verdictSchema,
  versionsSchema,
  type Person,
} from '@taktik/contracts';
import { damageOf } from '../db/database';
import { listAudit } from '../services/audit';
import { deleteOwn, exportOwn, importOwn, listOwn, putOwn } from '../services/catalogue';
import { getDepartment, putDepartment } from '../services/departments';
import {
  exposureBody,
  finishExam,
  getExposure,
  handOver,
  judgeExposure,
  listExposures,
  orderDetail,
  putAnswers,
  recordExposure,
  startExam,
  trendsOf,
  typeReading,
} from '../services/exams';
import { takeFhir, takeTable } from '../services/intake';
import { addOrder, changePlan, getOrder, listOrders } from '../services/orders';
import { addPerson, changePin, listPeople, signIn, signOut } from '../services/people';
import { competenceOf, competenceTable, practised, recordPractice, signOff } from '../services/practice';
import { notFound } from '../services/refusal';
import {
  chartTable,
  exportedRoom,
  getRoom,
  listRooms,
  patchRoom,
  putRules,
  rulesInForce,
  takeChart,
  takeRoom,
} from '../services/rooms';
import { versionsOf } from '../services/versions';
import { Problem } from './problem';
import { Answer, created, file, NOTHING, question, route, type Question, type Route } from './route';
import { dropToken, keepToken, tokenOf } from './signedIn';

const LEAD = ['lead'] as const;
/** A document of another standard, or a JSON Schema: its form is that standard’s. */
const foreignDocument = z.record(z.string(), z.unknown()).meta({ description: 'A document of another standard' });
const searchSchema = z.strictObject({ q: z.string().max(200, 'a query may have 200 characters at most').default('') });

/** The version that was changed, as `If-Match: "7"`; undefined where the caller does not say. @throws Problem 400 */
function expected(request: Request): number | undefined {
  const header = request.headers['if-match'];
  if (header === undefined || header === '*') return undefined;
  const version = Number(header.replace(/^(W\/)?"(\d+)"$/, '$2'));
  if (!Number.isInteger(version)) throw new Problem(400, 'No such version', 'If-Match must be a version, as "7".');
  return version;
}
/** The version that comes with what is read: sent back with a change of it. */
const tagged = (response: Response, version: number) => void response.setHeader('ETag', `"${version}"`);

/** A student sees their own competence, everybody else that of all. */
function mayRead(person: Person, id: string): void {
  if (person.role === 'student' && person.id !== id)
    throw new Problem(403, 'Not yours to see', 'A student sees their own competence.');
}

export const questions: readonly Question[] = [
  question({
    path: '/setups',
    summary: 'Computes a set-up; stores nothing',
    body: setupRequestSchema as unknown as z.ZodType<SetupRequest>,
    answer: setupSchema,
    says: 'The set-up',
    compute: (request) => computeSetup(request),
  }),
  question({
    path: '/verdicts',
    summary: 'Whether a view may be done for this patient and situation: what bars it, and what serves instead',
    body: setupRequestSchema as unknown as z.ZodType<SetupRequest>,
    answer: viewVerdictSchema,
    says: 'The verdict',
    compute: (request) => judge(request),
  }),
  question({
    path: '/ways',
    summary: 'Other ways to a projection for this patient, situation and room, the least cost first; stores nothing',
    body: setupRequestSchema as unknown as z.ZodType<SetupRequest>,
    answer: otherWaysSchema,
    says: 'Ways, each with its whole set-up, and why the view itself must not be done',
    compute: (request) => ({ forbidden: whyForbidden(request), ways: findOtherWays(request) }),
  }),
  question({
    path: '/plans',
    summary: 'The order of a series with the least work and harm, and what changes at each step; stores nothing',
    body: seriesRequestSchema,
    answer: seriesPlanSchema,
    says: 'The plan',
    compute: (request) => planSeries(request),
  }),
];

const general: readonly Route[] = [
  route({
    method: 'get',
    path: '/health',
    summary: 'Whether the server answers and its database can be read',
    who: 'anyone',
    answer: z.object({ ok: z.boolean() }),
    says: 'All is well',
    handle: async ({ store }) => {
      const damage = await damageOf(store);
      if (damage !== null) throw new Problem(503, 'Database damaged', damage);
      return { ok: true };
    },
  }),
  route({
    method: 'get',
    path: '/versions',
    summary: 'Versions of rules, department, rooms and own entries; sent back as If-Match with a change',
    who: 'anyone',
    answer: versionsSchema,
    says: 'Versions',
    handle: ({ store }) => versionsOf(store),
  }),
  route({
    method: 'post',
    path: '/bodies',
    summary: 'A body as an open document: landmarks, joints and pieces, posed and at rest as asked',
    who: 'anyone',
    body: bodyRequestSchema,
    answer: bodyDocumentSchema,
    says: 'The body',
    handle: ({ body }) => exportBody(body),
  }),
  ...(
    [
      ['body', bodyJsonSchema],
      ['room', roomJsonSchema],
      ['catalogue', catalogueJsonSchema],
    ] as const
  ).map(([name, schema]) =>
    route({
      method: 'get',
      path: `/formats/${name}`,
      summary: `JSON Schema of the ${name} document`,
      who: 'anyone',
      answer: foreignDocument,
      says: 'The schema',
      handle: () => schema(),
    }),
  ),
  route({
    method: 'get',
    path: '/trends',
    summary: 'Level and drift of the deviation index by room, of every exposure since a time',
    query: trendQuerySchema,
    answer: z.array(roomTrendSchema),
    says: 'Trends',
    handle: ({ store, query, now }) => trendsOf(store, query.from, now),
  }),
  route({
    method: 'get',
    path: '/audit',
    summary: 'Who changed what, newest first',
    who: LEAD,
    query: auditQuerySchema,
    answer: z.array(auditLineSchema),
    says: 'Lines',
    handle: ({ store, query }) => listAudit(store, query.subject, query.limit),
  }),
];

const catalogue: readonly Route[] = [
  route({
    method: 'get',
    path: '/projections',
    summary: 'The catalogue, or the best hits for q',
    who: 'anyone',
    query: searchSchema,
    answer: z.array(projectionSchema),
    says: 'Entries',
    handle: ({ query: { q } }) => (q === '' ? projections : findProjections(q).map((hit) => hit.projection)),
  }),
  route({
    method: 'get',
    path: '/projections/:id',
    summary: 'One entry',
    who: 'anyone',
    answer: projectionSchema,
    says: 'The entry',
    handle: ({ id }) => {
      if (!projections.some((entry) => entry.id === id)) throw notFound('projection', id);
      return projectionOf(id);
    },
  }),
  route({
    method: 'get',
    path: '/catalogue/own',
    summary: "The department's own entries",
    who: 'anyone',
    answer: z.array(projectionSchema),
    says: 'Entries',
    handle: ({ store }) => listOwn(store),
  }),
  route({
    method: 'put',
    path: '/catalogue/own/:id',
    summary: 'Writes an own entry; refused with every reason when it does not stand the proofs',
    who: LEAD,
    body: projectionSchema,
    readsItself: true,
    answer: projectionSchema,
    says: 'The entry',
    handle: ({ store, id, body, person, now }) => putOwn(store, id, body, person.name, now),
  }),
  route({
    method: 'delete',
    path: '/catalogue/own/:id',
    summary: 'Removes an own entry',
    who: LEAD,
    status: '204',
    says: 'Removed',
    handle: async ({ store, id, person, now }) => {
      await deleteOwn(store, id, person.name, now);
      return NOTHING;
    },
  }),
  route({
    method: 'get',
    path: '/catalogue/export',
    summary: 'Own entries and house rules',
    who: 'anyone',
    answer: catalogueDocumentSchema,
    says: 'The document',
    handle: async ({ store }) => file('taktik-catalogue.json', await exportOwn(store)),
  }),
  route({
    method: 'post',
    path: '/catalogue/import',
    summary: 'Takes a whole document, or nothing of it',
    who: LEAD,
    body: catalogueDocumentSchema,
    readsItself: true,
    answer: z.object({ entries: z.number(), rules: z.boolean() }),
    says: 'What was taken',
    handle: ({ store, body, person, now }) => importOwn(store, body, person.name, now),
  }),
];

const house: readonly Route[] = [
  route({
    method: 'get',
    path: '/rooms',
    summary: 'All rooms, with tube, holders and receptors',
    who: 'anyone',
    answer: z.array(roomSchema),
    says: 'Rooms',
    handle: async ({ store, response }) => {
      response.setHeader('X-Versions', JSON.stringify((await versionsOf(store)).rooms));
      return listRooms(store);
    },
  }),
  route({
    method: 'get',
    path: '/rooms/:id',
    summary: 'One room',
    who: 'anyone',
    answer: roomSchema,
    says: 'The room',
    handle: ({ store, id }) => getRoom(store, id),
  }),
  route({
    method: 'patch',
    path: '/rooms/:id',
    summary: 'Changes what is named of a room; null takes away what may be unknown',
    who: LEAD,
    body: roomChangeSchema,
    answer: roomSchema,
    says: 'The room',
    handle: ({ store, id, body, person, now, request }) =>
      patchRoom(store, id, body as RoomChange, person.name, now, expected(request)),
  }),
  route({
    method: 'get',
    path: '/rooms/:id/export',
    summary: 'A room as an open document',
    who: 'anyone',
    answer: roomDocumentSchema,
    says: 'The room',
    handle: async ({ store, id }) => {
      const document = await exportedRoom(store, id);
      return file(`room-${document.room.id}.json`, document);
    },
  }),
  route({
    method: 'post',
    path: '/rooms/import',
    summary: 'Takes a whole room, new or in place of the one with its id',
    who: LEAD,
    body: roomDocumentSchema,
    readsItself: true,
    answer: roomSchema,
    says: 'The room',
    handle: ({ store, body, person, now }) => takeRoom(store, body, person.name, now),
  }),
  route({
    method: 'get',
    path: '/rooms/:id/chart',
    summary: 'The technique chart of a room as a table (CSV with a head line)',
    who: 'anyone',
    answer: z.string(),
    answerType: 'text/csv',
    says: 'The table',
    handle: async ({ store, id }) => file('technique-chart.csv', await chartTable(store, id)),
  }),
  route({
    method: 'post',
    path: '/rooms/:id/chart',
    summary: 'Takes a technique chart in place of the room’s: all, or none with a line for every fault',
    who: LEAD,
    body: z.string(),
    bodyType: 'text/csv',
    answer: roomSchema,
    says: 'The room',
    handle: ({ store, id, body, person, now }) => takeChart(store, id, body, person.name, now),
  }),
  route({
    method: 'get',
    path: '/rules',
    summary: 'House rules in force',
    who: 'anyone',
    answer: houseRulesSchema,
    says: 'Rules',
    handle: async ({ store, response }) => {
      const { rules, version } = await rulesInForce(store);
      tagged(response, version);
      return rules;
    },
  }),
  route({
    method: 'put',
    path: '/rules',
    summary: 'Sets house rules; what is left out returns to its default',
    who: LEAD,
    body: houseRulesSchema,
    answer: houseRulesSchema,
    says: 'Rules',
    handle: ({ store, body, person, now, request }) => putRules(store, body, person.name, now, expected(request)),
  }),
  route({
    method: 'get',
    path: '/department',
    summary: 'Prices, causes, exams of this department',
    who: 'anyone',
    answer: departmentSchema,
    says: 'Department',
    handle: async ({ store, response }) => {
      tagged(response, (await versionsOf(store)).department);
      return getDepartment(store);
    },
  }),
  route({
    method: 'put',
    path: '/department',
    summary: 'Sets them; what is left out returns to its default',
    who: LEAD,
    body: departmentSchema,
    answer: departmentSchema,
    says: 'Department',
    handle: ({ store, body, person, now, request }) => putDepartment(store, body, person.name, now, expected(request)),
  }),
];

const people: readonly Route[] = [
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

const work: readonly Route[] = [
  route({
    method: 'get',
    path: '/orders',
    summary: 'Orders by urgency',
    query: orderQuerySchema,
    answer: z.array(orderSchema),
    says: 'Orders',
    handle: ({ store, query }) => listOrders(store, query.state),
  }),
  route({
    method: 'post',
    path: '/orders',
    summary: 'Takes in an order',
    body: newOrderSchema,
    answer: orderSchema,
    status: '201',
    says: 'The order',
    handle: ({ store, body, person, now }) => addOrder(store, body, person.name, now),
  }),
  route({
    method: 'post',
    path: '/orders/import',
    summary: 'Takes in orders as a table (CSV with a head line): all, or none with a line for every fault',
    body: z.string(),
    bodyType: 'text/csv',
    answer: takenSchema,
    says: 'How many were new, and how many known',
    handle: ({ store, body, person, now }) => takeTable(store, body, person.name, now),
  }),
  route({
    method: 'post',
    path: '/fhir',
    summary: 'Takes in orders as FHIR R4 (Bundle or ServiceRequest): all, or none with a line for every fault',
    body: foreignDocument,
    bodyType: 'application/fhir+json',
    readsItself: true,
    answer: takenSchema,
    says: 'How many were new, and how many known',
    handle: ({ store, body, person, now }) => takeFhir(store, body, person.name, now),
  }),
  route({
    method: 'get',
    path: '/orders/:id',
    summary: 'One order',
    answer: orderSchema,
    says: 'The order',
    handle: ({ store, id }) => getOrder(store, id),
  }),
  route({
    method: 'get',
    path: '/orders/:id/exam',
    summary: 'An order with its exam and what was exposed',
    answer: orderDetailSchema,
    says: 'Order, exam, exposures',
    handle: ({ store, id }) => orderDetail(store, id),
  }),
  route({
    method: 'post',
    path: '/orders/:id/plan',
    summary: 'Changes the plan; refused when another device has changed it meanwhile',
    body: changePlanSchema,
    answer: orderSchema,
    says: 'The order',
    handle: ({ store, id, body, person, now }) => changePlan(store, id, body, person.name, now),
  }),
  route({
    method: 'post',
    path: '/exams',
    summary: 'Starts an exam; the same id again returns it',
    body: startExamSchema,
    answer: examSchema,
    status: '201',
    says: 'The exam',
    handle: ({ store, body, person, now }) => startExam(store, body, person, now),
  }),
  route({
    method: 'post',
    path: '/exams/:id/finish',
    summary: 'Ends an exam',
    body: finishExamSchema,
    answer: examSchema,
    says: 'The exam',
    handle: ({ store, id, body, person, now }) => finishExam(store, id, body, person.name, now),
  }),
  route({
    method: 'post',
    path: '/exams/:id/hand-over',
    summary: 'Gives an exam to a colleague',
    body: handOverSchema,
    answer: examSchema,
    says: 'The exam',
    handle: ({ store, id, body, person, now }) => handOver(store, id, body.to, person.name, now),
  }),
  route({
    method: 'post',
    path: '/exams/:id/answers',
    summary: 'Keeps answers to the questions before the exposure',
    body: answersSchema,
    answer: examSchema,
    says: 'The exam',
    handle: ({ store, id, body, person, now }) => putAnswers(store, id, body, person.name, now),
  }),
  route({
    method: 'get',
    path: '/exposures',
    summary: 'The record, newest first',
    query: recordQuerySchema,
    answer: z.array(exposureSchema),
    says: 'Exposures',
    handle: ({ store, query }) => listExposures(store, query),
  }),
  route({
    method: 'get',
    path: '/exposures/:id',
    summary: 'One exposure with its whole set-up',
    answer: exposureDetailSchema,
    says: 'The exposure',
    handle: ({ store, id }) => getExposure(store, id),
  }),
  route({
    method: 'get',
    path: '/exposures/:id/body',
    summary: 'The body of one exposure as it was, as an open document',
    answer: bodyDocumentSchema,
    says: 'The body',
    handle: async ({ store, id }) => file(`body-${id}.json`, await exposureBody(store, id)),
  }),
  route({
    method: 'post',
    path: '/exposures',
    summary: 'Records an exposure; on disk when it answers; the same id again returns the first result',
    body: newExposureSchema,
    answer: exposureSchema,
    status: '201',
    says: 'The exposure',
    handle: async ({ store, body, person, now }) => {
      const { exposure, created: isNew } = await recordExposure(store, body, person, now);
      return isNew ? created(exposure) : new Answer(exposure);
    },
  }),
  route({
    method: 'post',
    path: '/exposures/:id/reading',
    summary: 'The index typed from the console, as the standard index',
    body: readingSchema,
    answer: exposureSchema,
    says: 'The exposure',
    handle: ({ store, id, body, person, now }) => typeReading(store, id, body.exposureIndex, person.name, now),
  }),
  route({
    method: 'post',
    path: '/exposures/:id/verdict',
    summary: 'Accepts a picture, or sends it to be repeated with a cause',
    body: verdictSchema,
    answer: exposureSchema,
    says: 'The exposure',
    handle: ({ store, id, body, person, now }) => judgeExposure(store, id, body, person.name, now),
  }),
];

export const routes: readonly Route[] = [...general, ...catalogue, ...house, ...people, ...work];
