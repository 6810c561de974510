/** The OpenAPI document, made from the schemas that validate. */
import { bodyDocumentSchema, bodyRequestSchema, catalogueDocumentSchema, projectionSchema } from '@taktik/core';
import { z } from 'zod';
import { createDocument } from 'zod-openapi';
import {
  changedBySchema,
  examSchema,
  exposureDetailSchema,
  exposureSchema,
  finishExamSchema,
  houseRulesSchema,
  idSchema,
  newExposureSchema,
  newOrderSchema,
  orderQuerySchema,
  orderSchema,
  problemSchema,
  recordQuerySchema,
  roomSchema,
  setupRequestSchema,
  startExamSchema,
} from './contracts';

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
        requestParams: { ...byId, query: changedBySchema },
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
        requestParams: { query: changedBySchema },
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
