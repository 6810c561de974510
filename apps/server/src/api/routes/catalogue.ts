/** The catalogue, and the department's own entries. */
import { catalogueDocumentSchema, findProjections, projectionOf, projections, projectionSchema } from '@taktik/core';
import { z } from 'zod';
import { deleteOwn, exportOwn, importOwn, listOwn, putOwn } from '../../services/catalogue';
import { notFound } from '../../services/refusal';
import { file, NOTHING, route, type Route } from '../route';
import { LEAD } from './shared';

const searchSchema = z.strictObject({ q: z.string().max(200, 'a query may have 200 characters at most').default('') });

export const catalogue: readonly Route[] = [
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
