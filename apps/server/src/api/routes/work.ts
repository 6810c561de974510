/** Orders, exams, exposures and the record. */
import {
  answersSchema,
  changePlanSchema,
  examSchema,
  exposureDetailSchema,
  exposureSchema,
  finishExamSchema,
  handOverSchema,
  newExposureSchema,
  newOrderSchema,
  orderDetailSchema,
  orderQuerySchema,
  orderSchema,
  outgoingLineSchema,
  pictureMeasuresSchema,
  readerNoteSchema,
  readingSchema,
  recordQuerySchema,
  startExamSchema,
  takenSchema,
  worklistSchema,
  verdictSchema,
} from '@taktik/contracts';
import { bodyDocumentSchema } from '@taktik/core';
import { z } from 'zod';
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
} from '../../services/exams';
import { measurePicture, noteForReader, typeReading } from '../../services/pictures';
import { askWorklist, NoWorklist } from '../../dicom/worklist';
import { takeOrders } from '../../services/intake';
import { orderAsFhir } from '../../services/orderAsFhir';
import { localDay } from '../../services/times';
import { addOrder, changePlan, getOrder, listOrders } from '../../services/orders';
import { Problem } from '../problem';
import { Answer, created, file, type Route, route } from '../route';
import { doseReportFile } from '../../reports/doseReport';
import { waitingOutgoing } from '../../reports/outgoing';
import { endedExamOf } from '../../reports/performed';
import { resultMessage } from '../../reports/resultMessage';
import { capabilityStatement, transactionResponse, wantsFhir } from '../../services/fhirAnswers';
import { foreignDocument, LEAD } from './shared';

export const work: readonly Route[] = [
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
    summary:
      'Takes in orders as a table (CSV with a head line): the rows that are right, with a line for every fault of the others',
    body: z.string(),
    bodyType: 'text/csv',
    answer: takenSchema,
    says: 'How many were new, and how many known',
    handle: async ({ body, person, now, ...intake }) =>
      (await takeOrders(intake, { kind: 'table', text: body }, person.name, now)).taken,
  }),
  route({
    method: 'get',
    path: '/orders/worklist',
    summary: 'Whether this server has a DICOM worklist to ask',
    answer: worklistSchema,
    says: 'Its name, or null',
    handle: ({ worklist }) => ({ name: worklist && worklist.calledAe }),
  }),
  route({
    method: 'post',
    path: '/orders/worklist',
    summary:
      'Asks the DICOM worklist for the x-rays of today and takes them in, with a line for each that is not taken',
    answer: takenSchema,
    says: 'How many were new, and how many known',
    handle: async ({ worklist, person, now, ...intake }) => {
      if (!worklist)
        throw new Problem(409, 'No worklist', 'This server has no worklist to ask: TAKTIK_WORKLIST names one.');
      try {
        const entries = await askWorklist(worklist, localDay(now));
        return (await takeOrders(intake, { kind: 'worklist', entries }, person.name, now)).taken;
      } catch (error) {
        if (error instanceof NoWorklist)
          throw new Problem(502, 'The worklist did not answer', `Nothing was taken in: ${error.message}.`);
        throw error;
      }
    },
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
    handle: async ({ body, person, now, request, ...intake }) => {
      const { taken, outcomes } = await takeOrders(intake, { kind: 'fhir', document: body }, person.name, now);
      return wantsFhir(request.headers.accept)
        ? new Answer(transactionResponse(body, outcomes), 200, null, 'application/fhir+json')
        : taken;
    },
  }),
  route({
    method: 'get',
    path: '/fhir/metadata',
    summary: 'What this server does with FHIR R4',
    who: 'anyone',
    answer: z.looseObject({ resourceType: z.literal('CapabilityStatement') }),
    answerType: 'application/fhir+json',
    says: 'A CapabilityStatement',
    handle: ({ now }) => capabilityStatement(localDay(now)),
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
    method: 'get',
    path: '/orders/:id/fhir',
    summary: 'An order and what became of it as FHIR R4: its status, the procedure, the dose of every exposure',
    answer: z.looseObject({ resourceType: z.literal('Bundle') }),
    says: 'A Bundle of ServiceRequest, Patient, Procedure and Observation',
    handle: async ({ store, id }) => orderAsFhir(await orderDetail(store, id)),
  }),
  route({
    method: 'get',
    path: '/orders/:id/hl7',
    summary: 'That the exam of an order ended, and its dose, as an HL7 v2 result',
    answer: z.string(),
    answerType: 'application/hl7-v2',
    says: 'ORU^R01',
    handle: async ({ store, id, now }) => resultMessage(await endedExamOf(store, id), now),
  }),
  route({
    method: 'get',
    path: '/orders/:id/dose',
    summary: 'The dose of an exam that ended as a structured report of DICOM',
    answer: z.string(),
    answerType: 'application/dicom',
    says: 'X-ray radiation dose report',
    handle: async ({ store, id }) => new Answer(doseReportFile(await endedExamOf(store, id)), 200, `dose-${id}.dcm`),
  }),
  route({
    method: 'get',
    path: '/outgoing',
    summary: 'What other systems have not been told yet, and what went wrong the last time',
    who: LEAD,
    answer: z.array(outgoingLineSchema),
    says: 'What waits, the oldest first',
    handle: ({ store }) => waitingOutgoing(store),
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
    handle: async ({ store, computing, body, person, now }) => {
      const { exposure, created: isNew } = await recordExposure(store, computing, body, person, now);
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
    path: '/exposures/:id/note',
    summary: 'What the reader of the picture must know, and its labels; the last that was written stands',
    body: readerNoteSchema,
    answer: exposureSchema,
    says: 'The exposure',
    handle: ({ store, id, body, person, now }) => noteForReader(store, id, body, person.name, now),
  }),
  route({
    method: 'post',
    path: '/exposures/:id/measures',
    summary: 'What was measured on the picture, with its calibration; the last list stands',
    body: pictureMeasuresSchema,
    answer: exposureSchema,
    says: 'The exposure',
    handle: ({ store, id, body, person, now }) => measurePicture(store, id, body, person.name, now),
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
