/** Rooms, charts, house rules and departments. */
import { departmentSchema, houseRulesSchema, roomSchema } from '@taktik/contracts';
import { type RoomChange, roomChangeSchema, roomDocumentSchema } from '@taktik/core';
import { z } from 'zod';
import { getDepartment, putDepartment } from '../../services/departments';
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
} from '../../services/rooms';
import { versionsOf } from '../../services/versions';
import { file, type Route, route } from '../route';
import { LEAD, expected, tagged } from './shared';

export const house: readonly Route[] = [
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
