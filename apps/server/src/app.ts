/** The Express application: API, then the built web app. */
import { existsSync } from 'node:fs';
import path from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { pino, type Logger } from 'pino';
import { computeSetup, findOtherWays, whyForbidden } from '@taktik/core';
import { setupRequestSchema } from './api/contracts';
import { apiRoutes } from './api/routes';
import { parse, parseJson, problemHandler } from './api/problem';
import type { Store } from './db/database';
import { SetupAnswers } from './services/setups';

export type AppOptions = {
  store: Store;
  webFolder?: string;
  clock?: () => number;
  logger?: Logger;
  requestsPerMinute?: number;
};

const BODY_LIMIT = '256kb';
/** A whole catalogue of own entries, or a day's orders. */
const IMPORT_LIMIT = '2mb';
const YEAR_MS = 365 * 24 * 3600 * 1000;
/** Files whose name carries a hash of their content never change. */
const HASHED = /[.-][0-9a-f]{32}\./;

export function createApp({
  store,
  webFolder,
  clock = Date.now,
  logger = pino({ level: 'warn' }),
  requestsPerMinute = 6000,
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  // JSON is never run or framed; the full set of headers is for the pages below.
  const apiHeaders: RequestHandler = (_request, response, next) => {
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Content-Security-Policy', "default-src 'none'; frame-ancestors 'none'");
    response.setHeader('Cache-Control', 'no-store');
    next();
  };
  const limits = [
    apiHeaders,
    rateLimit({ windowMs: 60_000, limit: requestsPerMinute, standardHeaders: false, legacyHeaders: false }),
  ];
  // Asked at every touch of a number: it stands first and goes through as little as can be.
  const answers = {
    '/api/setups': new SetupAnswers((request) => computeSetup(request)),
    '/api/ways': new SetupAnswers((request) => ({ forbidden: whyForbidden(request), ways: findOtherWays(request) })),
  };
  for (const [path, kept] of Object.entries(answers))
    app.post(path, ...limits, express.text({ type: () => true, limit: BODY_LIMIT }), (request, response) => {
      const text = kept.answer(String(request.body ?? ''), (question) =>
        parse(setupRequestSchema, parseJson(question)),
      );
      response.setHeader('Content-Type', 'application/json; charset=utf-8');
      response.end(text);
    });
  app.use(compression());
  app.use('/api/catalogue/import', ...limits, express.json({ limit: IMPORT_LIMIT }));
  app.use(
    ['/api/orders/import', '/api/fhir', '/api/rooms/import', '/api/rooms/:id/chart'],
    express.text({ type: ['text/csv', 'text/plain'], limit: IMPORT_LIMIT }),
    express.json({ type: ['application/json', 'application/fhir+json'], limit: IMPORT_LIMIT }),
  );
  app.use('/api', ...limits, express.json({ limit: BODY_LIMIT }), apiRoutes(store, clock));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: true,
        directives: {
          'default-src': ["'self'"],
          'script-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:'],
          'worker-src': ["'self'", 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  if (webFolder && existsSync(webFolder)) {
    app.use(
      express.static(webFolder, {
        index: 'index.html',
        setHeaders: (response, file) =>
          void response.setHeader(
            'Cache-Control',
            HASHED.test(file) ? `public, max-age=${YEAR_MS / 1000}, immutable` : 'no-cache',
          ),
      }),
    );
    // A page of the app answers with the app; a missing file stays missing.
    app.get('/{*path}', (request, response, next) => {
      if (path.extname(request.path) !== '') next();
      else response.sendFile(path.join(webFolder, 'index.html'), { headers: { 'Cache-Control': 'no-cache' } });
    });
  }
  app.use((_request, response) => void response.status(404).type('text/plain').send('Not found'));
  app.use(problemHandler(logger));
  return app;
}
