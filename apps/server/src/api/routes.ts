/** Routes of the API: parse, call a service, answer. */
import {
  bodyJsonSchema,
  bodyRequestSchema,
  catalogueJsonSchema,
  exportBody,
  findProjections,
  projectionOf,
  projections,
} from '@taktik/core';
import { Router } from 'express';
import { z } from 'zod';
import type { Store } from '../db/database';
import { exposureBody, finishExam, getExposure, listExposures, recordExposure, startExam } from '../services/exams';
import { deleteOwn, exportOwn, importOwn, listOwn, putOwn } from '../services/catalogue';
import { addOrder, getOrder, listOrders } from '../services/orders';
import { getRoom, getRules, listRooms, putRules } from '../services/rooms';
import {
  changedBySchema,
  finishExamSchema,
  houseRulesSchema,
  newExposureSchema,
  newOrderSchema,
  orderQuerySchema,
  recordQuerySchema,
  startExamSchema,
} from './contracts';
import { openApiDocument } from './openapi';
import { notFound, parse, unknownRoute } from './problem';

const searchSchema = z.strictObject({ q: z.string().max(200, 'a query may have 200 characters at most').default('') });

export function apiRoutes(store: Store, clock: () => number): Router {
  const api = Router();
  api.get('/health', (_request, response) => void response.json({ ok: true }));
  api.get('/openapi.json', (_request, response) => void response.json(openApiDocument));

  api.get('/projections', (request, response) => {
    const { q } = parse(searchSchema, request.query);
    response.json(q === '' ? projections : findProjections(q).map((hit) => hit.projection));
  });
  api.get('/projections/:id', (request, response) => {
    if (!projections.some(({ id }) => id === request.params.id)) throw notFound('projection', request.params.id);
    response.json(projectionOf(request.params.id));
  });

  api.get('/formats/body', (_request, response) => void response.json(bodyJsonSchema()));
  api.post('/bodies', (request, response) => void response.json(exportBody(parse(bodyRequestSchema, request.body))));

  api.get('/formats/catalogue', (_request, response) => void response.json(catalogueJsonSchema()));
  api.get('/catalogue/own', async (_request, response) => void response.json(await listOwn(store)));
  api.put('/catalogue/own/:id', async (request, response) => {
    const { by } = parse(changedBySchema, request.query);
    response.json(await putOwn(store, request.params.id, request.body, by, clock()));
  });
  api.delete('/catalogue/own/:id', async (request, response) => {
    await deleteOwn(store, request.params.id);
    response.status(204).end();
  });
  api.get('/catalogue/export', async (_request, response) => {
    response.attachment('taktik-catalogue.json').json(await exportOwn(store));
  });
  api.post('/catalogue/import', async (request, response) => {
    const { by } = parse(changedBySchema, request.query);
    response.json(await importOwn(store, request.body, by, clock()));
  });

  api.get('/rooms', async (_request, response) => void response.json(await listRooms(store)));
  api.get('/rooms/:id', async (request, response) => void response.json(await getRoom(store, request.params.id)));
  api.get('/rules', async (_request, response) => void response.json(await getRules(store)));
  api.put(
    '/rules',
    async (request, response) => void response.json(await putRules(store, parse(houseRulesSchema, request.body))),
  );

  api.get(
    '/orders',
    async (request, response) =>
      void response.json(await listOrders(store, parse(orderQuerySchema, request.query).state)),
  );
  api.get('/orders/:id', async (request, response) => void response.json(await getOrder(store, request.params.id)));
  api.post(
    '/orders',
    async (request, response) =>
      void response.status(201).json(await addOrder(store, parse(newOrderSchema, request.body), clock())),
  );

  api.post(
    '/exams',
    async (request, response) =>
      void response.status(201).json(await startExam(store, parse(startExamSchema, request.body))),
  );
  api.post(
    '/exams/:id/finish',
    async (request, response) =>
      void response.json(await finishExam(store, request.params.id, parse(finishExamSchema, request.body).finishedAt)),
  );

  api.get(
    '/exposures',
    async (request, response) =>
      void response.json(await listExposures(store, parse(recordQuerySchema, request.query))),
  );
  api.get(
    '/exposures/:id',
    async (request, response) => void response.json(await getExposure(store, request.params.id)),
  );
  api.get('/exposures/:id/body', async (request, response) => {
    const body = await exposureBody(store, request.params.id);
    response.attachment(`body-${request.params.id}.json`).json(body);
  });
  api.post('/exposures', async (request, response) => {
    const { exposure, created } = await recordExposure(store, parse(newExposureSchema, request.body), clock());
    response.status(created ? 201 : 200).json(exposure);
  });

  api.use(unknownRoute);
  return api;
}
