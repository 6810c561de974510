/** Routes of the API: parse, call a service, answer. */
import {
  bodyJsonSchema,
  bodyRequestSchema,
  catalogueJsonSchema,
  exportBody,
  findProjections,
  projectionOf,
  projections,
  roomChangeSchema,
  roomJsonSchema,
  type RoomChange,
} from '@taktik/core';
import { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import { damageOf, type Store } from '../db/database';
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
import { competenceOf, competenceTable, practised, recordPractice, signOff } from '../services/practice';
import { takeFhir, takeTable } from '../services/intake';
import { addOrder, changePlan, getOrder, listOrders } from '../services/orders';
import { addPerson, changePin, listPeople, signIn, signOut } from '../services/people';
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
import {
  answersSchema,
  auditQuerySchema,
  changePinSchema,
  changePlanSchema,
  departmentSchema,
  finishExamSchema,
  handOverSchema,
  houseRulesSchema,
  newExposureSchema,
  newOrderSchema,
  newPersonSchema,
  newPracticeSchema,
  orderQuerySchema,
  readingSchema,
  recordQuerySchema,
  signInSchema,
  signOffSchema,
  startExamSchema,
  trendQuerySchema,
  verdictSchema,
} from '../contracts';
import { dropToken, guard, keepToken, personOf, tokenOf } from './signedIn';
import { openApiDocument } from './openapi';
import { notFound } from '../services/refusal';
import { parse, Problem, unknownRoute } from './problem';

const searchSchema = z.strictObject({ q: z.string().max(200, 'a query may have 200 characters at most').default('') });

/** The version that was changed, as `If-Match: "7"`; undefined where the caller does not say. @throws Problem 400 */
function expected(request: Request): number | undefined {
  const header = request.headers['if-match'];
  if (header === undefined || header === '*') return undefined;
  const version = Number(header.replace(/^(W\/)?"(\d+)"$/, '$2'));
  if (!Number.isInteger(version)) throw new Problem(400, 'No such version', 'If-Match must be a version, as "7".');
  return version;
}

export function apiRoutes(store: Store, clock: () => number): Router {
  const api = Router();
  const signedIn = guard(store, clock);
  const by = (response: Response): string => personOf(response).name;
  api.get('/health', async (_request, response) => {
    const damage = await damageOf(store);
    if (damage === null) response.json({ ok: true });
    else throw new Problem(503, 'Database damaged', damage);
  });
  api.get('/versions', async (_request, response) => void response.json(await versionsOf(store)));
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

  api.get('/formats/room', (_request, response) => void response.json(roomJsonSchema()));
  api.get('/formats/catalogue', (_request, response) => void response.json(catalogueJsonSchema()));
  api.get('/catalogue/own', async (_request, response) => void response.json(await listOwn(store)));
  api.put('/catalogue/own/:id', signedIn('lead'), async (request, response) => {
    response.json(await putOwn(store, String(request.params.id), request.body, by(response), clock()));
  });
  api.delete('/catalogue/own/:id', signedIn('lead'), async (request, response) => {
    await deleteOwn(store, String(request.params.id), by(response), clock());
    response.status(204).end();
  });
  api.get('/catalogue/export', async (_request, response) => {
    response.attachment('taktik-catalogue.json').json(await exportOwn(store));
  });
  api.post('/catalogue/import', signedIn('lead'), async (request, response) => {
    response.json(await importOwn(store, request.body, by(response), clock()));
  });

  /** The version that comes with what is read: sent back with a change of it. */
  const tagged = (response: Response, version: number) => void response.setHeader('ETag', `"${version}"`);
  api.get('/rooms', async (_request, response) => {
    response.setHeader('X-Versions', JSON.stringify((await versionsOf(store)).rooms));
    response.json(await listRooms(store));
  });
  api.get('/rooms/:id', async (request, response) => void response.json(await getRoom(store, request.params.id)));
  api.patch('/rooms/:id', signedIn('lead'), async (request, response) => {
    const change = parse(roomChangeSchema, request.body) as RoomChange;
    response.json(await patchRoom(store, String(request.params.id), change, by(response), clock(), expected(request)));
  });
  api.get('/rooms/:id/export', async (request, response) => {
    const id = String(request.params.id);
    const document = await exportedRoom(store, id);
    response.attachment(`room-${document.room.id}.json`).json(document);
  });
  api.post('/rooms/import', signedIn('lead'), async (request, response) => {
    response.json(await takeRoom(store, request.body, by(response), clock()));
  });
  api.get('/rooms/:id/chart', async (request, response) => {
    const id = String(request.params.id);
    const table = await chartTable(store, id);
    response.attachment('technique-chart.csv').type('text/csv').send(table);
  });
  api.post('/rooms/:id/chart', signedIn('lead'), async (request, response) => {
    if (typeof request.body !== 'string')
      throw new Problem(415, 'Not a table', 'Send the chart as text/csv with a head line.');
    response.json(await takeChart(store, String(request.params.id), request.body, by(response), clock()));
  });
  api.get('/rules', async (_request, response) => {
    const { rules, version } = await rulesInForce(store);
    tagged(response, version);
    response.json(rules);
  });
  api.put('/rules', signedIn('lead'), async (request, response) => {
    response.json(
      await putRules(store, parse(houseRulesSchema, request.body), by(response), clock(), expected(request)),
    );
  });
  api.get('/department', async (_request, response) => {
    tagged(response, (await versionsOf(store)).department);
    response.json(await getDepartment(store));
  });
  api.put('/department', signedIn('lead'), async (request, response) => {
    response.json(
      await putDepartment(store, parse(departmentSchema, request.body), by(response), clock(), expected(request)),
    );
  });

  api.get('/people', async (_request, response) => void response.json(await listPeople(store)));
  api.post('/people', signedIn('lead'), async (request, response) => {
    response.status(201).json(await addPerson(store, parse(newPersonSchema, request.body), by(response), clock()));
  });
  api.post('/people/:id/pin', signedIn(), async (request, response) => {
    const id = String(request.params.id);
    if (personOf(response).role !== 'lead' && personOf(response).id !== id)
      throw new Problem(403, 'Not yours to change', 'Only a lead changes the PIN of somebody else.');
    await changePin(store, id, parse(changePinSchema, request.body).pin, by(response), clock());
    response.status(204).end();
  });
  api.post('/sessions', async (request, response) => {
    const session = await signIn(store, parse(signInSchema, request.body), clock());
    keepToken(response, session.token);
    response.status(201).json(session);
  });
  api.delete('/sessions', async (request, response) => {
    const token = tokenOf(request);
    if (token) await signOut(store, token);
    dropToken(response);
    response.status(204).end();
  });
  api.get('/me', signedIn(), (_request, response) => void response.json(personOf(response)));
  api.get('/audit', signedIn('lead'), async (request, response) => {
    const { subject, limit } = parse(auditQuerySchema, request.query);
    response.json(await listAudit(store, subject, limit));
  });

  api.get('/orders', signedIn(), async (request, response) => {
    response.json(await listOrders(store, parse(orderQuerySchema, request.query).state));
  });
  api.post('/orders/import', signedIn(), async (request, response) => {
    if (typeof request.body !== 'string')
      throw new Problem(415, 'Not a table', 'Send the table as text/csv; FHIR goes to /api/fhir.');
    response.json(await takeTable(store, request.body, by(response), clock()));
  });
  api.post('/fhir', signedIn(), async (request, response) => {
    response.json(await takeFhir(store, request.body, by(response), clock()));
  });
  api.get('/orders/:id', signedIn(), async (request, response) => {
    response.json(await getOrder(store, String(request.params.id)));
  });
  api.get('/orders/:id/exam', signedIn(), async (request, response) => {
    response.json(await orderDetail(store, String(request.params.id)));
  });
  api.post('/orders', signedIn(), async (request, response) => {
    response.status(201).json(await addOrder(store, parse(newOrderSchema, request.body), by(response), clock()));
  });
  api.post('/orders/:id/plan', signedIn(), async (request, response) => {
    const change = parse(changePlanSchema, request.body);
    response.json(await changePlan(store, String(request.params.id), change, by(response), clock()));
  });

  api.post('/exams', signedIn(), async (request, response) => {
    response
      .status(201)
      .json(await startExam(store, parse(startExamSchema, request.body), personOf(response), clock()));
  });
  api.post('/exams/:id/finish', signedIn(), async (request, response) => {
    const end = parse(finishExamSchema, request.body);
    response.json(await finishExam(store, String(request.params.id), end, by(response), clock()));
  });
  api.post('/exams/:id/hand-over', signedIn(), async (request, response) => {
    const { to } = parse(handOverSchema, request.body);
    response.json(await handOver(store, String(request.params.id), to, by(response), clock()));
  });
  api.post('/exams/:id/answers', signedIn(), async (request, response) => {
    const answers = parse(answersSchema, request.body);
    response.json(await putAnswers(store, String(request.params.id), answers, by(response), clock()));
  });

  api.get('/exposures', signedIn(), async (request, response) => {
    response.json(await listExposures(store, parse(recordQuerySchema, request.query)));
  });
  api.get('/trends', signedIn(), async (request, response) => {
    response.json(await trendsOf(store, parse(trendQuerySchema, request.query).from, clock()));
  });
  api.get('/exposures/:id', signedIn(), async (request, response) => {
    response.json(await getExposure(store, String(request.params.id)));
  });
  api.get('/exposures/:id/body', signedIn(), async (request, response) => {
    const id = String(request.params.id);
    response.attachment(`body-${id}.json`).json(await exposureBody(store, id));
  });
  api.post('/exposures', signedIn(), async (request, response) => {
    const asked = parse(newExposureSchema, request.body);
    const { exposure, created } = await recordExposure(store, asked, personOf(response), clock());
    response.status(created ? 201 : 200).json(exposure);
  });
  api.post('/exposures/:id/reading', signedIn(), async (request, response) => {
    const { exposureIndex } = parse(readingSchema, request.body);
    response.json(await typeReading(store, String(request.params.id), exposureIndex, by(response), clock()));
  });
  api.post('/exposures/:id/verdict', signedIn(), async (request, response) => {
    const verdict = parse(verdictSchema, request.body);
    response.json(await judgeExposure(store, String(request.params.id), verdict, by(response), clock()));
  });

  api.get('/practice', signedIn(), async (_request, response) => {
    response.json(await practised(store, personOf(response).id));
  });
  api.post('/practice', signedIn(), async (request, response) => {
    const given = parse(newPracticeSchema, request.body);
    response.status(201).json(await recordPractice(store, personOf(response), given, clock()));
  });
  /** A student sees their own competence, everybody else that of all. */
  const mayRead = (response: Response, id: string): void => {
    if (personOf(response).role === 'student' && personOf(response).id !== id)
      throw new Problem(403, 'Not yours to see', 'A student sees their own competence.');
  };
  api.get('/people/:id/competence', signedIn(), async (request, response) => {
    const id = String(request.params.id);
    mayRead(response, id);
    response.json(await competenceOf(store, id));
  });
  api.get('/people/:id/competence/table', signedIn(), async (request, response) => {
    const id = String(request.params.id);
    mayRead(response, id);
    const table = await competenceTable(store, id);
    response.attachment('competence.csv').type('text/csv').send(table);
  });
  api.post('/people/:id/competence', signedIn('technologist', 'lead'), async (request, response) => {
    const id = String(request.params.id);
    response.json(await signOff(store, id, parse(signOffSchema, request.body), personOf(response), clock()));
  });

  api.use(unknownRoute);
  return api;
}
