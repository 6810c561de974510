/** The OpenAPI document, made from the schemas that validate. */
import {
  bodyDocumentSchema,
  bodyRequestSchema,
  catalogueDocumentSchema,
  projectionSchema,
  roomChangeSchema,
  roomDocumentSchema,
} from '@taktik/core';
import { z } from 'zod';
import { createDocument } from 'zod-openapi';
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
  idSchema,
  newExposureSchema,
  newOrderSchema,
  newPersonSchema,
  newPracticeSchema,
  orderDetailSchema,
  orderQuerySchema,
  orderSchema,
  personSchema,
  practisedSchema,
  problemSchema,
  readingSchema,
  recordQuerySchema,
  roomSchema,
  scoreSchema,
  setupRequestSchema,
  signedInSchema,
  signInSchema,
  signOffSchema,
  startExamSchema,
  takenSchema,
  roomTrendSchema,
  verdictSchema,
  versionsSchema,
} from '../contracts';

const json = (schema: z.ZodType) => ({ 'application/json': { schema } });
const problem = {
  description: 'What was wrong (RFC 9457)',
  content: { 'application/problem+json': { schema: problemSchema } },
};
const answers = (schema: z.ZodType, description: string, status: '200' | '201' = '200') => ({
  [status]: { description, content: json(schema) },
  '4XX': problem,
});
const byId = { path: z.object({ id: idSchema }) };
const anyObject = z.record(z.string(), z.unknown());

