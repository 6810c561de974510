/** Health, versions, bodies, formats, trends and the audit. */
import {
  auditLineSchema,
  auditQuerySchema,
  trailStateSchema,
  roomTrendSchema,
  trendQuerySchema,
  versionsSchema,
} from '@taktik/contracts';
import {
  bodyDocumentSchema,
  bodyJsonSchema,
  bodyRequestSchema,
  catalogueJsonSchema,
  exportBody,
  roomJsonSchema,
} from '@taktik/core';
import { z } from 'zod';
import { damageOf } from '../../db/database';
import { anchorText, listAudit, verifyTrail } from '../../services/audit';
import { trendsOf } from '../../services/exams';
import { versionsOf } from '../../services/versions';
import { Problem } from '../problem';
import { type Route, route } from '../route';
import { LEAD, foreignDocument } from './shared';

export const general: readonly Route[] = [
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
  route({
    method: 'get',
    path: '/audit/state',
    summary: 'Whether the trail holds: read from its beginning, line by line',
    who: LEAD,
    answer: trailStateSchema,
    says: 'How many lines, the anchor to keep elsewhere, and the first line that does not fit',
    handle: async ({ store }) => {
      const { anchor, broken } = await verifyTrail(store);
      return { lines: anchor.lines, anchor: anchorText(anchor), broken };
    },
  }),
];
