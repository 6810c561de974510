/** The Express application: API, then the built web app. */
import { existsSync } from 'node:fs';
import path from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { pino, type Logger } from 'pino';
import { mountRoutes } from './api/mount';
import { openApiDocument } from './api/openapi';
import { questions, routes } from './api/routes';
import { parse, parseJson, Problem, problemHandler } from './api/problem';
import { computingHere, type Computing } from './compute/computing';
import { reportDamage, type Store } from './db/database';
import type { WorklistAddress } from './dicom/worklist';
import { rulesInForce } from './services/rooms';
import { KeptAnswers } from './services/keptAnswers';

/** What changes something comes from a page of this very origin, or from a tool that sends none. */
const sameOrigin: RequestHandler = (request, _response, next) => {
  if (/^(GET|HEAD|OPTIONS)$/.test(request.method)) {
    next();
    return;
  }
  const { origin, host } = request.headers;
  const site = request.headers['sec-fetch-site'];
  const foreign =
    (origin !== undefined && hostOf(origin) !== host) ||
    (site !== undefined && !/^(same-origin|none)$/.test(String(site)));
  if (foreign)
    throw new Problem(403, 'Another origin', 'This was sent by a page of another address; nothing was changed.');
  next();
};
const hostOf = (origin: string): string | null => {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
};

export type AppOptions = {
  store: Store;
  webFolder?: string;
  clock?: () => number;
  logger?: Logger;
  requestsPerMinute?: number;
  computing?: Computing;
  worklist?: WorklistAddress | null;
  /** Proxies in front whose word on address and https is believed. */
  trustedProxies?: number;
  /** Times every answer. */
  timed?: RequestHandler | null;
};

const BODY_LIMIT = '256kb';
/** A whole catalogue of own entries, or a day's orders. */
const IMPORT_LIMIT = '2mb';
const MINUTE_MS = 60_000;
const YEAR_MS = 365 * 24 * 3600 * 1000;
/** Files whose name carries a hash of their content never change. */
const HASHED = /[.-][0-9a-f]{32}\./;

export function createApp({
  store,
  webFolder,
  clock = Date.now,
  logger = pino({ level: 'warn' }),
  requestsPerMinute = 6000,
  computing = computingHere,
  worklist = null,
  trustedProxies = 0,
  timed = null,
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.set('trust proxy', trustedProxies);
  if (timed) app.use(timed);
  app.use((request, response, next) => {
    // Whoever came by https comes by nothing else from now on.
    if (request.secure) response.setHeader('Strict-Transport-Security', `max-age=${YEAR_MS / 1000}`);
    next();
  });
  // JSON is never run or framed; the full set of headers is for the pages below.
  const apiHeaders: RequestHandler = (_request, response, next) => {
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Content-Security-Policy', "default-src 'none'; frame-ancestors 'none'");
    response.setHeader('Cache-Control', 'no-store');
    // A portal or proxy that answers in our place does not know this one.
    response.setHeader('X-Taktik', '1');
    next();
  };
  const limits = [
    apiHeaders,
    sameOrigin,
    rateLimit({
      windowMs: MINUTE_MS,
      limit: requestsPerMinute,
      standardHeaders: false,
      legacyHeaders: false,
      handler: () => {
        throw new Problem(
          429,
          'Too often',
          `More than ${requestsPerMinute} questions came from here within a minute. Nothing was changed.`,
          [],
          MINUTE_MS / 1000,
        );
      },
    }),
  ];
  // Asked at every touch of a number: it stands first and goes through as little as can be.
  for (const { path, body, task } of questions) {
    const kept = new KeptAnswers((asked: object) => computing.text(task, asked));
    const text = express.text({ type: () => true, limit: BODY_LIMIT });
    app.post(`/api${path}`, ...limits, text, async (request, response) => {
      // A question without rules is answered by those in force.
      const inForce = await rulesInForce(store);
      const answer = await kept.answer(String(request.body ?? ''), inForce.version, (question) => {
        const asked = parse(body, parseJson(question)) as { rules?: unknown };
        return asked.rules === undefined ? { ...asked, rules: inForce.rules } : asked;
      });
      response.setHeader('Content-Type', 'application/json; charset=utf-8');
      response.end(answer);
    });
  }
  app.use(compression());
  app.use('/api/catalogue/import', ...limits, express.json({ limit: IMPORT_LIMIT }));
  app.use(
    ['/api/orders/import', '/api/fhir', '/api/rooms/import', '/api/rooms/:id/chart'],
    // Plain text is what a foreign page may send without being asked: only a table says that it is one.
    express.text({ type: ['text/csv'], limit: IMPORT_LIMIT }),
    express.json({ type: ['application/json', 'application/fhir+json'], limit: IMPORT_LIMIT }),
  );
  app.get('/api/openapi.json', ...limits, (_request, response) => void response.json(openApiDocument));
  app.use(
    '/api',
    ...limits,
    express.json({ limit: BODY_LIMIT }),
    mountRoutes(routes, store, computing, clock, worklist),
  );
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
  app.use(problemHandler(logger, () => reportDamage(store)));
  return app;
}