export const openApiDocument = createDocument({
  openapi: '3.1.0',
  info: {
    title: 'Taktik',
    version: '0.1.0',
    description:
      'A planning and teaching aid for trained, licensed staff. Local codes, the department’s protocols and the physicist’s technique chart come first. Lengths in mm, angles in degrees.',
  },
  paths: {
    '/api/health': {
      get: {
        summary: 'Whether the server answers and its database can be read',
        responses: { ...answers(z.object({ ok: z.boolean() }), 'All is well'), '503': problem },
      },
    },
    '/api/versions': {
      get: {
        summary: 'Versions of rules, department, rooms and own entries; sent back as If-Match with a change',
        responses: answers(versionsSchema, 'Versions'),
      },
    },
    '/api/trends': {
      get: {
        summary: 'Level and drift of the deviation index by room, of every exposure since a time',
        requestParams: { query: z.object({ from: z.number().int().optional() }) },
        responses: answers(z.array(roomTrendSchema), 'Trends'),
      },
    },
    '/api/projections': {
      get: {
        summary: 'The catalogue, or the best hits for q',
        requestParams: { query: z.object({ q: z.string().max(200).optional() }) },
        responses: answers(z.array(projectionSchema), 'Entries'),
      },
    },
    '/api/projections/{id}': {
      get: { summary: 'One entry', requestParams: byId, responses: answers(projectionSchema, 'The entry') },
    },
    '/api/catalogue/own': {
      get: { summary: "The department's own entries", responses: answers(z.array(projectionSchema), 'Entries') },
    },
    '/api/catalogue/own/{id}': {
      put: {
        summary: 'Writes an own entry; refused with every reason when it does not stand the proofs',
        requestParams: byId,
        requestBody: { content: json(projectionSchema), required: true },
        responses: answers(projectionSchema, 'The entry'),
      },
      delete: {
        summary: 'Removes an own entry',
        requestParams: byId,
        responses: { '204': { description: 'Removed' }, '4XX': problem },
      },
    },
    '/api/catalogue/export': {
      get: { summary: 'Own entries and house rules', responses: answers(catalogueDocumentSchema, 'The document') },
    },
    '/api/catalogue/import': {
      post: {
        summary: 'Takes a whole document, or nothing of it',
        requestBody: { content: json(catalogueDocumentSchema), required: true },
        responses: answers(z.object({ entries: z.number(), rules: z.boolean() }), 'What was taken'),
      },
    },
    '/api/formats/catalogue': {
      get: { summary: 'JSON Schema of the catalogue document', responses: answers(anyObject, 'The schema') },
    },
    '/api/setups': {
      post: {
        summary: 'Computes a set-up; stores nothing',
        requestBody: { content: json(setupRequestSchema), required: true },
        responses: answers(anyObject, 'The set-up'),
      },
    },
    '/api/ways': {
      post: {
        summary:
          'Other ways to a projection for this patient, situation and room, the least cost first; stores nothing',
        requestBody: { content: json(setupRequestSchema), required: true },
        responses: answers(
          z.object({ forbidden: z.object({ why: z.string(), ask: z.string() }).nullable(), ways: z.array(anyObject) }),
          'Ways, each with its whole set-up, and why the view itself must not be done',
        ),
      },
    },
    '/api/bodies': {
      post: {
        summary: 'A body as an open document: landmarks, joints and pieces, posed and at rest as asked',
        requestBody: { content: json(bodyRequestSchema), required: true },
        responses: answers(bodyDocumentSchema, 'The body'),
      },
    },
    '/api/formats/body': {
      get: { summary: 'JSON Schema of the body document', responses: answers(anyObject, 'The schema') },
    },
    '/api/rooms': {
      get: { summary: 'All rooms, with tube, holders and receptors', responses: answers(z.array(roomSchema), 'Rooms') },
    },
    '/api/rooms/{id}': {
      get: { summary: 'One room', requestParams: byId, responses: answers(roomSchema, 'The room') },
      patch: {
        summary: 'Changes what is named of a room; null takes away what may be unknown',
        requestParams: byId,
        requestBody: { content: json(roomChangeSchema), required: true },
        responses: answers(roomSchema, 'The room'),
      },
    },
    '/api/rooms/{id}/export': {
      get: {
        summary: 'A room as an open document',
        requestParams: byId,
        responses: answers(roomDocumentSchema, 'The room'),
      },
    },
    '/api/rooms/import': {
      post: {
        summary: 'Takes a whole room, new or in place of the one with its id',
        requestBody: { content: json(roomDocumentSchema), required: true },
        responses: answers(roomSchema, 'The room'),
      },
    },
    '/api/rooms/{id}/chart': {
      get: {
        summary: 'The technique chart of a room as a table (CSV with a head line)',
        requestParams: byId,
        responses: {
          '200': { description: 'The table', content: { 'text/csv': { schema: z.string() } } },
          '4XX': problem,
        },
      },
      post: {
        summary: 'Takes a technique chart in place of the room’s: all, or none with a line for every fault',
        requestParams: byId,
        requestBody: { content: { 'text/csv': { schema: z.string() } }, required: true },
        responses: answers(roomSchema, 'The room'),
      },
    },
    '/api/formats/room': {
      get: { summary: 'JSON Schema of the room document', responses: answers(anyObject, 'The schema') },
    },
    '/api/rules': {
      get: { summary: 'House rules in force', responses: answers(houseRulesSchema, 'Rules') },
      put: {
        summary: 'Sets house rules; what is left out returns to its default',
        requestBody: { content: json(houseRulesSchema), required: true },
        responses: answers(houseRulesSchema, 'Rules'),
      },
    },
    '/api/orders': {
      get: {
        summary: 'Orders by urgency',
        requestParams: { query: orderQuerySchema },
        responses: answers(z.array(orderSchema), 'Orders'),
      },
      post: {
        summary: 'Takes in an order',
        requestBody: { content: json(newOrderSchema), required: true },
        responses: answers(orderSchema, 'The order', '201'),
      },
    },
    '/api/orders/{id}': {
      get: { summary: 'One order', requestParams: byId, responses: answers(orderSchema, 'The order') },
    },
    '/api/orders/import': {
      post: {
        summary: 'Takes in orders as a table (CSV with a head line): all, or none with a line for every fault',
        requestBody: { content: { 'text/csv': { schema: z.string() } }, required: true },
        responses: answers(takenSchema, 'How many were new, and how many known'),
      },
    },
    '/api/fhir': {
      post: {
        summary: 'Takes in orders as FHIR R4 (Bundle or ServiceRequest): all, or none with a line for every fault',
        requestBody: { content: { 'application/fhir+json': { schema: anyObject } }, required: true },
        responses: answers(takenSchema, 'How many were new, and how many known'),
      },
    },
    '/api/orders/{id}/plan': {
      post: {
        summary: 'Changes the plan; refused when another device has changed it meanwhile',
        requestParams: byId,
        requestBody: { content: json(changePlanSchema), required: true },
        responses: answers(orderSchema, 'The order'),
      },
    },
    '/api/orders/{id}/exam': {
      get: {
        summary: 'An order with its exam and what was exposed',
        requestParams: byId,
        responses: answers(orderDetailSchema, 'Order, exam, exposures'),
      },
    },
    '/api/exams/{id}/answers': {
      post: {
        summary: 'Keeps answers to the questions before the exposure',
        requestParams: byId,
        requestBody: { content: json(answersSchema), required: true },
        responses: answers(examSchema, 'The exam'),
      },
    },
    '/api/exams/{id}/hand-over': {
      post: {
        summary: 'Gives an exam to a colleague',
        requestParams: byId,
        requestBody: { content: json(handOverSchema), required: true },
        responses: answers(examSchema, 'The exam'),
      },
    },
    '/api/exposures/{id}/reading': {
      post: {
        summary: 'The index typed from the console, as the standard index',
        requestParams: byId,
        requestBody: { content: json(readingSchema), required: true },
        responses: answers(exposureSchema, 'The exposure'),
      },
    },
    '/api/exposures/{id}/verdict': {
      post: {
        summary: 'Accepts a picture, or sends it to be repeated with a cause',
        requestParams: byId,
        requestBody: { content: json(verdictSchema), required: true },
        responses: answers(exposureSchema, 'The exposure'),
      },
    },
    '/api/department': {
      get: { summary: 'Prices, causes, exams of this department', responses: answers(departmentSchema, 'Department') },
      put: {
        summary: 'Sets them; what is left out returns to its default',
        requestBody: { content: json(departmentSchema), required: true },
        responses: answers(departmentSchema, 'Department'),
      },
    },
    '/api/people': {
      get: { summary: 'Names for the sign-in screen', responses: answers(z.array(personSchema), 'People') },
      post: {
        summary: 'Adds a person',
        requestBody: { content: json(newPersonSchema), required: true },
        responses: answers(personSchema, 'The person', '201'),
      },
    },
    '/api/people/{id}/pin': {
      post: {
        summary: 'Changes a PIN; ends that person’s sessions',
        requestParams: byId,
        requestBody: { content: json(changePinSchema), required: true },
        responses: { '204': { description: 'Changed' }, '4XX': problem },
      },
    },
    '/api/sessions': {
      post: {
        summary: 'Signs in with a PIN; sets a cookie, and tells the token for tools',
        requestBody: { content: json(signInSchema), required: true },
        responses: answers(signedInSchema, 'The session', '201'),
      },
      delete: { summary: 'Signs out', responses: { '204': { description: 'Signed out' }, '4XX': problem } },
    },
    '/api/me': { get: { summary: 'Who is signed in', responses: answers(personSchema, 'The person') } },
    '/api/audit': {
      get: {
        summary: 'Who changed what, newest first',
        requestParams: { query: auditQuerySchema },
        responses: answers(z.array(auditLineSchema), 'Lines'),
      },
    },
    '/api/exams': {
      post: {
        summary: 'Starts an exam; the same id again returns it',
        requestBody: { content: json(startExamSchema), required: true },
        responses: answers(examSchema, 'The exam', '201'),
      },
    },
    '/api/exams/{id}/finish': {
      post: {
        summary: 'Ends an exam',
        requestParams: byId,
        requestBody: { content: json(finishExamSchema), required: true },
        responses: answers(examSchema, 'The exam'),
      },
    },
    '/api/exposures': {
      get: {
        summary: 'The record, newest first',
        requestParams: { query: recordQuerySchema },
        responses: answers(z.array(exposureSchema), 'Exposures'),
      },
      post: {
        summary: 'Records an exposure; on disk when it answers; the same id again returns the first result',
        requestBody: { content: json(newExposureSchema), required: true },
        responses: answers(exposureSchema, 'The exposure', '201'),
      },
    },
    '/api/practice': {
      get: {
        summary: 'Exercises that this person has tried',
        responses: answers(z.array(practisedSchema), 'Exercises'),
      },
      post: {
        summary: 'One try at an exercise, scored here; the same id again changes nothing',
        requestBody: { content: json(newPracticeSchema), required: true },
        responses: answers(scoreSchema, 'The score'),
      },
    },
    '/api/people/{id}/competence': {
      get: {
        summary: 'Competence by projection and type of patient',
        requestParams: byId,
        responses: answers(z.array(competenceSchema), 'Competence'),
      },
      post: {
        summary: 'Signs a line for a student, or takes the signature back',
        requestParams: byId,
        requestBody: { content: json(signOffSchema), required: true },
        responses: answers(z.array(competenceSchema), 'Competence'),
      },
    },
    '/api/people/{id}/competence/table': {
      get: {
        summary: 'The same as a table, CSV',
        requestParams: byId,
        responses: answers(z.string(), 'The table'),
      },
    },
    '/api/exposures/{id}/body': {
      get: {
        summary: 'The body of one exposure as it was, as an open document',
        requestParams: byId,
        responses: answers(bodyDocumentSchema, 'The body'),
      },
    },
    '/api/exposures/{id}': {
      get: {
        summary: 'One exposure with its whole set-up',
        requestParams: byId,
        responses: answers(exposureDetailSchema, 'The exposure'),
      },
    },
  },
});
